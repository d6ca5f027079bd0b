package atalaya.agent;

import org.objectweb.asm.MethodVisitor;

/** Plants a method's first point at its entry, and no other. */
final class EnteredMethod extends UnplantedMethod {
  private final Marks marks;
  private final int point;

  /**
   * Plants a method.
   *
   * @param point {@link Paths#NONE} when it has none
   */
  EnteredMethod(MethodVisitor to, Counter counter, Marks marks, int point) {
    super(to, counter);
    this.marks = marks;
    this.point = point;
  }

  @Override
  public void visitCode() {
    super.visitCode();
    if (point != Paths.NONE) {
      marks.set(mv, point);
    }
  }
}
