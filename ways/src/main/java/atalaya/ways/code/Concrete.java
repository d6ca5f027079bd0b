package atalaya.ways.code;

import atalaya.ways.code.CodeBase.Ref;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.objectweb.asm.Type;

/** The classes of which a test makes objects where what it calls stands in an abstract one. */
public final class Concrete {
  private Concrete() {}

  /**
   * The class to make an object of, to call a method on: its own, or the one that is made from
   * fewest arguments of those that extend it and leave the method as it is; its own where there is
   * none. For the body of a constant it is the enum.
   */
  public static String of(CodeBase base, Visibility visible, Ref method) {
    if (!base.isAbstract(method.type())) {
      return ConstantBodies.enumOf(base, method.type());
    }
    return heirs(base, method.type(), method.code())
        .filter(type -> arguments(base, visible, type).isPresent())
        .min(
            Comparator.comparingInt((String type) -> arguments(base, visible, type).getAsInt())
                .thenComparing(Comparator.naturalOrder()))
        .orElse(method.type());
  }

  private static Stream<String> heirs(CodeBase base, String type, String code) {
    List<String> below = base.below(type);
    return below.stream()
        .filter(heir -> !base.methods(heir).contains(code))
        .flatMap(heir -> Stream.concat(Stream.of(heir), heirs(base, heir, code)));
  }

  /** How many its plainest constructor takes; empty when a test can't make one. */
  private static OptionalInt arguments(CodeBase base, Visibility visible, String type) {
    boolean isMade =
        !base.isAbstract(type)
            && base.code(type).filter(c -> !c.isEnum() && c.outer().isEmpty()).isPresent();
    return isMade
        ? base.code(type).orElseThrow().constructors().stream()
            .filter(constructor -> visible.sees(type, constructor.node().access))
            .mapToInt(constructor -> Type.getArgumentTypes(constructor.node().desc).length)
            .min()
        : OptionalInt.empty();
  }
}
