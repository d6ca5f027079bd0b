package atalaya.worker;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Fault;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Disabled;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What comes of tests, whichever framework runs them. */
class BenchTest {
  private static final int METHOD = 3;
  private static final int MUTANT = 7;
  private static final List<String> RAN = Collections.synchronizedList(new ArrayList<>());

  private final Watch watch = new Watch(Thread.currentThread(), () -> RAN.add("given up"));
  private final Bench bench = new Bench(watch);

  /** Of JUnit 5. */
  static class New {
    @Test
    void passes() {
      ran("passes");
    }

    @Test
    void fails() {
      ran("fails");
      throw new IllegalStateException("the buoy\n is adrift");
    }

    @Test
    void goesOn() {
      goOn();
    }

    @Test
    @Disabled
    void isLeftOut() {}

    @Test
    void assumes() {
      Assumptions.assumeTrue(false);
    }
  }

  /** Whose set-up fails. */
  static class NewSetUp {
    @org.junit.jupiter.api.BeforeAll
    static void setUp() {
      throw new IllegalStateException("no quay");
    }

    @Test
    void passes() {}
  }

  /** Of JUnit 4. */
  public static class Notified {
    @org.junit.Test
    public void passes() {
      ran("passes");
    }

    @org.junit.Test
    public void fails() {
      ran("fails");
      throw new IllegalStateException("the buoy\n is adrift");
    }

    @org.junit.Test
    public void goesOn() {
      goOn();
    }

    @org.junit.Test
    @org.junit.Ignore
    public void isLeftOut() {}

    @org.junit.Test
    public void assumes() {
      org.junit.Assume.assumeTrue(false);
    }
  }

  /** Whose set-up fails. */
  public static class NotifiedSetUp {
    @org.junit.BeforeClass
    public static void setUp() {
      throw new IllegalStateException("no quay");
    }

    @org.junit.Test
    public void passes() {}
  }

  /** Of JUnit 3. */
  public static class Old extends junit.framework.TestCase {
    /** Passes. */
    public void testPasses() {
      ran("testPasses");
    }

    /** Fails. */
    public void testFails() {
      ran("testFails");
      throw new IllegalStateException("the buoy\n is adrift");
    }

    /** Goes on. */
    public void testGoesOn() {
      goOn();
    }
  }

  /** Of TestNG. */
  public static class Ng {
    @org.testng.annotations.Test
    public void passes() {
      ran("passes");
    }

    @org.testng.annotations.Test
    public void fails() {
      ran("fails");
      throw new IllegalStateException("the buoy\n is adrift");
    }

    @org.testng.annotations.Test
    public void goesOn() {
      goOn();
    }

    @org.testng.annotations.Test
    public void assumes() {
      throw new org.testng.SkipException("no wind");
    }
  }

  /** Whose set-up fails. */
  public static class NgSetUp {
    @org.testng.annotations.BeforeClass
    public void setUp() {
      throw new IllegalStateException("no quay");
    }

    @org.testng.annotations.Test
    public void passes() {}
  }

  private static void ran(String name) {
    RAN.add(name + " " + Fault.method + " " + Fault.mutant);
  }

  private static void goOn() {
    while (true) {
      Fault.step();
    }
  }

  @BeforeEach
  void forget() {
    RAN.clear();
  }

  @AfterEach
  void leavesNothingBehind() {
    assertThat(Fault.mutant).isEqualTo(Fault.NONE);
    assertThat(Fault.method).isEqualTo(Fault.NONE);
    assertThat(Fault.steps).isEqualTo(Long.MAX_VALUE);
  }

  private static TestRef test(int number, int framework, String type, String name, boolean fit) {
    String container = BenchTest.class.getName() + "$" + type;
    String id = container + "." + name;
    if (framework == Message.PLATFORM) {
      id = "[engine:junit-jupiter]/[class:" + container + "]/[method:" + name + "()]";
    } else if (framework != Message.NG) {
      id = name + "(" + container + ")";
    }
    return new TestRef(number, framework, container, id, fit, 1, 1);
  }

  private List<TestRef> tests(int framework, String type, boolean fit, String... names) {
    List<TestRef> tests = new ArrayList<>();
    for (String name : names) {
      tests.add(test(tests.size() + 1, framework, type, name, fit));
    }
    bench.known(tests);
    return tests;
  }

  private static List<String> shown(List<Bench.Result> results) {
    return results.stream()
        .map(r -> r.test.number + " " + r.verdict + " " + Deciding.words(r.failure))
        .sorted()
        .collect(Collectors.toList());
  }

  @ParameterizedTest
  @CsvSource({
    "1, New,      passes fails goesOn isLeftOut assumes",
    "2, Notified, passes fails goesOn isLeftOut assumes",
    "2, Old,      testPasses testFails testGoesOn",
    "3, Old,      testPasses testFails testGoesOn",
    "4, Ng,       passes fails goesOn assumes",
  })
  void eachFrameworkTellsTheSame(int framework, String type, String names) {
    List<TestRef> tests = tests(framework, type, true, names.split(" "));
    List<String> expected =
        new ArrayList<>(
            Arrays.asList(
                "1 " + Message.PASSED + " ",
                "2 " + Message.FAILED + " IllegalStateException: the buoy is adrift",
                "3 " + Message.SPENT + " Spent: this test went on for too long"));
    for (int left = 4; left <= tests.size(); left++) {
      expected.add(left + " " + Message.SKIPPED + " ");
    }
    List<Bench.Result> results = bench.run(tests, METHOD, MUTANT, false);
    assertThat(shown(results)).isEqualTo(expected);
    assertThat(results)
        .filteredOn(r -> r.verdict == Message.SPENT)
        .allMatch(r -> r.steps > 200_000);
    assertThat(RAN).as("with the mutant").hasSize(2).allMatch(ran -> ran.endsWith(" 3 7"));
  }

  @ParameterizedTest
  @CsvSource({"1, NewSetUp", "2, NotifiedSetUp", "4, NgSetUp"})
  void whatIsSetUpForAllMayNotice(int framework, String type) {
    List<Bench.Result> results =
        bench.run(tests(framework, type, true, "passes"), METHOD, MUTANT, true);
    assertThat(results).anyMatch(Bench.Result::isNoticed);
    assertThat(shown(results).get(0)).isEqualTo("1 1 IllegalStateException: no quay");
  }

  @ParameterizedTest
  @CsvSource({"1, New", "2, Notified", "4, Ng"})
  void onlyWhatIsWantedRuns(int framework, String type) {
    List<TestRef> known = tests(framework, type, false, "passes", "fails");
    bench.run(known.subList(0, 1), METHOD, MUTANT, true);
    assertThat(RAN).containsExactly("passes 3 7");
  }

  @Test
  void whereOneIsEnoughTheNextFrameworkIsNotAsked() {
    List<TestRef> tests = new ArrayList<>();
    tests.add(test(1, Message.NOTIFIER, "Notified", "fails", true));
    tests.add(test(2, Message.NG, "Ng", "passes", true));
    bench.known(tests);
    assertThat(bench.run(tests, METHOD, MUTANT, false)).hasSize(2);
    assertThat(bench.run(tests, METHOD, MUTANT, true)).hasSize(1);
  }

  @Test
  void aClassThatIsGoneIsNoticed() {
    for (int framework : new int[] {Message.NOTIFIER, Message.OLD, Message.NG}) {
      List<TestRef> gone = tests(framework, "Gone", true, "passes");
      assertThat(bench.run(gone, METHOD, MUTANT, true))
          .as("framework %s", framework)
          .singleElement()
          .matches(Bench.Result::isNoticed);
    }
  }
}
