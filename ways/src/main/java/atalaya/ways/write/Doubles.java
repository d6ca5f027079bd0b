package atalaya.ways.write;

import atalaya.core.term.Platform;
import atalaya.core.term.Stand;
import atalaya.core.term.Term.Input;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Kinds;
import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.Walked;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/**
 * Code that makes doubles: of interfaces a lambda, or a proxy where they have several methods; of
 * abstract classes one that extends them.
 */
final class Doubles {
  private static final Set<String> ANY = Set.of("java/lang/Exception", "java/lang/Throwable");

  private static final String NO_TRUTH =
      "return method%s.getReturnType() == boolean.class ? (Object) false : null;";

  /** No code of an interface that an object of it would run. */
  private static final int NOT_RUN =
      Opcodes.ACC_ABSTRACT | Opcodes.ACC_STATIC | Opcodes.ACC_PRIVATE;

  /** What is copied into a collection or a map, or gone through, is asked this. */
  private static final Map<String, Map<String, String>> EMPTY =
      Map.of(
          "Ljava/util/Map;",
          Map.of("size", "return 0;", "entrySet", "return Collections.emptySet();"),
          "Ljava/util/Collection;",
          Map.of(
              "size",
              "return 0;",
              "toArray",
              "return new Object[0];",
              "iterator",
              "return Collections.emptyIterator();"));

  private final CodeBase base;
  private final Set<Walked.Asked> asked;
  private final Set<Ref> called;
  private final Map<Input, Object> inputs;
  private final Function<Input, String> values;
  private final boolean isHashed;
  private final Subclasses subclasses;

  /**
   * For a way.
   *
   * @param visible what the test may name
   * @param walked what doubles are asked on it, and the code that it goes through
   * @param values what to write for an answer
   * @param isHashed whether what is called may ask doubles for their hash codes
   */
  Doubles(
      CodeBase base,
      Visibility visible,
      Walked walked,
      Map<Input, Object> inputs,
      Function<Input, String> values,
      boolean isHashed) {
    this.base = base;
    this.asked = walked.needs().asked();
    this.called = walked.trace().called();
    this.inputs = inputs;
    this.values = values;
    this.isHashed = isHashed;
    this.subclasses = new Subclasses(base, visible);
  }

  /** What makes it; empty where a person has to. */
  Optional<String> making(Input input) {
    String type = TypeNames.internal(input.type());
    return isInterface(type)
        ? answers(input, Ref::name).flatMap(answers -> implementing(input, type, answers))
        : answers(input, method -> method).flatMap(answers -> subclasses.making(type, answers));
  }

  /** What makes an object of an abstract class; empty where a person has to. */
  Optional<String> extending(Input input, String arguments) {
    return answers(input, method -> method)
        .flatMap(
            answers -> subclasses.making(TypeNames.internal(input.type()), arguments, answers));
  }

  /** What it answers, by method; empty where one is to answer this and that. */
  private <K> Optional<Map<K, String>> answers(Input input, Function<Ref, K> key) {
    Map<K, String> answers = new LinkedHashMap<>();
    Map<K, Ref> decided = new HashMap<>();
    for (Walked.Asked one : asked) {
      boolean isThrown = Integer.valueOf(1).equals(inputs.get(one.answer()));
      boolean matters =
          isToAnswer(input, one) && (one.thrown().isEmpty() ? isDecided(one) : isThrown);
      if (matters) {
        Optional<String> answer =
            one.thrown().isEmpty() ? Optional.of(answer(one)) : thrown(one.thrown());
        String before =
            answer.isEmpty() ? null : answers.putIfAbsent(key.apply(one.method()), answer.get());
        decided.put(key.apply(one.method()), one.method());
        boolean isClear = answer.isPresent() && (before == null || before.equals(answer.get()));
        if (!isClear) {
          return Optional.empty();
        }
      }
    }
    for (Walked.Asked one : asked) {
      if (isToAnswer(input, one) && one.thrown().isEmpty() && !isDecided(one)) {
        K of = key.apply(one.method());
        String before = answers.putIfAbsent(of, returning(one.method(), Optional.empty()));
        boolean isOfOther = before != null && !one.method().equals(decided.get(of));
        if (isOfOther && before.startsWith("throw")) {
          return Optional.empty(); // A proxy tells them by their names.
        }
      }
    }
    return Optional.of(answers);
  }

