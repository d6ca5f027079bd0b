package atalaya.core.mutant;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.run.ClassReach;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/** Which tests reach the places of one class. */
public final class Reaching {
  private static final String INITIALISER = "<clinit>()";
  private static final int BEFORE_ALL = -1;

  private final ClassReach reach;
  private final Map<String, NavigableMap<Integer, BitSet>> lines = new HashMap<>();
  private final Map<String, Reached> known = new HashMap<>();

  /** Of a class and what was reached of it. */
  public Reaching(CodeClass code, ClassReach reach) {
    this.reach = reach;
    for (Method method : code.methods()) {
      NavigableMap<Integer, BitSet> points = new TreeMap<>();
      for (Line line : method.lines()) {
        points.put(line.number(), line.points());
      }
      lines.put(method.name(), points);
    }
  }

  /**
   * Who reached a place.
   *
   * @param tests the numbers of tests that did so for certain
   * @param bySome whether some of the tests that ran at the same time as others did
   * @param outside whether it was reached outside of tests, as in what is set up for several
   */
  public record Reached(BitSet tests, boolean bySome, boolean outside) {
    /** Whether anything reached it. */
    public boolean isAny() {
      return bySome || outside || !tests.isEmpty();
    }
  }

  /**
   * Who reached a line of a method; of a line that does not count, who reached the one before it.
   * An initialiser of the class matters to all who reach anything of the class.
   */
  public Reached line(String method, int line) {
    return known.computeIfAbsent(method + ":" + line, place -> find(method, line));
  }

  /** Who reached anything of a method. */
  public Reached anyOf(String method) {
    return line(method, BEFORE_ALL);
  }

  private Reached find(String method, int line) {
    BitSet points = new BitSet();
    NavigableMap<Integer, BitSet> of = lines.getOrDefault(method, new TreeMap<>());
    Map.Entry<Integer, BitSet> at = of.floorEntry(line);
    if (at != null) {
      points.or(at.getValue());
    } else {
      of.values().forEach(points::or);
    }
    boolean wasReached = points.intersects(reach.all());
    BitSet tests = new BitSet();
    boolean bySome = false;
    boolean outside = false;
    for (Map.Entry<Integer, BitSet> by : reach.byTest().entrySet()) {
      boolean reaches = method.equals(INITIALISER) ? wasReached : by.getValue().intersects(points);
      if (reaches && by.getKey() > 0) {
        tests.set(by.getKey());
      }
      bySome |= reaches && by.getKey() == ClassReach.SOME_TEST;
      outside |= reaches && by.getKey() == ClassReach.OUTSIDE;
    }
    return new Reached(tests, bySome, outside);
  }
}
