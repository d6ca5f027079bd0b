package atalaya.ways.code;

import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * Calls by which the platform gives or changes one element, reads something, or waits on a monitor,
 * and throws where that is missing.
 */
public final class Taking {
  private static final Set<String> LISTS =
      Set.of(
          "java/util/List",
          "java/util/ArrayList",
          "java/util/LinkedList",
          "java/util/Vector",
          "java/util/Stack",
          "java/util/AbstractList",
          "java/util/concurrent/CopyOnWriteArrayList");

  private static final Pattern BY_NUMBER =
      Pattern.compile("get|set|remove|add|addAll|subList|elementAt|listIterator");

  private static final Pattern AT_AN_END =
      Pattern.compile("(get|remove)(First|Last)|pop|element|(first|last)(Element|Key)?");

  private static final Pattern PRESENT = Pattern.compile("get(As\\w+)?|orElseThrow");

  private static final Set<String> WAITING = Set.of("wait", "notify", "notifyAll");

  private static final Pattern READING =
      Pattern.compile(
          "read(Object|Fully|Int|Long|Short|Byte|Char|Float|Double|Boolean|UTF|Unsigned\\w+)");

  private Taking() {}

  /** Whether a call throws where there is no such thing. */
  public static boolean mayMiss(MethodInsnNode call) {
    return mayMiss(call.owner, call.name, call.desc);
  }

  /** Whether a method throws where there is no such thing. */
  public static boolean mayMiss(String owner, String name, String descriptor) {
    if (!owner.startsWith("java/")) {
      return false;
    }
    if (owner.equals("java/lang/Object")) {
      return WAITING.contains(name);
    }
    boolean isByNumber =
        LISTS.contains(owner) && BY_NUMBER.matcher(name).matches() && descriptor.startsWith("(I");
    return isByNumber
        || READING.matcher(name).matches()
        || owner.startsWith("java/util/Optional") && PRESENT.matcher(name).matches()
        || name.equals("remove") && descriptor.equals("()Ljava/lang/Object;")
        || owner.startsWith("java/util/")
            && AT_AN_END.matcher(name).matches()
            && descriptor.startsWith("()");
  }
}
