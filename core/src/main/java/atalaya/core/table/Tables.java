package atalaya.core.table;

import atalaya.core.decide.Decision.Ruling;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.Level;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.figure.Totals;
import atalaya.core.figure.Unwatched;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Review;
import atalaya.core.suite.Kinds;
import atalaya.core.survey.Survey;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;

/** Makes the tables from figures. */
public final class Tables {
  private static final Object NOT_COUNTED = null;
  private static final Object UNDECIDED = null;
  private static final Opened NOTHING = new Opened(new BitSet(), new BitSet());

  private static final List<String> OF_TOTALS =
      List.of(
          "methods",
          "methods_reached",
          "lines",
          "lines_reached",
          "outcomes",
          "outcomes_reached",
          "complexity",
          "complexity_largest",
          "unwatched");

  private Tables() {}

  /**
   * The table {@code lines}.
   *
   * @param accepted what decisions took out of the figures, by qualified name of the method
   */
  public static Table lines(List<LineFigures> lines, Map<String, Opened> accepted) {
    return new Table(
        "lines",
        List.of("path", "class", "method", "line", "reached", "hits", "tests", "decision"),
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
                        l.tests(),
                        decision(in(l.className(), l.method(), accepted).lines().get(l.line()))))
            .toList());
  }

  private static Object hits(OptionalLong hits) {
    return hits.isPresent() ? hits.getAsLong() : NOT_COUNTED;
  }

  private static Opened in(String className, String method, Map<String, Opened> accepted) {
    return accepted.getOrDefault(className + "#" + method, NOTHING);
  }

  private static Object decision(boolean accepted) {
    return accepted ? Ruling.ACCEPT.label() : UNDECIDED;
  }

  /**
   * The table {@code outcomes}.
   *
   * @param outcomes all of each method, in the order of the source
   * @param accepted what decisions took out of the figures, by qualified name of the method
   */
  public static Table outcomes(List<OutcomeFigures> outcomes, Map<String, Opened> accepted) {
    List<List<Object>> rows = new ArrayList<>();
    Map<String, Integer> places = new HashMap<>();
    for (OutcomeFigures o : outcomes) {
      int place = places.merge(o.className() + "#" + o.method(), 1, Integer::sum) - 1;
      rows.add(
          Table.row(
              o.path(),
              o.className(),
              o.method(),
              o.line(),
              o.condition(),
              o.outcome(),
              o.reached(),
              hits(o.hits()),
              o.tests(),
              decision(in(o.className(), o.method(), accepted).outcomes().get(place))));
    }
    return new Table(
        "outcomes",
        List.of(
            "path",
            "class",
            "method",
            "line",
            "condition",
            "outcome",
            "reached",
            "hits",
            "tests",
            "decision"),
        rows);
  }

  /** The table {@code classes}; the figures of a class left out stand there, but count nowhere. */
  public static Table classes(List<ClassSummary> classes) {
    List<String> columns = new ArrayList<>(List.of("module", "path", "class", "state"));
    columns.addAll(OF_TOTALS);
    return new Table(
        "classes",
        columns,
        classes.stream()
            .map(
                type -> {
                  List<Object> row =
                      new ArrayList<>(
                          List.of(type.module(), type.path(), type.name(), type.state().label()));
                  row.addAll(totals(Totals.of(type.methods()), largest(type.methods())));
                  return row;
                })
            .toList());
  }

  private static int largest(List<MethodFigures> methods) {
    return methods.stream().mapToInt(m -> m.complexity().value()).max().orElse(0);
  }

  private static List<Object> totals(Totals totals, int largest) {
    return Table.row(
        totals.methods().whole(),
        totals.methods().part(),
        totals.lines().whole(),
        totals.lines().part(),
        totals.outcomes().whole(),
        totals.outcomes().part(),
        totals.complexity(),
        largest,
        totals.unwatched().total());
  }

  /** Parts of the code that are modules or packages. */
  public static Table parts(Survey.By by, List<Survey.Part> parts) {
    List<String> columns = new ArrayList<>(List.of(by.label(), "classes", "classes_reached"));
    columns.addAll(OF_TOTALS);
    return new Table(
        by.plural(),
        columns,
        parts.stream()
            .map(
                part -> {
                  List<Object> row = new ArrayList<>();
                  row.add(part.name());
                  row.add(part.totals().classes().whole());
                  row.add(part.totals().classes().part());
                  row.addAll(totals(part.totals(), part.largest()));
                  return row;
                })
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

  /**
   * The table {@code gaps}.
   *
   * @param rulings those that hold, by the name of the gap
   */
  public static Table gaps(List<Gap> gaps, Map<String, Ruling> rulings) {
    return new Table(
        "gaps",
        List.of(
            "name",
            "kind",
            "path",
            "class",
            "method",
            "line",
            "condition",
            "outcome",
            "opens_lines",
            "opens_outcomes",
            "opens_methods",
            "decision"),
        gaps.stream()
            .map(
                g ->
                    Table.row(
                        g.name(),
                        g.kind().label(),
                        g.path(),
                        g.className(),
                        g.method(),
                        g.line(),
                        g.condition(),
                        g.outcome(),
                        g.opens().lines(),
                        g.opens().outcomes(),
                        g.opens().methods(),
                        rulings.containsKey(g.name()) ? rulings.get(g.name()).label() : null))
            .toList());
  }

  /** The table {@code mutants}. */
  public static Table mutants(List<TriedMutant> mutants) {
    return new Table(
        "mutants",
        List.of(
            "name",
            "path",
            "class",
            "method",
            "line",
            "operator",
            "original",
            "mutated",
            "verdict",
            "noticed_by",
            "tests_run"),
        mutants.stream()
            .map(
                m ->
                    Table.row(
                        m.mutant().name(),
                        m.mutant().path(),
                        m.mutant().className(),
                        m.mutant().method(),
                        m.mutant().line(),
                        m.mutant().operator().name(),
                        m.mutant().original(),
                        m.mutant().mutated(),
                        m.fate().label(),
                        m.noticedBy(),
                        m.testsRun()))
            .toList());
  }

  /** The table {@code briefs}. */
  public static Table briefs(Plan plan, int minutesPerPoint) {
    return new Table(
        "briefs",
        List.of(
            "name",
            "kind",
            "path",
            "method",
            "gain",
            "minutes",
            "reaches_lines",
            "reaches_outcomes",
            "reaches_methods",
            "start_test",
            "test_class",
            "may_fail"),
        plan.briefs().stream()
            .map(
                b ->
                    Table.row(
                        b.name(),
                        b.kind().name().toLowerCase(Locale.ROOT),
                        b.path(),
                        b.method(),
                        b.gain(),
                        b.effort().points() * minutesPerPoint,
                        b.opens().lines(),
                        b.opens().outcomes(),
                        b.opens().methods(),
                        b.start().test(),
                        b.start().testClass(),
                        b.way().flatMap(way -> way.setUp().mayFail()).orElse(null)))
            .toList());
  }

  /** What became of the briefs of a plan. */
  public static Table review(Review review) {
    return new Table(
        "reviews",
        List.of("name", "method", "state", "promised", "gaps", "gaps_closed"),
        review.rows().stream()
            .map(
                row ->
                    Table.row(
                        row.brief().name(),
                        row.brief().method(),
                        row.state().label(),
                        row.brief().gain(),
                        row.brief().closes().size(),
                        row.closed()))
            .toList());
  }

  /** Kinds of tests beside each other. */
  public static Table kinds(List<Kinds.Figures> kinds) {
    return new Table(
        "kinds",
        List.of(
            "kind",
            "tests",
            "milliseconds",
            "lines",
            "outcomes",
            "lines_only_here",
            "outcomes_only_here"),
        kinds.stream()
            .map(
                k ->
                    Table.row(
                        k.kind(),
                        k.tests(),
                        k.milliseconds(),
                        k.lines(),
                        k.outcomes(),
                        k.linesOnlyHere(),
                        k.outcomesOnlyHere()))
            .toList());
  }

  /** The table {@code tests}. */
  public static Table tests(List<TestFigures> tests, Kinds kinds) {
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
        tests.stream().map(test -> test(test, kinds)).toList());
  }

  /** What a test reached is not known when another one ran at the same time. */
  private static List<Object> test(TestFigures figures, Kinds kinds) {
    String kind = kinds.of(figures);
    boolean known = !figures.test().overlapped();
    return Table.row(
        figures.test().id(),
        figures.test().name(),
        kind.isEmpty() ? null : kind,
        figures.test().verdict().label(),
        figures.test().milliseconds(),
        known ? figures.methods() : null,
        known ? figures.lines() : null,
        known ? figures.outcomes() : null,
        known ? figures.linesOnlyHere() : null,
        known ? figures.outcomesOnlyHere() : null,
        figures.kills());
  }
}
