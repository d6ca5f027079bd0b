package atalaya.cli.challenge;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.TriedMutant;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.VerdictWriter;
import atalaya.trial.decide.Campaign;
import atalaya.trial.decide.Decided;
import atalaya.trial.decide.PlantedFolder;
import atalaya.trial.decide.RunnableTest;
import atalaya.trial.decide.Shares;
import atalaya.trial.decide.Stage;
import atalaya.trial.decide.Task;
import atalaya.trial.decide.Unmutated;
import atalaya.trial.decide.WorkerKit;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;

/** Challenges a run: plants its mutants one at a time and keeps what came of each. */
public final class Challenge {
  /** So many tests are run by themselves, the likeliest first, before those of a class together. */
  private static final int BY_THEMSELVES = 3;

  private static final long SEED = 20_130_318L;

  private final RunFile run;
  private final Project project;
  private final Settings settings;
  private final Progress progress;
  private final List<TestFigures> tests;
  private final List<KeptClass> classFiles;
  private final Map<Integer, String> unfit = new TreeMap<>();
  private final Map<String, Integer> methodNumbers = new LinkedHashMap<>();
  private final List<Stage> stages = new ArrayList<>();
  private List<Candidate> all = List.of();
  private final Set<Integer> invalid = new HashSet<>();
  private final List<String> typeNames = new ArrayList<>();

