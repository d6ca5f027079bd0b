package atalaya.cli.challenge;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.render.Words;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.run.Test;
import atalaya.core.run.Verdict;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.VerdictWriter;
import atalaya.trial.decide.Bench;
import atalaya.trial.decide.Campaign;
import atalaya.trial.decide.Decided;
import atalaya.trial.decide.PlantedClasses;
import atalaya.trial.decide.Shares;
import atalaya.trial.decide.Stage;
import atalaya.trial.decide.Task;
import atalaya.trial.decide.Unmutated;
import atalaya.trial.decide.WorkerKit;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import atalaya.trial.plant.Watched;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/** Challenges a run: plants its mutants one at a time and keeps what came of each. */
public final class Challenge {
  /** So many classes are held with their mutants, so that a large project needs little room. */
  private static final int PLANTED_AT_ONCE = 32;

  private final RunFile run;
  private final Project project;
  private final Settings settings;
  private final Progress progress;
  private final List<TestFigures> tests;
  private final List<KeptClass> classFiles;
  private final Map<Integer, String> unfit = new TreeMap<>();
  private final Map<String, Integer> methodNumbers = new LinkedHashMap<>();
  private final Map<Stage, Judges> stages = new LinkedHashMap<>();
  private List<Candidate> all = List.of();
  private final Set<Integer> invalid = new HashSet<>();
  private final List<String> typeNames = new ArrayList<>();

  /** What tells of each mutant whether it changes anything. */
  private final Map<Integer, List<Watched>> watched = new HashMap<>();

  private final List<SilentTests.Silent> silent = new ArrayList<>();
  private Shares shares = Shares.NONE;
  private int takenOver;

  /**
   * How to do it.
   *
   * @param methods the methods to challenge
   * @param budgetNanos how long it may take; {@code Long.MAX_VALUE} for as long as it takes
   * @param resumes whether the verdicts that are there already stay
   * @param earlier verdicts of earlier runs, by the name of the mutant
   */
  public record Settings(
      Path runFile,
      List<MethodFigures> methods,
      long budgetNanos,
      int workers,
      Shard shard,
      boolean resumes,
      Map<String, BasedVerdict> earlier,
      WorkerKit kit,
      Path scratch) {}

  /** Told how it goes. */
  public interface Progress {
    /** What is being done. */
    void phase(String what);

    /** A mutant was decided. */
    void decided(int done, int of, int noticed, int survived);
  }

  /**
   * What came of it.
   *
   * @param byClass how many there are in the code that was asked for, and in the shard
   * @param takenOver how many verdicts were there already, or in an earlier run
   * @param isResumed whether they were there already
   * @param unfit why tests took no part, by their number
   * @param silent tests for which many mutants change something and that noticed none
   * @param isOver whether the budget ended it
   */
  public record Outcome(
      Map<String, Integer> byClass,
      int takenOver,
      boolean isResumed,
      Map<Integer, String> unfit,
      List<SilentTests.Silent> silent,
      Shares shares,
      boolean isOver) {
    /** How many there are in all. */
    public int mutants() {
      return byClass.values().stream().mapToInt(Integer::intValue).sum();
    }
  }

  /** Where running tests unmutated takes the whole budget, nothing would be decided. */
  private void checkBudget(BitSet judges) {
    long millis =
        tests.stream()
            .map(TestFigures::test)
            .filter(test -> test.verdict() == Verdict.PASSED && judges.get(test.number()))
            .mapToLong(Test::milliseconds)
            .sum();
    if (TimeUnit.MILLISECONDS.toNanos(millis) > settings.budgetNanos()) {
      throw new Failure(
          ExitCode.USAGE,
          "--budget must be more than the tests take that reach it, which run once before a mutant"
              + " is decided: "
              + Words.time(millis)
              + " when they were observed");
    }
  }

  private static List<SilentTests.Silent> silent(
      Campaign.Part part, Deciding deciding, BooleanSupplier isOver)
      throws IOException, InterruptedException {
    List<Fate> decided = new ArrayList<>();
    try (Bench bench = new Bench(part.stage(), one -> decided.add(one.fate()))) {
      return SilentTests.of(
          part.tasks(),
          deciding.fates,
          deciding.noticing,
          unit -> {
            decided.clear();
            bench.decide(unit);
            return List.copyOf(decided);
          },
          isOver);
    }
  }

