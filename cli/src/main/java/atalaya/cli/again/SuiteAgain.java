package atalaya.cli.again;

import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.naming.Target;
import atalaya.core.run.ClassReach;
import atalaya.core.suite.Kinds;
import atalaya.core.suite.Suite;
import atalaya.java.checks.Checks;
import atalaya.java.checks.TestPlace;
import atalaya.store.runfile.RunFile;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Looks at the tests of a run, from the reach and the test classes it keeps. */
public final class SuiteAgain {
  private final RunFile run;

  /** Of a run. */
  public SuiteAgain(RunFile run) {
    this.run = run;
  }

  /** Kinds of tests beside each other. */
  public List<Kinds.Figures> kinds(Kinds kinds) {
    List<ClassSummary> counted = run.allClasses().stream().filter(ClassSummary::counts).toList();
    Map<String, ClassReach> reach = run.allReach();
    return kinds.beside(
        run.tests(),
        new ModelAgain(run).code(counted),
        name -> reach.getOrDefault(name, ClassReach.none()));
  }

  /** All tests. */
  public Suite suite() {
    Checks checks = Checks.in(run.testClasses().stream().map(KeptClass::bytes).toList());
    return Suite.of(
        run.tests(),
        run.allReach(),
        test -> TestPlace.of(test.test().id()).map(checks::noneFound).orElse(false));
  }

  /**
   * The numbers of the tests that reach a part of the code.
   *
   * @param named the methods that the target names
   */
  public Set<Integer> reaching(Target target, List<MethodFigures> named) {
    Set<MethodFigures> wanted = new HashSet<>(named);
    List<ClassSummary> classes =
        run.someClasses(target::mayMean).stream()
            .filter(type -> type.methods().stream().anyMatch(wanted::contains))
            .toList();
    Set<String> names = new HashSet<>();
    wanted.forEach(method -> names.add(method.qualifiedName()));
    Set<Integer> tests = new HashSet<>();
    new ModelAgain(run)
        .insides(classes, Optional.empty()).stream()
            .flatMap(inside -> inside.methods().stream())
            .filter(method -> names.contains(method.figures().qualifiedName()))
            .flatMap(method -> method.tests().stream())
            .map(TestFigures::test)
            .forEach(test -> tests.add(test.number()));
    return tests;
  }
}
