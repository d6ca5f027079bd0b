package atalaya.agent;

import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.lang.instrument.Instrumentation;
import java.lang.reflect.InvocationTargetException;
import java.net.URISyntaxException;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;

/**
 * Puts the classes of {@code atalaya-boot.jar} where every class loader sees them. They are defined
 * in the boot loader one by one: appending the jar to its class path would make the JVM print a
 * warning and give up its archive of loaded classes. Where that fails, the jar is appended.
 */
final class BootClasses {
  private BootClasses() {}

  static void define(Instrumentation instrumentation) throws IOException {
    try (JarFile jar = new JarFile(bootJar())) {
      Map<String, byte[]> classes = classes(jar);
      try {
        new Door(classes).define(instrumentation);
      } catch (ReflectiveOperationException | RuntimeException | LinkageError e) {
        instrumentation.appendToBootstrapClassLoaderSearch(jar);
      }
    }
  }

  private static File bootJar() throws IOException {
    try {
      File agent =
          new File(BootClasses.class.getProtectionDomain().getCodeSource().getLocation().toURI());
      return new File(agent.getParentFile(), "atalaya-boot.jar");
    } catch (URISyntaxException e) {
      throw new IOException("the agent's place can't be read", e);
    }
  }

  private static Map<String, byte[]> classes(JarFile jar) throws IOException {
    Map<String, byte[]> classes = new LinkedHashMap<>();
    for (Enumeration<JarEntry> all = jar.entries(); all.hasMoreElements(); ) {
      JarEntry entry = all.nextElement();
      String name = entry.getName();
      if (name.endsWith(".class") && !name.endsWith("package-info.class")) {
        try (InputStream in = jar.getInputStream(entry)) {
          classes.put(name.substring(0, name.length() - ".class".length()), bytes(in));
        }
      }
    }
    return classes;
  }

  private static byte[] bytes(InputStream in) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    byte[] buffer = new byte[4096];
    for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
      bytes.write(buffer, 0, read);
    }
    return bytes.toByteArray();
  }

  /**
   * A class loader of its own, so that the JDK's inside is opened to nobody but the one class that
   * it defines.
   */
  private static final class Door extends ClassLoader {
    private final Map<String, byte[]> classes;

    Door(Map<String, byte[]> classes) {
      super(BootClasses.class.getClassLoader());
      this.classes = classes;
    }

    void define(Instrumentation instrumentation) throws ReflectiveOperationException, IOException {
      String name = BootDefiner.class.getName();
      byte[] own;
      try (InputStream in = getResourceAsStream(name.replace('.', '/') + ".class")) {
        own = bytes(in);
      }
      Class<?> definer = defineClass(name, own, 0, own.length);
      try {
        definer
            .getMethod("define", Instrumentation.class, Map.class)
            .invoke(null, instrumentation, classes);
      } catch (InvocationTargetException e) {
        throw new IllegalStateException(e.getCause());
      }
    }
  }
}
