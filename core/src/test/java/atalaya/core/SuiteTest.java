package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Verdict;
import atalaya.core.suite.Suite;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SuiteTest {
  private static TestFigures test(int number, Verdict verdict, boolean overlapped) {
    return new TestFigures(
        new atalaya.core.run.Test(number, "id" + number, "t" + number, verdict, 10, overlapped),
        0,
        0,
        0,
        0,
        0,
        0);
  }

  private static BitSet bits(int... bits) {
    BitSet set = new BitSet();
    for (int bit : bits) {
      set.set(bit);
    }
    return set;
  }

  @Test
  void testsThatAddNothingAreFoundAmongThoseThatPassedAlone() {
    List<TestFigures> tests =
        List.of(
            test(1, Verdict.PASSED, false),
            test(2, Verdict.PASSED, false),
            test(3, Verdict.PASSED, false),
            test(4, Verdict.FAILED, false),
            test(5, Verdict.PASSED, true),
            test(6, Verdict.SKIPPED, false));
    Map<Integer, BitSet> reach = new TreeMap<>();
    reach.put(ClassReach.OUTSIDE, bits(9));
    reach.put(1, bits(1, 2, 3));
    reach.put(2, bits(1, 4));
    reach.put(3, bits(2, 3, 4, 5));
    reach.put(4, bits(1, 2, 3, 4, 5));
    reach.put(5, bits(1, 2, 3, 4, 5));
    Suite suite =
        Suite.of(
            tests,
            Map.of("Buoy", new ClassReach(reach, Map.of())),
            test -> test.test().number() > 4);
    assertThat(suite.redundant()).hasSize(1).isSubsetOf(1, 2);
    assertThat(suite.idle()).containsExactly(5);
    assertThat(suite.milliseconds(suite::isRedundant)).isEqualTo(10);
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void withoutTheRedundantEverythingIsStillReachedAndNoOtherIsNeedless(long seed) {
    Random random = new Random(seed);
    List<TestFigures> tests = new ArrayList<>();
    Map<String, ClassReach> reach = new HashMap<>();
    Map<Integer, BitSet> whole = new HashMap<>();
    for (int type = 0; type < 3; type++) {
      Map<Integer, BitSet> byTest = new TreeMap<>();
      for (int number = 1; number <= 30; number++) {
        BitSet points = new BitSet();
        for (int i = 0; i < 8; i++) {
          points.set(random.nextInt(40));
        }
        byTest.put(number, points);
        BitSet shifted = whole.computeIfAbsent(number, n -> new BitSet());
        int offset = 40 * type;
        points.stream().forEach(p -> shifted.set(p + offset));
      }
      reach.put("C" + type, new ClassReach(byTest, Map.of()));
    }
    for (int number = 1; number <= 30; number++) {
      tests.add(test(number, Verdict.PASSED, false));
    }
    Suite suite = Suite.of(tests, reach, test -> false);
    BitSet all = new BitSet();
    whole.values().forEach(all::or);
    List<Integer> kept =
        whole.keySet().stream().filter(number -> !suite.redundant().contains(number)).toList();
    assertThat(union(whole, kept)).isEqualTo(all);
    for (int number : kept) {
      assertThat(union(whole, kept.stream().filter(n -> n != number).toList())).isNotEqualTo(all);
    }
  }

  private static BitSet union(Map<Integer, BitSet> whole, List<Integer> numbers) {
    BitSet union = new BitSet();
    numbers.forEach(number -> union.or(whole.get(number)));
    return union;
  }
}
