package atalaya.cli.plan;

import atalaya.core.code.Method;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.gap.Survivors;
import atalaya.core.kept.KeptClass;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.plan.FaultTask;
import atalaya.core.plan.Limits;
import atalaya.core.plan.MethodTask;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Planned;
import atalaya.core.plan.Planner;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Split;
import atalaya.core.plan.SurvivorTask;
import atalaya.core.plan.Task;
import atalaya.core.plan.Way;
import atalaya.core.plan.Work;
import atalaya.java.SourceText;
import atalaya.java.source.Extractable;
import atalaya.java.source.GeneratedCode;
import atalaya.store.runfile.RunFile;
import atalaya.ways.Wanted;
import atalaya.ways.WayFinder;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.uses.TestUses;
import atalaya.ways.uses.TextsOfTests;
import atalaya.ways.write.JoinedCode;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.function.Function;
import java.util.function.IntConsumer;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/** Makes a plan for a run. */
public final class Planning implements AutoCloseable {
  /** What may well be a fault is looked for in so many methods, those with most to gain. */
  private static final int SEARCHED_FOR_FAULTS = 150;

  private static final int READ_AT_ONCE = Planner.MOST_TASKS;

  private final RunFile run;
  private final List<MethodFigures> methods;
  private final RunScene scene;
  private final Libraries libraries;
  private final CodeBase base;
  private final WayFinder finder;
  private final Examples examples;
  private final Map<String, Ref> refs = new ConcurrentHashMap<>();
  private List<Gap> methodGaps;
  private final Map<String, BitSet> generated = new HashMap<>();
  private final Map<String, String> impossible = new ConcurrentSkipListMap<>();
  private final Map<String, String> notFound = new ConcurrentSkipListMap<>();

  /**
   * For a run.
   *
   * @param methods those that count, without what was accepted
   * @param accepted what was accepted, by qualified name of the method
   * @param weights of paths
   */
  public Planning(
      RunFile run,
      List<MethodFigures> methods,
      Map<String, Opened> accepted,
      ToDoubleFunction<String> weights) {
    this.run = run;
    this.methods = methods;
    Map<String, byte[]> classFiles = new HashMap<>();
    Map<String, byte[]> testClasses = new HashMap<>();
    for (KeptClass file : run.allClassFiles()) {
      if (file.isTest()) {
        testClasses.putIfAbsent(file.name(), file.bytes());
      } else {
        classFiles.putIfAbsent(file.name().replace('.', '/'), file.bytes());
      }
    }
    this.libraries = new Libraries(run.jvms());
    this.base = CodeBase.of(classFiles, libraries::classFile);
    this.scene = new RunScene(run, methods, new TestHomes(testClasses.keySet()), weights, accepted);
    TextsOfTests texts =
        new TextsOfTests(
            testClasses, type -> Optional.of(type).filter(base::has).map(classFiles::get));
    this.finder = new WayFinder(base, scene::code, scene::reached, this::isTested, texts::of);
    this.examples = new Examples(scene, base, new TestUses(testClasses));
  }

  @Override
  public void close() {
    libraries.close();
  }

  private boolean isTested(Ref ref) {
    String type = ref.type().replace('/', '.');
    return scene.code(type).stream()
        .flatMap(code -> code.methods().stream())
        .filter(method -> method.code().equals(ref.code()))
        .flatMap(method -> scene.figures(type + "#" + method.name()).stream())
        .anyMatch(figures -> figures.tests() > 0);
  }

  /**
   * Plans for methods.
   *
   * @param wanted those that are planned for
   * @param settled gaps for which no test is wanted
   */
  public Plan forMethods(List<MethodFigures> wanted, Limits limits, Set<String> settled) {
    return forMethods(wanted, limits, settled, chosen -> {});
  }

