package atalaya.java.way;

import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * Calls by which the platform gives or changes one element, or reads something that has to be
 * there, and throws where it is missing.
 */
final class Taking {
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

  private static final Pattern READING =
      Pattern.compile(
          "read(Object|Fully|Int|Long|Short|Byte|Char|Float|Double|Boolean|UTF|Unsigned\\w+)");

  private Taking() {}

  /** Whether a call throws where there is no such thing. */
  static boolean mayMiss(MethodInsnNode call) {
    boolean isReading = call.owner.startsWith("java/") && READING.matcher(call.name).matches();
    boolean isByNumber =
        LISTS.contains(call.owner)
            && BY_NUMBER.matcher(call.name).matches()
            && call.desc.startsWith("(I");
    return isByNumber
        || isReading
        || call.owner.startsWith("java/util/")
            && AT_AN_END.matcher(call.name).matches()
            && Type.getArgumentTypes(call.desc).length == 0;
  }
}
