package atalaya.cli.render;

import atalaya.cli.challenge.Challenge;
import atalaya.cli.challenge.SilentTests;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Score;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.mutant.Unnoticed;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;

/** What came of a challenge. */
public final class ChallengeView {
  private static final int UNFIT_SHOWN = 5;
  private static final String MORE = "; --all shows them";

  private final List<TriedMutant> mutants;
  private final Challenge.Outcome outcome;
  private final Map<Integer, String> testNames;
  private final int shown;

  /**
   * A view.
   *
   * @param testNames by number
   * @param shown how many classes, and survivors, to show at most
   */
  public ChallengeView(
      List<TriedMutant> mutants,
      Challenge.Outcome outcome,
      Map<Integer, String> testNames,
      int shown) {
    this.mutants = mutants;
    this.outcome = outcome;
    this.testNames = testNames;
    this.shown = shown;
  }

  /** The lines. */
  public List<String> lines(Paint paint, int width) {
    List<String> lines = new ArrayList<>();
    lines.add("");
    lines.addAll(totals(paint));
    lines.addAll(unfit());
    if (outcome.mutants() > 0) {
      lines.add("");
      lines.addAll(byClass(paint));
      lines.addAll(survivors(paint, width));
      lines.addAll(silent(paint));
    }
    return lines;
  }

  private int count(Fate fate) {
    return (int) mutants.stream().filter(m -> m.fate() == fate).count();
  }

  private List<String> totals(Paint paint) {
    List<String> lines = new ArrayList<>();
    if (outcome.mutants() == 0) {
      lines.add(
          "no mutants: there is no code here whose source is known, or nothing in it to change");
      return lines;
    }
    Score score = score();
    lines.add(
        paint.bold("mutation score " + score.value().map(Words::percent).orElse("none"))
            + interval(score)
            + ": "
            + score.noticed()
            + " of "
            + score.decided()
            + " mutants on reached code were noticed"
            + (count(Fate.TIMEOUT) > 0
                ? ", " + count(Fate.TIMEOUT) + " of them by running on"
                : ""));
    List<String> rest = new ArrayList<>();
    if (count(Fate.UNREACHED) > 0) {
      rest.add(count(Fate.UNREACHED) + " that no test reaches");
    }
    if (count(Fate.INVALID) > 0) {
      rest.add(count(Fate.INVALID) + " that could not be planted");
    }
    int undecided = outcome.mutants() - mutants.size();
    if (undecided > 0) {
      rest.add(undecided + " not decided");
    }
    if (!rest.isEmpty()) {
      lines.add("besides: " + String.join(", ", rest));
    }
    if (outcome.takenOver() > 0) {
      lines.add(
          Words.count(outcome.takenOver(), "verdict was", "verdicts were")
              + (outcome.isResumed()
                  ? " there already"
                  : " taken over: neither its method nor the tests that reach it have changed"));
    }
    return lines;
  }

  private Score score() {
    Score all = Score.of(mutants);
    int possible = outcome.mutants() - count(Fate.UNREACHED) - count(Fate.INVALID);
    return new Score(all.noticed(), all.survived(), Math.max(possible, all.decided()));
  }

  private static String interval(Score score) {
    return score
        .interval()
        .map(
            ends ->
                " ("
                    + Words.percent(ends[0])
                    + " to "
                    + Words.percent(ends[1])
                    + " for all of them)")
        .orElse("");
  }

  private List<String> unfit() {
    if (outcome.unfit().isEmpty()) {
      return List.of();
    }
    List<String> lines = new ArrayList<>();
    lines.add(
        Words.count(outcome.unfit().size(), "test took", "tests took")
            + " no part, because unmutated and run again:");
    Map<String, List<String>> byReason = new LinkedHashMap<>();
    outcome
        .unfit()
        .forEach(
            (test, reason) ->
                byReason.computeIfAbsent(reason, r -> new ArrayList<>()).add(testNames.get(test)));
    byReason.entrySet().stream()
        .sorted(Comparator.comparing(e -> -e.getValue().size()))
        .limit(UNFIT_SHOWN)
        .forEach(
            e ->
                lines.add(
                    "  "
                        + Words.plain(Words.some(e.getValue(), 2))
                        + ": "
                        + Words.command(e.getKey(), 90)));
    if (byReason.size() > UNFIT_SHOWN) {
      lines.add("  and for " + (byReason.size() - UNFIT_SHOWN) + " more reasons");
    }
    return lines;
  }

