package atalaya.java.bytecode;

import atalaya.java.source.CodeKeys;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Finds the operations of a class file, and where its jumps and switches stand. */
public final class OperationReader extends MethodVisitor {
  private static final int API = Opcodes.ASM9;

  private final List<CodeOperation> operations = new ArrayList<>();
  private final List<Integer> jumps = new ArrayList<>();
  private final List<Integer> switches = new ArrayList<>();
  private final Map<Integer, Integer> lines = new LinkedHashMap<>();
  private int line;
  private int instruction = -1;

  private OperationReader() {
    super(API);
  }

  /**
   * What one method holds.
   *
   * @param jumps the numbers of the instructions that are conditional jumps, ascending
   * @param switches the same for switches
   * @param lines by the number of each instruction of the three kinds the line it stands on
   */
  public record Found(
      List<CodeOperation> operations,
      List<Integer> jumps,
      List<Integer> switches,
      Map<Integer, Integer> lines) {}

  /** By name and descriptor of the method. */
  public static Map<String, Found> read(byte[] classFile) {
    Map<String, Found> found = new LinkedHashMap<>();
    new ClassReader(classFile)
        .accept(
            new ClassVisitor(API) {
              @Override
              public MethodVisitor visitMethod(
                  int access, String name, String descriptor, String signature, String[] thrown) {
                OperationReader reader = new OperationReader();
                found.put(
                    name + descriptor,
                    new Found(reader.operations, reader.jumps, reader.switches, reader.lines));
                return reader;
              }
            },
            ClassReader.SKIP_FRAMES);
    return found;
  }

  private void next() {
    instruction++;
  }

  private void found(String key) {
    operations.add(new CodeOperation(line, instruction, key));
    lines.put(instruction, line);
  }

  @Override
  public void visitLineNumber(int number, Label start) {
    line = number;
  }

  @Override
  public void visitInsn(int opcode) {
    next();
    String key = key(opcode);
    if (!key.isEmpty()) {
      found(key);
    }
  }

  private static String key(int opcode) {
    if (opcode >= Opcodes.IRETURN && opcode <= Opcodes.ARETURN) {
      return "return";
    }
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      return CodeKeys.number(opcode - Opcodes.ICONST_0);
    }
    return switch (opcode) {
      case Opcodes.IADD, Opcodes.LADD, Opcodes.FADD, Opcodes.DADD -> "+";
      case Opcodes.ISUB, Opcodes.LSUB, Opcodes.FSUB, Opcodes.DSUB -> "-";
      case Opcodes.IMUL, Opcodes.LMUL, Opcodes.FMUL, Opcodes.DMUL -> "*";
      case Opcodes.IDIV, Opcodes.LDIV, Opcodes.FDIV, Opcodes.DDIV -> "/";
      case Opcodes.IREM, Opcodes.LREM, Opcodes.FREM, Opcodes.DREM -> "%";
      case Opcodes.INEG, Opcodes.LNEG, Opcodes.FNEG, Opcodes.DNEG -> "neg";
      case Opcodes.ISHL, Opcodes.LSHL -> "<<";
      case Opcodes.ISHR, Opcodes.LSHR -> ">>";
      case Opcodes.IUSHR, Opcodes.LUSHR -> ">>>";
      case Opcodes.IAND, Opcodes.LAND -> "&";
      case Opcodes.IOR, Opcodes.LOR -> "|";
      case Opcodes.IXOR, Opcodes.LXOR -> "^";
      case Opcodes.ATHROW -> "throw";
      case Opcodes.LCONST_0, Opcodes.FCONST_0, Opcodes.DCONST_0 -> CodeKeys.number(0);
      case Opcodes.LCONST_1, Opcodes.FCONST_1, Opcodes.DCONST_1 -> CodeKeys.number(1);
      case Opcodes.FCONST_2 -> CodeKeys.number(2);
      default -> "";
    };
  }

  @Override
  public void visitIntInsn(int opcode, int operand) {
    next();
    if (opcode != Opcodes.NEWARRAY) {
      found(CodeKeys.number(operand));
    }
  }

  @Override
  public void visitVarInsn(int opcode, int index) {
    next();
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    next();
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    next();
    if (opcode == Opcodes.PUTFIELD || opcode == Opcodes.PUTSTATIC) {
      found("put " + name);
    }
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean onInterface) {
    next();
    if (name.equals("<init>")) {
      String simple = owner.substring(Math.max(owner.lastIndexOf('/'), owner.lastIndexOf('$')) + 1);
      boolean isNamed = !simple.isEmpty() && !Character.isDigit(simple.charAt(0));
      found("new " + (isNamed ? simple : ""));
    } else {
      found("call " + name);
    }
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    next();
  }

  @Override
  public void visitJumpInsn(int opcode, Label label) {
    next();
    if (opcode != Opcodes.GOTO && opcode != Opcodes.JSR) {
      jumps.add(instruction);
      lines.put(instruction, line);
    }
  }

  @Override
  public void visitLdcInsn(Object value) {
    next();
    if (value instanceof Number number) {
      found(CodeKeys.number(number));
    }
  }

  @Override
  public void visitIincInsn(int index, int increment) {
    next();
    found("iinc");
  }

  @Override
  public void visitTableSwitchInsn(int least, int most, Label otherwise, Label... labels) {
    choice();
  }

  @Override
  public void visitLookupSwitchInsn(Label otherwise, int[] keys, Label[] labels) {
    choice();
  }

  private void choice() {
    next();
    switches.add(instruction);
    lines.put(instruction, line);
  }

  @Override
  public void visitMultiANewArrayInsn(String descriptor, int dimensions) {
    next();
  }
}
