package atalaya.core.merge;

import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.Mutant;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.core.run.RecordedTest;
import atalaya.core.run.Recording;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Puts runs together: the union of their recordings ({@code docs/measures.md}, section 10). The
 * order of the runs makes no difference, and a run with itself is itself.
 */
public final class Merger {
  private final List<Whole> runs;
  private final String name;
  private final SortedRecordings recordings;
  private final Map<String, KeptClass> chosen = new TreeMap<>();
  private final Set<NotObserved> dropped = new LinkedHashSet<>();

  private Merger(List<Whole> runs, String name) {
    this.runs = runs;
    this.name = name;
    this.recordings = new SortedRecordings(runs);
  }

  /** Runs that can't be put together; the message says why. */
  public static final class NotMergeable extends RuntimeException {
    private static final long serialVersionUID = 1;

    NotMergeable(String message) {
      super(message);
    }
  }

  /** All recordings, each once. */
  private static final class SortedRecordings {
    final TreeSet<Recording> all = new TreeSet<>();

    SortedRecordings(List<Whole> runs) {
      runs.forEach(run -> all.addAll(run.recordings()));
    }
  }

  /**
   * Merges runs.
   *
   * @param name of what comes of it
   * @throws NotMergeable when they are of several projects, or were observed in different detail
   */
  public static Whole merge(List<Whole> runs, String name) {
    Merger merger = new Merger(runs, name);
    merger.same("projects", run -> run.info().project());
    merger.same("detail", run -> run.info().detail().label());
    return merger.merged();
  }

  private void same(String what, Function<Whole, String> of) {
    Set<String> values = new TreeSet<>(runs.stream().map(of).toList());
    if (values.size() > 1) {
      throw new NotMergeable(
          "the runs are of different " + what + ": " + String.join(", ", values));
    }
  }

  private Whole merged() {
    chooseClasses();
    Map<Integer, Map<Integer, Integer>> numbers = new HashMap<>();
    List<Test> tests = new ArrayList<>();
    List<RecordedTest> recorded = tests(numbers, tests);
    List<KeptClass> testClasses =
        newest(r -> r.classes().stream().filter(KeptClass::isTest).toList(), KeptClass::name);
    List<KeptClass> classes = new ArrayList<>(chosen.values());
    classes.addAll(testClasses);
    Set<String> leftOut = new TreeSet<>();
    runs.forEach(run -> leftOut.addAll(run.leftOut()));
    Counts counts = counts();
    Map<String, ClassReach> reach = reach(numbers, counts);
    return new Whole(
        info(),
        List.copyOf(recordings.all),
        List.copyOf(jvms().values()),
        classes,
        newest(Whole::sources, KeptSource::path),
        reach,
        counts,
        leftOut,
        tests,
        recorded,
        notObserved(),
        distinct(Whole::uncaught),
        verdicts());
  }

  private Map<String, ObservedJvm> jvms() {
    Map<String, ObservedJvm> jvms = new TreeMap<>();
    runs.forEach(run -> run.jvms().forEach(jvm -> jvms.put(jvm.id(), jvm)));
    return jvms;
  }

  /** Where code differs, the class file that was written last counts. */
  private void chooseClasses() {
    for (Whole run : runs) {
      for (KeptClass file : run.classes()) {
        if (!file.isTest()) {
          chosen.merge(file.name(), file, Merger::later);
        }
      }
    }
    for (Whole run : runs) {
      for (KeptClass file : run.classes()) {
        boolean other = !file.isTest() && !chosen.get(file.name()).hash().equals(file.hash());
        if (other) {
          String detail = "another version in run " + run.info().name() + " was not merged";
          dropped.add(new NotObserved(Reason.OTHER_BYTES, file.name(), detail));
        }
      }
    }
  }

  private static KeptClass later(KeptClass a, KeptClass b) {
    int order = Long.compare(a.modified(), b.modified());
    order = order != 0 ? order : a.hash().compareTo(b.hash());
    return order >= 0 ? a : b;
  }

