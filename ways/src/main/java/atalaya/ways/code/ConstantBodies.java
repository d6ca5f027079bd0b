package atalaya.ways.code;

import atalaya.core.term.EnumValue;
import atalaya.ways.code.CodeBase.Ref;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.FieldInsnNode;
import org.objectweb.asm.tree.TypeInsnNode;

/** Constants of enums that have a body, which may answer a call instead of the enum's method. */
public final class ConstantBodies {
  private ConstantBodies() {}

  /** The enum of whose constants a class is the body; for any other class the class itself. */
  static String enumOf(CodeBase base, String type) {
    boolean isEnum = base.code(type).filter(ClassCode::isEnum).isPresent();
    return isEnum
        ? base.code(type).orElseThrow().supertypes().stream()
            .filter(above -> base.code(above).filter(ClassCode::isEnum).isPresent())
            .findFirst()
            .orElse(type)
        : type;
  }

  /** The constants that answer by another method than this one. */
  public static List<EnumValue> others(CodeBase base, Ref method) {
    String type = enumOf(base, method.type());
    Map<String, String> bodies = base.code(type).map(ConstantBodies::bodies).orElse(Map.of());
    if (bodies.isEmpty()) {
      return List.of();
    }
    return base.code(type).orElseThrow().constants().stream()
        .filter(constant -> !answers(base, bodies.get(constant.name()), type, method))
        .toList();
  }

  private static boolean answers(CodeBase base, String body, String type, Ref method) {
    boolean overrides = body != null && base.methods(body).contains(method.code());
    return method.type().equals(overrides ? body : type);
  }

  /** The classes of the constants that have one of their own, by the constants' names. */
  private static Map<String, String> bodies(ClassCode code) {
    Map<String, String> bodies = new HashMap<>();
    code.method("<clinit>()V")
        .ifPresent(
            made -> {
              String first = null;
              for (AbstractInsnNode at : made.node().instructions) {
                if (at instanceof TypeInsnNode type && at.getOpcode() == Opcodes.NEW) {
                  first = first == null ? type.desc : first;
                } else if (at instanceof FieldInsnNode field
                    && at.getOpcode() == Opcodes.PUTSTATIC) {
                  if (first != null && first.startsWith(field.owner + "$")) {
                    bodies.put(field.name, first);
                  }
                  first = null;
                }
              }
            });
    return bodies;
  }
}
