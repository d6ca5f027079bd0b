package atalaya.trial.plant;

import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/** A value that code can make without knowing anything. */
public sealed interface Value {
  /** Leaves it on the stack. */
  void push(MethodVisitor to);

  /** A number, a text, or null. */
  record Of(Object constant) implements Value {
    @Override
    public void push(MethodVisitor to) {
      if (constant == null) {
        to.visitInsn(Opcodes.ACONST_NULL);
      } else {
        Pushing.constant(to, constant);
      }
    }
  }

  /** A boxed value. */
  record Boxed(String type, Object constant) implements Value {
    @Override
    public void push(MethodVisitor to) {
      Pushing.constant(to, constant);
      String primitive =
          switch (type) {
            case "java/lang/Boolean" -> "Z";
            case "java/lang/Character" -> "C";
            case "java/lang/Byte" -> "B";
            case "java/lang/Short" -> "S";
            case "java/lang/Integer" -> "I";
            case "java/lang/Long" -> "J";
            case "java/lang/Float" -> "F";
            default -> "D";
          };
      to.visitMethodInsn(
          Opcodes.INVOKESTATIC, type, "valueOf", "(" + primitive + ")L" + type + ";", false);
    }
  }

  /** What a static method without parameters gives. */
  record Made(String owner, String name, String type, boolean onInterface) implements Value {
    @Override
    public void push(MethodVisitor to) {
      to.visitMethodInsn(Opcodes.INVOKESTATIC, owner, name, "()L" + type + ";", onInterface);
    }
  }

  /** An array without elements. */
  record NoElements(Type array) implements Value {
    @Override
    public void push(MethodVisitor to) {
      to.visitInsn(Opcodes.ICONST_0);
      Type element = Type.getType(array.getDescriptor().substring(1));
      switch (element.getSort()) {
        case Type.ARRAY, Type.OBJECT ->
            to.visitTypeInsn(Opcodes.ANEWARRAY, element.getInternalName());
        case Type.BOOLEAN -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_BOOLEAN);
        case Type.CHAR -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_CHAR);
        case Type.BYTE -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_BYTE);
        case Type.SHORT -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_SHORT);
        case Type.INT -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_INT);
        case Type.LONG -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_LONG);
        case Type.FLOAT -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_FLOAT);
        default -> to.visitIntInsn(Opcodes.NEWARRAY, Opcodes.T_DOUBLE);
      }
    }
  }
}