  /**
   * What any run knows of mutants, where its code is the one that was chosen. A mutant that one run
   * noticed is noticed.
   */
  private List<BasedVerdict> verdicts() {
    Map<String, BasedVerdict> verdicts = new TreeMap<>();
    for (Whole run : runs) {
      Map<String, String> hashes = new HashMap<>();
      run.classes().forEach(file -> hashes.putIfAbsent(file.name(), file.hash()));
      for (BasedVerdict verdict : run.verdicts()) {
        String type = verdict.tried().mutant().className();
        KeptClass now = chosen.get(type);
        if (now != null && now.hash().equals(hashes.get(type))) {
          verdicts.merge(verdict.tried().mutant().name(), verdict, Merger::surer);
        }
      }
    }
    return verdicts.values().stream().sorted(Merger::byPlace).toList();
  }

  private static int byPlace(BasedVerdict one, BasedVerdict other) {
    Mutant a = one.tried().mutant();
    Mutant b = other.tried().mutant();
    int order = a.className().compareTo(b.className());
    order = order != 0 ? order : Integer.compare(a.line(), b.line());
    return order != 0 ? order : a.name().compareTo(b.name());
  }

  private static BasedVerdict surer(BasedVerdict one, BasedVerdict other) {
    int order = one.tried().fate().compareTo(other.tried().fate());
    order = order != 0 ? order : one.toString().compareTo(other.toString());
    return order <= 0 ? one : other;
  }

  private <T> List<T> newest(
      Function<Whole, ? extends Collection<T>> of, Function<T, String> name) {
    Map<String, T> newest = new TreeMap<>();
    runs.stream()
        .sorted(Comparator.comparing(run -> run.recordings().get(run.recordings().size() - 1)))
        .forEach(run -> of.apply(run).forEach(one -> newest.put(name.apply(one), one)));
    return List.copyOf(newest.values());
  }

  private <T> List<T> distinct(Function<Whole, List<T>> of) {
    Set<T> all = new LinkedHashSet<>();
    runs.forEach(run -> all.addAll(of.apply(run)));
    return all.stream().sorted(Comparator.comparing(Object::toString)).toList();
  }

  // ---- tests ----

  /** Numbers the tests of all recordings anew; {@code numbers} gets old and new ones by run. */
  private List<RecordedTest> tests(Map<Integer, Map<Integer, Integer>> numbers, List<Test> tests) {
    Map<String, Integer> positions = new HashMap<>();
    recordings.all.forEach(recording -> positions.put(recording.id(), positions.size()));
    record Found(RecordedTest from, Test test) {}
    Map<String, Found> found = new HashMap<>();
    for (Whole run : runs) {
      Map<Integer, Test> byNumber = new HashMap<>();
      run.tests().forEach(test -> byNumber.put(test.number(), test));
      run.recorded()
          .forEach(r -> found.putIfAbsent(key(r), new Found(r, byNumber.get(r.number()))));
    }
    List<Found> ordered =
        found.values().stream()
            .sorted(
                Comparator.comparingInt((Found f) -> positions.get(f.from().recording()))
                    .thenComparing(f -> f.from().number())
                    .thenComparing(f -> f.from().id()))
            .toList();
    Map<String, Integer> times = new HashMap<>();
    Map<String, Integer> newNumbers = new HashMap<>();
    List<RecordedTest> recorded = new ArrayList<>();
    for (Found one : ordered) {
      int number = tests.size() + 1;
      int again = times.merge(one.from().id(), 1, Integer::sum);
      String suffix = again > 1 ? " (" + again + ")" : "";
      Test test = one.test();
      String plainName = name(test, one.from().id());
      tests.add(
          new Test(
              number,
              one.from().id() + suffix,
              plainName + suffix,
              test.verdict(),
              test.milliseconds(),
              test.overlapped()));
      recorded.add(new RecordedTest(number, one.from().recording(), one.from().id()));
      newNumbers.put(key(one.from()), number);
    }
    for (int i = 0; i < runs.size(); i++) {
      Map<Integer, Integer> of = new HashMap<>();
      runs.get(i).recorded().forEach(r -> of.put(r.number(), newNumbers.get(key(r))));
      numbers.put(i, of);
    }
    return recorded;
  }

  private static String key(RecordedTest test) {
    return test.recording() + "\n" + test.id();
  }

  /** The name without the suffix that an earlier merge gave it. */
  private static String name(Test test, String originalId) {
    int suffix = test.id().length() - originalId.length();
    return test.name().substring(0, test.name().length() - suffix);
  }

  // ---- reach ----

