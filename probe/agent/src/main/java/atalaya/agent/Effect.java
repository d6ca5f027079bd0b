package atalaya.agent;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import org.objectweb.asm.Opcodes;

/** What an instruction may do besides its work. */
enum Effect {
  /** Nothing. */
  NONE,
  /** It may throw an exception. */
  THROWS,
  /** Other code of the program may run, or the thread wait, before the next instruction. */
  CALLS;

  /** Final classes whose methods run no code but the JDK's, as long as they get plain values. */
  private static final Set<String> PLAIN =
      new HashSet<>(
          Arrays.asList(
              "java/lang/String",
              "java/lang/StringBuilder",
              "java/lang/Math",
              "java/lang/StrictMath",
              "java/lang/Character",
              "java/lang/Boolean",
              "java/lang/Byte",
              "java/lang/Short",
              "java/lang/Integer",
              "java/lang/Long",
              "java/lang/Float",
              "java/lang/Double"));

  /** Of any instruction with this opcode. */
  static Effect of(int opcode) {
    if (opcode >= Opcodes.INVOKEVIRTUAL && opcode <= Opcodes.NEW
        || opcode == Opcodes.GETSTATIC
        || opcode == Opcodes.PUTSTATIC
        || opcode == Opcodes.MONITORENTER) {
      return CALLS;
    }
    boolean mayThrow =
        opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD
            || opcode >= Opcodes.IASTORE && opcode <= Opcodes.SASTORE
            || opcode == Opcodes.IDIV
            || opcode == Opcodes.LDIV
            || opcode == Opcodes.IREM
            || opcode == Opcodes.LREM
            || opcode == Opcodes.LDC
            || opcode >= Opcodes.GETFIELD && opcode <= Opcodes.MONITOREXIT
            || opcode == Opcodes.MULTIANEWARRAY;
    return mayThrow ? THROWS : NONE;
  }

  /** Of a call. Methods that look something up by name are not plain: getBytes, getInteger. */
  static Effect ofCall(String owner, String name, String descriptor) {
    boolean plain =
        PLAIN.contains(owner)
            && !name.startsWith("get")
            && !(name.equals("<init>") && owner.equals("java/lang/String"))
            && hasPlainParameters(descriptor);
    return plain ? THROWS : CALLS;
  }

  private static boolean hasPlainParameters(String descriptor) {
    String parameters = descriptor.substring(1, descriptor.indexOf(')'));
    return parameters.replace("Ljava/lang/String;", "").indexOf('L') < 0;
  }

  /** Of the creation of an object: its class may be initialised. */
  static Effect ofNew(String type) {
    return type.startsWith("java/lang/") ? THROWS : CALLS;
  }
}
