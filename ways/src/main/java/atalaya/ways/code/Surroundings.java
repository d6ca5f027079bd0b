package atalaya.ways.code;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/** What code asks of its surroundings: clock, chance, environment, files, network. */
public final class Surroundings {
  private static final Set<String> OF_SYSTEM =
      Set.of("currentTimeMillis", "nanoTime", "getenv", "getProperty", "exit");
  private static final List<String> PLACES =
      List.of("java/io/File", "java/nio/channels/", "java/net/");

  /** What asks a file for no more than its name. */
  private static final Set<String> NAMES =
      Set.of(
          "<init>",
          "getName",
          "getPath",
          "getParent",
          "getParentFile",
          "toString",
          "toPath",
          "isAbsolute",
          "hashCode",
          "equals",
          "compareTo");

  private static final Set<String> ONLY_NAMES =
      Set.of(
          "java/net/URI",
          "java/net/URISyntaxException",
          "java/net/MalformedURLException",
          "java/io/FileNotFoundException",
          "java/net/URLEncoder",
          "java/net/URLDecoder");
  private static final Set<String> CLASSES =
      Set.of(
          "java/nio/file/Files",
          "java/util/Random",
          "java/util/concurrent/ThreadLocalRandom",
          "java/security/SecureRandom",
          "java/lang/ProcessBuilder",
          "java/lang/Runtime");

  /** Calls that end the JVM. */
  private static final Set<String> ENDS = Set.of("System.exit", "Runtime.exit", "Runtime.halt");

  /** What writes to memory by its address, and reads from it. */
  private static final Pattern BY_ADDRESS =
      Pattern.compile("(get(?!Unsafe)|put|copy|set|free|reallocate|compareAnd).*");

  private Surroundings() {}

  /** Whether an instruction ends the JVM, so that nothing comes after it. */
  static boolean ends(AbstractInsnNode instruction) {
    return instruction instanceof MethodInsnNode call
        && of(call).filter(ENDS::contains).isPresent();
  }

  /** Whether surroundings are asked for the end of the JVM. */
  public static boolean isEnd(String surroundings) {
    return ENDS.contains(surroundings);
  }

  /**
   * Whether a method or field of the platform ends the JVM, and with it all tests, or may, or waits
   * for somebody at the keyboard.
   */
  public static boolean isHalting(String owner, String name) {
    return switch (owner) {
      case "java/lang/System" -> name.equals("exit") || name.equals("in");
      case "java/lang/Runtime" -> name.equals("exit") || name.equals("halt");
      case "sun/misc/Unsafe", "jdk/internal/misc/Unsafe" -> BY_ADDRESS.matcher(name).matches();
      default -> false;
    };
  }

  /** What a call asks for of clock, chance, environment, files or network. */
  public static Optional<String> of(MethodInsnNode call) {
    if (!call.owner.startsWith("java/")) {
      return Optional.empty();
    }
    boolean ofSystem = call.owner.equals("java/lang/System") && OF_SYSTEM.contains(call.name);
    boolean ofClock =
        call.owner.startsWith("java/time/")
            && call.name.equals("now")
            && !call.desc.contains("Clock");
    boolean ofChance = call.owner.equals("java/lang/Math") && call.name.equals("random");
    boolean asksForNames =
        call.owner.equals("java/io/File") && NAMES.contains(call.name)
            || ONLY_NAMES.contains(call.owner);
    boolean ofPlace =
        CLASSES.contains(call.owner) || PLACES.stream().anyMatch(call.owner::startsWith);
    return ofSystem || ofClock || ofChance || ofPlace && !asksForNames
        ? Optional.of(TypeNames.simpleOf(call.owner) + "." + call.name.replace("<init>", "new"))
        : Optional.empty();
  }
}
