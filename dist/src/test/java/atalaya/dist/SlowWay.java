package atalaya.dist;

import atalaya.cli.again.ModelAgain;
import atalaya.cli.challenge.Setups;
import atalaya.core.kept.KeptClass;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.TriedMutant;
import atalaya.java.ClassBytes;
import atalaya.java.SourceText;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.trial.decide.JvmSetup;
import atalaya.trial.decide.PlantedClasses;
import atalaya.trial.decide.RunnableTest;
import atalaya.trial.decide.Stage;
import atalaya.trial.decide.Unmutated;
import atalaya.trial.decide.WorkerKit;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.find.ProjectMutants;
import atalaya.trial.plant.ClassPlanter;
import atalaya.trial.plant.Planting;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;

/**
 * Decides mutants the slow way: for each a fresh JVM, its class alone changed and on disk, all
 * tests. {@code bench/verdicts} runs it.
 */
final class SlowWay {
  private static final int TOLD_EVERY = 20;

  private final Map<JvmSetup, List<RunnableTest>> tests;
  private final WorkerKit kit;
  private final Path scratch;
  private long longest = TimeUnit.MINUTES.toNanos(10);
  private int runs;

  private SlowWay(Map<JvmSetup, List<RunnableTest>> tests, WorkerKit kit, Path scratch) {
    this.tests = tests;
    this.kit = kit;
    this.scratch = scratch;
  }

  /**
   * Compares verdicts of a challenged run with the slow way's.
   *
   * @param arguments the run file, the project, the distribution, how many mutants, a seed
   */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    Path scratch = Files.createTempDirectory("verdicts");
    try (RunFile run = RunFile.open(Path.of(arguments[0]))) {
      Project project = Project.at(Path.of(arguments[1]));
      Path probe = Path.of(arguments[2], "lib", "probe");
      WorkerKit kit =
          new WorkerKit(probe.resolve("atalaya-worker.jar"), probe.resolve("atalaya-boot.jar"));
      List<KeptClass> files = run.allClassFiles();
      Setups setups = Setups.of(project, run.jvms(), files, run.tests());
      SlowWay way = new SlowWay(setups.tests(), kit, scratch);
      compare(way, run, files, Integer.parseInt(arguments[3]), Long.parseLong(arguments[4]));
    }
  }

  private static void compare(SlowWay way, RunFile run, List<KeptClass> files, int count, long seed)
      throws IOException, InterruptedException {
    Map<String, byte[]> bytes = new HashMap<>();
    List<ClassBytes> classes = new ArrayList<>();
    for (KeptClass file : files) {
      if (!file.isTest() && bytes.putIfAbsent(file.name(), file.bytes()) == null) {
        classes.add(new ClassBytes(file.module(), file.name(), file.bytes()));
      }
    }
    Map<String, PlantableMutant> found = new HashMap<>();
    ProjectMutants.find(classes, sources(run)).values().stream()
        .flatMap(List::stream)
        .forEach(mutant -> found.put(mutant.mutant().name(), mutant));
    List<TriedMutant> drawn = new ArrayList<>(run.mutants());
    drawn.removeIf(mutant -> mutant.fate() == Fate.INVALID);
    Collections.shuffle(drawn, new Random(seed));
    drawn = drawn.subList(0, Math.min(count, drawn.size()));

    long began = System.nanoTime();
    Set<Integer> fit = way.passing("", new byte[0], Set.of());
    way.longest = TimeUnit.SECONDS.toNanos(20) + 10 * (System.nanoTime() - began);
    System.out.println(fit.size() + " tests pass in a fresh JVM");
    began = System.nanoTime();
    int done = 0;
    int different = 0;
    for (TriedMutant mutant : drawn) {
      PlantableMutant plantable = found.get(mutant.mutant().name());
      List<Planting> places =
          plantable.places().stream()
              .map(p -> new Planting(0, p.code(), p.instruction(), p.replacement()))
              .toList();
      String type = mutant.mutant().className();
      Set<Integer> noticing = new TreeSet<>(fit);
      noticing.removeAll(way.passing(type, ClassPlanter.alone(bytes.get(type), places), fit));
      boolean same = noticing.isEmpty() != mutant.fate().isNoticed();
      if (!same) {
        different++;
        System.out.println(
            "different: "
                + mutant.mutant()
                + " was "
                + mutant.fate().label()
                + " by "
                + mutant.noticedBy()
                + " ("
                + mutant.noticedWith()
                + "), slowly by tests "
                + noticing.stream().limit(5).toList());
      }
      done++;
      if (done % TOLD_EVERY == 0 || done == drawn.size()) {
        long seconds = TimeUnit.NANOSECONDS.toSeconds(System.nanoTime() - began);
        System.out.println(
            done + " mutants, " + different + " different; the slow way took " + seconds + " s");
      }
    }
  }

  private static List<SourceText> sources(RunFile run) {
    List<SourceText> sources = new ArrayList<>();
    Set<String> seen = new TreeSet<>();
    run.allClasses()
        .forEach(
            type -> {
              if (!type.path().isEmpty() && seen.add(type.path())) {
                run.source(type.path())
                    .map(kept -> ModelAgain.text(type, kept))
                    .ifPresent(sources::add);
              }
            });
    return sources;
  }

  /** The tests that pass with one class changed. */
  private Set<Integer> passing(String type, byte[] changed, Set<Integer> wanted)
      throws IOException, InterruptedException {
    Path folder = Files.createDirectories(scratch.resolve("run" + runs++));
    if (!type.isEmpty()) {
      Path file = folder.resolve(type.replace('.', '/') + ".class");
      Files.createDirectories(file.getParent());
      Files.write(file, changed);
    }
    PlantedClasses nothing = PlantedClasses.in(folder.resolve("none")).finish();
    Set<Integer> passing = new TreeSet<>();
    for (var part : tests.entrySet()) {
      List<String> classPath = new ArrayList<>(List.of(folder.toString()));
      classPath.addAll(part.getKey().classPath());
      JvmSetup setup =
          new JvmSetup(
              part.getKey().java(),
              part.getKey().options(),
              classPath,
              part.getKey().directory(),
              part.getKey().properties(),
              part.getKey().environment());
      List<RunnableTest> these =
          part.getValue().stream()
              .filter(test -> wanted.isEmpty() || wanted.contains(test.number()))
              .toList();
      // One by one: nothing that challenges do to be faster is to be trusted here.
      Set<String> groups = these.stream().map(RunnableTest::group).collect(Collectors.toSet());
      BitSet all = new BitSet();
      these.forEach(test -> all.set(test.number()));
      Stage stage = new Stage(setup, kit, folder, nothing, these, groups);
      try {
        stage.runUnmutated(0, 0, () -> all, longest);
      } catch (Stage.NoWorker e) {
        if (type.isEmpty()) {
          throw e;
        }
        // The very first test class never ends, or ends the JVM: none of these tests passes.
        continue;
      }
      for (Map.Entry<Integer, Unmutated> test : stage.unmutated().entrySet()) {
        if (test.getValue().isFit()) {
          passing.add(test.getKey());
        }
      }
    }
    return passing;
  }
}
