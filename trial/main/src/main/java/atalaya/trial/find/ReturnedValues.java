package atalaya.trial.find;

import atalaya.core.mutant.Operator;
import atalaya.java.source.SourceOperation;
import atalaya.trial.plant.Replacement;
import atalaya.trial.plant.Value;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.objectweb.asm.Type;

/** Other values to return, by the type that the method declares. */
final class ReturnedValues {
  private static final Pattern NUMBER = Pattern.compile("-?\\s*[0-9'.].*");

  /** What can be left away: names, literals, what is reckoned of them, and functions. */
  private static final Pattern WITHOUT_EFFECT =
      Pattern.compile(
          "(?s)(?!.*(?:\\+\\+|--))[\\w.\\s+*<>!&|^-]+"
              + "|\"[^\"]*\"|'.+'"
              + "|(?:\\w+|\\([\\w\\s,<>.]*\\))\\s*->.*|[\\w.<>]+::\\w+");

  private record Other(String text, Value value) {}

  private static final Map<String, Other> EMPTY =
      Map.ofEntries(
          made("java/util/List", "java/util/Collections", "emptyList", "java/util/List", false),
          made(
              "java/util/Collection",
              "java/util/Collections",
              "emptyList",
              "java/util/List",
              false),
          made("java/lang/Iterable", "java/util/Collections", "emptyList", "java/util/List", false),
          made("java/util/Set", "java/util/Collections", "emptySet", "java/util/Set", false),
          made("java/util/Map", "java/util/Collections", "emptyMap", "java/util/Map", false),
          made(
              "java/util/Iterator",
              "java/util/Collections",
              "emptyIterator",
              "java/util/Iterator",
              false),
          made("java/util/Optional", "java/util/Optional", "empty", "java/util/Optional", false),
          made(
              "java/util/stream/Stream",
              "java/util/stream/Stream",
              "empty",
              "java/util/stream/Stream",
              true));

  private ReturnedValues() {}

  private static Map.Entry<String, Other> made(
      String returned, String owner, String name, String type, boolean onInterface) {
    String text = owner.replace('/', '.') + "." + name + "()";
    return Map.entry(returned, new Other(text, new Value.Made(owner, name, type, onInterface)));
  }

  static List<Variation> of(SourceOperation operation, CodeSpot spot, String source) {
    Type type = Type.getReturnType(spot.method().desc);
    String operand = operation.operand();
    String text = source.substring((int) operation.start(), (int) operation.end());
    boolean isStatement = text.startsWith("return");
    String before =
        WITHOUT_EFFECT.matcher(operand).matches() ? "" : "Object was = " + operand + "; ";
    List<Variation> variations = new ArrayList<>();
    for (Other other : others(type, operand)) {
      variations.add(
          new Variation(
              Operator.RVR,
              operation.start(),
              operation.end(),
              mutated(before, isStatement, other.text()),
              s -> new Replacement.Returned(other.value())));
    }
    return variations;
  }

  /** A statement that computes a value, and does nothing with it. */
  static String only(String operand) {
    return WITHOUT_EFFECT.matcher(operand).matches() ? ";" : "{ Object was = " + operand + "; }";
  }

  /** What is returned now is computed all the same. */
  private static String mutated(String before, boolean isStatement, String value) {
    if (before.isEmpty()) {
      return isStatement ? "return " + value + ";" : value;
    }
    return "{ " + before + "return " + value + "; }";
  }

  private static List<Other> others(Type type, String operand) {
    boolean isNumber = NUMBER.matcher(operand).matches();
    return switch (type.getSort()) {
      case Type.BOOLEAN -> booleans(operand, null);
      case Type.BYTE, Type.CHAR, Type.SHORT, Type.INT -> isNumber ? List.of() : zero(0);
      case Type.LONG -> isNumber ? List.of() : zero(0L);
      case Type.FLOAT -> isNumber ? List.of() : zero(0f);
      case Type.DOUBLE -> isNumber ? List.of() : zero(0d);
      case Type.ARRAY -> List.of(noElements(type));
      default -> object(type.getInternalName(), operand, isNumber);
    };
  }

  private static List<Other> zero(Object value) {
    return List.of(new Other("0", new Value.Of(value)));
  }

  private static List<Other> booleans(String operand, String boxed) {
    List<Other> others = new ArrayList<>();
    for (String text : List.of("true", "false")) {
      if (!operand.equals(text)
          && !operand.equals("Boolean." + text.toUpperCase(java.util.Locale.ROOT))) {
        Integer value = text.equals("true") ? 1 : 0;
        others.add(
            new Other(text, boxed == null ? new Value.Of(value) : new Value.Boxed(boxed, value)));
      }
    }
    return others;
  }

  private static Other noElements(Type array) {
    String element = array.getElementType().getClassName();
    String text =
        "new " + element.replace('$', '.') + "[0]" + "[]".repeat(array.getDimensions() - 1);
    return new Other(text, new Value.NoElements(array));
  }

  private static List<Other> object(String type, String operand, boolean isNumber) {
    switch (type) {
      case "java/lang/Boolean":
        return booleans(operand, type);
      case "java/lang/Byte", "java/lang/Short", "java/lang/Integer":
        return isNumber ? List.of() : List.of(new Other("0", new Value.Boxed(type, 0)));
      case "java/lang/Long":
        return isNumber ? List.of() : List.of(new Other("0L", new Value.Boxed(type, 0L)));
      case "java/lang/Float":
        return isNumber ? List.of() : List.of(new Other("0f", new Value.Boxed(type, 0f)));
      case "java/lang/Double":
        return isNumber ? List.of() : List.of(new Other("0d", new Value.Boxed(type, 0d)));
      case "java/lang/String":
        return operand.equals("\"\"")
            ? List.of(new Other("null", new Value.Of(null)))
            : List.of(new Other("\"\"", new Value.Of("")));
      default:
        Other empty = EMPTY.get(type);
        if (empty != null) {
          String name = empty.text().substring(empty.text().lastIndexOf('.') + 1);
          return operand.endsWith(name) ? List.of() : List.of(empty);
        }
        return operand.equals("null") ? List.of() : List.of(new Other("null", new Value.Of(null)));
    }
  }
}
