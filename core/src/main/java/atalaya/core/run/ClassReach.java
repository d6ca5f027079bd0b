package atalaya.core.run;

import java.util.BitSet;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The points of one class that were reached, by whom.
 *
 * @param byTest the points by the number of the test that reached them, in ascending order; {@link
 *     #OUTSIDE} holds what ran outside any test, {@link #SOME_TEST} what ran while several tests
 *     did and cannot be told apart
 * @param hits how often each point was passed; empty when that was not counted
 */
public record ClassReach(Map<Integer, BitSet> byTest, Map<Integer, Long> hits) {
  /** In place of a test's number: outside of any test. */
  public static final int OUTSIDE = 0;

  /** In place of a test's number: by some test. */
  public static final int SOME_TEST = -1;

  public ClassReach {
    hits = Map.copyOf(hits);
    byTest = Collections.unmodifiableMap(new TreeMap<>(byTest));
  }

  /** What nothing reached. */
  public static ClassReach none() {
    return new ClassReach(Map.of(), Map.of());
  }

  /** What one test reached, by its number. */
  public ClassReach of(int test) {
    BitSet points = byTest.get(test);
    return points == null ? none() : new ClassReach(Map.of(test, points), Map.of());
  }

  /** The points that were reached by anyone. */
  public BitSet all() {
    BitSet all = new BitSet();
    Set<BitSet> distinct = Collections.newSetFromMap(new IdentityHashMap<>()); // Many tests share.
    distinct.addAll(byTest.values());
    distinct.forEach(all::or);
    return all;
  }
}