  /** One line of the table. */
  private record OfClass(String name, Score score, long unreached, int undecided) {}

  private List<String> byClass(Paint paint) {
    Map<String, List<TriedMutant>> decided = new TreeMap<>();
    mutants.forEach(
        m -> decided.computeIfAbsent(m.mutant().className(), c -> new ArrayList<>()).add(m));
    outcome.byClass().keySet().forEach(name -> decided.putIfAbsent(name, List.of()));
    List<OfClass> rows =
        decided.keySet().stream()
            .map(name -> ofClass(name, decided.get(name)))
            .sorted(Comparator.comparing(row -> -row.score().survived()))
            .toList();
    boolean isSampled = rows.stream().anyMatch(row -> row.undecided() > 0);
    List<String> titles = new ArrayList<>(List.of("class", ">score"));
    titles.addAll(isSampled ? List.of(">of all, from", ">to") : List.of());
    titles.addAll(List.of(">noticed", ">survived", ">unreached"));
    titles.addAll(isSampled ? List.of(">not decided") : List.of());
    Columns columns = Columns.of(titles.toArray(String[]::new));
    for (OfClass row : rows.subList(0, Math.min(shown, rows.size()))) {
      List<String> cells = new ArrayList<>(List.of(row.name(), percent(row.score().value())));
      if (isSampled) {
        Optional<double[]> ends = row.score().interval();
        cells.add(percent(ends.map(e -> e[0])));
        cells.add(percent(ends.map(e -> e[1])));
      }
      cells.add(String.valueOf(row.score().noticed()));
      cells.add(String.valueOf(row.score().survived()));
      cells.add(String.valueOf(row.unreached()));
      if (isSampled) {
        cells.add(String.valueOf(row.undecided()));
      }
      columns.add(cells.toArray(String[]::new));
    }
    List<String> lines = new ArrayList<>(columns.lines(paint));
    if (rows.size() > shown) {
      lines.add(
          paint.dim(
              "and " + Words.count(rows.size() - shown, "more class", "more classes") + MORE));
    }
    return lines;
  }

  private OfClass ofClass(String name, List<TriedMutant> decided) {
    Score score = Score.of(decided);
    int undecided = Math.max(0, outcome.byClass().getOrDefault(name, 0) - decided.size());
    long unreached = decided.stream().filter(m -> m.fate() == Fate.UNREACHED).count();
    Score ofAll = new Score(score.noticed(), score.survived(), score.decided() + undecided);
    return new OfClass(name, ofAll, unreached, undecided);
  }

  private static String percent(Optional<Double> share) {
    return share.map(Words::percent).orElse("-");
  }

  private List<String> survivors(Paint paint, int width) {
    List<TriedMutant> survivors = mutants.stream().filter(m -> m.fate() == Fate.SURVIVED).toList();
    if (survivors.isEmpty()) {
      return List.of();
    }
    List<String> lines = new ArrayList<>();
    lines.add("");
    lines.add(paint.bold("No test notices when"));
    String lastMethod = "";
    int told = 0;
    for (TriedMutant survivor : survivors) {
      if (told++ == shown) {
        break;
      }
      Mutant mutant = survivor.mutant();
      if (!mutant.qualifiedName().equals(lastMethod)) {
        lastMethod = mutant.qualifiedName();
        lines.add("  " + Words.plain(lastMethod));
      }
      String place = "    line " + mutant.line() + ": ";
      String note = survivor.needsInput() ? Unnoticed.NEEDS_INPUT : "";
      int room = Math.max(60, width - place.length() - note.length());
      lines.add(place + Words.command(Unnoticed.when(mutant), room) + paint.dim(note));
    }
    if (survivors.size() > shown) {
      lines.add("  and " + (survivors.size() - shown) + " more" + MORE);
    }
    int needInput = (int) survivors.stream().filter(TriedMutant::needsInput).count();
    if (needInput > 0) {
      lines.add(
          Words.count(needInput, "survivor needs", "survivors need")
              + " another input, one for which it makes a difference; the others need an assertion");
    }
    return lines;
  }