  /** Prepares it. */
  public Challenge(RunFile run, Project project, Settings settings, Progress progress) {
    this.run = run;
    this.project = project;
    this.settings = settings;
    this.progress = progress;
    this.tests = run.tests();
    this.classFiles = run.allClassFiles();
  }

  /** Does it. */
  public Outcome decide() throws IOException, InterruptedException {
    long began = System.nanoTime();
    progress.phase("finding mutants");
    all =
        new Candidates(run, classFiles, tests)
            .of(settings.methods()).stream()
                .filter(c -> settings.shard().holds(c.method()))
                .toList();
    try (VerdictWriter verdicts = VerdictWriter.open(settings.runFile())) {
      Map<String, BasedVerdict> known = new HashMap<>(settings.earlier());
      if (settings.resumes()) {
        known.putAll(run.verdicts());
      } else {
        Set<String> methods = new HashSet<>();
        settings.methods().stream()
            .map(MethodFigures::qualifiedName)
            .filter(settings.shard()::holds)
            .forEach(methods::add);
        verdicts.forget(methods);
      }
      Map<Integer, Candidate> open = open(known, verdicts);
      if (!open.isEmpty()) {
        prepare(open);
        verdicts.unfit(unfit);
        Deciding deciding = new Deciding(open, verdicts);
        BooleanSupplier isOver = () -> System.nanoTime() - began > settings.budgetNanos();
        List<Campaign.Part> parts = parts(open, deciding);
        new Campaign(settings.workers(), isOver, deciding::decided).run(parts);
        verdicts.flush();
        progress.phase("asking tests that noticed nothing");
        for (Campaign.Part part : parts) {
          silent.addAll(silent(part, deciding, isOver));
        }
        stages.keySet().forEach(stage -> shares = shares.plus(stage.shares()));
      }
      boolean isOver = System.nanoTime() - began > settings.budgetNanos();
      verdicts.about(Map.of("mutants", String.valueOf(all.size()), "complete", isOver ? "0" : "1"));
      Map<String, Integer> byClass = new TreeMap<>();
      all.forEach(c -> byClass.merge(c.plantable().mutant().className(), 1, Integer::sum));
      return new Outcome(byClass, takenOver, settings.resumes(), unfit, silent, shares, isOver);
    }
  }

  /** The mutants whose verdict is not known yet, by number. */
  private Map<Integer, Candidate> open(Map<String, BasedVerdict> known, VerdictWriter verdicts) {
    Map<String, Integer> numbers = new HashMap<>();
    tests.forEach(test -> numbers.putIfAbsent(test.test().name(), test.test().number()));
    Map<Integer, Candidate> open = new LinkedHashMap<>();
    for (Candidate candidate : all) {
      BasedVerdict before = known.get(candidate.plantable().mutant().name());
      if (before != null && before.basis().equals(candidate.basis())) {
        TriedMutant tried = before.tried();
        TriedMutant now =
            new TriedMutant(
                candidate.plantable().mutant(),
                tried.fate(),
                tried.noticedBy(),
                tried.noticedWith(),
                tried.testsRun());
        verdicts.add(
            new BasedVerdict(now, candidate.basis()), numbers.getOrDefault(tried.noticedBy(), 0));
        takenOver++;
      } else if (candidate.reached().isAny()) {
        open.put(open.size(), candidate);
      } else {
        verdicts.add(based(candidate, Fate.UNREACHED, "", "", 0), 0);
      }
    }
    verdicts.flush();
    return open;
  }

  private static BasedVerdict based(
      Candidate candidate, Fate fate, String noticedBy, String with, int testsRun) {
    return new BasedVerdict(
        new TriedMutant(candidate.plantable().mutant(), fate, noticedBy, with, testsRun),
        candidate.basis());
  }

  // ---- preparing ----