  private Map<String, ClassReach> reach(
      Map<Integer, Map<Integer, Integer>> numbers, Counts counts) {
    Map<String, Map<Integer, BitSet>> byClass = new TreeMap<>();
    for (int i = 0; i < runs.size(); i++) {
      Map<Integer, Integer> number = numbers.get(i);
      Predicate<String> isChosen = chosenIn(runs.get(i));
      runs.get(i)
          .reach()
          .forEach(
              (type, reach) -> {
                if (isChosen.test(type)) {
                  add(byClass.computeIfAbsent(type, t -> new TreeMap<>()), reach, number);
                }
              });
    }
    Map<String, Map<Integer, Long>> hits = counts.sums();
    Map<String, ClassReach> merged = new LinkedHashMap<>();
    byClass.forEach(
        (type, byTest) ->
            merged.put(type, new ClassReach(byTest, hits.getOrDefault(type, Map.of()))));
    return merged;
  }

  /** Each recording's counts once, whatever runs hold it. */
  private Counts counts() {
    Set<Counts.Count> all = new LinkedHashSet<>();
    for (Whole run : runs) {
      Predicate<String> isChosen = chosenIn(run);
      run.counts().all().stream().filter(c -> isChosen.test(c.className())).forEach(all::add);
    }
    return new Counts(
        all.stream()
            .sorted(
                Comparator.comparing(Counts.Count::recording)
                    .thenComparing(Counts.Count::className)
                    .thenComparing(Counts.Count::point))
            .toList());
  }

  /** The classes of a run whose version is the one that counts. */
  private Predicate<String> chosenIn(Whole run) {
    Map<String, String> hashes = new HashMap<>();
    run.classes().stream()
        .filter(file -> !file.isTest())
        .forEach(file -> hashes.putIfAbsent(file.name(), file.hash()));
    return type -> chosen.containsKey(type) && chosen.get(type).hash().equals(hashes.get(type));
  }

  private static void add(
      Map<Integer, BitSet> sum, ClassReach reach, Map<Integer, Integer> number) {
    reach
        .byTest()
        .forEach(
            (test, points) ->
                sum.computeIfAbsent(
                        test > ClassReach.OUTSIDE ? number.get(test) : test, t -> new BitSet())
                    .or(points));
  }

  /** A class that only some of the runs never loaded was loaded. */
  private List<NotObserved> notObserved() {
    Set<NotObserved> all = new LinkedHashSet<>(dropped);
    for (Whole run : runs) {
      for (NotObserved problem : run.notObserved()) {
        boolean everywhere = runs.stream().allMatch(r -> r.notObserved().contains(problem));
        if (problem.reason() != Reason.NEVER_LOADED || everywhere) {
          all.add(problem);
        }
      }
    }
    return all.stream()
        .sorted(Comparator.comparing(NotObserved::reason).thenComparing(NotObserved::toString))
        .toList();
  }

  // ---- info ----

  private RunInfo info() {
    RunInfo first = runs.get(0).info();
    if (recordings.all.size() == 1) {
      return named(first, first.id(), first.milliseconds());
    }
    List<String> ids = recordings.all.stream().map(Recording::id).sorted().toList();
    return new RunInfo(
        name,
        String.join("+", ids),
        first.project(),
        recordings.all.first().started(),
        recordings.all.stream().mapToLong(Recording::milliseconds).sum(),
        one(r -> r.info().command()).orElse(List.of("merge")),
        runs.stream().mapToInt(r -> r.info().exitCode()).max().orElse(0),
        String.join(", ", new TreeSet<>(runs.stream().map(r -> r.info().jdk()).toList())),
        union(RunInfo::only),
        union(RunInfo::leaveOut),
        one(r -> r.info().tests()).orElse(Optional.empty()),
        first.detail(),
        runs.stream().allMatch(r -> r.info().complete()));
  }

  private RunInfo named(RunInfo info, String id, long milliseconds) {
    return new RunInfo(
        name,
        id,
        info.project(),
        info.started(),
        milliseconds,
        info.command(),
        info.exitCode(),
        info.jdk(),
        info.only(),
        info.leaveOut(),
        info.tests(),
        info.detail(),
        info.complete());
  }

  private <T> Optional<T> one(Function<Whole, T> of) {
    Set<T> values = new HashSet<>(runs.stream().map(of).toList());
    return values.size() == 1 ? Optional.of(values.iterator().next()) : Optional.empty();
  }

  private List<String> union(Function<RunInfo, List<String>> of) {
    Set<String> all = new TreeSet<>();
    runs.forEach(run -> all.addAll(of.apply(run.info())));
    return List.copyOf(all);
  }
}
