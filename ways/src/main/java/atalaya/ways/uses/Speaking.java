package atalaya.ways.uses;

import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.LocalVariableNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.TypeInsnNode;
import org.objectweb.asm.tree.VarInsnNode;
import org.objectweb.asm.tree.analysis.Interpreter;

/** Reads the instructions of a method as the code that they were made of. */
final class Speaking extends Interpreter<Spoken> {
  private static final Map<Integer, String> BETWEEN =
      Map.ofEntries(
          Map.entry(Opcodes.IADD, "+"),
          Map.entry(Opcodes.LADD, "+"),
          Map.entry(Opcodes.DADD, "+"),
          Map.entry(Opcodes.ISUB, "-"),
          Map.entry(Opcodes.LSUB, "-"),
          Map.entry(Opcodes.DSUB, "-"),
          Map.entry(Opcodes.IMUL, "*"),
          Map.entry(Opcodes.LMUL, "*"),
          Map.entry(Opcodes.DMUL, "*"));

  private static final Map<Class<?>, String> LITERALS =
      Map.of(
          String.class, "Ljava/lang/String;",
          Integer.class, "I",
          Long.class, "J",
          Float.class, "F",
          Double.class, "D");

  private static final int LONGEST_BEFORE = 140;
  private static final Pattern NAMELESS = Pattern.compile("\\$\\d");
  private static final Pattern NUMBER = Pattern.compile("\\d{1,5}");
  private static final String PRIMITIVES = "    ZCFDBSIJ"; // By the operand of NEWARRAY.

  private final String type;
  private final MethodNode method;
  private final Map<AbstractInsnNode, Spoken> made = new HashMap<>();
  private final Map<MethodInsnNode, String> calls = new HashMap<>();

  /**
   * Of a method.
   *
   * @param type the internal name of its class
   */
  Speaking(String type, MethodNode method) {
    super(Opcodes.ASM9);
    this.type = type;
    this.method = method;
  }

  /** How each call reads. */
  Map<MethodInsnNode, String> calls() {
    return calls;
  }

  @Override
  public Spoken newValue(Type type) {
    return type == Type.VOID_TYPE ? null : Spoken.unknown(type == null ? 1 : type.getSize());
  }

  @Override
  public Spoken newParameterValue(boolean isInstance, int local, Type type) {
    return isInstance && local == 0
        ? Spoken.of(1, "this")
        : Spoken.of(type.getSize(), variable(local, method.instructions.getFirst()));
  }

