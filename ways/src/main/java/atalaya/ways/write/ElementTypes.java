package atalaya.ways.write;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.signature.SignatureReader;
import org.objectweb.asm.signature.SignatureVisitor;
import org.objectweb.asm.tree.MethodNode;

/** What collections hold that a method takes: its descriptor does not tell, its signature does. */
final class ElementTypes {
  private ElementTypes() {}

  /**
   * The descriptor of the elements of a parameter, counted from the last, which is 1: what stands
   * for the instance around an inner class has no signature. Empty where any will do, or where it
   * is not known.
   */
  static Optional<String> of(MethodNode method, int fromLast) {
    if (method.signature == null) {
      return Optional.empty();
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
        ? Optional.empty()
        : Optional.ofNullable(parameters.get(parameters.size() - fromLast).element);
  }

  /** Of the first argument of its type. */
  private static final class Parameter extends SignatureVisitor {
    private String element;
    private boolean isFirst = true;

    Parameter() {
      super(Opcodes.ASM9);
    }

    @Override
    public SignatureVisitor visitTypeArgument(char wildcard) {
      boolean isTaken = isFirst && wildcard != SUPER;
      isFirst = false;
      return new SignatureVisitor(Opcodes.ASM9) {
        @Override
        public void visitClassType(String name) {
          if (isTaken && element == null) {
            element = Type.getObjectType(name).getDescriptor();
          }
        }

        @Override
        public void visitInnerClassType(String name) {
          if (isTaken) {
            element = element.replace(";", "$" + name + ";");
          }
        }

        @Override
        public SignatureVisitor visitTypeArgument(char inner) {
          return new SignatureVisitor(Opcodes.ASM9) {};
        }
      };
    }
  }
}
