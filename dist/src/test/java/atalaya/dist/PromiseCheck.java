package atalaya.dist;

import atalaya.cli.again.ModelAgain;
import atalaya.cli.observe.MadeUpRun;
import atalaya.cli.plan.Planning;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Line;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptSource;
import atalaya.core.plan.Brief;
import atalaya.core.plan.Limits;
import atalaya.core.plan.Plan;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFileWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * Whether a plan keeps its word: takes away a random part of a suite, plans for what is left, and
 * gives back the tests that do most of what the first briefs ask for. Their gain is compared with
 * that of random tests and of the best ones there are. {@code bench/promise} runs it.
 */
final class PromiseCheck {
  private static final int RANDOM_DRAWS = 200;

  /** So many briefs for each test: many have none that was taken away. */
  private static final int BRIEFS = 12;

  /** A line or an outcome, and how many unwatched paths reaching it does away with. */
  private record Item(String className, BitSet points, double worth) {}

  private final RunFile run;
  private final List<Item> items = new ArrayList<>();
  private final Map<Integer, BitSet> itemsOf = new HashMap<>();

  /** The tests in which a class was initialised: another one would do that without them. */
  private final Set<Integer> initialising = new HashSet<>();

  private PromiseCheck(RunFile run) {
    this.run = run;
    Map<String, MethodFigures> figures = new HashMap<>();
    run.methods().forEach(method -> figures.put(method.qualifiedName(), method));
    Map<String, ClassReach> reach = run.allReach();
    for (CodeClass code : new ModelAgain(run).codeAtOnce(run.allClasses())) {
      Map<Integer, BitSet> byTest = reach.getOrDefault(code.name(), ClassReach.none()).byTest();
      for (Method method : code.methods()) {
        if (method.name().startsWith("<clinit>")) {
          method.lines().forEach(line -> noteReaching(line, byTest));
        }
        MethodFigures of = figures.get(code.name() + "#" + method.name());
        if (of != null) {
          double worth =
              (double) of.complexity().value() / (of.lines().whole() + of.outcomes().whole());
          for (Line line : method.lines()) {
            items.add(new Item(code.name(), line.points(), worth));
          }
          for (Condition condition : method.conditions()) {
            for (Outcome outcome : condition.outcomes()) {
              items.add(new Item(code.name(), outcome.points(), worth));
            }
          }
        }
      }
    }
    for (int i = 0; i < items.size(); i++) {
      Item item = items.get(i);
      int number = i;
      reach
          .getOrDefault(item.className(), ClassReach.none())
          .byTest()
          .forEach(
              (test, points) -> {
                if (points.intersects(item.points())) {
                  itemsOf.computeIfAbsent(test, t -> new BitSet()).set(number);
                }
              });
    }
  }

  private void noteReaching(Line ofInitialiser, Map<Integer, BitSet> byTest) {
    byTest.forEach(
        (test, points) -> {
          if (points.intersects(ofInitialiser.points())) {
            initialising.add(test);
          }
        });
  }

  /**
   * Checks plans.
   *
   * @param arguments the run file, the share of the tests to take away in per cent, how many tests
   *     to give back, how often
   */
  public static void main(String[] arguments) throws IOException {
    int percent = Integer.parseInt(arguments[1]);
    int count = Integer.parseInt(arguments[2]);
    int times = Integer.parseInt(arguments[3]);
    try (RunFile run = RunFile.open(Path.of(arguments[0]))) {
      PromiseCheck check = new PromiseCheck(run);
      double[][] sums = new double[3][count];
      for (int seed = 1; seed <= times; seed++) {
        check.once(percent, count, new Random(seed), sums);
      }
      System.out.println("tests  plan's  random  best   plan / best");
      for (int k = 0; k < count; k++) {
        System.out.printf(
            Locale.ROOT,
            "%5d %7.2f %7.2f %7.2f  %4.2f%n",
            k + 1,
            sums[0][k] / times,
            sums[1][k] / times,
            sums[2][k] / times,
            sums[0][k] / sums[2][k]);
      }
    }
  }

