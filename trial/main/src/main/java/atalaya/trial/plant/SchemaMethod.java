package atalaya.trial.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.Label;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.commons.AnalyzerAdapter;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.JumpInsnNode;
import org.objectweb.asm.tree.LabelNode;
import org.objectweb.asm.tree.LookupSwitchInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.TableSwitchInsnNode;

/**
 * Plants one method. For deciding: its code as it was, behind it a copy with its mutants, and in
 * front the question which of the two runs. For watching: its code, which tells what it finds where
 * mutants stand. In both, loops ask whether they may turn.
 */
final class SchemaMethod {
  static final int API = Opcodes.ASM9;

  static final String FAULT = "atalaya/boot/Fault";
  private static final int FRAMES_SINCE = Opcodes.V1_6;

  private final ClassNode type;
  private final MethodNode method;
  private final Map<Integer, List<Planting>> plantings = new HashMap<>();
  private final boolean frames;
  private final boolean watches;
  private final MethodNode to;
  private final int typeNumber;

  SchemaMethod(
      ClassNode type,
      int typeNumber,
      MethodNode method,
      List<Planting> plantings,
      boolean watches) {
    this.watches = watches;
    this.type = type;
    this.typeNumber = typeNumber;
    this.method = method;
    plantings.forEach(
        p -> this.plantings.computeIfAbsent(p.instruction(), i -> new ArrayList<>()).add(p));
    this.frames = (type.version & 0xFFFF) >= FRAMES_SINCE;
    this.to = ClassPlanter.emptyLike(method);
  }

  /**
   * Plants it.
   *
   * @param number of the method; negative for one without mutants
   * @param watched takes how it is seen whether mutants would change anything
   * @param left takes the mutants in code that can't be reached
   */
  void plant(int number, List<Watched> watched, Set<Integer> left) {
    boolean initialises = method.name.equals("<clinit>");
    to.visitCode();
    if (initialises) {
      Pushing.integer(to, typeNumber);
      call("initialiserBegins", "(I)V");
    }
    Label mutated = new Label();
    if (number >= 0) {
      Pushing.integer(to, number);
      call("enter", "(I)Z");
      if (watches) {
        to.visitInsn(Opcodes.POP);
      } else {
        to.visitJumpInsn(Opcodes.IFNE, mutated);
      }
    }
    body(watches ? plantings : Map.of(), initialises, watched, left);
    if (method.localVariables != null) {
      method.localVariables.forEach(variable -> variable.accept(to));
    }
    if (number >= 0 && !watches) {
      method.instructions.resetLabels();
      to.visitLabel(mutated);
      frame(new AnalyzerAdapter(type.name, method.access, method.name, method.desc, null));
      body(plantings, initialises, watched, left);
    }
    method.instructions = to.instructions;
    method.tryCatchBlocks = to.tryCatchBlocks;
    method.localVariables = to.localVariables;
    method.visibleLocalVariableAnnotations = null;
    method.invisibleLocalVariableAnnotations = null;
  }

  private void call(String name, String descriptor) {
    to.visitMethodInsn(Opcodes.INVOKESTATIC, FAULT, name, descriptor, false);
  }

  private void body(
      Map<Integer, List<Planting>> mutants,
      boolean initialises,
      List<Watched> watched,
      Set<Integer> left) {
    method.tryCatchBlocks.forEach(block -> block.accept(to));
    AnalyzerAdapter state =
        new AnalyzerAdapter(type.name, method.access, method.name, method.desc, to);
    Set<LabelNode> passed = new HashSet<>();
    int number = -1;
    for (AbstractInsnNode node : method.instructions) {
      if (node instanceof LabelNode label) {
        passed.add(label);
      }
      if (node.getOpcode() >= 0) {
        number++;
        if (goesBack(node, passed)) {
          call("step", "()V");
        }
        if (initialises && node.getOpcode() == Opcodes.RETURN) {
          Pushing.integer(to, typeNumber);
          call("initialiserEnds", "(I)V");
        }
        List<Planting> here = mutants.get(number);
        if (here != null && (state.locals != null || !frames)) {
          int place = here.get(0).mutant();
          List<Watched> depending =
              here.stream().map(planting -> Watched.of(node, planting, method, place)).toList();
          watched.addAll(depending);
          if (watches) {
            Watched.look(to, node, place);
            node.accept(state);
          } else {
            mutated(node, here, depending, state);
          }
          continue;
        }
        if (here != null) {
          here.forEach(planting -> left.add(planting.mutant()));
        }
      }
      node.accept(state);
    }
  }

  private void mutated(
      AbstractInsnNode node,
      List<Planting> mutants,
      List<Watched> depending,
      AnalyzerAdapter state) {
    Label join = new Label();
    boolean joins = false;
    for (int i = 0; i < mutants.size(); i++) {
      Planting mutant = mutants.get(i);
      Label next = new Label();
      to.visitFieldInsn(Opcodes.GETSTATIC, FAULT, "mutant", "I");
      Pushing.integer(to, mutant.mutant());
      to.visitJumpInsn(Opcodes.IF_ICMPNE, next);
      depending.get(i).act(to, node);
      if (mutant.replacement().emit(to, node)) {
        to.visitJumpInsn(Opcodes.GOTO, join);
        joins = true;
      }
      to.visitLabel(next);
      frame(state);
    }
    node.accept(state);
    if (joins) {
      to.visitLabel(join);
      frame(state);
    }
  }

  /** A frame as the state is here, and an instruction to hold it. */
  private void frame(AnalyzerAdapter state) {
    if (frames) {
      Object[] locals = packed(state.locals);
      Object[] stack = packed(state.stack);
      to.visitFrame(Opcodes.F_NEW, locals.length, locals, stack.length, stack);
    }
    to.visitInsn(Opcodes.NOP);
  }

  /** A long or double is one entry of a frame, and two of the state. */
  private static Object[] packed(List<Object> entries) {
    List<Object> packed = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      Object entry = entries.get(i);
      packed.add(entry);
      if (entry == Opcodes.LONG || entry == Opcodes.DOUBLE) {
        i++;
      }
    }
    return packed.toArray();
  }

  private static boolean goesBack(AbstractInsnNode node, Set<LabelNode> passed) {
    if (node instanceof JumpInsnNode jump) {
      return passed.contains(jump.label);
    }
    if (node instanceof TableSwitchInsnNode table) {
      return passed.contains(table.dflt) || table.labels.stream().anyMatch(passed::contains);
    }
    return node instanceof LookupSwitchInsnNode lookup
        && (passed.contains(lookup.dflt) || lookup.labels.stream().anyMatch(passed::contains));
  }
}
