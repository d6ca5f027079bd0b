package atalaya.dist.made;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * A program that a random generator makes up, and what has to be observed of it: told by the same
 * program with code put in that logs, not by any class file.
 */
public final class MadeUpProgram {
  private static final int CALLS = 12;

  private final Map<String, String> plain = new TreeMap<>();
  private final Map<String, String> logging = new TreeMap<>();
  private final List<MadeUpClass> classes = new ArrayList<>();
  private final Map<String, Marks> marks = new TreeMap<>();

  /** Makes one up; the same for the same seed. */
  public MadeUpProgram(long seed, int classCount, int release) {
    Random random = new Random(seed);
    StringBuilder calls = new StringBuilder();
    int place = 1;
    for (int i = 0; i < classCount; i++) {
      String name = "Made" + i;
      MadeUpClass made = new MadeUpClass(name, random, release, place);
      place += made.places().size();
      classes.add(made);
      Marks unmarked = Marks.plain(made.text());
      marks.put(name, unmarked);
      plain.put(name, unmarked.result());
      logging.put(name, Marks.logging(made.text()));
    }
    for (int i = 0; i < CALLS; i++) {
      for (String name : plain.keySet()) {
        calls
            .append("    ")
            .append(name)
            .append(".run(")
            .append(random.nextInt(6) - 1)
            .append(", ");
        calls.append(random.nextInt(6) - 1).append(", ");
        calls.append(one(random, "null", "1", "\"two\"", "7L", "\"seven\"", "'c'")).append(", ");
        calls.append(one(random, "null", "\"one\"", "\"two\"", "\"Aa\"", "\"BB\"")).append(", ");
        calls.append(random.nextBoolean()).append(");\n");
      }
    }
    String main = "package made;\n\npublic class Main {\n  public static void main(String[] a) {\n";
    plain.put("Main", main + calls + "  }\n}\n");
    logging.put("Main", main + calls + "    Log.print();\n  }\n}\n");
  }

  private static String one(Random random, String... of) {
    return of[random.nextInt(of.length)];
  }

  /** The sources of the program that is observed, by class. */
  public Map<String, String> plain() {
    return plain;
  }

  /** Those of the program that logs. */
  public Map<String, String> logging() {
    return logging;
  }

  /** How many decisions there are in all methods. */
  public int decisions() {
    return classes.stream().mapToInt(MadeUpClass::decisions).sum();
  }

  /**
   * What has to be observed of statements' lines, as {@code Made0:12 +}. Of those that stand on
   * several lines compilers say otherwise which line is first, so that they are left out.
   */
  public Set<String> lines(Map<Integer, Set<String>> log) {
    Map<String, Boolean> reached = new TreeMap<>();
    each(
        (name, place, seen) -> {
          String[] text = plain.get(name).split("\n");
          int line = marks.get(name).line(place.number());
          if (place instanceof Place.Statement
              && text[line - 1].strip().matches("[^&|:)?].*[;{}]")) {
            reached.merge(name + ":" + line, !seen.isEmpty(), Boolean::logicalOr);
          }
        },
        log);
    Set<String> lines = new TreeSet<>();
    reached.forEach((line, isReached) -> lines.add(line + (isReached ? " +" : " -")));
    return lines;
  }

  /** Whether on a line stands nothing but a jump, of which compilers need not make code. */
  public boolean isJump(String line) {
    String[] at = line.split("[: ]");
    String text = plain.get(at[0]).split("\n")[Integer.parseInt(at[1]) - 1].strip();
    return text.matches("(break|continue|return)( out\\d+)?;");
  }

  /** What has to be observed of conditions, as {@code Made0:12 n > 3 true+ false-}, sorted. */
  public List<String> conditions(Map<Integer, Set<String>> log) {
    List<String> all = new ArrayList<>();
    each(
        (name, place, seen) -> {
          Marks of = marks.get(name);
          String line = name + ":" + of.line(place.number()) + " ";
          if (place instanceof Place.Condition) {
            String text = of.text(place.number());
            all.add(line + text + outcome("true", seen) + outcome("false", seen));
          } else if (place instanceof Place.Each) {
            boolean another = seen.contains("true");
            boolean none = seen.contains("false");
            all.add(line + "for" + (another ? " another+" : " another-") + " no more" + mark(none));
          } else if (place instanceof Place.Choice choice) {
            all.add(line + "switch" + groups(choice, seen));
          } else if (place instanceof Place.Types types) {
            StringBuilder labels = new StringBuilder();
            for (int i = 0; i < types.labels(); i++) {
              labels.append(mark(seen.contains("" + i)));
            }
            all.add(line + "types " + labels);
          }
        },
        log);
    Collections.sort(all);
    return all;
  }

  private static String groups(Place.Choice choice, Set<String> seen) {
    TreeSet<String> groups = new TreeSet<>();
    Set<String> others = new TreeSet<>(seen);
    for (List<String> labels : choice.groups()) {
      boolean chosen = labels.stream().anyMatch(seen::contains);
      groups.add(" " + String.join(", ", labels) + mark(chosen));
      others.removeAll(labels);
    }
    if (choice.hasDefault()) {
      groups.add(" default" + mark(!others.isEmpty()));
    }
    return String.join("", groups);
  }

  /** How many handlers were entered. */
  public long handlers(Map<Integer, Set<String>> log) {
    List<Place> entered = new ArrayList<>();
    each(
        (name, place, seen) -> {
          if (place instanceof Place.Handler && !seen.isEmpty()) {
            entered.add(place);
          }
        },
        log);
    return entered.size();
  }

  /**
   * The loops that came back to their head more than once, as {@code Made0:12}.
   *
   * @param surely whether those are left out that an exception ended, which may count for less than
   *     the turns that they had
   */
  public Set<String> repeated(Map<Integer, Set<String>> log, boolean surely) {
    Set<String> repeated = new TreeSet<>();
    each(
        (name, place, seen) -> {
          if (place instanceof Place.Loop loop) {
            boolean thrownLate =
                seen.contains("thrown 3") || loop.bodyFirst() && seen.contains("thrown 2");
            boolean isRepeated = seen.contains("2") || seen.contains("3") || thrownLate;
            if (isRepeated || !surely && seen.contains("thrown 2")) {
              repeated.add(name + ":" + marks.get(name).line(loop.number()));
            }
          }
        },
        log);
    return repeated;
  }

  private interface Visitor {
    void visit(String className, Place place, Set<String> seen);
  }

  private void each(Visitor visitor, Map<Integer, Set<String>> log) {
    int number = 0;
    for (MadeUpClass made : classes) {
      String name = "Made" + number++;
      made.places().forEach(p -> visitor.visit(name, p, log.getOrDefault(p.number(), Set.of())));
    }
  }

  private static String outcome(String name, Set<String> seen) {
    return " " + name + mark(seen.contains(name));
  }

  private static String mark(boolean reached) {
    return reached ? "+" : "-";
  }
}