  private void prepare(Map<Integer, Candidate> open) throws IOException, InterruptedException {
    Setups setups = Setups.of(project, run.jvms(), classFiles, tests);
    unfit.putAll(setups.unfit());
    progress.phase("planting " + open.size() + " mutants");
    PlantedClasses planted = plant(open);
    for (var setup : setups.tests().entrySet()) {
      Path scratch = Files.createDirectory(settings.scratch().resolve("stage" + stages.size()));
      Stage stage =
          new Stage(
              setup.getKey(), settings.kit(), scratch, planted, setup.getValue(), setups.mixed());
      stages.put(stage, new Judges(stage, tests, run::reach, typeNames));
    }
    BitSet judges = new BitSet();
    stages.values().forEach(of -> judges.or(of.ofAny(open.values(), this::method)));
    checkBudget(judges);
    for (Map.Entry<Stage, Judges> of : stages.entrySet()) {
      runUnmutated(
          of.getKey(), () -> of.getValue().ofAny(open.values(), this::method), open.size());
    }
  }

  private void runUnmutated(Stage stage, Supplier<BitSet> judges, int mutants)
      throws IOException, InterruptedException {
    progress.phase("running " + stage.count(judges.get()) + " tests unmutated");
    try {
      stage.runUnmutated(methodNumbers.size(), mutants, judges);
    } catch (Stage.NoWorker e) {
      throw new Failure(ExitCode.INPUT, e.getMessage(), e);
    }
    for (int test : stage.asked()) {
      Unmutated now = stage.unmutated().get(test);
      if (now == null) {
        unfit.put(test, "it did not run when it was asked to alone");
      } else if (!now.isFit()) {
        unfit.put(test, now.words().isEmpty() ? "it did not pass again" : now.words());
      }
    }
  }

  private PlantedClasses plant(Map<Integer, Candidate> open) throws IOException {
    Map<String, List<Planting>> plantings = new HashMap<>();
    Map<String, Map<String, Integer>> numbers = new HashMap<>();
    open.forEach(
        (number, candidate) -> {
          String type = candidate.plantable().mutant().className();
          for (PlantableMutant.Place place : candidate.plantable().places()) {
            plantings
                .computeIfAbsent(type, t -> new ArrayList<>())
                .add(new Planting(number, place.code(), place.instruction(), place.replacement()));
            int method =
                methodNumbers.computeIfAbsent(
                    methodKey(type, place.code()), m -> methodNumbers.size());
            numbers.computeIfAbsent(type, t -> new HashMap<>()).put(place.code(), method);
          }
        });
    PlantedClasses classes = PlantedClasses.in(settings.scratch().resolve("planted"));
    Map<String, KeptClass> distinct = new LinkedHashMap<>();
    classFiles.forEach(file -> distinct.putIfAbsent(file.name(), file));
    List<KeptClass> files = List.copyOf(distinct.values());
    for (int from = 0; from < files.size(); from += PLANTED_AT_ONCE) {
      int first = from;
      List<KeptClass> some = files.subList(from, Math.min(from + PLANTED_AT_ONCE, files.size()));
      List<ClassPlanter.Planted> planted =
          IntStream.range(0, some.size())
              .parallel()
              .mapToObj(
                  i ->
                      ClassPlanter.all(
                          some.get(i).bytes(),
                          first + i,
                          plantings.getOrDefault(some.get(i).name(), List.of()),
                          numbers.getOrDefault(some.get(i).name(), Map.of())))
              .toList();
      for (int i = 0; i < some.size(); i++) {
        add(some.get(i), planted.get(i), classes);
      }
    }
    return classes.finish();
  }

  private void add(KeptClass file, ClassPlanter.Planted planted, PlantedClasses classes)
      throws IOException {
    typeNames.add(file.name());
    invalid.addAll(planted.left());
    planted
        .watched()
        .forEach(w -> watched.computeIfAbsent(w.mutant(), m -> new ArrayList<>()).add(w));
    classes.mutated().add(file.name(), file.bytes(), planted.mutated());
    classes.watching().add(file.name(), file.bytes(), planted.watching());
  }

  /** All constructors of a class are one: what initialises fields stands in each of them. */
  private static String methodKey(String type, String code) {
    return type + "#" + (code.startsWith("<init>") ? "<init>" : code);
  }

