package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import java.util.List;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.MethodInsnNode;

/**
 * A call on a way.
 *
 * @param arguments what it is given, first the object whose method is called, where there is one
 */
record Call(MethodInsnNode node, List<Term> arguments) {
  Call {
    arguments = List.copyOf(arguments);
  }

  /** The internal name of the class that the code names. */
  String owner() {
    return node.owner;
  }

  String name() {
    return node.name;
  }

  String descriptor() {
    return node.desc;
  }

  /** The descriptor of what it gives. */
  String type() {
    return Type.getReturnType(node.desc).getDescriptor();
  }

  /** The method that the code names; another one may answer. */
  Ref method() {
    return new Ref(node.owner, node.name + node.desc);
  }

  boolean is(String owner, String name) {
    return node.owner.equals(owner) && node.name.equals(name);
  }

  boolean isStatic() {
    return node.getOpcode() == Opcodes.INVOKESTATIC;
  }

  boolean isConstructor() {
    return node.name.equals("<init>");
  }

  /** Whether a class that extends the one that is named may answer. */
  boolean isVirtual() {
    return MethodCode.isVirtual(node);
  }

  /** The object whose method is called, or that is made; of static methods the first argument. */
  Term object() {
    return arguments.get(0);
  }

  /** What the method itself takes. */
  List<Term> given() {
    return isStatic() ? arguments : arguments.subList(1, arguments.size());
  }
}
