package atalaya.java.bytecode;

import atalaya.core.code.Call;
import atalaya.core.code.Flow;
import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.objectweb.asm.AnnotationVisitor;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Reads the flow of control of one class. */
final class FlowReader extends ClassVisitor {
  private static final int NOWHERE = -1;
  private static final Pattern NAME = Pattern.compile("[\\p{Alpha}_$][\\w.$]{0,199}");
  private static final Set<String> PLAIN_ANNOTATIONS =
      Set.of(
          "Ljava/lang/Deprecated;", "Ljava/lang/SafeVarargs;", "Ljava/lang/FunctionalInterface;");

  private final PointVisitor.Counter counter = new PointVisitor.Counter();
  private final Predicate<String> isOurs;
  private final Map<String, Integer> entries = new LinkedHashMap<>();
  private final Map<String, Integer> bodies = new HashMap<>();
  private final List<Call> calls = new ArrayList<>();
  private final List<String> supertypes = new ArrayList<>();
  private final Set<String> annotated = new HashSet<>();
  private final Set<String> constants = new HashSet<>();
  private boolean annotatedClass;
  private String name;
  private int nodes;
  private int[] edges = new int[64];
  private int edgesEnd;
  private int[] nodeOfPoint = new int[32];

  /**
   * Begins a class.
   *
   * @param isOurs whether calls of the class with this binary name are wanted
   */
  FlowReader(Predicate<String> isOurs) {
    super(PointVisitor.ASM);
    this.isOurs = isOurs;
  }

  Flow flow() {
    for (Call call : calls) {
      Integer body = call.owner().equals(name) ? bodies.get(call.method()) : null;
      if (body != null) {
        edge(call.node(), body);
      }
    }
    return new Flow(
        nodes,
        Arrays.copyOf(edges, edgesEnd),
        Arrays.copyOf(nodeOfPoint, counter.count()),
        entries,
        calls,
        supertypes,
        annotatedClass ? entries.keySet() : annotated,
        constants);
  }

  private void edge(int from, int to) {
    if (edgesEnd == edges.length) {
      edges = Arrays.copyOf(edges, 2 * edgesEnd);
    }
    edges[edgesEnd++] = from;
    edges[edgesEnd++] = to;
  }

  private int node(int point) {
    if (point >= nodeOfPoint.length) {
      nodeOfPoint = Arrays.copyOf(nodeOfPoint, 2 * point);
    }
    nodeOfPoint[point] = nodes;
    return nodes++;
  }

  private static String binary(String internalName) {
    return internalName.replace('/', '.');
  }

  @Override
  public void visit(
      int version, int access, String name, String signature, String superName, String[] types) {
    this.name = binary(name);
    if (superName != null) {
      supertypes.add(binary(superName));
    }
    for (String type : types) {
      supertypes.add(binary(type));
    }
  }

  @Override
  public AnnotationVisitor visitAnnotation(String descriptor, boolean visible) {
    annotatedClass |= visible && !PLAIN_ANNOTATIONS.contains(descriptor);
    return null;
  }

  @Override
  public MethodVisitor visitMethod(
      int access, String name, String descriptor, String signature, String[] thrown) {
    boolean isBody = (access & Opcodes.ACC_SYNTHETIC) != 0 && name.startsWith("lambda$");
    return new Code(name + descriptor, isBody);
  }

  /** One method. */
  private final class Code extends PointVisitor {
    private final String method;
    private final boolean isBody;
    private final Map<Label, Integer> nodeOfLabel = new HashMap<>();
    private final Map<Label, List<Label>> guardedFrom = new HashMap<>();
    private final Map<Label, List<Label>> guardedTo = new HashMap<>();
    private final Set<Label> handlers = new HashSet<>();
    private int at;

    Code(String method, boolean isBody) {
      super(null, counter);
      this.method = method;
      this.isBody = isBody;
    }

    @Override
    public void visitCode() {
      at = nodes++;
      (isBody ? bodies : entries).put(method, at);
    }

