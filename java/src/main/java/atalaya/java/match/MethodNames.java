package atalaya.java.match;

import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceMethod;
import java.util.ArrayList;
import java.util.List;
import org.objectweb.asm.Type;

/** The names of methods with simple parameter types: {@code quote(Vessel,Stay)}. */
final class MethodNames {
  private MethodNames() {}

  /**
   * The name of a method.
   *
   * @param source as it is written, or null; parameters that only the compiler knows are left out
   */
  static String of(ClassFile file, CodeMethod method, SourceMethod source) {
    List<String> types = new ArrayList<>();
    for (Type type : Type.getArgumentTypes(method.descriptor())) {
      types.add(simple(type));
    }
    if (source != null && types.size() > source.parameters()) {
      int hidden = file.isEnum() ? 2 : file.isInner() ? 1 : 0;
      hidden = Math.min(hidden, types.size() - source.parameters());
      types = types.subList(hidden, hidden + source.parameters());
    }
    return method.name() + "(" + String.join(",", types) + ")";
  }

  private static String simple(Type type) {
    String name = type.getClassName();
    int cut = Math.max(name.lastIndexOf('.'), name.lastIndexOf('$'));
    return name.substring(cut + 1);
  }
}