  /**
   * Plans for methods.
   *
   * @param wanted those that are planned for
   * @param settled gaps for which no test is wanted
   * @param progress is told now and then how many briefs are chosen
   */
  public Plan forMethods(
      List<MethodFigures> wanted, Limits limits, Set<String> settled, IntConsumer progress) {
    Set<String> unused = new HashSet<>();
    Set<String> unwanted = new HashSet<>();
    for (Gap gap : methodGaps()) {
      if (gap.kind() == Gap.Kind.UNUSED) {
        unused.add(gap.qualifiedMethod());
      }
      boolean isWhole = gap.kind().lasting() == Gap.Kind.METHOD;
      if (isWhole && settled.contains(gap.name())) {
        unwanted.add(gap.qualifiedMethod());
      }
    }
    Bounds bounds = new Bounds(base, methods, scene::weight);
    List<Task> tasks = new ArrayList<>();
    List<MethodFigures> lacking =
        wanted.stream()
            .filter(m -> m.unwatched().unreached() > 0 && !m.method().startsWith("<clinit>"))
            .filter(m -> !unwanted.contains(m.qualifiedName()))
            .sorted(
                Comparator.comparingDouble((MethodFigures m) -> -m.unwatched().unreached())
                    .thenComparing(MethodFigures::qualifiedName))
            .toList();
    scene.read(atOnce(lacking));
    Set<String> entered = new HashSet<>();
    methods.stream()
        .filter(m -> isEntered(m) && !m.method().startsWith("<"))
        .forEach(m -> entered.add(m.className()));
    Set<MethodFigures> grouped = new HashSet<>();
    for (List<MethodFigures> group :
        Together.of(
            lacking,
            type -> !entered.contains(type),
            m -> finder.isOpen(guessed(m)),
            m -> finder.about(guessed(m)))) {
      grouped.addAll(group);
      tasks.add(together(group, bounds, unused));
    }
    for (MethodFigures method : lacking) {
      if (grouped.contains(method)) {
        continue;
      }
      tasks.add(
          new MethodTask(
              scene,
              method,
              bounds.most(method),
              work -> heaviest(method, work).stream().toList(),
              JoinedCode::of,
              notes(unused, method)));
    }
    lacking.stream()
        .limit(SEARCHED_FOR_FAULTS)
        .filter(Planning::isEntered)
        .flatMap(this::faults)
        .forEach(tasks::add);
    tasks.addAll(survivors(wanted, settled));
    return Planner.plan(tasks, limits, before(), progress).map(examples::add);
  }

  /** Of a small project all classes: ways lead through others, and each reading has its price. */
  private List<String> atOnce(List<MethodFigures> lacking) {
    List<String> all = methods.stream().map(MethodFigures::className).distinct().toList();
    return all.size() <= READ_AT_ONCE
        ? all
        : lacking.stream().limit(READ_AT_ONCE).map(MethodFigures::className).distinct().toList();
  }

  private static List<String> notes(Set<String> unused, MethodFigures method) {
    return unused.contains(method.qualifiedName())
        ? List.of("nothing in the project calls it: test it if others use it, else delete it")
        : List.of();
  }

  static boolean isEntered(MethodFigures method) {
    return method.lines().part() + method.outcomes().part() > 0;
  }

  /** Tests that call several methods each. */
  private Task together(List<MethodFigures> group, Bounds bounds, Set<String> unused) {
    List<String> notes =
        group.stream().allMatch(m -> unused.contains(m.qualifiedName()))
            ? List.of("nothing in the project calls them: test them if others use them")
            : List.of();
    List<MethodFigures> ordered =
        group.stream()
            .sorted(
                Comparator.comparingDouble((MethodFigures method) -> -bounds.most(method))
                    .thenComparing(MethodFigures::qualifiedName))
            .toList();
    return new MethodTask(
        scene,
        ordered.get(0),
        bounds.most(group),
        work -> waysTogether(ordered, work),
        JoinedCode::of,
        notes);
  }

  /** What ends by an exception has a test of its own, once the others are tested. */
  private List<Way> waysTogether(List<MethodFigures> group, Work work) {
    List<Way> ways = new ArrayList<>();
    Optional<Way> throwing = Optional.empty();
    for (MethodFigures method : group) {
      Optional<Way> way = ways.size() < Task.MOST_WAYS ? heaviest(method, work) : Optional.empty();
      if (way.isPresent() && way.get().result().thrown().isEmpty()) {
        ways.add(way.get());
      } else {
        throwing = throwing.or(() -> way);
      }
    }
    return ways.isEmpty() ? throwing.stream().toList() : ways;
  }

