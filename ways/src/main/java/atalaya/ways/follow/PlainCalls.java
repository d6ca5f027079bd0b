package atalaya.ways.follow;

import atalaya.core.term.ClassValue;
import atalaya.core.term.Term;
import java.util.Map;
import java.util.Optional;
import org.objectweb.asm.Type;

/** Calls that give what they are given, or tell its class or number. */
final class PlainCalls implements CallRule {
  /** What a box is opened with. */
  private static final Map<String, String> BOXES =
      Map.of(
          "java/lang/Integer", "intValue",
          "java/lang/Long", "longValue",
          "java/lang/Short", "shortValue",
          "java/lang/Byte", "byteValue",
          "java/lang/Character", "charValue",
          "java/lang/Boolean", "booleanValue",
          "java/lang/Double", "doubleValue",
          "java/lang/Float", "floatValue");

  private final Walker walker;
  private final OwnCalls own;

  PlainCalls(Walker walker, OwnCalls own) {
    this.walker = walker;
    this.own = own;
  }

  @Override
  public Optional<Term> call(Call call) {
    if (isBoxing(call)) {
      return Optional.of(call.object());
    }
    if (ClassOf.isAsked(call)) {
      Term object = call.object();
      return ClassOf.of(walker, object, own.isExactly(object))
          .or(() -> Optional.of(ClassOf.unknown(object)));
    }
    if (call.is("java/lang/Class", "isInstance") || call.is("java/lang/Class", "cast")) {
      return ofType(call);
    }
    if (isGivingTheSame(call)) {
      walker.requireThere(call.object());
      return Optional.of(call.object());
    }
    return call.name().equals("ordinal") && call.descriptor().equals("()I")
        ? Optional.of(EnumCalls.ordinal(call.object()))
        : Optional.empty();
  }

  private static boolean isBoxing(Call call) {
    if (!BOXES.containsKey(call.owner())) {
      return false;
    }
    Type[] types = Type.getArgumentTypes(call.descriptor());
    boolean toBox =
        call.name().equals("valueOf")
            && call.isStatic()
            && types.length == 1
            && types[0].getSort() != Type.OBJECT;
    return toBox || call.name().equals(BOXES.get(call.owner())) && types.length == 0;
  }

  /** A class that is known is asked whether something is of it, or to take it for that. */
  private Optional<Term> ofType(Call call) {
    boolean isKnown =
        call.object() instanceof Term.Constant constant && constant.value() instanceof ClassValue;
    if (!isKnown) {
      return Optional.empty();
    }
    String type = ((ClassValue) ((Term.Constant) call.object()).value()).type();
    Term asked = call.arguments().get(1);
    return Optional.of(
        call.name().equals("cast")
            ? walker.types.narrowed(asked, type)
            : walker.types.isA(asked, type));
  }

  /** What has to be there, and comes back as it is, or as a copy or view of it. */
  private static boolean isGivingTheSame(Call call) {
    boolean isView =
        call.isStatic()
            && (call.name().equals("copyOf") || call.name().startsWith("unmodifiable"))
            && call.owner().startsWith("java/util/")
            && call.arguments().size() == 1;
    boolean isArrayAgain = call.owner().startsWith("[") && call.name().equals("clone");
    return isView || isArrayAgain || call.is("java/util/Objects", "requireNonNull");
  }
}
