package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The tour, and what is there to be found in its project. */
class DemoTest {
  @TempDir Path temporary;

  @Test
  void showsEachStepAndFindsWhatIsThere() throws IOException {
    Shipped.Result tour =
        Shipped.withoutNetwork(temporary, Map.of("MAVEN_ARGS", "-q"), "demo", "--keep", "harbour");
    assertThat(tour.exitCode()).as(tour.out() + tour.err()).isZero();
    assertThat(tour.out())
        .contains("$ atalaya observe", "$ atalaya rank", "BerthTariff#quote", "unwatched")
        .contains("5.00", "2.00")
        .contains("$ atalaya survey", "classes     25/27", "LegacyTariff (never loaded)")
        .contains("^ `catch (LinkDown e)` never entered, opens up 3 lines, 4 outcomes")
        .contains("footing to change it: none; reach is below 0.50")
        .contains("tests added: 1 (LinkDownTest.keepsWhatWasNotSent())")
        .contains("9 gaps closed", "-2.82  5/9 > 9/9  3/8 > 7/8  NoticeBoard#send(Notice)");
    Path harbour = temporary.resolve("harbour");

    String tests = Shipped.run(harbour, "export", "tests").out();
    assertThat(tests.lines().count()).isEqualTo(79);
    assertThat(tests)
        .as("parameterized, repeated, dynamic, nested, JUnit 4")
        .contains("SeasonTest.hasARate(int,Season,int) [1] ")
        .contains("PilotRotaTest.takesTurns() [repetition 2 of 2]")
        .contains("MainTest.obeys() [an arrival]")
        .contains("BerthPlanTest.NightsSold.countsNights()")
        .contains("LogbookTest.finds()");

    String outcomes = Shipped.ask(harbour, "export", "outcomes").out();
    assertThat(outcomes)
        .contains("isCompulsory(Vessel),14,vessel.metres() >= 60,true,false")
        .contains("send(Notice),50,attempt == TRIES,true,true")
        .contains("rate(),29,switch (this),default,false")
        .contains("rate(),29,switch (this),WINTER,true,,1");

    String methods = Shipped.ask(harbour, "export", "methods").out();
    assertThat(methods)
        .contains("\"quote(Vessel,Stay,boolean,int,String)\",27,")
        .contains("report(Declaration),54,63,2,source,7,7,2,2,1,0,0,1.0,,0.0,,0.0,low")
        .contains("LegacyTariff,");

    asksAboutTheInside(harbour);
    plans(harbour);
    decides(harbour);

    merges(harbour);

    Files.writeString(
        harbour.resolve("src/main/java/harbour/tariff/Season.java"), "package harbour.tariff;\n");
    assertThat(Shipped.run(harbour).out()).contains("changed since: 1 class (Season)");
    Shipped.Result broken = Shipped.run(harbour, "observe");
    assertThat(broken.exitCode()).isEqualTo(3);
    assertThat(broken.err()).contains("nothing was observed", "does the project compile?");
    assertThat(Shipped.run(harbour, "demo", "--keep", ".").errLine()).contains("exists already");
  }

  /** What is in a run already adds nothing. */
  private static void merges(Path harbour) {
    Shipped.Result first =
        Shipped.run(harbour, "observe", "--name", "a", "--tests", "BerthTest,MainTest");
    assertThat(first.exitCode()).isZero();
    assertThat(first.err()).contains("5 tests", "no earlier run like it");
    Shipped.Result added =
        Shipped.run(harbour, "observe", "--name", "b", "--add", "--tests", "SeasonTest");
    assertThat(added.err()).contains("Added to run a", "2 recordings and 9 tests");
    assertThat(Shipped.run(harbour, "merge", "b", "a", "--name", "ba").exitCode()).isZero();
    for (String table : new String[] {"lines", "tests", "gaps"}) {
      assertThat(Shipped.ask(harbour, "export", table, "--run", "ba").out())
          .isEqualTo(Shipped.ask(harbour, "export", table, "--run", "b").out());
    }
    assertThat(Shipped.ask(harbour, "merge", "a", "--name", "a").errLine())
        .contains("there already");
    assertThat(Shipped.ask(harbour, "compare", "a", "b").out())
        .contains("different in how they were made", "tests added: 4");
  }

  private static void asksAboutTheInside(Path harbour) throws IOException {
    assertThat(Shipped.ask(harbour, "inspect", "ManifestReader:72").out())
        .contains("3 tests reach it; the closest")
        .contains("   8  ManifestReaderTest.hasNoProblemsWithGoodLines()")
        .containsPattern("71 +1 test \\|         hazard = text.charAt")
        .containsPattern("73 +never >         hazard = text.charAt")
        .contains("^ `text.length() == 3` never evaluated  true: readLine-");
    assertThat(Shipped.ask(harbour, "inspect", "NoticeBoard", "--test", "takesDown").out())
        .contains("only what this test reaches: NoticeBoardTest.takesDown()")
        .containsPattern("43 +never > ")
        .containsPattern("66 +1 test \\| ");
    assertThat(Shipped.ask(harbour, "inspect", "NoticeBoard", "--test", "reads").errLine())
        .contains("may mean 8 tests");
    assertThat(Shipped.ask(harbour, "inspect", "Season", "--lines", "9-x").exitCode()).isEqualTo(2);
    assertThat(Shipped.ask(harbour, "suite", "--idle", "--format", "csv").out())
        .contains("CustomsDeskTest.reports()")
        .hasLineCount(2);
    assertThat(Shipped.ask(harbour, "suite", "--on", "NoticeBoard#send", "--format", "csv").out())
        .contains("readsOut()", "readsUrgentOnesThreeTimes()", "keepsWhatWasNotSent()")
        .hasLineCount(4);
    Files.writeString(
        harbour.resolve("atalaya.yaml"), "kinds: {office: [HarbourOffice*, MainTest], rest: '*'}");
    assertThat(Shipped.ask(harbour, "suite", "--by-kind", "--format", "csv").out())
        .containsPattern("office,5,\\d+,138,47,38,16")
        .containsPattern("rest,73,");
    Files.delete(harbour.resolve("atalaya.yaml"));
    String gaps = Shipped.ask(harbour, "export", "gaps").out();
    assertThat(gaps)
        .containsPattern("quote-\\w{7},unused,.*,27,,,41,60,1,")
        .containsPattern("obey-\\w{7},outcome,.*\"\"report\"\"\",2,0,1,")
        .containsPattern(
            "readLine-\\w{7},handler,.*,56,catch \\(IllegalArgumentException e\\),,3,0,0,");
  }

