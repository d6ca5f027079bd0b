package atalaya.core.table;

import atalaya.core.figure.Level;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.figure.Unwatched;
import java.util.List;
import java.util.OptionalLong;

/** Makes the tables from figures. */
public final class Tables {
  private static final Object NOT_COUNTED = null;

  private Tables() {}

  /** The table {@code lines}. */
  public static Table lines(List<LineFigures> lines) {
    return new Table(
        "lines",
        List.of("path", "class", "method", "line", "reached", "hits", "tests"),
        lines.stream()
            .map(
                l ->
                    Table.row(
                        l.path(),
                        l.className(),
                        l.method(),
                        l.line(),
                        l.reached(),
                        hits(l.hits()),
                        l.tests()))
            .toList());
  }

  private static Object hits(OptionalLong hits) {
    return hits.isPresent() ? hits.getAsLong() : NOT_COUNTED;
  }

  /** The table {@code outcomes}. */
  public static Table outcomes(List<OutcomeFigures> outcomes) {
    return new Table(
        "outcomes",
        List.of(
            "path", "class", "method", "line", "condition", "outcome", "reached", "hits", "tests"),
        outcomes.stream()
            .map(
                o ->
                    Table.row(
                        o.path(),
                        o.className(),
                        o.method(),
                        o.line(),
                        o.condition(),
                        o.outcome(),
                        o.reached(),
                        hits(o.hits()),
                        o.tests()))
            .toList());
  }

  /** The table {@code methods}. */
  public static Table methods(List<MethodFigures> methods, Level.Thresholds thresholds) {
    return new Table(
        "methods",
        List.of(
            "path",
            "class",
            "method",
            "first_line",
            "last_line",
            "complexity",
            "complexity_from",
            "lines",
            "lines_reached",
            "outcomes",
            "outcomes_reached",
            "tests",
            "killed",
            "survived",
            "reach",
            "notice",
            "unreached",
            "unchecked",
            "unwatched",
            "level"),
        methods.stream().map(m -> method(m, thresholds)).toList());
  }

  private static List<Object> method(MethodFigures method, Level.Thresholds thresholds) {
    Unwatched unwatched = method.unwatched();
    boolean tried = method.notice().isPresent();
    return Table.row(
        method.path(),
        method.className(),
        method.method(),
        method.firstLine(),
        method.lastLine(),
        method.complexity().value(),
        method.complexity().origin().label(),
        method.lines().whole(),
        method.lines().part(),
        method.outcomes().whole(),
        method.outcomes().part(),
        method.tests(),
        method.mutants().killed(),
        method.mutants().survived(),
        method.reach(),
        tried ? method.notice().getAsDouble() : null,
        unwatched.unreached(),
        tried ? unwatched.unchecked() : null,
        unwatched.total(),
        thresholds.of(unwatched.total()).label());
  }

  /** The table {@code tests}. */
  public static Table tests(List<TestFigures> tests) {
    return new Table(
        "tests",
        List.of(
            "id",
            "name",
            "kind",
            "verdict",
            "milliseconds",
            "methods",
            "lines",
            "outcomes",
            "lines_only_here",
            "outcomes_only_here",
            "kills"),
        tests.stream().map(Tables::test).toList());
  }

  /** What a test reached is not known when another one ran at the same time. */
  private static List<Object> test(TestFigures figures) {
    boolean known = !figures.test().overlapped();
    return Table.row(
        figures.test().id(),
        figures.test().name(),
        null,
        figures.test().verdict().label(),
        figures.test().milliseconds(),
        known ? figures.methods() : null,
        known ? figures.lines() : null,
        known ? figures.outcomes() : null,
        known ? figures.linesOnlyHere() : null,
        known ? figures.outcomesOnlyHere() : null,
        0);
  }
}