  private List<Task> survivors(List<MethodFigures> wanted, Set<String> settled) {
    Map<String, MethodFigures> tried = new HashMap<>();
    wanted.stream()
        .filter(method -> method.mutants().survived() > 0)
        .forEach(method -> tried.put(method.qualifiedName(), method));
    Map<String, Map<Gap, List<TriedMutant>>> places =
        places(gap -> tried.containsKey(gap.qualifiedMethod()) && !settled.contains(gap.name()));
    List<Task> tasks = new ArrayList<>();
    places.forEach((method, here) -> tasks.add(new SurvivorTask(scene, tried.get(method), here)));
    return tasks;
  }

  /** Where mutants survived, by method. */
  private Map<String, Map<Gap, List<TriedMutant>>> places(Predicate<Gap> isWanted) {
    Map<String, Map<Gap, List<TriedMutant>>> places = new TreeMap<>();
    Survivors.places(run.mutants())
        .forEach(
            (gap, mutants) -> {
              if (isWanted.test(gap)) {
                places
                    .computeIfAbsent(gap.qualifiedMethod(), method -> new LinkedHashMap<>())
                    .put(gap, mutants);
              }
            });
    return places;
  }

  /** Plans the one test that closes a gap, or comes to a line. */
  public Plan towards(MethodFigures method, BitSet points, String name) {
    Task task =
        new MethodTask(
            scene, method, Double.MAX_VALUE, work -> towards(method, points, name, work));
    return Planner.plan(List.of(task), Limits.ofTests(1), before()).map(examples::add);
  }

  /** Plans the better assertions for what survived at one place. */
  public Plan noticing(MethodFigures method, Gap gap) {
    List<Task> tasks =
        places(place -> place.name().equals(gap.name())).values().stream()
            .map(here -> (Task) new SurvivorTask(scene, method, here))
            .toList();
    return Planner.plan(tasks, Limits.ofTests(1), before());
  }

  /** The methods that nothing entered, as gaps. */
  public List<Gap> methodGaps() {
    if (methodGaps == null) {
      methodGaps = run.methodGaps();
    }
    return methodGaps;
  }

  /** Unwatched paths of the run. */
  private double before() {
    return methods.stream().mapToDouble(m -> m.unwatched().total()).sum();
  }

  /** A plan with why no way leads to some things. */
  public Planned with(Plan plan, List<Remedy> remedies) {
    return new Planned(plan, remedies, impossible, notFound);
  }

  /** Why no way leads to something, by the name of the gap or method it was for. */
  Map<String, String> impossible() {
    return impossible;
  }

  /** Whether code outside of the project may use a method, as far as is known. */
  public boolean isOffered(MethodFigures method) {
    return ref(method).map(finder::isOffered).orElse(true);
  }

  /** Whether a method's source says that it was generated. */
  public boolean isGenerated(MethodFigures method) {
    return generated
        .computeIfAbsent(
            method.path(),
            path ->
                scene.source(method.className()).map(GeneratedCode::linesOf).orElse(new BitSet()))
        .get(method.firstLine());
  }

  /** How a method is best taken apart. */
  public Optional<Split> split(MethodFigures method) {
    Optional<Method> model = model(method);
    Optional<SourceText> source = scene.source(method.className());
    return model.isEmpty() || source.isEmpty()
        ? Optional.empty()
        : Split.of(
            method, model.get(), Extractable.in(source.get()), scene.reached(method.className()));
  }

  /** The model of the method that figures are of. */
  public Optional<Method> model(MethodFigures method) {
    return scene
        .code(method.className())
        .flatMap(
            code ->
                code.methods().stream().filter(m -> m.name().equals(method.method())).findFirst());
  }

