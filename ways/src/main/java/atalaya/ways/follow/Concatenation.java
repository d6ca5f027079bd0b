package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import java.util.List;
import java.util.Set;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;

/** Texts that are put together by {@code +}, as javac compiles it since Java 9. */
public final class Concatenation {
  public static final String TEXT = "Ljava/lang/String;";
  private static final String JOINING =
      "java/lang/String.concat(Ljava/lang/String;)Ljava/lang/String;";

  private static final Set<String> NUMBERS = Set.of("Ljava/lang/Boolean;", "Ljava/lang/Character;");

  /** A text without letters. */
  static final Term EMPTY = new Term.Constant("", TEXT);

  /** In a recipe: here stands an argument, or a constant of the class file. */
  private static final char ARGUMENT = 1;

  private static final char CONSTANT = 2;

  private Concatenation() {}

  /** The text that a recipe makes of some arguments. */
  static Term of(InvokeDynamicInsnNode making, List<Term> arguments) {
    boolean isPlain = making.bsmArgs.length == 0;
    String recipe =
        isPlain ? String.valueOf(ARGUMENT).repeat(arguments.size()) : making.bsmArgs[0].toString();
    Type[] types = Type.getArgumentTypes(making.desc);
    Term all = null;
    int argument = 0;
    int constant = 1;
    int from = 0;
    for (int i = 0; i <= recipe.length(); i++) {
      char letter = i < recipe.length() ? recipe.charAt(i) : CONSTANT;
      if (letter > CONSTANT) {
        continue;
      }
      all = i > from ? joined(all, new Term.Constant(recipe.substring(from, i), TEXT)) : all;
      from = i + 1;
      if (letter == ARGUMENT) {
        all = joined(all, text(arguments.get(argument), types[argument]));
        argument++;
      } else if (i < recipe.length()) {
        Object value = making.bsmArgs[constant++];
        all = joined(all, new Term.Constant(value.toString(), TEXT));
      }
    }
    return all;
  }

  /** Two texts as one; the first may be null for none. */
  static Term joined(Term one, Term other) {
    return one == null ? other : Term.operation(Operator.CALL, JOINING, TEXT, List.of(one, other));
  }

  /** A value as text; of characters in arrays it is not known. */
  static Term text(Term value, Type type) {
    if (type.getSort() == Type.ARRAY || NUMBERS.contains(type.getDescriptor())) {
      return Term.unknown("a text", TEXT); // Their values are held as numbers.
    }
    String of =
        switch (type.getSort()) {
          case Type.BYTE, Type.SHORT -> "I";
          case Type.OBJECT -> "Ljava/lang/Object;";
          default -> type.getDescriptor();
        };
    String method = "java/lang/String.valueOf(" + of + ")" + TEXT;
    return Term.operation(Operator.CALL, method, TEXT, List.of(value));
  }
}
