package atalaya.core.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.Opened;
import atalaya.core.run.ClassReach;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;

/** What is planned for: a run, as far as a plan asks for it. */
public interface Scene {
  /** The model of a class, by binary name; empty when it can't be made. */
  Optional<CodeClass> code(String className);

  /** The methods of that model. */
  default List<MethodPoints> methods(String className) {
    return code(className).map(MethodPoints::of).orElse(List.of());
  }

  /** What was reached of a class, by whom. */
  ClassReach reach(String className);

  /** The points of a class that were reached by anyone; not to be changed. */
  default BitSet reached(String className) {
    return reach(className).all();
  }

  /** A method's figures, by qualified name; empty for one that does not count. */
  Optional<MethodFigures> figures(String method);

  /** The gaps of a class. */
  List<Gap> gaps(String className);

  /** What was accepted of a method, by qualified name; empty for nothing. */
  Optional<Opened> accepted(String method);

  /** How much a path matters. */
  double weight(String path);

  /** A test that passed, by its number; empty for one that did not. */
  Optional<TestFigures> test(int number);

  /** Where a new test of a class belongs. */
  TestHome home(String className);

  /** The class of a test. */
  String classOf(TestFigures test);

  /**
   * The class in which a test belongs.
   *
   * @param name binary
   */
  record TestHome(String name, boolean exists) {}
}