  /** The run has one test more than the one before, which planned it. */
  private static void plans(Path harbour) throws IOException {
    Shipped.Result plan = Shipped.ask(harbour, "plan", "--tests", "3");
    List<String> lines = plan.out().lines().toList();
    assertThat(lines.get(5)).startsWith(" 1  ManifestReader#readLine(String,int,Manifest)");
    assertThat(plan.out())
        .contains(
            "from ManifestReaderTest.hasNoProblemsWithGoodLines(), with `fields.length <= WEIGHT` true")
        .contains("may fail: line 41 takes an element that may be missing")
        .contains("BerthTariff#quote(Vessel,Stay,boolean,int,String)")
        .containsPattern("3 tests, 2 h, unwatched paths \\d+\\.\\d\\d → ")
        .contains(
            "delete what nothing in the project calls", "LegacyTariff#quote(Vessel,Stay) (-2.00)");
    assertThat(Shipped.ask(harbour, "plan", "ManifestReader:96", "--full").out())
        .contains("`text.endsWith(\"lb\")` true", "ManifestReader.weight(\"")
        .contains("1 test, 10 min");
    assertThat(Shipped.ask(harbour, "plan", "CustomsDesk#perMille", "--full").out())
        .contains(
            "a test has desk.duty(declaration(\"AM-HUS\", CargoKind.BULK, 0))  (CustomsDeskTest.java line 25)");
    assertThat(Shipped.ask(harbour, "plan", "harbour.tide", "--format", "csv").out())
        .startsWith("name,kind,path,method,gain,minutes,")
        .contains(",check,src/main/java/harbour/tide/TideTable.java,");

    assertThat(Shipped.ask(harbour, "plan", "--budget", "30m").out())
        .contains("1  ManifestReader#readLine", "2 tests, 30 min, ");
    assertThat(Shipped.ask(harbour, "plan", "--until", "75%", "--format", "csv").out().lines())
        .hasSize(3);
    assertThat(Shipped.ask(harbour, "plan", "--done", "--tests", "60").out())
        .containsPattern("done +3\\.54  6/7 +send-\\w{7} +NoticeBoard#send")
        .contains("3 of 52 briefs done; promised 5.54 unwatched paths, bought 5.19");
  }

  private static long accepted(Path harbour, String table) {
    return Shipped.ask(harbour, "export", table)
        .out()
        .lines()
        .filter(row -> row.endsWith(",accept"))
        .filter(row -> row.contains(",false,"))
        .count();
  }

  private static void decides(Path harbour) throws IOException {
    String before = Shipped.ask(harbour, "survey").out();
    assertThat(before).contains("lines     345/472").doesNotContain("accepted:");
    assertThat(
            Shipped.run(harbour, "decide", "Main#main", "--accept", "--because", "only starts it")
                .out())
        .contains("1 decision recorded");
    assertThat(Shipped.ask(harbour, "survey").out())
        .contains("accepted: 4 lines, 2 outcomes (1 whole method) by 1 decision")
        .contains("lines     345/468");
    assertThat(Shipped.ask(harbour, "inspect", "Main#main").out()).contains("(decided: accept)");
    assertThat(accepted(harbour, "lines")).isEqualTo(4);
    assertThat(accepted(harbour, "outcomes")).isEqualTo(2);
    assertThat(Shipped.ask(harbour, "gaps", "--decided").out())
        .contains("accept, holds  harbour.office.Main#main(String[])", "only starts it");
    Path file = harbour.resolve("atalaya-decisions.yaml");
    String gap = Files.readAllLines(file).get(1).replace(":", "");
    Files.writeString(file, Files.readString(file).replaceAll("code: .*", "code: '0'"));
    assertThat(Shipped.ask(harbour, "gaps", "--decided").out()).contains("its code changed");
    assertThat(Shipped.ask(harbour, "survey").out()).doesNotContain("accepted:");
    assertThat(Shipped.ask(harbour, "decide", gap, "--withdraw").exitCode()).isZero();
    assertThat(Shipped.ask(harbour, "gaps", "--decided").out()).contains("nothing was decided");
    assertThat(
            Shipped.ask(harbour, "decide", "quote-2222222", "--test", "--because", "x").errLine())
        .contains("no gap named \"quote-2222222\"");
    Files.writeString(file, "<<<<<<< HEAD\n");
    Shipped.Result conflict = Shipped.ask(harbour, "survey");
    assertThat(conflict.exitCode()).isEqualTo(3);
    assertThat(conflict.errLine()).contains("conflict marks");
    Files.delete(file);
  }
}