    @Override
    public AnnotationVisitor visitAnnotation(String descriptor, boolean visible) {
      if (visible && !PLAIN_ANNOTATIONS.contains(descriptor)) {
        annotated.add(method);
      }
      return null;
    }

    @Override
    public void visitLdcInsn(Object value) {
      super.visitLdcInsn(value);
      if (value instanceof String text && NAME.matcher(text).matches()) {
        constants.add(text);
      }
    }

    private int node(Label label) {
      return nodeOfLabel.computeIfAbsent(label, l -> nodes++);
    }

    private void go(int to) {
      if (at != NOWHERE) {
        edge(at, to);
      }
      at = to;
      handlers.forEach(handler -> edge(to, node(handler)));
    }

    @Override
    public void visitTryCatchBlock(Label start, Label end, Label handler, String type) {
      super.visitTryCatchBlock(start, end, handler, type);
      guardedFrom.computeIfAbsent(start, l -> new ArrayList<>()).add(handler);
      guardedTo.computeIfAbsent(end, l -> new ArrayList<>()).add(handler);
    }

    @Override
    public void visitLabel(Label label) {
      super.visitLabel(label);
      guardedTo.getOrDefault(label, List.of()).forEach(handlers::remove);
      handlers.addAll(guardedFrom.getOrDefault(label, List.of()));
      go(node(label));
    }

    @Override
    protected void handler(int point) {
      go(FlowReader.this.node(point));
    }

    @Override
    protected void line(int point, int line) {
      go(FlowReader.this.node(point));
    }

    @Override
    protected void jump(int point, int opcode, Label target) {
      int from = at;
      go(FlowReader.this.node(point));
      go(node(target));
      at = from;
      go(FlowReader.this.node(point + 1));
    }

    @Override
    protected void choice(int point, int[] keys, Label[] targets, Label otherwise) {
      int from = at;
      for (int i = 0; i <= keys.length; i++) {
        at = from;
        go(FlowReader.this.node(point + i));
        go(node(i < keys.length ? targets[i] : otherwise));
      }
      at = NOWHERE;
    }

    @Override
    protected void leap(Label target) {
      go(node(target));
      at = NOWHERE;
    }

    @Override
    protected void instruction(int opcode) {
      boolean returns = opcode >= Opcodes.IRETURN && opcode <= Opcodes.RETURN;
      if (returns || opcode == Opcodes.ATHROW || opcode == Opcodes.RET) {
        at = NOWHERE;
      }
    }

    @Override
    public void visitJumpInsn(int opcode, Label label) {
      super.visitJumpInsn(opcode, label);
      if (opcode == Opcodes.JSR) {
        int from = at;
        go(node(label));
        at = from;
      }
    }

    @Override
    public void visitMethodInsn(
        int opcode, String owner, String name, String descriptor, boolean onInterface) {
      super.visitMethodInsn(opcode, owner, name, descriptor, onInterface);
      boolean isVirtual = opcode == Opcodes.INVOKEVIRTUAL || opcode == Opcodes.INVOKEINTERFACE;
      call(owner, name + descriptor, isVirtual);
    }

    private void call(String owner, String method, boolean isVirtual) {
      String type = binary(owner);
      if (isOurs.test(type) && at != NOWHERE) {
        calls.add(new Call(at, type, method, isVirtual));
      }
    }

    @Override
    public void visitInvokeDynamicInsn(
        String name, String descriptor, Handle bootstrap, Object... arguments) {
      super.visitInvokeDynamicInsn(name, descriptor, bootstrap, arguments);
      for (Object argument : arguments) {
        if (argument instanceof Handle handle) {
          boolean isVirtual =
              handle.getTag() == Opcodes.H_INVOKEVIRTUAL
                  || handle.getTag() == Opcodes.H_INVOKEINTERFACE;
          call(handle.getOwner(), handle.getName() + handle.getDesc(), isVirtual);
        }
      }
    }
  }
}
