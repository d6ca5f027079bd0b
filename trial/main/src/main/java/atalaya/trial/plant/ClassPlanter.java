package atalaya.trial.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.MethodTooLargeException;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.InsnList;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.MethodNode;

/**
 * Plants the mutants of a class: all of them at once, each behind a switch (mutant schemata: Untch,
 * Offutt, Harrold 1993), or a single one for good.
 */
public final class ClassPlanter {
  private ClassPlanter() {}

  /**
   * A planted class.
   *
   * @param mutated with its mutants
   * @param watching without them; it tells {@code Fault} what it finds where they stand
   * @param watched how it is seen whether mutants would change anything
   * @param left the mutants that could not be planted
   */
  public record Planted(
      byte[] mutated, byte[] watching, List<Watched> watched, Set<Integer> left) {}

  /**
   * Plants all mutants at once. Each method with mutants runs a copy of its code, in which they
   * are, only while one of them is active.
   *
   * @param typeNumber of the class
   * @param numbers of the methods with mutants, by name and descriptor
   */
  public static Planted all(
      byte[] original, int typeNumber, List<Planting> plantings, Map<String, Integer> numbers) {
    List<Watched> watched = new ArrayList<>();
    Set<Integer> left = new HashSet<>();
    try {
      byte[] mutated = planted(original, typeNumber, plantings, numbers, false, watched, left);
      watched.clear();
      byte[] watching = planted(original, typeNumber, plantings, numbers, true, watched, left);
      return new Planted(mutated, watching, watched, left);
    } catch (MethodTooLargeException e) {
      String tooLarge = e.getMethodName() + e.getDescriptor();
      return withoutMethod(original, typeNumber, plantings, numbers, tooLarge);
    }
  }

  private static byte[] planted(
      byte[] original,
      int typeNumber,
      List<Planting> plantings,
      Map<String, Integer> numbers,
      boolean watches,
      List<Watched> watched,
      Set<Integer> left) {
    ClassNode type = read(original);
    Map<String, List<Planting>> byMethod =
        plantings.stream().collect(Collectors.groupingBy(Planting::code));
    for (MethodNode method : type.methods) {
      String key = method.name + method.desc;
      List<Planting> of = byMethod.getOrDefault(key, List.of());
      if (usesSubroutines(method)) {
        of.forEach(planting -> left.add(planting.mutant()));
      } else if (method.instructions.size() > 0) {
        new SchemaMethod(type, typeNumber, method, of, watches)
            .plant(numbers.getOrDefault(key, -1), watched, left);
      }
    }
    return write(type);
  }

  /** Without the mutants of a method that would become too large. */
  private static Planted withoutMethod(
      byte[] original,
      int typeNumber,
      List<Planting> plantings,
      Map<String, Integer> numbers,
      String tooLarge) {
    List<Planting> rest = plantings.stream().filter(p -> !p.code().equals(tooLarge)).toList();
    if (rest.size() == plantings.size()) {
      return new Planted(original, original, List.of(), Set.of());
    }
    Map<String, Integer> other = new HashMap<>(numbers);
    other.remove(tooLarge);
    Planted planted = all(original, typeNumber, rest, other);
    Set<Integer> left = new HashSet<>(planted.left());
    plantings.stream().filter(p -> p.code().equals(tooLarge)).forEach(p -> left.add(p.mutant()));
    return new Planted(planted.mutated(), planted.watching(), planted.watched(), left);
  }

  /** Plants one mutant for good. */
  public static byte[] alone(byte[] original, List<Planting> places) {
    ClassNode type = read(original);
    for (MethodNode method : type.methods) {
      Map<Integer, Replacement> at = at(places, method);
      if (!at.isEmpty()) {
        MethodNode changed = emptyLike(method);
        method.tryCatchBlocks.forEach(block -> block.accept(changed));
        emit(method.instructions, at, changed, false);
        method.localVariables = null;
        method.visibleLocalVariableAnnotations = null;
        method.invisibleLocalVariableAnnotations = null;
        method.instructions = changed.instructions;
        method.tryCatchBlocks = changed.tryCatchBlocks;
      }
    }
    return write(type);
  }

  /** A print of one method with a mutant for good, to tell whether two mutants are the same. */
  public static byte[] print(MethodNode method, List<Planting> places) {
    ClassWriter writer = new ClassWriter(0);
    writer.visit(Opcodes.V1_5, 0, "Print", null, "java/lang/Object", null);
    var to = writer.visitMethod(method.access, method.name, method.desc, null, null);
    to.visitCode();
    method.instructions.resetLabels();
    method.tryCatchBlocks.forEach(block -> block.accept(to));
    emit(method.instructions, at(places, method), to, true);
    to.visitMaxs(0, 0);
    to.visitEnd();
    writer.visitEnd();
    return writer.toByteArray();
  }

  private static Map<Integer, Replacement> at(List<Planting> places, MethodNode method) {
    Map<Integer, Replacement> at = new HashMap<>();
    for (Planting place : places) {
      if (place.code().equals(method.name + method.desc)) {
        at.put(place.instruction(), place.replacement());
      }
    }
    return at;
  }

  private static void emit(
      InsnList instructions,
      Map<Integer, Replacement> at,
      org.objectweb.asm.MethodVisitor to,
      boolean codeOnly) {
    int number = -1;
    for (AbstractInsnNode node : instructions) {
      if (node.getOpcode() >= 0) {
        number++;
        Replacement replacement = at.get(number);
        if (replacement != null) {
          replacement.emit(to, node);
          continue;
        }
      } else if (codeOnly && !(node instanceof LabelNode)) {
        continue;
      }
      node.accept(to);
    }
  }

  /** Reads a class file so that instructions can be found in it by number. */
  public static ClassNode read(byte[] bytes) {
    ClassNode type = new ClassNode();
    new ClassReader(bytes).accept(type, ClassReader.EXPAND_FRAMES);
    type.methods.forEach(ClassPlanter::labelBehindThrows);
    return type;
  }

  /** Where a dropped exception lets control go on. */
  private static void labelBehindThrows(MethodNode method) {
    for (AbstractInsnNode node : method.instructions.toArray()) {
      if (node.getOpcode() == Opcodes.ATHROW && !(node.getNext() instanceof LabelNode)) {
        method.instructions.insert(node, new LabelNode());
      }
    }
  }

  static MethodNode emptyLike(MethodNode method) {
    return new MethodNode(
        SchemaMethod.API, method.access, method.name, method.desc, method.signature, null);
  }

  private static boolean usesSubroutines(MethodNode method) {
    for (AbstractInsnNode node : method.instructions) {
      if (node.getOpcode() == Opcodes.JSR || node.getOpcode() == Opcodes.RET) {
        return true;
      }
    }
    return false;
  }

  private static byte[] write(ClassNode type) {
    ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_MAXS);
    type.accept(writer);
    return writer.toByteArray();
  }
}
