package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.gap.Gap;
import atalaya.core.gap.GapFinder;
import atalaya.core.gap.Opened;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Gaps of a class, by what was reached of it: what each opens up follows from the source alone. */
class GapsTest {
  private static final String BUOY =
      """
      class Buoy {
        int light(int depth, String colour) {
          if (depth > 5) {
            if (colour == null) {
              report();
            }
            return 1;
          }
          try (java.io.StringReader r = new java.io.StringReader(colour)) {
            return r.read();
          } catch (java.io.IOException | IllegalStateException e) {
            return -1;
          } catch (RuntimeException e) {
            for (char c : colour.toCharArray()) {
              if (c == 'x') {
                return 3;
              }
            }
          } finally {
            if (depth < 0) {
              depth = 0;
            }
          }
          return 2;
        }

        private void report() {
          Runnable later = () -> repair();
          later.run();
        }

        private void repair() {
          int tries = 3;
        }

        public String toString() {
          return "buoy";
        }

        void never(boolean wet) {
          if (wet) {
            report();
          }
        }
      }
      """;

  @TempDir Path folder;

  private List<CodeClass> read(String source) throws IOException {
    return Compiled.read(folder, "Buoy.java", source, source);
  }

  /** What a run reached that executed these lines, and these outcomes as {@code 3 true}. */
  private static BitSet reached(CodeClass code, Set<Integer> lines, Set<String> outcomes) {
    BitSet reached = new BitSet();
    for (var method : code.methods()) {
      method.lines().stream()
          .filter(line -> lines.contains(line.number()))
          .forEach(line -> reached.or(line.points()));
      for (var condition : method.conditions()) {
        condition.outcomes().stream()
            .filter(o -> outcomes.contains(condition.line() + " " + o.name()))
            .forEach(o -> reached.or(o.points()));
      }
    }
    return reached;
  }

  private static List<Gap> gaps(List<CodeClass> code, BitSet reached) {
    return new GapFinder(code, name -> reached).of(0);
  }

  private static List<String> told(List<Gap> gaps) {
    Map<String, String> lines = new HashMap<>();
    gaps.forEach(gap -> lines.put(gap.name(), gap.line() + " " + gap.outcome()));
    return gaps.stream()
        .map(
            gap ->
                String.join(
                    " | ",
                    gap.kind().label(),
                    gap.line() + (gap.condition().isEmpty() ? "" : " " + gap.condition()),
                    gap.outcome() + (gap.evaluated() ? "" : ", never evaluated"),
                    gap.opens().lines()
                        + " "
                        + gap.opens().outcomes()
                        + " "
                        + gap.opens().methods(),
                    lines.getOrDefault(gap.behind(), "").strip()))
        .toList();
  }

  @Test
  void openUpWhatCantBeReachedWithoutThem() throws IOException {
    List<CodeClass> code = read(BUOY);
    BitSet reached = reached(code.get(0), Set.of(3, 9, 10, 20), Set.of("3 false", "20 false"));
    assertThat(told(gaps(code, reached)))
        .containsExactly(
            "outcome | 3 depth > 5 | true | 3 2 0 | ",
            "outcome | 4 colour == null | true, never evaluated | 1 0 0 | 3 true",
            "outcome | 4 colour == null | false, never evaluated | 0 0 0 | 3 true",
            "handler | 11 catch (java.io.IOException | IllegalStateException e) |  | 2 0 0 | ",
            "handler | 13 catch (RuntimeException e) |  | 5 4 0 | ",
            "outcome | 14 for (char c : colour.toCharArray()) | another, never evaluated | 2 2 0 | 13",
            "outcome | 14 for (char c : colour.toCharArray()) | no more, never evaluated | 1 0 0 | 13",
            "outcome | 15 c == 'x' | true, never evaluated | 1 0 0 | 13",
            "outcome | 15 c == 'x' | false, never evaluated | 0 0 0 | 13",
            "outcome | 20 depth < 0 | true | 1 0 0 | ",
            "method | 27 |  | 2 0 1 | ",
            "method | 32 |  | 1 0 0 | ",
            "method | 36 |  | 1 0 0 | ",
            "unused | 40 |  | 2 2 0 | ");
    assertThat(new GapFinder(code, name -> reached).openedBy(0, Set.of()))
        .as("nothing accepted")
        .isEmpty();
  }

  @Test
  void whatIsAcceptedIsCountedOnce() throws IOException {
    List<CodeClass> code = read(BUOY);
    BitSet reached = reached(code.get(0), Set.of(3, 9, 10, 20), Set.of("3 false", "20 false"));
    List<Gap> gaps = gaps(code, reached);
    String outer = gaps.get(0).name();
    String inner = gaps.get(1).name();
    String whole = gaps.get(13).name();
    assertThat(new GapFinder(code, name -> reached).behind(0, outer))
        .contains(inner)
        .doesNotContain(outer);
    assertThat(new GapFinder(code, name -> reached).behind(0, inner)).doesNotContain(outer);
    Map<String, Opened> opened =
        new GapFinder(code, name -> reached).openedBy(0, Set.of(outer, inner, whole));
    assertThat(opened)
        .hasToString(
            "{Buoy#never(boolean)=Opened[lines={41, 42}, outcomes={0, 1}],"
                + " Buoy#light(int,String)=Opened[lines={4, 5, 7}, outcomes={0, 2, 3}]}");
  }

  @Test
  void keepTheirNamesWhereverTheLinesMove() throws IOException {
    List<CodeClass> before = read(BUOY);
    List<String> names = new ArrayList<>();
    gaps(before, new BitSet()).forEach(gap -> names.add(gap.name()));
    BitSet some = reached(before.get(0), Set.of(3), Set.of());
    gaps(before, some).forEach(gap -> names.add(gap.name()));
    List<CodeClass> moved = read("\n\n// moved\n" + BUOY.replace("depth > 5", "depth  >\n  5"));
    List<String> after = new ArrayList<>();
    gaps(moved, new BitSet()).forEach(gap -> after.add(gap.name()));
    gaps(moved, reached(moved.get(0), Set.of(6), Set.of())).forEach(gap -> after.add(gap.name()));
    assertThat(after).isEqualTo(names);
    assertThat(names).allMatch(name -> name.matches("\\w+-[a-z2-9]{7}"));
  }
}