  // ---- deciding ----

  private List<Campaign.Part> parts(Map<Integer, Candidate> open, Deciding deciding) {
    List<Campaign.Part> parts = new ArrayList<>();
    Set<Integer> tried = new HashSet<>();
    List<Integer> order =
        settings.budgetNanos() == Long.MAX_VALUE
            ? List.copyOf(open.keySet())
            : Sample.order(open, settings.methods());
    for (Map.Entry<Stage, Judges> judged : stages.entrySet()) {
      Stage stage = judged.getKey();
      TestOrder tests = new TestOrder(stage, this.tests, judged.getValue());
      List<Task> tasks = new ArrayList<>();
      for (int number : order) {
        Candidate candidate = open.get(number);
        int method = method(candidate);
        List<Integer> reaching = tests.of(candidate.reached(), method);
        List<Integer> passing = tests.of(seeing(number, w -> stage.seen(w.place(), w.any())));
        if (!invalid.contains(number) && !reaching.isEmpty() && !passing.isEmpty()) {
          tried.add(number);
          List<Watched> at = watched.get(number);
          boolean atStart =
              at.stream().anyMatch(w -> stage.isSeenInitialising(w.place(), w.sights()));
          boolean isShared = atStart || at.stream().anyMatch(Watched::isShared);
          boolean isSure = !atStart && !candidate.reached().bySome();
          List<Integer> changed = tests.of(seeing(number, w -> stage.seen(w.place(), w.sights())));
          List<Integer> entering = tests.entering(candidate.entered(), method);
          List<Integer> asked = isSure ? changed : reaching;
          // What those leave behind for which it changes something, the others may notice.
          boolean isLeft = !asked.isEmpty() && at.stream().anyMatch(Watched::isNearShared);
          tasks.add(
              new Task(
                  number,
                  method,
                  isLeft ? TestOrder.both(asked, entering) : asked,
                  tests.of(seeing(number, w -> stage.seenItself(w.place(), w.sights()))),
                  atStart && !isLeft ? asked : entering,
                  isShared));
        }
      }
      parts.add(new Campaign.Part(stage, tasks));
    }
    deciding.of = tried.size();
    for (int number : order) {
      if (!tried.contains(number)) {
        deciding.untried(number, invalid.contains(number) ? Fate.INVALID : Fate.UNREACHED);
      }
    }
    return parts;
  }

  /** The tests that see what is asked of the places at which a mutant is watched. */
  private BitSet seeing(int mutant, Function<Watched, BitSet> by) {
    BitSet tests = new BitSet();
    watched.getOrDefault(mutant, List.of()).forEach(at -> tests.or(by.apply(at)));
    return tests;
  }

  private int method(Candidate candidate) {
    return methodNumbers.get(
        methodKey(
            candidate.plantable().mutant().className(),
            candidate.plantable().places().get(0).code()));
  }

  private final class Deciding {
    private final Map<Integer, Candidate> open;
    private final VerdictWriter verdicts;
    private final Map<Integer, String> names = new HashMap<>();
    private final Map<Integer, Fate> fates = new HashMap<>();
    private final Set<Integer> noticing = new HashSet<>();
    private int of;
    private int done;
    private int noticed;
    private int survived;

    Deciding(Map<Integer, Candidate> open, VerdictWriter verdicts) {
      this.open = open;
      this.verdicts = verdicts;
      tests.forEach(test -> names.put(test.test().number(), test.test().name()));
    }

    void decided(Decided decided) {
      Candidate candidate = open.get(decided.mutant());
      verdicts.add(
          based(
              candidate,
              decided.fate(),
              names.getOrDefault(decided.test(), ""),
              decided.words(),
              decided.testsRun()),
          decided.test());
      fates.put(decided.mutant(), decided.fate());
      noticing.add(decided.test());
      done++;
      noticed += decided.fate().isNoticed() ? 1 : 0;
      survived += decided.fate() == Fate.SURVIVED ? 1 : 0;
      progress.decided(done, of, noticed, survived);
    }

    void untried(int number, Fate fate) {
      verdicts.add(based(open.get(number), fate, "", "", 0), 0);
    }
  }
}
