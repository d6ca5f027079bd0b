package atalaya.core.inspect;

import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import java.util.List;
import java.util.Optional;

/**
 * A method with its source.
 *
 * @param handlers the {@code catch} clauses entered, of all
 * @param loops those whose body some execution ran more than once, of all
 * @param tests those that reach it, the closest first: the one that reaches fewest other methods
 * @param lines empty when the run has no source of it
 */
public record MethodInside(
    MethodFigures figures,
    Share handlers,
    Share loops,
    List<TestFigures> tests,
    List<SourceLine> lines) {
  public MethodInside {
    tests = List.copyOf(tests);
    lines = List.copyOf(lines);
  }

  /**
   * A line of the source.
   *
   * @param number counted from 1
   * @param figures empty when no code begins on it
   * @param marked the figures that mark it: its own, or those of the statement it goes on with
   * @param gaps that stand on it
   */
  public record SourceLine(
      int number,
      String text,
      Optional<LineFigures> figures,
      Optional<LineFigures> marked,
      List<Gap> gaps) {
    public SourceLine {
      gaps = List.copyOf(gaps);
    }
  }

  /** The gaps of all lines, and of a method without source. */
  public List<Gap> gaps() {
    return lines.stream().flatMap(line -> line.gaps().stream()).toList();
  }
}
