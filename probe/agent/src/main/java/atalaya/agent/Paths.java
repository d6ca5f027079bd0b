package atalaya.agent;

import atalaya.points.PointVisitor;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.MethodVisitor;

/**
 * Which points imply which. A path is a run of points on code that can be entered only at its
 * start: whoever passed a point of it has passed all points before it, so only the last one that
 * was passed needs to be marked (an extended basic block; Muchnick 1997, section 7.1).
 */
final class Paths {
  /** In place of a point: none. */
  static final int NONE = -1;

  private final Map<String, MethodFlow> flows;
  private final int[] before;
  private final Map<Integer, Integer> certain = new HashMap<>();

  private Paths(Map<String, MethodFlow> flows, int points) {
    this.flows = flows;
    this.before = new int[points];
    Arrays.fill(before, NONE);
    flows.values().forEach(flow -> flow.follow(this));
  }

  /**
   * Reads the paths of a class.
   *
   * @param counts whether each point is counted, so that none stands for another
   */
  static Paths of(ClassReader reader, boolean counts) {
    Map<String, MethodFlow> flows = new HashMap<>();
    PointVisitor.Counter counter = new PointVisitor.Counter();
    reader.accept(
        new ClassVisitor(PointVisitor.ASM) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            MethodFlow flow = new MethodFlow(counter, reader.getClassName(), access, name, counts);
            flows.put(name + descriptor, flow);
            return flow;
          }
        },
        ClassReader.SKIP_FRAMES);
    return new Paths(flows, counter.count());
  }

  /** How many points the class has. */
  int points() {
    return before.length;
  }

  /** The flow of a method, by its name and descriptor. */
  MethodFlow flow(String method) {
    return flows.get(method);
  }

  /** For each point the one that was passed right before it on its path, or {@link #NONE}. */
  int[] before() {
    return before;
  }

  /**
   * The last point that a thread has certainly passed which stands in a call on this line, so far
   * as it was not marked yet; {@link #NONE} when nothing is certain.
   */
  int certain(int line) {
    return certain.getOrDefault(line, NONE);
  }

  /** The lines with something certain about them, ascending. */
  int[] certainLines() {
    return certain.keySet().stream()
        .filter(line -> certain(line) != NONE)
        .mapToInt(Integer::intValue)
        .sorted()
        .toArray();
  }

  void follows(int point, int previous) {
    before[point] = previous;
  }

  /** Where code of the line may call or throw, this is the last point that was passed. */
  void standsOn(int line, int point) {
    certain.merge(line, point, this::common);
  }

  private int common(int one, int other) {
    int a = one;
    int b = other;
    while (a != b) {
      if (a > b) {
        a = before[a];
      } else {
        b = before[b];
      }
    }
    return a;
  }
}