  /** Equal to something are doubles as all objects are by themselves. */
  private boolean isToAnswer(Input input, Walked.Asked one) {
    return isAsked(input, one.of()) && !one.method().equals(Walked.Asked.EQUALS);
  }

  private boolean isCompared(Input input) {
    return asked.stream().anyMatch(one -> isAsked(input, one.of()) && !isToAnswer(input, one));
  }

  /** Whether it matters what is answered. */
  private boolean isDecided(Walked.Asked one) {
    return inputs.containsKey(one.answer());
  }

  private Optional<String> implementing(Input input, String type, Map<String, String> answers) {
    Optional<String> lambda =
        onlyMethod(type)
            .filter(only -> !givesSomeObject(input))
            .filter(only -> answers.keySet().stream().allMatch(only.name()::equals))
            .map(only -> lambda(only, answers.get(only.name())));
    return lambda.isPresent()
        ? lambda
        : runsOwnCode(type)
            ? extending(input, "")
            : Optional.of(proxy(type, answers, isCompared(input)));
  }

  /** Whether the way goes through code of the interface itself, for which a proxy would answer. */
  private boolean runsOwnCode(String type) {
    return called.stream()
        .filter(method -> base.has(method.type()) && isInterface(method.type()))
        .filter(method -> (base.access(method) & NOT_RUN) == 0)
        .anyMatch(method -> base.isA(type, method.type()));
  }

  /** Whether it is asked as what it is, or before it was taken for that. */
  boolean isAsked(Input input, Input as) {
    return as.equals(input)
        || as.name().equals(input.name())
            && as.source() == input.source()
            && new Kinds(base).isA(input.type(), as.type()).orElse(false);
  }

  /** What it does when it is asked: {@code return 5;}. */
  private String answer(Walked.Asked one) {
    return returning(one.method(), Optional.of(values.apply(one.answer())));
  }

  /** Whether it answers with some object, of which nothing tells what the compiler takes it for. */
  private boolean givesSomeObject(Input input) {
    return asked.stream()
        .filter(one -> isToAnswer(input, one) && one.answer().type().endsWith("/Object;"))
        .anyMatch(one -> inputs.get(one.answer()) instanceof Stand);
  }

  static String returning(Ref method, Optional<String> value) {
    Type type = Type.getReturnType(method.descriptor());
    return type == Type.VOID_TYPE
        ? "return null;"
        : "return " + value.or(() -> plain(type)).orElse("null") + ";";
  }

  private static Optional<String> plain(Type type) {
    return type.getSort() < Type.ARRAY ? Literals.usual(type.getDescriptor()) : Optional.empty();
  }

  private Optional<String> thrown(String type) {
    if (ANY.contains(type)) {
      return Optional.of("throw new RuntimeException();");
    }
    boolean isMade =
        base.has(type)
            ? base.code(type).stream()
                .flatMap(code -> code.constructors().stream())
                .anyMatch(c -> c.node().desc.equals("()V"))
            : Platform.type(type).stream()
                .flatMap(of -> Arrays.stream(of.getConstructors()))
                .anyMatch(constructor -> constructor.getParameterCount() == 0);
    return isMade
        ? Optional.of("throw new " + TypeNames.simple("L" + type + ";") + "();")
        : Optional.empty();
  }

  // ---- how it is written ----

  private static String lambda(Ref method, String answer) {
    int count = Type.getArgumentTypes(method.descriptor()).length;
    String does = answer == null ? returning(method, Optional.empty()) : answer;
    String letter = letter(does);
    String names =
        IntStream.rangeClosed(1, count).mapToObj(i -> letter + i).collect(Collectors.joining(", "));
    boolean isVoid = method.code().endsWith("V");
    String body =
        does.startsWith("throw")
            ? "{ " + does + " }"
            : isVoid ? "{}" : does.substring("return ".length(), does.length() - 1);
    return (count == 1 ? letter : "(" + names + ")") + " -> " + body;
  }

  /** What the parameters are called of what does that. */
  static String letter(String does) {
    return String.valueOf((char) ('a' + inside(does)));
  }

  /** How many doubles answer inside of one, of which each needs names of its own. */
  private static int inside(String code) {
    return code.split(" -> ", -1).length - 1;
  }

