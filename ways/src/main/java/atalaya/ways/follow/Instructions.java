package atalaya.ways.follow;

import atalaya.core.term.Constraint;
import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.EnumValue;
import atalaya.core.term.Platform;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Operator;
import atalaya.points.PointVisitor;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.Surroundings;
import atalaya.ways.code.TypeNames;
import atalaya.ways.course.Symbol;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.IincInsnNode;
import org.objectweb.asm.tree.IntInsnNode;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.LdcInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.TypeInsnNode;
import org.objectweb.asm.tree.analysis.Interpreter;

/** What instructions do, on terms (JVM specification, chapter 6.5). */
public final class Instructions extends Interpreter<Symbol> {
  private static final String ENUM_MAP = "$SwitchMap$";
  private final Walker walker;
  private final Calls calls;

  Instructions(Walker walker, Calls calls) {
    super(PointVisitor.ASM);
    this.walker = walker;
    this.calls = calls;
  }

  @Override
  public Symbol newValue(Type type) {
    return Symbol.UNSET;
  }

  @Override
  public Symbol newOperation(AbstractInsnNode instruction) {
    int opcode = instruction.getOpcode();
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      return symbol(opcode - Opcodes.ICONST_0, "I");
    }
    return switch (opcode) {
      case Opcodes.ACONST_NULL -> Symbol.of(Term.NULL, "");
      case Opcodes.LCONST_0, Opcodes.LCONST_1 -> symbol((long) (opcode - Opcodes.LCONST_0), "J");
      case Opcodes.FCONST_0, Opcodes.FCONST_1, Opcodes.FCONST_2 ->
          symbol((float) (opcode - Opcodes.FCONST_0), "F");
      case Opcodes.DCONST_0, Opcodes.DCONST_1 -> symbol((double) (opcode - Opcodes.DCONST_0), "D");
      case Opcodes.BIPUSH, Opcodes.SIPUSH -> symbol(((IntInsnNode) instruction).operand, "I");
      case Opcodes.LDC -> constant(((LdcInsnNode) instruction).cst);
      case Opcodes.GETSTATIC ->
          Symbol.of(ofClass((FieldInsnNode) instruction), ((FieldInsnNode) instruction).desc);
      case Opcodes.NEW ->
          Symbol.of(walker.newObject("L" + ((TypeInsnNode) instruction).desc + ";"), "");
      default -> throw new IndexOutOfBoundsException("opcode " + opcode);
    };
  }

  private static Symbol symbol(Object value, String type) {
    return Symbol.of(new Term.Constant(value, type), type);
  }

  private static Symbol constant(Object value) {
    if (value instanceof Integer) {
      return symbol(value, "I");
    }
    if (value instanceof Long) {
      return symbol(value, "J");
    }
    if (value instanceof Float) {
      return symbol(value, "F");
    }
    if (value instanceof Double) {
      return symbol(value, "D");
    }
    if (value instanceof Type type && type.getSort() == Type.OBJECT) {
      return Symbol.of(ClassOf.constant(type.getInternalName()), "");
    }
    return value instanceof String
        ? symbol(value, "Ljava/lang/String;")
        : Symbol.of(Term.unknown(String.valueOf(value), "Ljava/lang/Object;"), "");
  }

  private Term ofClass(FieldInsnNode field) {
    if (Surroundings.isHalting(field.owner, field.name)) {
      walker.mayHalt = true;
      walker.surroundings.add(TypeNames.simpleOf(field.owner) + "." + field.name);
    }
    Term known = walker.state.fields.get(staticField(field));
    if (known != null) {
      return known;
    }
    if (field.name.startsWith(ENUM_MAP)) {
      return Term.unknown("map " + field.owner + "." + field.name, field.desc);
    }
    Optional<Object> ofPlatform = Platform.constant(field.owner, field.name);
    if (ofPlatform.isPresent()) {
      return new Term.Constant(ofPlatform.get(), field.desc);
    }
    Optional<ClassCode> code = walker.base.code(field.owner);
    Optional<EnumValue> constant =
        code.stream()
            .flatMap(c -> c.constants().stream())
            .filter(value -> value.name().equals(field.name))
            .findFirst();
    if (constant.isPresent()) {
      return new Term.Constant(constant.get(), field.desc);
    }
    boolean isFinal =
        code.isPresent()
            ? code.flatMap(c -> c.field(field.name)).filter(ClassCode::isFinal).isPresent()
            : field.owner.startsWith("java/");
    String name = TypeNames.simpleOf(field.owner) + "." + field.name;
    Optional<Term.Constant> held =
        isFinal ? walker.known.statics().of(field.owner, field.name) : Optional.empty();
    if (held.isPresent()) {
      return held.get();
    }
    return isFinal && Statics.isPlain(field.desc)
        ? Term.fixed(name, field.desc)
        : Term.unknown(name, field.desc);
  }

  private static State.Field staticField(FieldInsnNode field) {
    return State.Field.ofClass(field.owner, field.name);
  }

  @Override
  public Symbol copyOperation(AbstractInsnNode instruction, Symbol value) {
    return value;
  }

  @Override
  public Symbol unaryOperation(AbstractInsnNode instruction, Symbol value) {
    Term term = value.term();
    int opcode = instruction.getOpcode();
    return switch (opcode) {
      case Opcodes.INEG, Opcodes.LNEG, Opcodes.FNEG, Opcodes.DNEG ->
          operation(Operator.NEGATE, "", term.type(), term);
      case Opcodes.IINC ->
          operation(Operator.ADD, "", "I", term, Term.of(((IincInsnNode) instruction).incr));
      case Opcodes.I2L, Opcodes.F2L, Opcodes.D2L -> cast(term, "J");
      case Opcodes.I2F, Opcodes.L2F, Opcodes.D2F -> cast(term, "F");
      case Opcodes.I2D, Opcodes.L2D, Opcodes.F2D -> cast(term, "D");
      case Opcodes.L2I, Opcodes.F2I, Opcodes.D2I -> cast(term, "I");
      case Opcodes.I2B -> cast(term, "B");
      case Opcodes.I2C -> cast(term, "C");
      case Opcodes.I2S -> cast(term, "S");
      case Opcodes.GETFIELD -> {
        FieldInsnNode field = (FieldInsnNode) instruction;
        walker.requireThere(term);
        yield Symbol.of(walker.objects.field(term, field), field.desc);
      }
      case Opcodes.PUTSTATIC -> {
        FieldInsnNode field = (FieldInsnNode) instruction;
        walker.builders.forget(List.of(term));
        walker.state.fields.put(staticField(field), term);
        walker.effects.add(
            new Walked.FieldSet(
                new Term.Constant(field.owner, "class"),
                field.name,
                field.desc,
                term,
                walker.steps.size()));
        yield null;
      }
      case Opcodes.NEWARRAY, Opcodes.ANEWARRAY ->
          Symbol.of(walker.elements.made(instruction, term), "");
      case Opcodes.ARRAYLENGTH -> {
        walker.requireThere(term);
        yield Symbol.of(walker.elements.length(term), "I");
      }
      case Opcodes.CHECKCAST ->
          Symbol.of(walker.types.narrowed(term, ((TypeInsnNode) instruction).desc), "");
      case Opcodes.INSTANCEOF ->
          Symbol.of(walker.types.isA(term, ((TypeInsnNode) instruction).desc), "I");
      case Opcodes.MONITORENTER, Opcodes.MONITOREXIT -> null;
      default -> throw new IndexOutOfBoundsException("opcode " + opcode);
    };
  }

  private Symbol cast(Term term, String to) {
    boolean isWidened = term.type().equals(to);
    return isWidened
        ? Symbol.of(term, to)
        : operation(Operator.CAST, to, to.length() == 1 && "BCS".contains(to) ? "I" : to, term);
  }

  private Symbol operation(Operator operator, String detail, String type, Term... operands) {
    return Symbol.of(
        walker.computed(Term.operation(operator, detail, type, List.of(operands))), type);
  }

  @Override
  public Symbol binaryOperation(AbstractInsnNode instruction, Symbol first, Symbol second) {
    Term left = first.term();
    Term right = second.term();
    int opcode = instruction.getOpcode();
    switch (opcode) {
      case Opcodes.PUTFIELD -> {
        FieldInsnNode field = (FieldInsnNode) instruction;
        walker.requireThere(left);
        walker.builders.forget(List.of(right));
        walker.state.fields.put(new State.Field(left, field.name), right);
        walker.effects.add(
            new Walked.FieldSet(left, field.name, field.desc, right, walker.steps.size()));
        return null;
      }
      case Opcodes.LCMP -> {
        return operation(Operator.COMPARE, "0", "I", left, right);
      }
      case Opcodes.FCMPL, Opcodes.DCMPL -> {
        return operation(Operator.COMPARE, "-1", "I", left, right);
      }
      case Opcodes.FCMPG, Opcodes.DCMPG -> {
        return operation(Operator.COMPARE, "1", "I", left, right);
      }
      default -> {}
    }
    if (opcode >= Opcodes.IALOAD && opcode <= Opcodes.SALOAD) {
      return Symbol.of(
          element(left, right, opcode),
          opcode == Opcodes.LALOAD ? "J" : opcode == Opcodes.DALOAD ? "D" : "");
    }
    Operator operator = operator(opcode);
    String type = typeOf(opcode);
    Symbol result = operation(operator, "", type, left, right);
    boolean mayFail = operator == Operator.DIVIDE || operator == Operator.REMAINDER;
    if (mayFail && "IJ".contains(type) && !right.isConstant()) {
      Term zero = new Term.Constant(type.equals("I") ? (Object) 0 : (Object) 0L, type);
      walker.require(
          new Compared(right, Relation.NOT_EQUAL, zero, Reason.unwritten(walker.line())));
    }
    return result;
  }

  private static String typeOf(int opcode) {
    boolean isShift = opcode >= Opcodes.ISHL && opcode <= Opcodes.LUSHR;
    boolean isBits = opcode >= Opcodes.IAND && opcode <= Opcodes.LXOR;
    return isShift || isBits
        ? (opcode % 2 == 0 ? "I" : "J")
        : List.of("I", "J", "F", "D").get((opcode - Opcodes.IADD) % 4);
  }

  private static Operator operator(int opcode) {
    if (opcode >= Opcodes.IADD && opcode <= Opcodes.DREM) {
      return List.of(
              Operator.ADD,
              Operator.SUBTRACT,
              Operator.MULTIPLY,
              Operator.DIVIDE,
              Operator.REMAINDER)
          .get((opcode - Opcodes.IADD) / 4);
    }
    return switch (opcode) {
      case Opcodes.ISHL, Opcodes.LSHL -> Operator.SHIFT_LEFT;
      case Opcodes.ISHR, Opcodes.LSHR -> Operator.SHIFT_RIGHT;
      case Opcodes.IUSHR, Opcodes.LUSHR -> Operator.SHIFT_RIGHT_UNSIGNED;
      case Opcodes.IAND, Opcodes.LAND -> Operator.AND;
      case Opcodes.IOR, Opcodes.LOR -> Operator.OR;
      case Opcodes.IXOR, Opcodes.LXOR -> Operator.XOR;
      default -> throw new IndexOutOfBoundsException("opcode " + opcode);
    };
  }

  private Term element(Term array, Term index, int opcode) {
    boolean isMap =
        array instanceof Term.Input map
            && map.name().contains(ENUM_MAP)
            && index instanceof Term.Operation ordinal
            && ordinal.operator() == Operator.ORDINAL;
    if (isMap) {
      return key((Term.Input) array, ((Term.Operation) index).operands().get(0));
    }
    return walker.elements.of(array, index, opcode);
  }

  /** The key that a switch has for a constant of an enum. */
  private Term key(Term.Input map, Term constant) {
    String place = map.name().substring("map ".length());
    int dot = place.indexOf('.');
    List<Term.Case> cases = new ArrayList<>();
    walker
        .base
        .code(place.substring(0, dot))
        .map(code -> code.enumMap(place.substring(dot + 1)))
        .ifPresent(
            keys ->
                keys.forEach(
                    (key, name) ->
                        walker.objects.constants(constant.type()).stream()
                            .filter(value -> value.name().equals(name))
                            .forEach(
                                value -> cases.add(isConstant(constant, value, Term.of(key))))));
    if (cases.isEmpty()) {
      return Term.unknown("the key of a switch", "I");
    }
    List<Constraint> otherwise =
        cases.stream()
            .map(one -> (Constraint) ((Compared) one.conditions().get(0)).negated())
            .toList();
    cases.add(new Term.Case(otherwise, Term.of(-1), ""));
    return Term.choice("the key of a switch", "I", cases);
  }

  static Term.Case isConstant(Term term, EnumValue value, Term result) {
    Compared equal =
        new Compared(
            term,
            Relation.EQUAL,
            new Term.Constant(value, "L" + value.type() + ";"),
            Reason.unwritten(0));
    return new Term.Case(List.of(equal), result, "");
  }

  @Override
  public Symbol ternaryOperation(
      AbstractInsnNode instruction, Symbol array, Symbol index, Symbol value) {
    walker.builders.forget(List.of(value.term()));
    walker.elements.set(array.term(), index.term(), value.term());
    return null;
  }

  @Override
  public Symbol naryOperation(AbstractInsnNode instruction, List<? extends Symbol> values) {
    List<Term> arguments = new ArrayList<>(values.size());
    values.forEach(value -> arguments.add(value.term()));
    if (instruction instanceof InvokeDynamicInsnNode making) {
      walker.builders.forget(arguments);
      Type type = Type.getReturnType(making.desc);
      Term made =
          making.name.startsWith("makeConcat")
              ? Concatenation.of(making, arguments)
              : walker.newObject(type.getDescriptor());
      walker.functions.isMade(made, making, List.copyOf(arguments));
      return Symbol.of(made, type.getDescriptor());
    }
    if (!(instruction instanceof MethodInsnNode call)) {
      return Symbol.of(walker.newObject("["), "");
    }
    Term result = calls.call(new Call(call, arguments));
    boolean isVoid = Type.getReturnType(call.desc) == Type.VOID_TYPE;
    return isVoid ? null : Symbol.of(result, Type.getReturnType(call.desc).getDescriptor());
  }

  @Override
  public void returnOperation(AbstractInsnNode instruction, Symbol value, Symbol expected) {
    // Ends are seen before.
  }

  @Override
  public Symbol merge(Symbol value, Symbol other) {
    throw new UnsupportedOperationException("a path is followed alone");
  }
}
