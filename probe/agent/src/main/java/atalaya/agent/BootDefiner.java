package atalaya.agent;

import java.lang.instrument.Instrumentation;
import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.security.ProtectionDomain;
import java.util.Collections;
import java.util.Map;

/** Defines classes in the boot loader. It runs in a class loader of its own, by reflection. */
public final class BootDefiner {
  private BootDefiner() {}

  /**
   * Defines classes.
   *
   * @param classes bytes by internal name, in an order in which they can be defined
   */
  public static void define(Instrumentation instrumentation, Map<String, byte[]> classes)
      throws ReflectiveOperationException {
    Class<?> unsafe = unsafe(instrumentation);
    Field field = unsafe.getDeclaredField("theUnsafe");
    field.setAccessible(true);
    Object instance = field.get(null);
    Method define =
        unsafe.getMethod(
            "defineClass",
            String.class,
            byte[].class,
            int.class,
            int.class,
            ClassLoader.class,
            ProtectionDomain.class);
    for (Map.Entry<String, byte[]> entry : classes.entrySet()) {
      byte[] bytes = entry.getValue();
      define.invoke(instance, entry.getKey(), bytes, 0, bytes.length, null, null);
    }
  }

  /** Java 8 shows it to everybody; later ones must be asked to open it. */
  private static Class<?> unsafe(Instrumentation instrumentation)
      throws ReflectiveOperationException {
    Method getModule;
    try {
      getModule = Class.class.getMethod("getModule");
    } catch (NoSuchMethodException e) {
      return Class.forName("sun.misc.Unsafe");
    }
    Object base = getModule.invoke(Object.class);
    Object ours = getModule.invoke(BootDefiner.class);
    Class<?> module = Class.forName("java.lang.Module");
    Map<String, ?> toUs =
        Collections.singletonMap("jdk.internal.misc", Collections.singleton(ours));
    Instrumentation.class
        .getMethod(
            "redefineModule",
            module,
            java.util.Set.class,
            Map.class,
            Map.class,
            java.util.Set.class,
            Map.class)
        .invoke(
            instrumentation,
            base,
            Collections.emptySet(),
            toUs,
            toUs,
            Collections.emptySet(),
            Collections.emptyMap());
    return Class.forName("jdk.internal.misc.Unsafe");
  }
}