  private BitSet reached(String className, Work work) {
    BitSet all = scene.reached(className);
    BitSet more = work.reached(className);
    if (more.isEmpty()) {
      return all;
    }
    BitSet both = (BitSet) all.clone();
    both.or(more);
    return both;
  }

  private Optional<Ref> ref(MethodFigures method) {
    Ref known =
        refs.computeIfAbsent(
            method.qualifiedName(),
            name ->
                model(method)
                    .filter(m -> !m.code().isEmpty())
                    .map(m -> new Ref(method.className().replace('.', '/'), m.code()))
                    .orElse(null));
    return Optional.ofNullable(known);
  }

  private Optional<Way> heaviest(MethodFigures method, Work work) {
    return ref(method).flatMap(ref -> answer(ref, new BitSet(), method.qualifiedName(), work));
  }

  private Optional<Way> towards(MethodFigures method, BitSet points, String name, Work work) {
    BitSet reached = reached(method.className(), work);
    if (points.isEmpty() || points.intersects(reached)) {
      return Optional.empty();
    }
    return ref(method).flatMap(ref -> answer(ref, points, name, work));
  }

  /** The best way of a method, towards one of some points where there are any. */
  private Optional<Way> answer(Ref ref, BitSet towards, String name, Work work) {
    Map<String, BitSet> known = new HashMap<>();
    Function<String, BitSet> reached = type -> known.computeIfAbsent(type, t -> reached(t, work));
    WayFinder.Answer answer =
        towards.isEmpty()
            ? finder.best(new Wanted(ref, reached, -1))
            : finder.towards(ref, reached, towards);
    if (answer instanceof WayFinder.Answer.Impossible no) {
      impossible.putIfAbsent(name, no.because());
    }
    if (answer instanceof WayFinder.Answer.NotFound no) {
      notFound.putIfAbsent(name, "no way was found; the first that was tried: " + no.because());
    }
    return answer instanceof WayFinder.Answer.Found found
        ? Optional.of(found.way())
        : Optional.empty();
  }

  /** Tests of one method on whose way something can go wrong that the code itself asks about. */
  private Stream<Task> faults(MethodFigures method) {
    Ref guessed = guessed(method);
    if (guessed == null || !finder.mayMissElement(guessed)) {
      return Stream.empty();
    }
    return scene.gaps(method.className()).stream()
        .filter(gap -> gap.kind() == Gap.Kind.OUTCOME && gap.method().equals(method.method()))
        .filter(gap -> gap.condition().contains(".length") && gap.behind().isEmpty())
        .map(gap -> new FaultTask(scene, method, gap.name(), () -> wayTo(method, gap)));
  }

  private Optional<Way> wayTo(MethodFigures method, Gap gap) {
    return pointsOf(gap).flatMap(points -> towards(method, points, gap.name(), new Work()));
  }

  /** The points that close a gap of an outcome or a handler; empty for other kinds. */
  public Optional<BitSet> pointsOf(Gap gap) {
    Optional<Method> method =
        scene
            .code(gap.className())
            .flatMap(
                code ->
                    code.methods().stream().filter(m -> m.name().equals(gap.method())).findFirst());
    if (method.isEmpty()) {
      return Optional.empty();
    }
    return switch (gap.kind()) {
      case OUTCOME ->
          method.get().conditions().stream()
              .filter(c -> c.line() == gap.line() && c.text().equals(gap.condition()))
              .flatMap(c -> c.outcomes().stream())
              .filter(o -> o.name().equals(gap.outcome()))
              .map(o -> o.points())
              .filter(p -> !p.intersects(scene.reached(gap.className())))
              .findFirst();
      case HANDLER ->
          method.get().handlers().stream()
              .filter(h -> h.line() == gap.line() && h.text().equals(gap.condition()))
              .map(h -> h.points())
              .findFirst();
      default -> Optional.empty();
    };
  }

  /**
   * The method of the class file, where its name and parameter types tell it without the source.
   */
  private Ref guessed(MethodFigures method) {
    return base.named(method.className().replace('.', '/'), method.method()).orElse(null);
  }
}
