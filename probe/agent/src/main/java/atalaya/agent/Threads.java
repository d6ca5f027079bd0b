package atalaya.agent;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Where the program's threads stand at the moment. */
final class Threads {
  private static final int AMBIGUOUS = -1;

  private final Map<String, Integer> indexOfName = new HashMap<>();

  /** Of two classes with one name, the stack of a thread does not say which it means. */
  void planted(int index, String name) {
    Integer before = indexOfName.put(name, index);
    if (before != null && before != index) {
      indexOfName.put(name, AMBIGUOUS);
    }
  }

  /** Where an exception was thrown: the first place in observed code, else the first one. */
  String place(Throwable exception) {
    StackTraceElement[] stack = exception.getStackTrace();
    for (StackTraceElement frame : stack) {
      if (indexOfName.containsKey(frame.getClassName())) {
        return place(frame);
      }
    }
    return stack.length == 0 ? "" : place(stack[0]);
  }

  private static String place(StackTraceElement frame) {
    return frame.getClassName() + "." + frame.getMethodName() + ":" + frame.getLineNumber();
  }

  /** The points that threads have passed on their paths to the calls in which they stand. */
  Map<Integer, BitSet> pending(List<PlantedClass> classes) {
    Map<Integer, BitSet> pending = new HashMap<>();
    for (StackTraceElement[] stack : Thread.getAllStackTraces().values()) {
      for (int depth = 1; depth < stack.length; depth++) {
        Integer index = indexOfName.get(stack[depth].getClassName());
        if (index != null && index != AMBIGUOUS) {
          BitSet points = pending.computeIfAbsent(index, i -> new BitSet());
          classes.get(index).standsOn(stack[depth].getLineNumber(), points);
        }
      }
    }
    pending.values().removeIf(BitSet::isEmpty);
    return pending;
  }
}
