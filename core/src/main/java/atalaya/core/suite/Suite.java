package atalaya.core.suite;

import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Verdict;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The tests of a run beside each other.
 *
 * @param tests in the order asked for
 * @param idle numbers of tests in which no check was found
 * @param redundant numbers of tests without which everything is still reached, all at once
 */
public record Suite(List<TestFigures> tests, Set<Integer> idle, Set<Integer> redundant) {
  public Suite {
    tests = List.copyOf(tests);
    idle = Set.copyOf(idle);
    redundant = Set.copyOf(redundant);
  }

  /**
   * Looks at tests. Only those that passed and ran alone can be redundant.
   *
   * @param reach by class
   * @param noCheckFound whether no check was found in a test
   */
  public static Suite of(
      List<TestFigures> tests, Map<String, ClassReach> reach, Predicate<TestFigures> noCheckFound) {
    Map<Integer, Map<String, BitSet>> byTest = new HashMap<>();
    Set<Integer> judged = new java.util.TreeSet<>();
    for (TestFigures test : tests) {
      if (test.test().verdict() == Verdict.PASSED && !test.test().overlapped()) {
        judged.add(test.test().number());
      }
    }
    judged.forEach(test -> byTest.put(test, new HashMap<>()));
    reach.forEach(
        (type, of) ->
            of.byTest()
                .forEach(
                    (test, points) -> {
                      if (byTest.containsKey(test)) {
                        byTest.get(test).put(type, points);
                      }
                    }));
    Set<Integer> redundant = new java.util.TreeSet<>(judged);
    redundant.removeAll(SmallestSet.of(byTest));
    Set<Integer> idle = new java.util.TreeSet<>();
    tests.stream()
        .filter(test -> test.test().verdict() != Verdict.SKIPPED)
        .filter(noCheckFound)
        .forEach(test -> idle.add(test.test().number()));
    return new Suite(tests, idle, redundant);
  }

  /** How long some tests took together, in milliseconds. */
  public long milliseconds(Predicate<TestFigures> which) {
    return tests.stream().filter(which).mapToLong(t -> t.test().milliseconds()).sum();
  }

  /** Whether no check was found in a test. */
  public boolean isIdle(TestFigures test) {
    return idle.contains(test.test().number());
  }

  /** Whether the rest of the suite reaches all that a test does. */
  public boolean isRedundant(TestFigures test) {
    return redundant.contains(test.test().number());
  }
}
