package atalaya.ways.write;

import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.Visibility;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.StreamSupport;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.TypeInsnNode;
import org.objectweb.asm.tree.VarInsnNode;

/** Methods by which a test can set a field of an object, above all such as do nothing else. */
public final class Setters {
  private static final int NOT_CALLED =
      Opcodes.ACC_STATIC | Opcodes.ACC_ABSTRACT | Opcodes.ACC_NATIVE | Opcodes.ACC_SYNTHETIC;

  private final CodeBase base;
  private final Visibility visible;

  public Setters(CodeBase base, Visibility visible) {
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
  public Optional<Setter> of(String type, String field, Object value) {
    return writers(type, field).stream()
        .flatMap(method -> setter(method, field, value).stream())
        .findFirst();
  }

  /**
   * The methods of objects of a class that a test can call and that set a field, or put something
   * into what it holds: the class's own before inherited ones.
   */
  public List<MethodCode> writers(String type, String field) {
    List<MethodCode> writers = new ArrayList<>();
    Set<String> overridden = new HashSet<>();
    for (Optional<String> at = Optional.of(type);
        at.filter(base::has).isPresent();
        at = base.above(at.get())) {
      String declaring = at.get();
      base.code(declaring).stream()
          .flatMap(code -> code.writers(field).stream())
          .filter(method -> !overridden.contains(method.ref().code()))
          .filter(method -> isOpen(declaring, method))
          .forEach(writers::add);
      overridden.addAll(base.methods(declaring));
    }
    return writers;
  }

  private boolean isOpen(String type, MethodCode method) {
    int access = method.node().access;
    return (access & NOT_CALLED) == 0 && visible.sees(type, access);
  }

  private Optional<Setter> setter(MethodCode method, String field, Object value) {
    List<AbstractInsnNode> code =
        StreamSupport.stream(method.node().instructions.spliterator(), false)
            .filter(instruction -> instruction.getOpcode() >= 0)
            .filter(instruction -> !isCopying(instruction))
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

  /** Whether what is set is a copy of an array, by its {@code clone} or a method for that. */
  private boolean isCopying(AbstractInsnNode instruction) {
    if (instruction instanceof TypeInsnNode type) {
      return type.getOpcode() == Opcodes.CHECKCAST && type.desc.startsWith("[");
    }
    if (!(instruction instanceof MethodInsnNode call) || !call.name.equals("clone")) {
      return false;
    }
    boolean isOwn =
        call.getOpcode() == Opcodes.INVOKESTATIC
            && base.code(new Ref(call.owner, call.name + call.desc))
                .filter(code -> code.called().stream().allMatch(by -> by.type().startsWith("[")))
                .isPresent();
    return call.owner.startsWith("[") || isOwn && call.desc.matches("\\((\\[.*)\\)\\1");
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
