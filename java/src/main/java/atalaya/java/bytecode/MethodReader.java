package atalaya.java.bytecode;

import atalaya.java.bytecode.CodeItem.LineEntry.First;
import atalaya.points.Loop;
import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;

/** Collects the items of one method. */
class MethodReader extends PointVisitor {
  private static final String ENUM_MAP = "$SwitchMap$";

  private final List<CodeItem> items = new ArrayList<>();
  private final Map<Label, Integer> labels = new HashMap<>();
  private final Map<Label, Set<String>> typedHandlers = new HashMap<>();
  private Set<String> caught = Set.of();
  private final Map<String, Map<Integer, String>> enumMaps = new HashMap<>();
  private final List<Runnable> afterwards = new ArrayList<>();
  private final Map<Label, Integer> itemsBefore = new HashMap<>();
  private final Map<Label, Integer> lines = new HashMap<>();
  private List<Loop> loops = List.of();
  private int currentLine;

  /** Whether the next instruction is the first one of an exception handler. */
  private boolean beginsHandler;

  /** What was computed last, for {@link CodeItem.Jump#evidence}. */
  private String evidence = "";

  private int opcodeBefore;
  private Integer constant;
  private String enumMap = "";
  private String enumConstant = "";

  /** The enum that was asked for an ordinal last, as the name of a map from keys to constants. */
  private String ordinalsOf = "";

  /** How much was seen of -1, store, load, {@code hashCode()}: so a switch on strings begins. */
  private int stringSwitchBegun;

  /** Between the two switches that a switch on strings becomes. */
  private boolean withinStringSwitch;

  private final TypeSwitches typeSwitches = new TypeSwitches();
  private final Closings closings = new Closings();

  MethodReader(Counter counter) {
    super(null, counter);
  }

  List<CodeItem> items() {
    afterwards.forEach(Runnable::run);
    for (Closings.Closing closing : closings.found()) {
      items.set(closing.first(), ((CodeItem.Jump) items.get(closing.first())).madeByCompiler());
      items.set(closing.second(), ((CodeItem.Jump) items.get(closing.second())).madeByCompiler());
    }
    for (int i = loops.size() - 1; i >= 0; i--) {
      Label head = loops.get(i).head;
      items.add(itemsBefore.get(head), new CodeItem.LoopHead(lines.get(head), loops.get(i)));
    }
    return items;
  }

  /** The name of the map that an enum's own order is. */
  static String ordinals(String internalName) {
    return internalName.replace('/', '.') + ".ordinal()";
  }

  int handlers() {
    return typedHandlers.size();
  }

  /** Filled by the initialiser of the class that holds such arrays. */
  Map<String, Map<Integer, String>> enumMaps() {
    return enumMaps;
  }

  @Override
  public void visitTryCatchBlock(Label start, Label end, Label handler, String type) {
    super.visitTryCatchBlock(start, end, handler, type);
    if (type != null) {
      String simple = type.substring(Math.max(type.lastIndexOf('/'), type.lastIndexOf('$')) + 1);
      typedHandlers.computeIfAbsent(handler, h -> new TreeSet<>()).add(simple);
    }
  }

  @Override
  public void visitLabel(Label label) {
    super.visitLabel(label);
    labels.put(label, labels.size());
    itemsBefore.put(label, items.size());
    lines.put(label, currentLine);
    typeSwitches.label(label);
    caught = typedHandlers.getOrDefault(label, caught);
  }

  @Override
  public void visitLineNumber(int line, Label start) {
    super.visitLineNumber(line, start);
    lines.put(start, line);
  }

  @Override
  protected void loops(List<Loop> loops) {
    this.loops = loops;
  }

  @Override
  protected void handler(int point) {
    items.add(new CodeItem.HandlerEntry(point, currentLine, List.copyOf(caught)));
    caught = Set.of();
    beginsHandler = true;
  }

  @Override
  protected void line(int point, int line) {
    currentLine = line;
    int last = items.size() - 1;
    if (beginsHandler && items.get(last) instanceof CodeItem.HandlerEntry entry) {
      items.set(last, new CodeItem.HandlerEntry(entry.point(), line, entry.types()));
    }
    items.add(new CodeItem.LineEntry(point, line, First.OTHER));
  }

  @Override
  protected void jump(int point, int opcode, Label target) {
    if (opcodeBefore == Opcodes.ICONST_1 && opcode == Opcodes.IFEQ) {
      evidence = CodeItem.CONSTANT;
    }
    typeSwitches.jump(target, point);
    boolean asserts =
        evidence.equals("$assertionsDisabled") || evidence.equals("desiredAssertionStatus()");
    boolean stringTest = withinStringSwitch && evidence.equals("equals()");
    items.add(new CodeItem.Jump(point, currentLine, opcode, evidence, asserts || stringTest));
    remember(opcode, "");
    closings.jump(opcode, items.size() - 1, labels.size());
  }

