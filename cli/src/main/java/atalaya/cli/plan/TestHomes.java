package atalaya.cli.plan;

import atalaya.core.plan.Scene.TestHome;
import atalaya.java.checks.TestPlace;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Where tests are, and where new ones belong. */
final class TestHomes {
  private final Set<String> testClasses;

  /** Of the test classes of a run, by binary name. */
  TestHomes(Set<String> testClasses) {
    this.testClasses = new TreeSet<>(testClasses);
  }

  /** The class that is named after a class, the usual ways; else the one to make. */
  TestHome home(String className) {
    String outer = className.replaceAll("\\$.*", "");
    int dot = outer.lastIndexOf('.');
    String simple = outer.substring(dot + 1);
    List<String> usual =
        List.of(simple + "Test", simple + "Tests", "Test" + simple, simple + "TestCase");
    for (String name : usual) {
      String inPackage = outer.substring(0, dot + 1) + name;
      Optional<String> found =
          testClasses.contains(inPackage)
              ? Optional.of(inPackage)
              : testClasses.stream().filter(t -> t.endsWith("." + name)).findFirst();
      if (found.isPresent()) {
        return new TestHome(found.get(), true);
      }
    }
    return new TestHome(outer + "Test", false);
  }

  /** The class of a test, by the framework's id for it; empty where that does not tell. */
  static String classOf(String id) {
    return TestPlace.of(id).map(TestPlace::className).orElse("");
  }
}