  /**
   * A proxy answers with null what it is not told, which no hash code is, and no comparison.
   *
   * @param isCompared whether it is asked if it equals something
   */
  private String proxy(String type, Map<String, String> told, boolean isCompared) {
    String name = TypeNames.simple("L" + type + ";");
    int inside = told.values().stream().mapToInt(Doubles::inside).sum();
    String level = inside == 0 ? "" : String.valueOf(inside + 1);
    Map<String, String> answers = new LinkedHashMap<>(told);
    if (isHashed) {
      answers.putIfAbsent("hashCode", "return 0;");
    }
    Kinds kinds = new Kinds(base);
    String otherwise = "return null;";
    for (String container : List.of("Ljava/util/Collection;", "Ljava/util/Map;")) {
      if (kinds.isA("L" + type + ";", container).orElse(false)) {
        new TreeMap<>(EMPTY.get(container)).forEach(answers::putIfAbsent);
        otherwise = String.format(NO_TRUTH, level);
      }
    }
    if (isCompared) {
      answers.putIfAbsent("equals", String.format("return proxy%1$s == values%1$s[0];", level));
      answers.putIfAbsent("hashCode", "return 0;");
    }
    // What throws does so only when it is asked this: its text may be part of a message.
    boolean isOne =
        answers.equals(told)
            && answers.values().stream().distinct().count() <= 1
            && answers.values().stream().noneMatch(answer -> answer.startsWith("throw"));
    String does =
        isOne
            ? answers.values().stream().findFirst().orElse("return null;")
            : answers.entrySet().stream()
                .map(one -> "case \"" + one.getKey() + "\": " + one.getValue() + " ")
                .collect(
                    Collectors.joining(
                        "",
                        "switch (method" + level + ".getName()) { ",
                        "default: " + otherwise + " }"));
    return "("
        + name
        + ") Proxy.newProxyInstance("
        + name
        + ".class.getClassLoader(), new Class<?>[] {"
        + name
        + ".class}, "
        + String.format("(proxy%1$s, method%1$s, values%1$s) -> { ", level)
        + does
        + " })";
  }

  // ---- what an interface asks for ----

  private boolean isInterface(String type) {
    return base.has(type)
        ? (base.access(type) & Opcodes.ACC_INTERFACE) != 0
        : base.isLibraryInterface(type)
            || Platform.type(type).map(Class::isInterface).orElse(false);
  }

  /** The method that a lambda would be; empty where there are several, or one with own types. */
  private Optional<Ref> onlyMethod(String type) {
    Set<Ref> all = new TreeSet<>(Comparator.comparing(Ref::code));
    boolean isKnown = collect(type, all);
    return isKnown && all.size() == 1 ? all.stream().findFirst() : Optional.empty();
  }

  private boolean collect(String type, Set<Ref> into) {
    if (!base.has(type)) {
      Optional<Class<?>> platform = Platform.type(type);
      platform.stream()
          .flatMap(of -> Arrays.stream(of.getMethods()))
          .filter(
              method -> Modifier.isAbstract(method.getModifiers()) && !isOfObject(method.getName()))
          .map(method -> new Ref(type, method.getName() + Type.getMethodDescriptor(method)))
          .forEach(into::add);
      return platform.isPresent();
    }
    Set<Ref> above = new TreeSet<>(Comparator.comparing(Ref::code));
    boolean isPlain =
        base.interfaces(type).stream().map(of -> collect(of, above)).allMatch(known -> known);
    for (String code : base.methods(type)) {
      Ref method = new Ref(type, code);
      if ((base.access(method) & Opcodes.ACC_BRIDGE) == 0) {
        above.remove(method); // What stands here has code, or is the same again.
      }
      if ((base.access(method) & Opcodes.ACC_ABSTRACT) != 0) {
        into.add(method);
        isPlain &= !isGeneric(method);
      }
    }
    into.addAll(above);
    return isPlain;
  }

  private boolean isGeneric(Ref method) {
    return base.code(method.type())
        .flatMap(code -> code.signature(method.code()))
        .filter(signature -> signature.startsWith("<"))
        .isPresent();
  }

  private static boolean isOfObject(String method) {
    return Stream.of("equals", "hashCode", "toString").anyMatch(method::equals);
  }
}
