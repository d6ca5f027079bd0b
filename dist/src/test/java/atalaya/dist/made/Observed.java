package atalaya.dist.made;

import atalaya.core.figure.LoopFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.store.runfile.RunFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** What the tables of a run say, in the words of {@link MadeUpProgram}. */
public final class Observed {
  private static final int PATH = 0;
  private static final int LINE = 3;
  private static final int CONDITION = 4;
  private static final int OUTCOME = 5;

  private Observed() {}

  /** The lines of made-up classes. */
  public static Set<String> lines(List<List<String>> rows) {
    Set<String> reached = new TreeSet<>();
    Set<String> all = new TreeSet<>();
    for (List<String> row : ofMade(rows)) {
      String line = name(row) + ":" + row.get(LINE);
      all.add(line);
      if (row.get(LINE + 1).equals("true")) {
        reached.add(line);
      }
    }
    Set<String> lines = new TreeSet<>();
    all.forEach(line -> lines.add(line + (reached.contains(line) ? " +" : " -")));
    return lines;
  }

  /** Their conditions. */
  public static List<String> conditions(List<List<String>> rows) {
    List<String> conditions = new ArrayList<>();
    List<List<String>> made = ofMade(rows);
    for (int from = 0; from < made.size(); ) {
      int to = from + 1;
      while (to < made.size() && isSame(made.subList(from, to), made.get(to))) {
        to++;
      }
      conditions.add(condition(made.subList(from, to)));
      from = to;
    }
    conditions.sort(null);
    return conditions;
  }

  private static boolean isSame(List<List<String>> condition, List<String> row) {
    boolean isAgain =
        condition.stream().anyMatch(before -> before.get(OUTCOME).equals(row.get(OUTCOME)));
    return !isAgain && row.subList(PATH, OUTCOME).equals(condition.get(0).subList(PATH, OUTCOME));
  }

  private static String condition(List<List<String>> outcomes) {
    List<String> first = outcomes.get(0);
    String line = name(first) + ":" + first.get(LINE) + " ";
    List<String> marked =
        outcomes.stream()
            .map(row -> " " + row.get(OUTCOME).replaceAll("['\"]", "") + mark(row))
            .toList();
    if (first.get(CONDITION).equals("switch (o)")) {
      return line + "types " + String.join("", outcomes.stream().map(Observed::mark).toList());
    } else if (first.get(CONDITION).startsWith("switch (")) {
      return line + "switch" + String.join("", new TreeSet<>(marked));
    } else if (first.get(CONDITION).startsWith("for (")) {
      return line + "for" + String.join("", marked);
    }
    return line + first.get(CONDITION) + String.join("", marked);
  }

  private static String mark(List<String> row) {
    return row.get(OUTCOME + 1).equals("true") ? "+" : "-";
  }

  private static List<List<String>> ofMade(List<List<String>> rows) {
    return rows.stream().filter(row -> row.get(PATH).contains("/Made")).toList();
  }

  private static String name(List<String> row) {
    return name(row.get(PATH));
  }

  private static String name(String path) {
    return path.replaceAll(".*/|\\.java$", "");
  }

  /** How many handlers were entered. */
  public static long handlers(RunFile run) {
    return run.handlers().stream().filter(h -> h.path().contains("/Made") && h.reached()).count();
  }

  /**
   * The loops.
   *
   * @param onlyRepeated whether only those that ran more than once
   */
  public static Set<String> loops(RunFile run, boolean onlyRepeated) {
    Set<String> loops = new TreeSet<>();
    for (LoopFigures loop : run.loops()) {
      if (loop.path().contains("/Made") && (loop.more() || !onlyRepeated)) {
        loops.add(name(loop.path()) + ":" + loop.line());
      }
    }
    return loops;
  }

  /** How many decisions there are in all methods. */
  public static int decisions(RunFile run) {
    return run.methods().stream()
        .filter(method -> method.className().contains("Made"))
        .map(MethodFigures::complexity)
        .mapToInt(complexity -> complexity.value() - 1)
        .sum();
  }
}
