package atalaya.ways.write;

import java.util.ArrayList;
import java.util.List;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.signature.SignatureReader;
import org.objectweb.asm.signature.SignatureVisitor;
import org.objectweb.asm.tree.MethodNode;

/** What collections hold that a method takes: its descriptor does not tell, its signature does. */
final class ElementTypes {
  private ElementTypes() {}

  /**
   * The descriptors of what a parameter holds, of maps the keys' and the values', counted from the
   * last parameter, which is 1: what stands for the instance around an inner class has no
   * signature. An empty one where any will do; none where they are not known.
   */
  static List<String> of(MethodNode method, int fromLast) {
    if (method.signature == null) {
      return List.of();
    }
    List<Parameter> parameters = new ArrayList<>();
    new SignatureReader(method.signature)
        .accept(
            new SignatureVisitor(Opcodes.ASM9) {
              @Override
              public SignatureVisitor visitParameterType() {
                Parameter parameter = new Parameter();
                parameters.add(parameter);
                return parameter;
              }
            });
    return fromLast > parameters.size()
        ? List.of()
        : parameters.get(parameters.size() - fromLast).held;
  }

  /** The arguments of its type. */
  private static final class Parameter extends SignatureVisitor {
    private final List<String> held = new ArrayList<>();

    Parameter() {
      super(Opcodes.ASM9);
    }

    @Override
    public void visitTypeArgument() {
      held.add("");
    }

    @Override
    public SignatureVisitor visitTypeArgument(char wildcard) {
      int at = held.size();
      held.add("");
      return new SignatureVisitor(Opcodes.ASM9) {
        @Override
        public void visitClassType(String name) {
          if (wildcard != SUPER && held.get(at).isEmpty()) {
            held.set(at, Type.getObjectType(name).getDescriptor());
          }
        }

        @Override
        public void visitInnerClassType(String name) {
          held.set(at, held.get(at).replace(";", "$" + name + ";"));
        }

        @Override
        public SignatureVisitor visitTypeArgument(char inner) {
          return new SignatureVisitor(Opcodes.ASM9) {};
        }
      };
    }
  }
}