  @Override
  protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
    boolean onHashes = stringSwitchBegun == 4;
    boolean onStrings = withinStringSwitch && !onHashes;
    boolean onTypes = opcodeBefore == Opcodes.INVOKEDYNAMIC && typeSwitches.isChosen();
    Map<Integer, BitSet> passed = onTypes ? typeSwitches.passed() : Map.of();
    String map =
        opcodeBefore == Opcodes.IALOAD
            ? enumMap
            : opcodeBefore == Opcodes.INVOKEVIRTUAL ? ordinalsOf : "";
    int line = currentLine;
    int at = items.size();
    items.add(null);
    afterwards.add(
        () -> {
          int[] order = Arrays.stream(targets).mapToInt(labels::get).toArray();
          int last = labels.get(otherwise);
          items.set(
              at,
              new CodeItem.Choice(
                  point, line, keys, order, last, map, onStrings || onTypes, passed, onHashes));
        });
    withinStringSwitch = onHashes;
    enumMap = "";
    seen(Opcodes.LOOKUPSWITCH, "");
  }

  @Override
  protected void leap(Label target) {
    typeSwitches.leap(target, labels.containsKey(target));
    seen(Opcodes.GOTO, "");
  }

  @Override
  protected void instruction(int opcode) {
    beginsHandler = false;
  }

  private void seen(int opcode, String nowEvidence) {
    remember(opcode, nowEvidence);
    closings.other();
  }

  private void remember(int opcode, String nowEvidence) {
    beginsHandler = false;
    evidence = nowEvidence;
    opcodeBefore = opcode;
    stringSwitchBegun = 0;
  }

  @Override
  public void visitInsn(int opcode) {
    int before = items.size();
    super.visitInsn(opcode);
    if (opcode == Opcodes.RETURN && items.size() > before) {
      enteredBy(First.RETURN);
    }
    if (opcode == Opcodes.IASTORE && !enumMap.isEmpty() && constant != null) {
      enumMaps.computeIfAbsent(enumMap, m -> new HashMap<>()).put(constant, enumConstant);
      enumMap = "";
    }
    if (opcode >= Opcodes.ICONST_M1 && opcode <= Opcodes.ICONST_5) {
      constant = opcode - Opcodes.ICONST_0;
    }
    seen(opcode, "");
    stringSwitchBegun = opcode == Opcodes.ICONST_M1 ? 1 : 0;
  }

  @Override
  public void visitJumpInsn(int opcode, Label target) {
    int before = items.size();
    super.visitJumpInsn(opcode, target);
    if (opcode == Opcodes.GOTO && items.size() > before && !labels.containsKey(target)) {
      enteredBy(First.LEAP);
    }
  }

  private void enteredBy(First first) {
    int last = items.size() - 1;
    if (items.get(last) instanceof CodeItem.LineEntry entry) {
      items.set(last, new CodeItem.LineEntry(entry.point(), entry.line(), first));
    }
  }

  @Override
  public void visitIntInsn(int opcode, int operand) {
    super.visitIntInsn(opcode, operand);
    constant = operand;
    seen(opcode, "");
  }

  @Override
  public void visitVarInsn(int opcode, int index) {
    super.visitVarInsn(opcode, index);
    typeSwitches.local(opcode, index, opcodeBefore, constant);
    int begun = stringSwitchBegun;
    remember(opcode, "");
    closings.local(opcode, index);
    if (begun == 1 && opcode == Opcodes.ISTORE || begun == 2 && opcode == Opcodes.ALOAD) {
      stringSwitchBegun = begun + 1;
    }
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    super.visitTypeInsn(opcode, type);
    if (opcode == Opcodes.CHECKCAST) {
      seen(opcode, evidence);
    } else {
      seen(opcode, opcode == Opcodes.INSTANCEOF ? "instanceof" : "");
    }
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    super.visitFieldInsn(opcode, owner, name, descriptor);
    if (name.startsWith(ENUM_MAP)) {
      enumMap = owner.replace('/', '.') + "." + name;
    } else if (!enumMap.isEmpty()) {
      enumConstant = name;
    }
    seen(opcode, name);
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean onInterface) {
    super.visitMethodInsn(opcode, owner, name, descriptor, onInterface);
    boolean unboxing = owner.equals("java/lang/Boolean") && name.equals("booleanValue");
    boolean hashing = owner.equals("java/lang/String") && name.equals("hashCode");
    int begun = stringSwitchBegun;
    remember(opcode, unboxing ? evidence : name + "()");
    closings.call(name);
    ordinalsOf = name.equals("ordinal") ? ordinals(owner) : "";
    stringSwitchBegun = begun == 3 && hashing ? 4 : 0;
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    super.visitInvokeDynamicInsn(name, descriptor, bootstrap, arguments);
    seen(Opcodes.INVOKEDYNAMIC, "");
    typeSwitches.called(bootstrap);
    if (bootstrap.getOwner().equals("java/lang/invoke/LambdaMetafactory")
        && arguments.length > 1
        && arguments[1] instanceof Handle body
        && body.getName().startsWith("lambda$")) {
      items.add(new CodeItem.LambdaMade(currentLine, body.getName() + body.getDesc()));
    }
  }

  @Override
  public void visitLdcInsn(Object value) {
    super.visitLdcInsn(value);
    constant = value instanceof Integer number ? number : null;
    seen(Opcodes.LDC, "");
  }

  @Override
  public void visitLocalVariable(
      String name, String descriptor, String signature, Label start, Label end, int index) {
    super.visitLocalVariable(name, descriptor, signature, start, end, index);
    closings.named(index, labels.get(start), labels.get(end));
  }

  @Override
  public void visitIincInsn(int index, int increment) {
    super.visitIincInsn(index, increment);
    seen(Opcodes.IINC, "");
  }

  @Override
  public void visitMultiANewArrayInsn(String descriptor, int dimensions) {
    super.visitMultiANewArrayInsn(descriptor, dimensions);
    seen(Opcodes.MULTIANEWARRAY, "");
  }
}