  /** For each mutant those that stand for its places, see {@link Stage#places}. */
  private final Map<Integer, Set<Integer>> firstAtPlace = new HashMap<>();

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
   * @param mutants how many there are in the code that was asked for, and in the shard
   * @param takenOver how many verdicts were there already, or in an earlier run
   * @param isResumed whether they were there already
   * @param unfit why tests took no part, by their number
   * @param isOver whether the budget ended it
   */
  public record Outcome(
      int mutants,
      int takenOver,
      boolean isResumed,
      Map<Integer, String> unfit,
      Shares shares,
      boolean isOver) {}

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
        new Campaign(
                settings.workers(),
                () -> System.nanoTime() - began > settings.budgetNanos(),
                deciding::decided)
            .run(parts(open, deciding));
        stages.forEach(stage -> shares = shares.plus(stage.shares()));
      }
      boolean isOver = System.nanoTime() - began > settings.budgetNanos();
      verdicts.about(Map.of("mutants", String.valueOf(all.size()), "complete", isOver ? "0" : "1"));
      return new Outcome(all.size(), takenOver, settings.resumes(), unfit, shares, isOver);
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
    Path planted = plant(open);
    for (var setup : setups.tests().entrySet()) {
      progress.phase("running " + setup.getValue().size() + " tests unmutated");
      Path scratch = Files.createDirectory(settings.scratch().resolve("stage" + stages.size()));
      Stage stage = new Stage(setup.getKey(), settings.kit(), scratch, planted, setup.getValue());
      try {
        stage.runUnmutated(methodNumbers.size(), open.size());
      } catch (Stage.NoWorker e) {
        throw new Failure(ExitCode.INPUT, e.getMessage(), e);
      }
      for (RunnableTest test : setup.getValue()) {
        Unmutated now = stage.unmutated().get(test.number());
        if (now == null) {
          unfit.put(test.number(), "it did not run when it was asked to alone");
        } else if (!now.isFit()) {
          unfit.put(test.number(), now.words().isEmpty() ? "it did not pass again" : now.words());
        }
      }
      stages.add(stage);
    }
  }

  private Path plant(Map<Integer, Candidate> open) throws IOException {
    Map<String, List<Planting>> plantings = new HashMap<>();
    Map<String, Integer> firsts = new HashMap<>();
    Map<String, Map<String, Integer>> numbers = new HashMap<>();
    open.forEach(
        (number, candidate) -> {
          String type = candidate.plantable().mutant().className();
          for (PlantableMutant.Place place : candidate.plantable().places()) {
            String at = type + "#" + place.code() + " " + place.instruction();
            firstAtPlace
                .computeIfAbsent(number, n -> new HashSet<>())
                .add(firsts.computeIfAbsent(at, a -> number));
            plantings
                .computeIfAbsent(type, t -> new ArrayList<>())
                .add(new Planting(number, place.code(), place.instruction(), place.replacement()));
            int method =
                methodNumbers.computeIfAbsent(
                    methodKey(type, place.code()), m -> methodNumbers.size());
            numbers.computeIfAbsent(type, t -> new HashMap<>()).put(place.code(), method);
          }
        });
    PlantedFolder folder =
        new PlantedFolder(Files.createDirectory(settings.scratch().resolve("planted")));
    Set<String> seen = new HashSet<>();
    for (KeptClass file : classFiles) {
      if (seen.add(file.name())) {
        ClassPlanter.Planted planted =
            ClassPlanter.all(
                file.bytes(),
                typeNames.size(),
                plantings.getOrDefault(file.name(), List.of()),
                numbers.getOrDefault(file.name(), Map.of()));
        typeNames.add(file.name());
        invalid.addAll(planted.left());
        folder.add(file.name(), file.bytes(), planted.bytes());
      }
    }
    return folder.finish();
  }

  /** All constructors of a class are one: what initialises fields stands in each of them. */
  private static String methodKey(String type, String code) {
    return type + "#" + (code.startsWith("<init>") ? "<init>" : code);
  }

  // ---- deciding ----

  private List<Campaign.Part> parts(Map<Integer, Candidate> open, Deciding deciding) {
    Map<String, Integer> methodOf = new HashMap<>();
    List<Campaign.Part> parts = new ArrayList<>();
    Set<Integer> tried = new HashSet<>();
    List<Integer> order = order(open);
    for (Stage stage : stages) {
      Map<Integer, Integer> rank = ranks(stage);
      List<Task> tasks = new ArrayList<>();
      for (int number : order) {
        Candidate candidate = open.get(number);
        List<Integer> fit = fitTests(candidate, stage, rank);
        boolean isPassed = firstAtPlace.get(number).stream().anyMatch(stage.places()::contains);
        if (!fit.isEmpty() && isPassed && !invalid.contains(number)) {
          tried.add(number);
          int method = method(candidate);
          boolean atStart =
              candidate.plantable().mutant().method().equals("<clinit>()")
                  || stage.initialising().containsKey(method);
          tasks.add(new Task(number, method, fit, atStart));
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

  private int method(Candidate candidate) {
    return methodNumbers.get(
        methodKey(
            candidate.plantable().mutant().className(),
            candidate.plantable().places().get(0).code()));
  }

  /**
   * Method by method; with a budget, at random within each, and the methods in turn, those with
   * more paths not tried more often.
   */
  private List<Integer> order(Map<Integer, Candidate> open) {
    if (settings.budgetNanos() == Long.MAX_VALUE) {
      return List.copyOf(open.keySet());
    }
    Map<String, Double> weight = new HashMap<>();
    settings
        .methods()
        .forEach(m -> weight.put(m.qualifiedName(), m.complexity().value() * m.reach()));
    Map<String, List<Integer>> byMethod = new LinkedHashMap<>();
    open.forEach(
        (number, c) -> byMethod.computeIfAbsent(c.method(), m -> new ArrayList<>()).add(number));
    Map<Integer, Double> turn = new HashMap<>();
    byMethod.forEach(
        (method, numbers) -> {
          java.util.Collections.shuffle(numbers, new Random(SEED ^ method.hashCode()));
          double share = Math.max(0.1, weight.getOrDefault(method, 1.0));
          for (int i = 0; i < numbers.size(); i++) {
            turn.put(numbers.get(i), (i + 0.5) / share);
          }
        });
    return turn.entrySet().stream()
        .sorted(
            Comparator.comparingDouble((Map.Entry<Integer, Double> e) -> e.getValue())
                .thenComparingInt(Map.Entry::getKey))
        .map(Map.Entry::getKey)
        .toList();
  }

  /** The fit tests of a stage by how soon they are to run: quick ones that reach little first. */
  private Map<Integer, Integer> ranks(Stage stage) {
    Map<Integer, TestFigures> figures = new HashMap<>();
    tests.forEach(test -> figures.put(test.test().number(), test));
    List<Integer> fit =
        stage.unmutated().entrySet().stream()
            .filter(e -> e.getValue().isFit())
            .map(Map.Entry::getKey)
            .sorted(
                Comparator.comparing((Integer test) -> magnitude(stage.cost(test)))
                    .thenComparing(test -> figures.get(test).methods())
                    .thenComparing(test -> test))
            .toList();
    Map<Integer, Integer> rank = new HashMap<>();
    fit.forEach(test -> rank.put(test, rank.size()));
    return rank;
  }

  /** Tests that cost about the same are as good as each other: what matters is what they reach. */
  private static int magnitude(long nanos) {
    return (int) Math.max(0, Math.log10(nanos / 5_000_000.0 + 0.1) * 2);
  }

  private List<Integer> fitTests(Candidate candidate, Stage stage, Map<Integer, Integer> rank) {
    BitSet wanted = (BitSet) candidate.reached().tests().clone();
    if (candidate.reached().bySome()) {
      tests.stream()
          .filter(test -> test.test().overlapped())
          .forEach(test -> wanted.set(test.test().number()));
    }
    if (candidate.reached().outside()) {
      setUpTests(stage, method(candidate)).forEach(wanted::set);
    }
    stage
        .initialising()
        .getOrDefault(method(candidate), Set.of())
        .forEach(type -> wanted.or(users(typeNames.get(type))));
    List<Integer> byRank =
        wanted.stream()
            .boxed()
            .filter(rank::containsKey)
            .sorted(Comparator.comparing(rank::get))
            .toList();
    return orders.computeIfAbsent(byRank, all -> classByClass(all, stage));
  }

  private final Map<List<Integer>, List<Integer>> orders = new HashMap<>();

  /** After the first few the others class by class, in the order of each one's first. */
  private static List<Integer> classByClass(List<Integer> byRank, Stage stage) {
    int first = Math.min(BY_THEMSELVES, byRank.size());
    Map<String, List<Integer>> byGroup = new LinkedHashMap<>();
    for (int test : byRank.subList(first, byRank.size())) {
      byGroup.computeIfAbsent(stage.group(test), g -> new ArrayList<>()).add(test);
    }
    List<Integer> order = new ArrayList<>(byRank.subList(0, first));
    byGroup.values().forEach(order::addAll);
    return order;
  }

  private final Map<String, BitSet> usersOf = new HashMap<>();

  /** The tests that use a class: those that reach anything of it, or stand in it. */
  private BitSet users(String type) {
    return usersOf.computeIfAbsent(
        type,
        name -> {
          BitSet users = new BitSet();
          run.reach(name).byTest().keySet().stream().filter(n -> n > 0).forEach(users::set);
          tests.stream()
              .filter(test -> TestClasses.of(test.test().id()).equals(name))
              .forEach(test -> users.set(test.test().number()));
          return users;
        });
  }

  private final Map<Integer, Collection<Integer>> setUp = new HashMap<>();

  /** The tests in whose groups a method was entered, by a test or by what is set up for all. */
  private Collection<Integer> setUpTests(Stage stage, int method) {
    return setUp.computeIfAbsent(
        method,
        m -> {
          Set<Integer> numbers = new HashSet<>();
          stage
              .entered()
              .forEach(
                  (group, entered) -> {
                    if (entered.contains(m)) {
                      numbers.addAll(stage.testsOf(group));
                    }
                  });
          return numbers;
        });
  }

  private final class Deciding {
    private final Map<Integer, Candidate> open;
    private final VerdictWriter verdicts;
    private final Map<Integer, String> names = new HashMap<>();
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