  @Override
  public Spoken newOperation(AbstractInsnNode instruction) {
    int opcode = instruction.getOpcode();
    if (instruction instanceof LdcInsnNode constant) {
      int size = constant.cst instanceof Long || constant.cst instanceof Double ? 2 : 1;
      return Spoken.of(size, literal(constant.cst));
    }
    if (instruction instanceof IntInsnNode number) {
      return Spoken.of(1, Integer.toString(number.operand));
    }
    if (instruction instanceof TypeInsnNode making) {
      return made.computeIfAbsent(
          making, m -> Spoken.of(1, "new " + TypeNames.simpleOf(making.desc) + "(..)"));
    }
    if (instruction instanceof FieldInsnNode field) {
      int size = Type.getType(field.desc).getSize();
      return Spoken.of(size, ofClass(field.owner) + field.name);
    }
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      return Spoken.of(1, Integer.toString(opcode - Opcodes.ICONST_0));
    }
    return switch (opcode) {
      case Opcodes.ACONST_NULL -> Spoken.of(1, "null");
      case Opcodes.LCONST_0, Opcodes.LCONST_1 -> Spoken.of(2, opcode - Opcodes.LCONST_0 + "L");
      case Opcodes.DCONST_0, Opcodes.DCONST_1 -> Spoken.of(2, opcode - Opcodes.DCONST_0 + ".0");
      case Opcodes.FCONST_0, Opcodes.FCONST_1, Opcodes.FCONST_2 ->
          Spoken.of(1, opcode - Opcodes.FCONST_0 + "f");
      default -> Spoken.unknown(1);
    };
  }

  private static String literal(Object constant) {
    if (constant instanceof Type named) {
      return TypeNames.simple(named.getDescriptor()) + ".class";
    }
    String type = LITERALS.get(constant.getClass());
    return type == null ? Spoken.ANY : Literals.of(constant, type).orElse(Spoken.ANY);
  }

  @Override
  public Spoken copyOperation(AbstractInsnNode instruction, Spoken value) {
    boolean isKept =
        instruction instanceof VarInsnNode && instruction.getOpcode() >= Opcodes.ISTORE;
    return isKept && value.part().contains(Spoken.ANY)
        ? Spoken.of(value.getSize(), variable(((VarInsnNode) instruction).var, instruction))
        : value;
  }

  /** The name of a variable, which holds something from an instruction on. */
  private String variable(int local, AbstractInsnNode from) {
    int at = method.instructions.indexOf(from);
    for (LocalVariableNode one :
        method.localVariables == null ? List.<LocalVariableNode>of() : method.localVariables) {
      boolean isThere =
          method.instructions.indexOf(one.start) <= at + 2
              && method.instructions.indexOf(one.end) > at;
      if (one.index == local && isThere) {
        return one.name;
      }
    }
    return Spoken.ANY;
  }

  @Override
  public Spoken unaryOperation(AbstractInsnNode instruction, Spoken value) {
    return switch (instruction.getOpcode()) {
      case Opcodes.INEG, Opcodes.LNEG, Opcodes.DNEG, Opcodes.FNEG ->
          Spoken.of(value.getSize(), "-" + value.part());
      case Opcodes.I2L, Opcodes.F2L, Opcodes.D2L -> Spoken.of(2, "(long) " + value.part());
      case Opcodes.I2D, Opcodes.L2D, Opcodes.F2D -> Spoken.of(2, "(double) " + value.part());
      case Opcodes.L2I, Opcodes.D2I, Opcodes.F2I -> Spoken.of(1, "(int) " + value.part());
      case Opcodes.I2B -> Spoken.of(1, "(byte) " + value.part());
      case Opcodes.I2C -> Spoken.of(1, "(char) " + value.part());
      case Opcodes.I2S -> Spoken.of(1, "(short) " + value.part());
      case Opcodes.I2F, Opcodes.L2F, Opcodes.D2F -> Spoken.of(1, "(float) " + value.part());
      case Opcodes.CHECKCAST -> value.isOfAnyType() ? Spoken.unknown(1) : value;
      case Opcodes.ARRAYLENGTH -> Spoken.of(1, value.part() + ".length");
      case Opcodes.GETFIELD -> field((FieldInsnNode) instruction, value);
      case Opcodes.NEWARRAY ->
          array(instruction, "" + PRIMITIVES.charAt(((IntInsnNode) instruction).operand), value);
      case Opcodes.ANEWARRAY ->
          array(
              instruction,
              Type.getObjectType(((TypeInsnNode) instruction).desc).getDescriptor(),
              value);
      case Opcodes.IFEQ,
          Opcodes.IFNE,
          Opcodes.IFLT,
          Opcodes.IFGE,
          Opcodes.IFGT,
          Opcodes.IFLE,
          Opcodes.IFNULL,
          Opcodes.IFNONNULL,
          Opcodes.TABLESWITCH,
          Opcodes.LOOKUPSWITCH,
          Opcodes.PUTSTATIC,
          Opcodes.ATHROW,
          Opcodes.MONITORENTER,
          Opcodes.MONITOREXIT ->
          null;
      default -> Spoken.unknown(value.getSize());
    };
  }

  private static Spoken field(FieldInsnNode field, Spoken of) {
    return field.name.startsWith("this$")
        ? Spoken.of(1, "this")
        : Spoken.of(Type.getType(field.desc).getSize(), on(of) + field.name);
  }

  /** What stands before a member of an object. */
  private static String on(Spoken object) {
    String code = object.code();
    boolean isLong = code.equals(Spoken.ANY) || code.length() > LONGEST_BEFORE;
    return code.equals("this") ? "" : isLong ? "(..)." : code + ".";
  }

  /** What stands before a static member. */
  private String ofClass(String owner) {
    return owner.equals(type) ? "" : TypeNames.simpleOf(owner) + ".";
  }

  /** Of a known length the elements are seen as they are put in. */
  private Spoken array(AbstractInsnNode instruction, String type, Spoken length) {
    boolean isKnown = length.code().matches("\\d{1,2}") && !length.code().equals("0");
    return isKnown
        ? made.computeIfAbsent(
            instruction, i -> Spoken.array(type, Integer.parseInt(length.code())))
        : Spoken.of(1, "new " + TypeNames.simple(type) + "[" + length.part() + "]");
  }

  @Override
  public Spoken binaryOperation(AbstractInsnNode instruction, Spoken left, Spoken right) {
    int opcode = instruction.getOpcode();
    if (BETWEEN.containsKey(opcode)) {
      String code = left.part() + " " + BETWEEN.get(opcode) + " " + right.part();
      return Spoken.of(left.getSize(), code);
    }
    return switch (opcode) {
      case Opcodes.AALOAD,
          Opcodes.IALOAD,
          Opcodes.BALOAD,
          Opcodes.CALOAD,
          Opcodes.SALOAD,
          Opcodes.FALOAD ->
          Spoken.of(1, left.part() + "[" + right.part() + "]");
      case Opcodes.LALOAD, Opcodes.DALOAD -> Spoken.of(2, left.part() + "[" + right.part() + "]");
      case Opcodes.LCMP, Opcodes.DCMPG, Opcodes.DCMPL -> Spoken.unknown(1);
      default -> Spoken.unknown(left.getSize());
    };
  }

  @Override
  public Spoken ternaryOperation(
      AbstractInsnNode instruction, Spoken array, Spoken index, Spoken value) {
    if (index.code().matches("\\d{1,2}")) {
      String element = as(array.elementType(), value.part());
      array.put(Integer.parseInt(index.code()), element);
    }
    return null;
  }

  @Override
  public Spoken naryOperation(AbstractInsnNode instruction, List<? extends Spoken> values) {
    if (instruction instanceof MethodInsnNode call) {
      return call(call, values);
    }
    if (instruction instanceof InvokeDynamicInsnNode making) {
      Object last = making.bsmArgs.length > 1 ? making.bsmArgs[1] : null;
      boolean isReference = last instanceof Handle of && !of.getName().startsWith("lambda$");
      return Spoken.of(
          Type.getReturnType(making.desc).getSize(),
          isReference
              ? TypeNames.simpleOf(((Handle) last).getOwner()) + "::" + ((Handle) last).getName()
              : Spoken.ANY);
    }
    return Spoken.unknown(1);
  }

  private Spoken call(MethodInsnNode call, List<? extends Spoken> values) {
    boolean isStatic = call.getOpcode() == Opcodes.INVOKESTATIC;
    List<? extends Spoken> given = isStatic ? values : values.subList(1, values.size());
    int size = Type.getReturnType(call.desc).getSize();
    if (isBoxing(call)) {
      String type = Type.getArgumentTypes(call.desc)[0].getDescriptor();
      return Spoken.of(size, as(type, given.get(0).code()));
    }
    String arguments = arguments(Type.getArgumentTypes(call.desc), given);
    String code;
    if (call.name.equals("<init>")) {
      code =
          NAMELESS.matcher(call.owner).find()
              ? Spoken.ANY
              : "new " + TypeNames.simpleOf(call.owner) + arguments;
      if (!values.get(0).code().equals("this")) {
        values.get(0).become(code);
      }
    } else if (isStatic) {
      code = ofClass(call.owner) + call.name + arguments;
    } else {
      code = on(values.get(0)) + call.name + arguments;
    }
    calls.put(call, code);
    boolean isOfAnyType = call.desc.endsWith(")Ljava/lang/Object;");
    return size == 0 ? null : isOfAnyType ? Spoken.ofAnyType(code) : Spoken.of(size, code);
  }

  private static boolean isBoxing(MethodInsnNode call) {
    return call.getOpcode() == Opcodes.INVOKESTATIC
        && call.name.equals("valueOf")
        && call.owner.startsWith("java/lang/")
        && !call.owner.equals("java/lang/String")
        && call.desc.matches("\\([A-Z]\\).*");
  }

  private static String arguments(Type[] types, List<? extends Spoken> given) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < given.size(); i++) {
      all.add(as(types[i].getDescriptor(), given.get(i).part()));
    }
    return "(" + String.join(", ", all) + ")";
  }

  /** A number in class files may be a truth value or a letter, or a short one. */
  private static String as(String type, String code) {
    boolean isOther = type.length() == 1 && "ZCBS".contains(type);
    return isOther && NUMBER.matcher(code).matches()
        ? Literals.of(Integer.valueOf(code), type).orElse(code)
        : code;
  }

  @Override
  public void returnOperation(AbstractInsnNode instruction, Spoken value, Spoken expected) {
    // Nobody uses it.
  }

  @Override
  public Spoken merge(Spoken value, Spoken other) {
    return value.equals(other) ? value : Spoken.unknown(Math.min(value.getSize(), other.getSize()));
  }
}
