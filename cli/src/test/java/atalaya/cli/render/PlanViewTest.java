package atalaya.cli.render;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.plan.Brief;
import atalaya.core.plan.Effort;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Way;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A plan as people read it. */
class PlanViewTest {
  private static final String QUOTE = "harbour.tariff.PilotageTariff#quote(Vessel,int)";

  private static Way way(
      List<String> calls, List<Way> also, Way.SetUp setUp, Way.Result result, int doubles) {
    List<Way.Step> steps =
        List.of(
            new Way.Step(QUOTE, 31, "vessel.draught() > depth", "true", 4),
            new Way.Step(QUOTE, 34, "gale", "false", 6));
    return new Way(calls, also, steps, Map.of(), setUp, result, doubles, List.of("Clock.now"));
  }

  /** Gains twice a number of paths, for a weight of 2, and is named by that number. */
  private static Brief brief(
      int number, Brief.Kind kind, Optional<Way> way, Brief.Start start, Effort effort) {
    boolean isCheck = kind == Brief.Kind.CHECK;
    return new Brief(
        "gap-" + number,
        number == 4 ? "" : "src/harbour/tariff/PilotageTariff.java",
        QUOTE,
        kind,
        way,
        List.of(QUOTE),
        number == 1 ? List.of("gap-1", "gap-9") : List.of("gap-" + number),
        isCheck ? new Brief.Opens(0, 0, 0) : new Brief.Opens(number, 1, number - 1),
        start,
        isCheck ? List.of("line 40: `fee + 1` is `fee - 1`") : List.of(),
        number,
        number == 2 ? 4 : number,
        effort,
        10,
        number == 4 ? List.of("nothing in the project calls it") : List.of());
  }

  private static Way zone(List<String> code) {
    return new Way(
        List.of("harbour.tariff.PilotageTariff#zone()"),
        List.of(),
        List.of(),
        Map.of(),
        new Way.SetUp(
            List.of(new Way.Given("pier", "int", "7", "", "set by moor")),
            code,
            List.of(),
            List.of(),
            Optional.empty()),
        new Way.Result(List.of("the result of zone", "`pier` is set to pier"), ""),
        0,
        List.of());
  }

  /** Two ways of one method, which part at the third condition. */
  private static Way repeated(boolean hasCode) {
    Way.Given gale = new Way.Given("gale", "boolean", "false", "", "");
    Way one = quote(hasCode, gale, new Way.Given("hours", "int", "3", "2 for less", ""), "true");
    Way other = quote(hasCode, gale, new Way.Given("hours", "int", "1", "", ""), "false");
    return Way.together(List.of(one, other), codes -> List.of(codes.get(0).get(0), "quote(1);"));
  }

  private static Way quote(boolean hasCode, Way.Given gale, Way.Given hours, String outcome) {
    Way.SetUp setUp =
        new Way.SetUp(
            List.of(gale, hours),
            hasCode ? List.of("quote(3);") : List.of(),
            List.of("Tide.of(" + hours.value() + ") throws nothing"),
            List.of(),
            Optional.empty());
    Way.Result result = new Way.Result(List.of("the result of quote, now " + outcome), "");
    Way way = way(List.of(QUOTE), List.of(), setUp, result, 0);
    List<Way.Step> steps = new ArrayList<>(way.steps());
    steps.add(new Way.Step(QUOTE, 36, "hours > 2", outcome, 8));
    return new Way(way.calls(), List.of(), steps, Map.of(), setUp, result, 0, way.surroundings());
  }

