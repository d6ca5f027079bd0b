package atalaya.agent;

import atalaya.points.PointVisitor;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Walks the code of one method and knows what each instruction may do besides its work. */
abstract class CodeVisitor extends PointVisitor {
  private final String type;
  private final boolean hasThis;
  private final SuperCall superCall;
  private Effect known;
  private boolean thisLoaded;

  /**
   * Begins a method.
   *
   * @param type the internal name of its class
   */
  CodeVisitor(MethodVisitor to, Counter counter, String type, int access, String name) {
    super(to, counter);
    this.type = type;
    this.hasThis = (access & Opcodes.ACC_STATIC) == 0;
    this.superCall = new SuperCall(name);
  }

  /** Any instruction but jumps and switches comes. Points in front of it have been told. */
  protected abstract void instruction(int opcode, Effect effect);

  /** A constructor's call of {@code this(...)} or {@code super(...)} is over. */
  protected void initialised() {}

  /** Whether the object is initialised by now; always in other methods. */
  final boolean isInitialised() {
    return superCall.isPast();
  }

  /** Whether there are several such calls, so that it is not known where the object is. */
  final boolean initialisesAgain() {
    return superCall.isRepeated();
  }

  /** Whether this instruction takes {@code this} for something else. */
  final boolean replacesThis(int opcode, int local) {
    return hasThis && local == 0 && opcode == Opcodes.ASTORE;
  }

  @Override
  protected final void instruction(int opcode) {
    Effect effect = known == null ? Effect.of(opcode) : known;
    known = null;
    thisLoaded = false;
    instruction(opcode, effect);
  }

  @Override
  public void visitLabel(Label label) {
    super.visitLabel(label);
    thisLoaded = false;
  }

  @Override
  public void visitVarInsn(int opcode, int local) {
    super.visitVarInsn(opcode, local);
    thisLoaded = hasThis && local == 0 && opcode == Opcodes.ALOAD && isInitialised();
  }

  @Override
  public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
    boolean ownStatic =
        owner.equals(type) && (opcode == Opcodes.GETSTATIC || opcode == Opcodes.PUTSTATIC);
    known = ownStatic || thisLoaded && opcode == Opcodes.GETFIELD ? Effect.NONE : null;
    super.visitFieldInsn(opcode, owner, name, descriptor);
  }

  @Override
  public void visitTypeInsn(int opcode, String type) {
    known = opcode == Opcodes.NEW ? Effect.ofNew(type) : null;
    super.visitTypeInsn(opcode, type);
    superCall.type(opcode);
  }

  @Override
  public void visitMethodInsn(
      int opcode, String owner, String name, String descriptor, boolean onInterface) {
    known = Effect.ofCall(owner, name, descriptor);
    super.visitMethodInsn(opcode, owner, name, descriptor, onInterface);
    if (superCall.isThisCall(opcode, name)) {
      initialised();
    }
  }

  @Override
  public void visitInvokeDynamicInsn(
      String name, String descriptor, Handle bootstrap, Object... arguments) {
    known = Effect.CALLS;
    super.visitInvokeDynamicInsn(name, descriptor, bootstrap, arguments);
  }
}
