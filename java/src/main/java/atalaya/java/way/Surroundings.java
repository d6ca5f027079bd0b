package atalaya.java.way;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.tree.MethodInsnNode;

/** What code asks of its surroundings: clock, chance, environment, files, network. */
final class Surroundings {
  private static final Set<String> OF_SYSTEM =
      Set.of("currentTimeMillis", "nanoTime", "getenv", "getProperty", "exit");
  private static final Pattern PLACES =
      Pattern.compile(
          "java/io/File.*|java/nio/file/Files|java/nio/channels/.*|java/net/.*|java/util/Random"
              + "|java/util/concurrent/ThreadLocalRandom|java/security/SecureRandom"
              + "|java/lang/ProcessBuilder|java/lang/Runtime");

  private Surroundings() {}

  static Optional<String> of(MethodInsnNode call) {
    if (!call.owner.startsWith("java/")) {
      return Optional.empty();
    }
    boolean ofSystem = call.owner.equals("java/lang/System") && OF_SYSTEM.contains(call.name);
    boolean ofClock =
        call.owner.startsWith("java/time/")
            && call.name.equals("now")
            && !call.desc.contains("Clock");
    boolean ofChance = call.owner.equals("java/lang/Math") && call.name.equals("random");
    return ofSystem || ofClock || ofChance || PLACES.matcher(call.owner).matches()
        ? Optional.of(Instructions.simple(call.owner) + "." + call.name.replace("<init>", "new"))
        : Optional.empty();
  }
}