  private static PlanView view() {
    Way.Given draught =
        new Way.Given(
            "draught", "int", "41", "40 for `vessel.draught() > depth` the other way", "");
    Way.Given link =
        new Way.Given("link.send(String) throws Down", "boolean", "true", "", "a double does");
    Way first =
        way(
            List.of("harbour.Office#bill(Vessel)", QUOTE),
            List.of(),
            new Way.SetUp(
                List.of(draught, link),
                List.of("Vessel vessel = new Vessel(41);", "new Office().bill(vessel);"),
                List.of("Tide.check(..) throws nothing"),
                List.of("line 34: `gale` false"),
                Optional.of("line 35 takes an element that may be missing")),
            new Way.Result(List.of("throws Aground"), "Aground"),
            1);
    Way zone = zone(List.of());
    Way plain =
        way(
            List.of(QUOTE),
            List.of(zone),
            new Way.SetUp(
                List.of(
                    new Way.Given("hours", "int", "3", "", ""),
                    new Way.Given("pier", "int", "7", "", "set by moor")),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty()),
            new Way.Result(List.of("the result of quote, now 3"), ""),
            0);
    Way joined =
        way(
            List.of(QUOTE),
            List.of(zone(List.of("new PilotageTariff().zone();")), zone),
            new Way.SetUp(
                List.of(draught),
                List.of("new PilotageTariff().quote(null, 3);", "new PilotageTariff().zone();"),
                List.of(),
                List.of(),
                Optional.empty()),
            new Way.Result(List.of("the result of quote, now 3"), ""),
            0);
    Brief.Start fromTest =
        new Brief.Start(
            "OfficeTest.bills()",
            "harbour.OfficeTest",
            true,
            List.of("`gale` false", "`calm` true", "`night` true"));
    Brief.Start fromBrief = new Brief.Start("", "harbour.PilotTest", true, List.of());
    Brief.Start beside = new Brief.Start("PilotTest.pays()", "harbour.PilotTest", true, List.of());
    Brief.Example now = new Brief.Example("office.pays(3)", "PilotTest.java line 9");
    Brief.Start besideOne =
        new Brief.Start("PilotTest.pays()", "harbour.PilotTest", true, List.of(), List.of(now));
    Brief.Start newClass = new Brief.Start("", "harbour.PilotTest", false, List.of());
    List<Brief> briefs =
        List.of(
            brief(
                1,
                Brief.Kind.REACH,
                Optional.of(first),
                fromTest,
                Effort.of(Effort.Base.EXTEND, first)),
            brief(
                2,
                Brief.Kind.REACH,
                Optional.of(plain),
                fromBrief,
                Effort.of(Effort.Base.EXTEND, plain)),
            brief(
                3,
                Brief.Kind.CHECK,
                Optional.empty(),
                beside,
                Effort.of(Effort.Base.EXTEND, Way.NONE)),
            brief(
                4,
                Brief.Kind.REACH,
                Optional.of(joined),
                newClass,
                Effort.of(Effort.Base.NEW_CLASS, joined)),
            brief(
                5,
                Brief.Kind.REACH,
                Optional.of(repeated(true)),
                beside,
                Effort.of(Effort.Base.NEW_TEST, repeated(true))),
            brief(
                6,
                Brief.Kind.REACH,
                Optional.of(repeated(false)),
                besideOne,
                Effort.of(Effort.Base.NEW_TEST, repeated(false))));
    List<Remedy> remedies =
        List.of(
            new Remedy(Remedy.Kind.DELETE, "harbour.Old#a()", 3, true, "delete a"),
            new Remedy(Remedy.Kind.DELETE, "harbour.Rope#a()", 2, true, "delete a"),
            new Remedy(Remedy.Kind.DELETE, "harbour.Rope#b(int)", 1, true, "delete b"),
            new Remedy(Remedy.Kind.DELETE, "harbour.Rope#c()", 1, true, "delete c"),
            new Remedy(Remedy.Kind.DELETE, "harbour.Rope#d()", 1, true, "delete d"),
            new Remedy(Remedy.Kind.DELETE, "harbour.Old#b(\u001b[31mint)", 1.5, false, "delete b"),
            new Remedy(Remedy.Kind.CHALLENGE, "", 0, false, "challenge: of 12.00 paths"));
    return new PlanView(new Plan(briefs, 60, 50, 7), remedies, 15, 90);
  }

