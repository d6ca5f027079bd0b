package atalaya.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import atalaya.core.kept.KeptClass;
import atalaya.core.merge.Merger;
import atalaya.core.merge.Whole;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.Detail;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.core.run.RecordedTest;
import atalaya.core.run.Recording;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MergerTest {
  private static BitSet bits(int... bits) {
    BitSet set = new BitSet();
    for (int bit : bits) {
      set.set(bit);
    }
    return set;
  }

  /** A run of two tests; {@code code} is the version of the class Buoy. */
  private static Whole run(String name, int started, String code, Detail detail, String... tests) {
    RunInfo info =
        new RunInfo(
            name,
            "id-" + name,
            "harbour",
            Instant.ofEpochSecond(started),
            10,
            List.of("test", name),
            0,
            "17",
            List.of(),
            List.of(),
            Optional.empty(),
            detail,
            true);
    List<Test> all = new ArrayList<>();
    List<RecordedTest> recorded = new ArrayList<>();
    Map<Integer, BitSet> byTest = new TreeMap<>();
    byTest.put(ClassReach.OUTSIDE, bits(started));
    for (String test : tests) {
      int number = all.size() + 1;
      all.add(new Test(number, test, test + "()", Verdict.PASSED, 1, false));
      recorded.add(new RecordedTest(number, "id-" + name, test));
      byTest.put(number, bits(number, 10 * started));
    }
    KeptClass buoy =
        new KeptClass("m", "Buoy", "Buoy.class", started, code, false, code.getBytes());
    Map<String, ClassReach> reach = Map.of("Buoy", new ClassReach(byTest, Map.of(1, 5L)));
    return new Whole(
        info,
        List.of(new Recording("id-" + name, name, info.started(), 10)),
        List.of(),
        List.of(buoy),
        List.of(),
        reach,
        Counts.of("id-" + name, reach),
        Set.of(),
        all,
        recorded,
        List.of(new NotObserved(Reason.NEVER_LOADED, started == 1 ? "Fog" : "Ice", "")),
        List.of(),
        List.of());
  }

  private static String told(Whole whole) {
    List<String> parts = new ArrayList<>();
    whole.tests().forEach(test -> parts.add(test.number() + test.id() + " " + test.name()));
    whole.reach().forEach((type, reach) -> parts.add(type + reach.byTest() + reach.hits()));
    whole.recorded().forEach(r -> parts.add(r.toString()));
    whole.recordings().forEach(r -> parts.add(r.name()));
    parts.add(whole.info().id() + whole.info().milliseconds());
    return String.join("\n", parts);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"abc", "cba", "bca", "(ab)c", "(cb)(ab)", "(ab)(bc)", "(ab)(ab)c", "a(bc)a"})
  void theOrderAndRepeatsMakeNoDifference(String order) {
    Map<Character, Whole> single =
        Map.of(
            'a', run("a", 1, "1", Detail.HITS, "x", "y"),
            'b', run("b", 2, "1", Detail.HITS, "x"),
            'c', run("c", 3, "1", Detail.HITS, "z"));
    List<Whole> all = new ArrayList<>();
    List<Whole> inner = null;
    for (char c : order.toCharArray()) {
      if (c == '(') {
        inner = new ArrayList<>();
      } else if (c == ')') {
        all.add(Merger.merge(inner, "inner"));
        inner = null;
      } else {
        (inner == null ? all : inner).add(single.get(c));
      }
    }
    Whole merged = Merger.merge(all, "m");
    assertThat(told(merged))
        .startsWith("1x x()\n2y y()\n3x (2) x() (2)\n4z z()\n")
        .contains("Buoy{0={1, 2, 3}, 1={1, 10}, 2={2, 10}, 3={1, 20}, 4={1, 30}}{1=15}")
        .endsWith("a\nb\nc\nid-a+id-b+id-c30");
  }

  @org.junit.jupiter.api.Test
  void aRunWithItselfIsItself() {
    Whole run = run("a", 1, "1", Detail.HITS, "x", "y");
    assertThat(told(Merger.merge(List.of(run, run), "m"))).isEqualTo(told(run));
  }

  @org.junit.jupiter.api.Test
  void ofCodeThatDiffersTheLastBuiltCounts() {
    Whole old = run("a", 1, "1", Detail.LINES, "x");
    Whole fresh = run("b", 2, "2", Detail.LINES, "y");
    for (List<Whole> order : List.of(List.of(old, fresh), List.of(fresh, old))) {
      Whole merged = Merger.merge(order, "m");
      assertThat(merged.reach().get("Buoy").byTest()).containsOnlyKeys(0, 2);
      assertThat(merged.classes()).extracting(KeptClass::hash).containsExactly("2");
      assertThat(merged.notObserved())
          .extracting(problem -> problem.reason() + " " + problem.what() + problem.detail())
          .containsExactly("OTHER_BYTES Buoyanother version in run a was not merged");
    }
  }

  @org.junit.jupiter.api.Test
  void whatCantBePutTogetherIsRefused() {
    Whole a = run("a", 1, "1", Detail.HITS, "x");
    assertThatThrownBy(() -> Merger.merge(List.of(a, run("d", 4, "1", Detail.LINES)), "m"))
        .hasMessageContaining("different detail: hits, lines");
  }
}
