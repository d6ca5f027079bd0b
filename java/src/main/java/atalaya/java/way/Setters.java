package atalaya.java.way;

import atalaya.java.way.CodeBase.Ref;
import java.util.List;
import java.util.Optional;
import java.util.stream.StreamSupport;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.VarInsnNode;

/** Methods that do nothing but set a field of their object, by which a test can do so. */
final class Setters {
  private final CodeBase base;
  private final Visibility visible;

  Setters(CodeBase base, Visibility visible) {
    this.base = base;
    this.visible = visible;
  }

  /**
   * One of them.
   *
   * @param takesValue whether it is given the value; else it sets one that it knows
   */
  record Setter(Ref method, boolean takesValue) {}

  /** The one that gives a field of a class a value, the class's own before inherited ones. */
  Optional<Setter> of(String type, String field, Object value) {
    for (Optional<String> at = Optional.of(type); at.isPresent(); at = base.above(at.get())) {
      String declaring = at.get();
      Optional<Setter> found =
          base.code(declaring).stream()
              .flatMap(code -> code.writers(field).stream())
              .filter(method -> !method.isStatic() && isOpen(declaring, method))
              .flatMap(method -> setter(method, field, value).stream())
              .findFirst();
      if (found.isPresent()) {
        return found;
      }
    }
    return Optional.empty();
  }

  private boolean isOpen(String type, MethodCode method) {
    return visible.sees(type, method.node().access);
  }

  private static Optional<Setter> setter(MethodCode method, String field, Object value) {
    List<AbstractInsnNode> code =
        StreamSupport.stream(method.node().instructions.spliterator(), false)
            .filter(instruction -> instruction.getOpcode() >= 0)
            .toList();
    boolean sets =
        (code.size() == 4 || code.size() == 5 && isThis(code.get(3)))
            && isThis(code.get(0))
            && code.get(2) instanceof FieldInsnNode access
            && access.getOpcode() == Opcodes.PUTFIELD
            && access.name.equals(field);
    if (!sets) {
      return Optional.empty();
    }
    Type[] parameters = Type.getArgumentTypes(method.node().desc);
    String type = ((FieldInsnNode) code.get(2)).desc;
    boolean takesIt =
        parameters.length == 1
            && parameters[0].getDescriptor().equals(type)
            && code.get(1) instanceof VarInsnNode variable
            && variable.var == 1;
    boolean hasIt = parameters.length == 0 && has(code.get(1), value);
    return takesIt || hasIt ? Optional.of(new Setter(method.ref(), takesIt)) : Optional.empty();
  }

  private static boolean isThis(AbstractInsnNode instruction) {
    return instruction instanceof VarInsnNode variable
        && variable.getOpcode() == Opcodes.ALOAD
        && variable.var == 0;
  }

  private static boolean has(AbstractInsnNode constant, Object value) {
    int opcode = constant.getOpcode();
    if (opcode == Opcodes.ACONST_NULL) {
      return value == null;
    }
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      return Integer.valueOf(opcode - Opcodes.ICONST_0).equals(value);
    }
    return constant instanceof IntInsnNode number && Integer.valueOf(number.operand).equals(value)
        || constant instanceof LdcInsnNode literal && literal.cst.equals(value);
  }
}