  @Test
  void isAListOfTwoLinesForEachTest() {
    assertThat(String.join("\n", view().lines(Paint.none())))
        .isEqualTo(
            """
             1  PilotageTariff#quote(Vessel,int)  gap-1
                -1.00 unwatched paths in 1 h; reaches 1 line, 1 outcome
                from OfficeTest.bills(), with `gale` false, `calm` true, ...
                may fail: line 35 takes an element that may be missing
             2  PilotageTariff#quote(Vessel,int)  gap-2
                -2.00 unwatched paths in 30 min; reaches 2 lines, 1 outcome, 1 new method, weight 2.00
                and with it zone()
                from the test of the brief above for this method
             3  PilotageTariff#quote(Vessel,int)  gap-3
                -3.00 unwatched paths in 15 min
                assert more in PilotTest.pays()
                no test notices when `fee + 1` is `fee - 1`
             4  PilotageTariff#quote(Vessel,int)  gap-4
                -4.00 unwatched paths in 1 h 15 min; reaches 4 lines, 1 outcome, 3 new methods
                and with it zone()
                a new test class PilotTest
             5  PilotageTariff#quote(Vessel,int)  gap-5
                -5.00 unwatched paths in 1 h; reaches 5 lines, 1 outcome, 4 new methods
                2 ways through it in one test
                a new test in PilotTest, beside PilotTest.pays()
             6  PilotageTariff#quote(Vessel,int)  gap-6
                -6.00 unwatched paths in 1 h; reaches 6 lines, 1 outcome, 5 new methods
                2 ways through it in one test
                a new test in PilotTest, beside PilotTest.pays()

            6 tests, 5 h, unwatched paths 60.00 → 50.00; not looked at: 7 methods that may gain less
            1 brief: the run has no source: conditions are told by their line (observe with --sources DIR)

            Better than a test, perhaps
              delete what nothing calls: Old#b(?[31mint) (-1.50)
              delete what nothing in the project calls, unless code outside does: 4 methods of Rope
                (-5.00); Old#a() (-3.00)
              challenge: of 12.00 paths""");
  }

  @Test
  void tellsAllThatATestTakes() {
    assertThat(String.join("\n", view().full(Paint.none())))
        .isEqualTo(
            """
            1  PilotageTariff#quote(Vessel,int)  gap-1
               where      src/harbour/tariff/PilotageTariff.java
               gain       unwatched paths 10.00 → 9.00; reaches 1 line, 1 outcome
               effort     1 h: extends a test, a double, through another method, depends on its
                            surroundings
               closes     gap-1, gap-9
               start      from OfficeTest.bills(), with `gale` false, `calm` true, `night` true
               call       harbour.Office#bill(Vessel) →
                            harbour.tariff.PilotageTariff#quote(Vessel,int)
               way        line 31: `vessel.draught() > depth` true
                          line 34: `gale` false
               with       draught = 41; beside it 40 for `vessel.draught() > depth` the other way
                          link.send(String) throws Down  (a double does)
               code       Vessel vessel = new Vessel(41);
                          new Office().bill(vessel);
               as long as Tide.check(..) throws nothing
               open       line 34: `gale` false
               may fail   line 35 takes an element that may be missing
               assert     throws Aground
               depends on Clock.now

            2  PilotageTariff#quote(Vessel,int)  gap-2
               where      src/harbour/tariff/PilotageTariff.java
               gain       unwatched paths 10.00 → 8.00, weight 2.00; reaches 2 lines, 1 outcome, 1 new
                            method
               effort     30 min: extends a test, depends on its surroundings, calls 2 methods
               closes     gap-2
               start      from the test of the brief above for this method
               each with  pier = 7  (set by moor)
               call       quote(Vessel,int)
               way        line 31: `vessel.draught() > depth` true
                          line 34: `gale` false
               with       hours = 3
               assert     the result of quote, now 3
               call       zone()
               assert     the result of zone
                          `pier` is set to pier
               depends on Clock.now

            3  PilotageTariff#quote(Vessel,int)  gap-3
               where      src/harbour/tariff/PilotageTariff.java
               gain       unwatched paths 10.00 → 7.00
               effort     15 min: extends a test
               closes     gap-3
               start      assert more in PilotTest.pays()
               assert     that it is noticed when line 40: `fee + 1` is `fee - 1`

            4  PilotageTariff#quote(Vessel,int)  gap-4
               where      the run has no source: conditions are told by their line (observe with
                            --sources DIR)
               gain       unwatched paths 10.00 → 6.00; reaches 4 lines, 1 outcome, 3 new methods
               effort     1 h 15 min: a new test class, depends on its surroundings, calls 2 methods,
                            takes 3 ways
               closes     gap-4
               start      a new test class PilotTest
               way        quote, line 31: `vessel.draught() > depth` true
                          line 34: `gale` false
               with       draught = 41; beside it 40 for `vessel.draught() > depth` the other way
               code       new PilotageTariff().quote(null, 3);
               assert     the result of quote, now 3
               code       new PilotageTariff().zone();
               assert     the result of zone; `pier` is set to 7
               call       zone()
               with       pier = 7  (set by moor)
               assert     the result of zone
                          `pier` is set to pier
               depends on Clock.now
               note       nothing in the project calls it

            5  PilotageTariff#quote(Vessel,int)  gap-5
               where      src/harbour/tariff/PilotageTariff.java
               gain       unwatched paths 10.00 → 5.00; reaches 5 lines, 1 outcome, 4 new methods
               effort     1 h: a new test, depends on its surroundings, takes 2 ways
               closes     gap-5
               start      a new test in PilotTest, beside PilotTest.pays()
               way 1      line 31: `vessel.draught() > depth` true
                          line 34: `gale` false
                          line 36: `hours > 2` true
               with       hours = 3; beside it 2 for less
               code       quote(3);
               assert     the result of quote, now true
               way 2      the first 2 conditions of way 1
                          line 36: `hours > 2` false
               code       quote(1);
               assert     the result of quote, now false
               as long as Tide.of(3) throws nothing
                          Tide.of(1) throws nothing
               depends on Clock.now

            6  PilotageTariff#quote(Vessel,int)  gap-6
               where      src/harbour/tariff/PilotageTariff.java
               gain       unwatched paths 10.00 → 4.00; reaches 6 lines, 1 outcome, 5 new methods
               effort     1 h: a new test, depends on its surroundings, takes 2 ways
               closes     gap-6
               start      a new test in PilotTest, beside PilotTest.pays()
               a test has office.pays(3)  (PilotTest.java line 9)
               each with  gale = false
               way 1      line 31: `vessel.draught() > depth` true
                          line 34: `gale` false
                          line 36: `hours > 2` true
               with       hours = 3; beside it 2 for less
               as long as Tide.of(3) throws nothing
               assert     the result of quote, now true
               way 2      the first 2 conditions of way 1
                          line 36: `hours > 2` false
               with       hours = 1
               as long as Tide.of(1) throws nothing
               assert     the result of quote, now false
               depends on Clock.now

            6 tests, 5 h, unwatched paths 60.00 → 50.00; not looked at: 7 methods that may gain less

            Better than a test, perhaps
              delete what nothing calls: Old#b(?[31mint) (-1.50)
              delete what nothing in the project calls, unless code outside does: Rope: a(), b(int),
                c(), d() (-5.00); Old#a() (-3.00)
              challenge: of 12.00 paths""");
  }

