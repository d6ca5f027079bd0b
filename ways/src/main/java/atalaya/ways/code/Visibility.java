package atalaya.ways.code;

import atalaya.core.term.Platform;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** What a test may name without tricks: it stands in the package of what it calls. */
public final class Visibility {
  private static final int NAMED = Opcodes.ACC_PUBLIC | Opcodes.ACC_PRIVATE;

  private static final int OFFERED = Opcodes.ACC_PUBLIC | Opcodes.ACC_PROTECTED;

  private static final Set<String> OF_OBJECTS =
      Set.of("toString()Ljava/lang/String;", "hashCode()I", "equals(Ljava/lang/Object;)Z");

  /** No package has this name. */
  private static final String NOWHERE = "/";

  private final CodeBase base;
  private final String home;

  private Visibility(CodeBase base, String home) {
    this.base = base;
    this.home = home;
  }

  /** For a test of a class. */
  public static Visibility ofTestOf(CodeBase base, String type) {
    return new Visibility(base, packageOf(type));
  }

  /**
   * Whether code of other projects may use a method, be it in a class of theirs that extends its
   * own, or as one that it overrides.
   */
  public static boolean isOffered(CodeBase base, CodeBase.Ref method) {
    boolean isDeclared = base.methods(method.type()).contains(method.code());
    boolean isOpen = isDeclared && (base.access(method) & OFFERED) != 0;
    if (isOpen && new Visibility(base, NOWHERE).sees(method.type())) {
      return true;
    }
    boolean mayOverride = (isOpen || !isDeclared) && !method.name().equals("<init>");
    return mayOverride
        && Stream.concat(
                base.above(method.type()).stream(), base.interfaces(method.type()).stream())
            .filter(base::has)
            .anyMatch(above -> isOffered(base, new CodeBase.Ref(above, method.code())));
  }

  private static String packageOf(String type) {
    return type.substring(0, Math.max(0, type.lastIndexOf('/')));
  }

  /** Whether it may name a class. Of classes that are not the project's, all are taken for open. */
  public boolean sees(String type) {
    Optional<ClassCode> code = base.code(type);
    return code.isEmpty()
        || !code.get().isHidden()
            && (packageOf(type).equals(home) || code.get().isPublic())
            && code.get().around().map(this::sees).orElse(true);
  }

  /**
   * Whether it may use a member of a class.
   *
   * @param access its flags
   */
  public boolean sees(String type, int access) {
    boolean isOpen =
        packageOf(type).equals(home)
            ? (access & Opcodes.ACC_PRIVATE) == 0
            : (access & NAMED) == Opcodes.ACC_PUBLIC;
    return isOpen && sees(type);
  }

  /** Whether it may call a method on what it knows as of a type. */
  public boolean calls(String type, String method) {
    if (OF_OBJECTS.contains(method)) {
      return true;
    }
    if (!base.has(type)) {
      return Platform.type(type).stream()
          .flatMap(of -> Arrays.stream(of.getMethods()))
          .anyMatch(of -> method.equals(of.getName() + Type.getMethodDescriptor(of)));
    }
    return base.methods(type).contains(method)
        || Stream.concat(base.above(type).stream(), base.interfaces(type).stream())
            .anyMatch(above -> calls(above, method));
  }

  /** Whether a name in its code means a class of the project that is next to it. */
  public boolean isOwn(String name) {
    return base.has(home.isEmpty() ? name : home + "/" + name);
  }
}