  private void once(int percent, int count, Random random, double[][] sums) throws IOException {
    Set<Integer> kept = new HashSet<>(initialising);
    kept.add(ClassReach.OUTSIDE);
    List<Test> tests = new ArrayList<>();
    run.tests().stream()
        .map(TestFigures::test)
        .filter(test -> test.verdict() == Verdict.PASSED && !test.overlapped())
        .filter(test -> !kept.contains(test.number()))
        .forEach(tests::add);
    Collections.shuffle(tests, random);
    int taken = tests.size() * percent / 100;
    List<Integer> away = tests.subList(0, taken).stream().map(Test::number).toList();
    tests.subList(taken, tests.size()).forEach(test -> kept.add(test.number()));
    BitSet before = new BitSet();
    kept.forEach(test -> before.or(of(test)));

    List<Integer> planned = matching(plan(kept, BRIEFS * count), away, before, count);
    List<Integer> best = greedy(away, before, count);
    add(sums[0], planned, before);
    add(sums[2], best, before);
    for (int draw = 0; draw < RANDOM_DRAWS; draw++) {
      List<Integer> drawn = new ArrayList<>(away);
      Collections.shuffle(drawn, random);
      double[] gains = new double[count];
      add(gains, drawn.subList(0, Math.min(count, drawn.size())), before);
      for (int k = 0; k < count; k++) {
        sums[1][k] += gains[k] / RANDOM_DRAWS;
      }
    }
  }

  /** What tests gain, the first, the first two, and so on. */
  private void add(double[] sums, List<Integer> tests, BitSet before) {
    BitSet reached = (BitSet) before.clone();
    double gain = 0;
    for (int k = 0; k < sums.length; k++) {
      if (k < tests.size()) {
        gain += gain(tests.get(k), reached);
        reached.or(of(tests.get(k)));
      }
      sums[k] += gain;
    }
  }

  private double gain(int test, BitSet reached) {
    BitSet more = (BitSet) of(test).clone();
    more.andNot(reached);
    return more.stream().mapToDouble(item -> items.get(item).worth()).sum();
  }

  private List<Integer> greedy(List<Integer> away, BitSet before, int count) {
    List<Integer> chosen = new ArrayList<>();
    BitSet reached = (BitSet) before.clone();
    while (chosen.size() < count) {
      int best = away.get(0);
      for (int test : away) {
        best = gain(test, reached) > gain(best, reached) ? test : best;
      }
      chosen.add(best);
      reached.or(of(best));
    }
    return chosen;
  }

  /**
   * For each brief the test that was taken away and does most of it, and least besides. A brief of
   * which none does at least half is passed over: the suite never had such a test.
   */
  private List<Integer> matching(Plan plan, List<Integer> away, BitSet before, int count) {
    List<Integer> chosen = new ArrayList<>();
    BitSet reached = (BitSet) before.clone();
    for (Brief brief : plan.briefs()) {
      BitSet asked = asked(brief);
      asked.andNot(reached);
      Integer best = null;
      for (int test : away) {
        best = best == null || isCloser(test, best, asked) ? test : best;
      }
      boolean matches = 2 * done(best, asked) >= asked.cardinality() && !asked.isEmpty();
      if (matches && chosen.size() < count) {
        chosen.add(best);
        reached.or(itemsOf.get(best));
      }
    }
    return chosen;
  }

  private boolean isCloser(int test, int than, BitSet asked) {
    int more = done(test, asked) - done(than, asked);
    return more > 0 || more == 0 && of(test).cardinality() < of(than).cardinality();
  }

  private int done(int test, BitSet asked) {
    BitSet does = (BitSet) of(test).clone();
    does.and(asked);
    return does.cardinality();
  }

  private BitSet of(int test) {
    return itemsOf.getOrDefault(test, new BitSet());
  }

  private BitSet asked(Brief brief) {
    BitSet asked = new BitSet();
    Map<String, BitSet> points = brief.way().orElseThrow().points();
    for (int i = 0; i < items.size(); i++) {
      Item item = items.get(i);
      if (points.getOrDefault(item.className(), new BitSet()).intersects(item.points())) {
        asked.set(i);
      }
    }
    return asked;
  }

  /** The plan for a run in which only some of the tests ran. */
  private Plan plan(Set<Integer> kept, int briefs) throws IOException {
    Path file = Files.createTempDirectory("promise").resolve("part.run");
    Map<String, ClassReach> reach = new HashMap<>();
    run.allReach()
        .forEach(
            (name, all) -> {
              Map<Integer, BitSet> byTest = new HashMap<>(all.byTest());
              byTest.keySet().retainAll(kept);
              reach.put(name, new ClassReach(byTest, Map.of()));
            });
    List<KeptSource> sources =
        run.allClasses().stream()
            .map(type -> type.path())
            .distinct()
            .flatMap(path -> run.source(path).stream())
            .toList();
    RunFileWriter.write(
        file,
        MadeUpRun.of(
            run.info(),
            run.jvms(),
            run.allClassFiles(),
            sources,
            run.tests().stream().map(TestFigures::test).toList(),
            reach));
    try (RunFile part = RunFile.open(file);
        Planning planning = new Planning(part, part.methods(), Map.of(), path -> 1)) {
      return planning.forMethods(part.methods(), Limits.ofTests(briefs), Set.of());
    } finally {
      Files.delete(file);
      Files.delete(file.getParent());
    }
  }
}