  @Test
  void canBePastedIntoAnIssue() {
    assertThat(String.join("\n", view().markdown()))
        .isEqualTo(
            """
            # Tests to write next

            6 tests, 5 h, unwatched paths 60.00 → 50.00; not looked at: 7 methods that may gain less

            ## 1. `PilotageTariff#quote(Vessel,int)`

            - **where**: src/harbour/tariff/PilotageTariff.java
            - **gain**: unwatched paths 10.00 → 9.00; reaches 1 line, 1 outcome
            - **effort**: 1 h: extends a test, a double, through another method, depends on its surroundings
            - **closes**: gap-1, gap-9
            - **start**: from OfficeTest.bills(), with `gale` false, `calm` true, `night` true
            - **call**: harbour.Office#bill(Vessel) → harbour.tariff.PilotageTariff#quote(Vessel,int)
            - **way**:
              - line 31: `vessel.draught() > depth` true
              - line 34: `gale` false
            - **with**:
              - draught = 41; beside it 40 for `vessel.draught() > depth` the other way
              - link.send(String) throws Down  (a double does)
            ```java
            Vessel vessel = new Vessel(41);
            new Office().bill(vessel);
            ```
            - **as long as**: Tide.check(..) throws nothing
            - **open**: line 34: `gale` false
            - **may fail**: line 35 takes an element that may be missing
            - **assert**: throws Aground
            - **depends on**: Clock.now

            ## 2. `PilotageTariff#quote(Vessel,int)`

            - **where**: src/harbour/tariff/PilotageTariff.java
            - **gain**: unwatched paths 10.00 → 8.00, weight 2.00; reaches 2 lines, 1 outcome, 1 new method
            - **effort**: 30 min: extends a test, depends on its surroundings, calls 2 methods
            - **closes**: gap-2
            - **start**: from the test of the brief above for this method
            - **each with**: pier = 7  (set by moor)
            - **call**: quote(Vessel,int)
            - **way**:
              - line 31: `vessel.draught() > depth` true
              - line 34: `gale` false
            - **with**: hours = 3
            - **assert**: the result of quote, now 3
            - **call**: zone()
            - **assert**:
              - the result of zone
              - `pier` is set to pier
            - **depends on**: Clock.now

            ## 3. `PilotageTariff#quote(Vessel,int)`

            - **where**: src/harbour/tariff/PilotageTariff.java
            - **gain**: unwatched paths 10.00 → 7.00
            - **effort**: 15 min: extends a test
            - **closes**: gap-3
            - **start**: assert more in PilotTest.pays()
            - **assert**: that it is noticed when line 40: `fee + 1` is `fee - 1`

            ## 4. `PilotageTariff#quote(Vessel,int)`

            - **where**: the run has no source: conditions are told by their line (observe with --sources DIR)
            - **gain**: unwatched paths 10.00 → 6.00; reaches 4 lines, 1 outcome, 3 new methods
            - **effort**: 1 h 15 min: a new test class, depends on its surroundings, calls 2 methods, takes 3 ways
            - **closes**: gap-4
            - **start**: a new test class PilotTest
            - **way**:
              - quote, line 31: `vessel.draught() > depth` true
              - line 34: `gale` false
            - **with**: draught = 41; beside it 40 for `vessel.draught() > depth` the other way
            ```java
            new PilotageTariff().quote(null, 3);
            ```
            - **assert**: the result of quote, now 3
            ```java
            new PilotageTariff().zone();
            ```
            - **assert**: the result of zone; `pier` is set to 7
            - **call**: zone()
            - **with**: pier = 7  (set by moor)
            - **assert**:
              - the result of zone
              - `pier` is set to pier
            - **depends on**: Clock.now
            - **note**: nothing in the project calls it

            ## 5. `PilotageTariff#quote(Vessel,int)`

            - **where**: src/harbour/tariff/PilotageTariff.java
            - **gain**: unwatched paths 10.00 → 5.00; reaches 5 lines, 1 outcome, 4 new methods
            - **effort**: 1 h: a new test, depends on its surroundings, takes 2 ways
            - **closes**: gap-5
            - **start**: a new test in PilotTest, beside PilotTest.pays()
            - **way 1**:
              - line 31: `vessel.draught() > depth` true
              - line 34: `gale` false
              - line 36: `hours > 2` true
            - **with**: hours = 3; beside it 2 for less
            ```java
            quote(3);
            ```
            - **assert**: the result of quote, now true
            - **way 2**:
              - the first 2 conditions of way 1
              - line 36: `hours > 2` false
            ```java
            quote(1);
            ```
            - **assert**: the result of quote, now false
            - **as long as**:
              - Tide.of(3) throws nothing
              - Tide.of(1) throws nothing
            - **depends on**: Clock.now

            ## 6. `PilotageTariff#quote(Vessel,int)`

            - **where**: src/harbour/tariff/PilotageTariff.java
            - **gain**: unwatched paths 10.00 → 4.00; reaches 6 lines, 1 outcome, 5 new methods
            - **effort**: 1 h: a new test, depends on its surroundings, takes 2 ways
            - **closes**: gap-6
            - **start**: a new test in PilotTest, beside PilotTest.pays()
            - **a test has**: office.pays(3)  (PilotTest.java line 9)
            - **each with**: gale = false
            - **way 1**:
              - line 31: `vessel.draught() > depth` true
              - line 34: `gale` false
              - line 36: `hours > 2` true
            - **with**: hours = 3; beside it 2 for less
            - **as long as**: Tide.of(3) throws nothing
            - **assert**: the result of quote, now true
            - **way 2**:
              - the first 2 conditions of way 1
              - line 36: `hours > 2` false
            - **with**: hours = 1
            - **as long as**: Tide.of(1) throws nothing
            - **assert**: the result of quote, now false
            - **depends on**: Clock.now

            ## Better than a test, perhaps

            - delete what nothing calls: Old#b(?[31mint) (-1.50)
            - delete what nothing in the project calls, unless code outside does: Rope: a(), b(int), c(), d() (-5.00); Old#a() (-3.00)
            - challenge: of 12.00 paths""");
  }
}