  private List<String> silent(Paint paint) {
    if (outcome.silent().isEmpty()) {
      return List.of();
    }
    List<String> lines = new ArrayList<>();
    lines.add("");
    lines.add(paint.bold("Reach much here and notice nothing"));
    outcome
        .silent()
        .forEach(
            test ->
                lines.add(
                    "  "
                        + Words.plain(testNames.get(test.test()))
                        + ": "
                        + test.reached()
                        + " mutants change what it does; run with "
                        + test.asked()
                        + ", it noticed none"));
    return lines;
  }

  /** Where the workers' time went. */
  public List<String> timeLines() {
    var shares = outcome.shares();
    long all = Math.max(1, shares.units());
    return List.of(
        "workers: "
            + Words.time(shares.units() / 1_000_000)
            + " deciding, of that "
            + Words.percent((double) shares.tests() / all)
            + " in tests, "
            + Words.percent((double) (shares.frameworks() - shares.tests()) / all)
            + " in test frameworks; "
            + Words.time(shares.unmutated() / 1_000_000)
            + " running unmutated; "
            + Words.time(shares.apart() / 1_000_000)
            + " on mutants decided apart; "
            + Words.count(shares.workers(), "JVM", "JVMs")
            + " started");
  }

  private Map<String, Object> json(SilentTests.Silent silent) {
    Map<String, Object> row = new LinkedHashMap<>();
    row.put("test", testNames.get(silent.test()));
    row.put("mutantsReached", silent.reached());
    row.put("mutantsRunWith", silent.asked());
    return row;
  }

  /** What to do next. */
  public Optional<String> next() {
    if (outcome.isOver()) {
      return Optional.of(
          isNoneDecided() ? more() : "Next: atalaya challenge --resume decides the others");
    }
    return mutants.stream()
        .filter(m -> m.fate() == Fate.SURVIVED)
        .map(m -> m.mutant().className())
        .findFirst()
        .map(type -> "Next: atalaya inspect " + type.substring(type.lastIndexOf('.') + 1));
  }

  private boolean isNoneDecided() {
    return outcome.shares().units() + outcome.shares().apart() == 0;
  }

  /** Nothing was decided: with the same budget nothing ever would be. */
  private String more() {
    long unmutated = TimeUnit.NANOSECONDS.toMillis(outcome.shares().unmutated());
    long minutes = 1 + TimeUnit.MILLISECONDS.toMinutes(2 * unmutated);
    return "Next: the budget was over while the tests ran unmutated, all places watched, which took "
        + Words.time(unmutated)
        + "; atalaya challenge --budget "
        + minutes
        + "m, or of a part of the code";
  }

  /** The same for scripts. */
  public Map<String, Object> json() {
    Map<String, Object> things = new LinkedHashMap<>();
    Score score = score();
    things.put("score", score.value().orElse(null));
    things.put("scoreFrom", score.interval().map(i -> i[0]).orElse(null));
    things.put("scoreTo", score.interval().map(i -> i[1]).orElse(null));
    things.put("mutantsInAll", outcome.mutants());
    things.put("noticed", score.noticed());
    things.put("survived", score.survived());
    things.put("unreached", count(Fate.UNREACHED));
    things.put("invalid", count(Fate.INVALID));
    things.put("takenOver", outcome.takenOver());
    List<Map<String, Object>> unfit = new ArrayList<>();
    outcome
        .unfit()
        .forEach(
            (test, reason) -> {
              Map<String, Object> row = new LinkedHashMap<>();
              row.put("test", testNames.get(test));
              row.put("reason", reason);
              unfit.add(row);
            });
    things.put("unfitTests", unfit);
    things.put("silentTests", outcome.silent().stream().map(this::json).toList());
    things.put("mutants", atalaya.core.table.Tables.mutants(mutants));
    return things;
  }
}
