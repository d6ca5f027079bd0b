package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.ways.code.TypeNames;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.Type;

/**
 * The texts that code puts together piece by piece. Of a builder that leaves the method it is no
 * longer known what it holds.
 */
public final class Builders implements CallRule {
  private static final Set<String> TYPES =
      Set.of("java/lang/StringBuilder", "java/lang/StringBuffer");
  private static final Set<String> ASKING = Set.of("length()I", "charAt(I)C", "isEmpty()Z");
  private static final Pattern CHANGING =
      Pattern.compile("append.*|insert|delete.*|replace|reverse|set.*");

  private static final String TEXT = "the text";

  private final Walker walker;

  Builders(Walker walker) {
    this.walker = walker;
  }

  static boolean isBuilder(String owner) {
    return TYPES.contains(owner);
  }

  private static State.Field textOf(Term builder) {
    return new State.Field(builder, TEXT);
  }

  /** A new one. */
  private void made(Call call) {
    Type[] types = Type.getArgumentTypes(call.descriptor());
    boolean isEmpty = types.length == 0 || types[0] == Type.INT_TYPE;
    Term text = isEmpty ? Concatenation.EMPTY : Concatenation.text(call.given().get(0), types[0]);
    walker.state.fields.put(textOf(call.object()), text);
  }

  @Override
  public Optional<Term> call(Call call) {
    forget(call.given());
    if (call.isStatic() || !isBuilder(call.owner())) {
      return Optional.empty();
    }
    if (call.isConstructor()) {
      made(call);
      return Optional.of(walker.results.of(call));
    }
    List<Term> arguments = call.arguments();
    Term builder = call.object();
    if (isGiven(builder)) {
      walker.state.fields.putIfAbsent(textOf(builder), held((Term.Input) builder));
    }
    Term text = walker.state.fields.get(textOf(builder));
    if (text == null) {
      return Optional.empty();
    }
    if (call.name().equals("toString")) {
      return Optional.of(text);
    }
    if (ASKING.contains(call.name() + call.descriptor())) {
      List<Term> operands = arguments.size() == 1 ? List.of(text) : List.of(text, arguments.get(1));
      String method = "java/lang/String." + call.name() + call.descriptor();
      String type = call.type();
      return Optional.of(walker.computed(Term.operation(Operator.CALL, method, type, operands)));
    }
    boolean isPiece = call.name().equals("append") && arguments.size() == 2;
    if (isPiece) {
      Term piece =
          Concatenation.text(arguments.get(1), Type.getArgumentTypes(call.descriptor())[0]);
      holds(builder, walker.computed(Concatenation.joined(text, piece)));
      return Optional.of(builder);
    }
    boolean isEmptied =
        call.name().equals("setLength")
            && arguments.get(1) instanceof Term.Constant constant
            && constant.value().equals(0);
    if (isEmptied) {
      holds(builder, Concatenation.EMPTY);
      return Optional.of(Term.of(0));
    }
    forget(List.of(builder));
    if (isGiven(builder) && CHANGING.matcher(call.name()).matches()) {
      isWritten((Term.Input) builder, Optional.empty());
    }
    return Optional.empty();
  }

  private void holds(Term builder, Term text) {
    walker.state.fields.put(textOf(builder), text);
    if (isGiven(builder)) {
      isWritten((Term.Input) builder, Optional.of(text));
    }
  }

  private void isWritten(Term.Input builder, Optional<Term> text) {
    walker.effects.add(new Walked.Written(builder, text, walker.steps.size()));
  }

  /** Others may change these from now on. */
  void forget(List<Term> left) {
    for (Term term : left) {
      if (isGiven(term)) {
        if (walker.effects.stream().anyMatch(effect -> isWriting(effect, term))) {
          isWritten((Term.Input) term, Optional.empty());
        }
        walker.state.fields.put(textOf(term), Term.unknown(TEXT, Concatenation.TEXT));
      } else {
        walker.state.fields.remove(textOf(term));
      }
    }
  }

  private static boolean isWriting(Walked.Effect effect, Term builder) {
    return effect instanceof Walked.Written written && written.object().equals(builder);
  }

  private static boolean isGiven(Term builder) {
    return builder instanceof Term.Input input
        && input.isFree()
        && isBuilder(TypeNames.internal(input.type()));
  }

  /** What a builder holds that the code is given. */
  public static Term.Input held(Term.Input builder) {
    return new Term.Input(
        builder.name() + ".toString()", Concatenation.TEXT, Term.Source.ELEMENT, null);
  }
}
