package atalaya.ways.code;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.objectweb.asm.Type;

/** What types are called: in class files, and in code. */
public final class TypeNames {
  private static final Map<String, String> SIMPLE = new ConcurrentHashMap<>();

  private TypeNames() {}

  /** The internal name that a descriptor has in it; the descriptor itself of arrays and numbers. */
  public static String internal(String descriptor) {
    return descriptor.startsWith("L")
        ? descriptor.substring(1, descriptor.length() - 1)
        : descriptor;
  }

  /** The name of a type, by its descriptor, without its package, as code has it. */
  public static String simple(String descriptor) {
    return SIMPLE.computeIfAbsent(descriptor, TypeNames::withoutPackage);
  }

  /** The name of a class, by its internal name, without its package, as code has it. */
  public static String simpleOf(String internalName) {
    return simple("L" + internalName + ";");
  }

  private static String withoutPackage(String descriptor) {
    String name = Type.getType(descriptor).getClassName();
    return name.substring(name.lastIndexOf('.') + 1).replaceAll("\\$(?=[A-Za-z_])", ".");
  }
}
