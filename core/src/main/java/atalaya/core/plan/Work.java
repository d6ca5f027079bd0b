package atalaya.core.plan;

import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** What is reached and noticed once the briefs that were chosen so far are written. */
public final class Work {
  private final Map<String, BitSet> reached = new HashMap<>();
  private final Set<String> closed = new HashSet<>();
  private final Set<String> tested = new HashSet<>();
  private final Set<String> begun = new HashSet<>();

  /** The points of a class that chosen briefs reach. */
  public BitSet reached(String className) {
    return reached.getOrDefault(className, new BitSet());
  }

  /** Whether a chosen brief closes a gap. */
  public boolean isClosed(String gap) {
    return closed.contains(gap);
  }

  /** Whether a chosen brief has a test for a method. */
  public boolean isTested(String method) {
    return tested.contains(method);
  }

  /** Whether a chosen brief begins a test class. */
  boolean begins(String testClass) {
    return begun.contains(testClass);
  }

  /** The same, and a brief is assumed written besides. */
  Work with(Brief brief) {
    Work more = new Work();
    reached.forEach((type, all) -> more.reached.put(type, (BitSet) all.clone()));
    more.closed.addAll(closed);
    more.tested.addAll(tested);
    more.begun.addAll(begun);
    more.add(brief);
    return more;
  }

  /** A brief is assumed written. */
  void add(Brief brief) {
    brief
        .way()
        .ifPresent(
            way -> {
              way.points()
                  .forEach((type, all) -> reached.computeIfAbsent(type, t -> new BitSet()).or(all));
              tested.addAll(way.calls());
              way.also().forEach(other -> tested.addAll(other.calls()));
            });
    closed.addAll(brief.closes());
    if (!brief.start().exists()) {
      begun.add(brief.start().testClass());
    }
  }
}
