package atalaya.cli.plan;

import atalaya.cli.again.ModelAgain;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.plan.MethodPoints;
import atalaya.core.plan.Scene;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Verdict;
import atalaya.java.SourceText;
import atalaya.store.runfile.RunFile;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;

/** A run as a plan sees it; what is asked for is read once, by one thread at a time. */
final class RunScene implements Scene {
  private final RunFile run;
  private final ModelAgain model;
  private final TestHomes homes;
  private final ToDoubleFunction<String> weights;
  private final Map<String, Opened> accepted;
  private final Map<String, MethodFigures> figures = new HashMap<>();
  private final Map<String, ClassSummary> summaries = new HashMap<>();
  private final Map<String, List<ClassSummary>> bySource = new HashMap<>();
  private final Map<Integer, TestFigures> tests = new HashMap<>();
  private final Map<String, CodeClass> codes = new HashMap<>();
  private final Map<String, List<MethodPoints>> methods = new HashMap<>();
  private final Map<String, ClassReach> reaches = new HashMap<>();
  private final Map<String, BitSet> reached = new ConcurrentHashMap<>();
  private final Map<String, List<Gap>> gaps = new HashMap<>();

  /**
   * Of a run.
   *
   * @param methods those that count, without what was accepted
   * @param weights of paths
   * @param accepted what was accepted, by qualified name of the method
   */
  RunScene(
      RunFile run,
      List<MethodFigures> methods,
      TestHomes homes,
      ToDoubleFunction<String> weights,
      Map<String, Opened> accepted) {
    this.run = run;
    this.model = new ModelAgain(run);
    this.homes = homes;
    this.weights = weights;
    this.accepted = accepted;
    methods.forEach(method -> figures.putIfAbsent(method.qualifiedName(), method));
    for (ClassSummary type : run.classesAlone()) {
      summaries.put(type.name(), type);
      bySource.computeIfAbsent(type.path(), p -> new ArrayList<>()).add(type);
    }
    for (TestFigures test : model.tests()) {
      if (test.test().verdict() == Verdict.PASSED) {
        tests.put(test.test().number(), test);
      }
    }
  }

  @Override
  public synchronized Optional<CodeClass> code(String className) {
    ClassSummary type = summaries.get(className);
    if (type == null) {
      return Optional.empty();
    }
    if (!codes.containsKey(className)) {
      List<ClassSummary> together =
          type.path().isEmpty() ? List.of(type) : bySource.get(type.path());
      model.code(together).forEach(code -> codes.put(code.name(), code.withoutFlow()));
      codes.putIfAbsent(className, null);
    }
    return Optional.ofNullable(codes.get(className));
  }

  @Override
  public synchronized List<MethodPoints> methods(String className) {
    return methods.computeIfAbsent(
        className, name -> code(name).map(MethodPoints::of).orElse(List.of()));
  }

  /** Reads classes that will be asked for, which is faster than one by one. */
  synchronized void read(Collection<String> classNames) {
    Set<ClassSummary> wanted = new LinkedHashSet<>();
    for (String name : classNames) {
      ClassSummary type = summaries.get(name);
      if (type != null && !codes.containsKey(name)) {
        wanted.addAll(type.path().isEmpty() ? List.of(type) : bySource.get(type.path()));
      }
    }
    model
        .codeAtOnce(List.copyOf(wanted))
        .forEach(code -> codes.put(code.name(), code.withoutFlow()));
    wanted.forEach(type -> codes.putIfAbsent(type.name(), null));
    Set<String> names = Set.copyOf(classNames);
    names.forEach(name -> gaps.put(name, List.of()));
    gaps.putAll(run.gaps(names::contains).stream().collect(Collectors.groupingBy(Gap::className)));
  }

  /** The source of a class; empty when the run has none. */
  synchronized Optional<SourceText> source(String className) {
    ClassSummary type = summaries.get(className);
    return type == null || type.path().isEmpty()
        ? Optional.empty()
        : run.source(type.path()).map(source -> ModelAgain.text(type, source));
  }

  @Override
  public synchronized ClassReach reach(String className) {
    return reaches.computeIfAbsent(className, run::reach);
  }

  @Override
  public BitSet reached(String className) {
    return reached.computeIfAbsent(className, name -> reach(name).all());
  }

  @Override
  public Optional<MethodFigures> figures(String method) {
    return Optional.ofNullable(figures.get(method));
  }

  @Override
  public synchronized List<Gap> gaps(String className) {
    return gaps.computeIfAbsent(className, run::gaps);
  }

  @Override
  public Optional<Opened> accepted(String method) {
    return Optional.ofNullable(accepted.get(method));
  }

  @Override
  public double weight(String path) {
    return weights.applyAsDouble(path);
  }

  @Override
  public Optional<TestFigures> test(int number) {
    return Optional.ofNullable(tests.get(number));
  }

  @Override
  public TestHome home(String className) {
    return homes.home(className);
  }

  @Override
  public String classOf(TestFigures test) {
    return TestHomes.classOf(test.test().id());
  }
}
