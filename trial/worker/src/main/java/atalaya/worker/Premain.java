package atalaya.worker;

import java.io.File;
import java.io.IOException;
import java.lang.instrument.ClassFileTransformer;
import java.lang.instrument.Instrumentation;
import java.nio.file.Files;
import java.security.ProtectionDomain;
import java.util.HashMap;
import java.util.Map;

/** Puts planted classes in the place of those that are loaded. */
public final class Premain {
  private static volatile boolean isAnyShared;

  private Premain() {}

  /** Whether the class path's own loader has loaded one: all tests of this JVM share its state. */
  static boolean isAnyShared() {
    return isAnyShared;
  }

  /**
   * Called by the JVM before {@link Main}.
   *
   * @param folder with an {@code index} of the planted classes
   */
  public static void premain(String folder, Instrumentation instrumentation) throws IOException {
    instrumentation.addTransformer(new Planted(new File(folder)));
  }

  private static final class Planted implements ClassFileTransformer {
    private final File folder;
    private final Map<String, String[]> index = new HashMap<>();

    Planted(File folder) throws IOException {
      this.folder = folder;
      for (String line : Files.readAllLines(new File(folder, "index").toPath())) {
        String[] words = line.split(" ");
        index.put(words[0], words);
      }
    }

    @Override
    public byte[] transform(
        ClassLoader loader,
        String name,
        Class<?> redefined,
        ProtectionDomain domain,
        byte[] original) {
      String[] words = name == null ? null : index.get(name);
      if (words == null || redefined != null) {
        return null;
      }
      isAnyShared |= loader == ClassLoader.getSystemClassLoader();
      try {
        // A class of this name that another tool has changed, or another one of the name, stays.
        return words[1].equals(Checksum.of(original))
            ? Files.readAllBytes(new File(folder, words[2]).toPath())
            : null;
      } catch (IOException e) {
        throw new IllegalStateException("can't read the planted class " + name, e);
      }
    }
  }
}
