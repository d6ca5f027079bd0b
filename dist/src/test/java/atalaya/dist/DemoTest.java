package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The tour, and what is there to be found in its project. */
class DemoTest {
  @TempDir Path temporary;

  @Test
  void showsEachStepAndFindsWhatIsThere() throws IOException {
    Shipped.Result tour =
        Shipped.runIn(
            Shipped.HOME, temporary, Map.of("MAVEN_ARGS", "-q"), "demo", "--keep", "harbour");
    assertThat(tour.exitCode()).as(tour.out() + tour.err()).isZero();
    assertThat(tour.out())
        .contains("$ atalaya observe", "$ atalaya rank", "BerthTariff#quote", "unwatched")
        .contains("5.00", "2.00");
    Path harbour = temporary.resolve("harbour");

    String tests = Shipped.run(harbour, "export", "tests").out();
    assertThat(tests.lines().count()).isEqualTo(78);
    assertThat(tests)
        .as("parameterized, repeated, dynamic, nested, JUnit 4")
        .contains("SeasonTest.hasARate(int,Season,int) [1] ")
        .contains("PilotRotaTest.takesTurns() [repetition 2 of 2]")
        .contains("MainTest.obeys() [an arrival]")
        .contains("BerthPlanTest.NightsSold.countsNights()")
        .contains("LogbookTest.finds()");

    String outcomes = Shipped.run(harbour, "export", "outcomes").out();
    assertThat(outcomes)
        .contains("isCompulsory(Vessel),14,vessel.metres() >= 60,true,false")
        .contains("send(Notice),50,attempt == TRIES,true,false")
        .contains("rate(),29,switch (this),default,false")
        .contains("rate(),29,switch (this),WINTER,true,,1");

    String methods = Shipped.run(harbour, "export", "methods").out();
    assertThat(methods)
        .contains("\"quote(Vessel,Stay,boolean,int,String)\",27,")
        .contains("report(Declaration),54,63,2,source,7,7,2,2,1,0,0,1.0,,0.0,,0.0,low")
        .contains("LegacyTariff,");

    Shipped.Result again = Shipped.run(harbour, "observe", "--tests", "SeasonTest");
    assertThat(again.exitCode()).isZero();
    assertThat(again.err()).contains("4 tests", "no earlier run like it");

    Files.writeString(
        harbour.resolve("src/main/java/harbour/tariff/Season.java"), "package harbour.tariff;\n");
    assertThat(Shipped.run(harbour).out()).contains("changed since: 1 class (Season)");
    Shipped.Result broken = Shipped.run(harbour, "observe");
    assertThat(broken.exitCode()).isEqualTo(3);
    assertThat(broken.err()).contains("nothing was observed", "does the project compile?");
    assertThat(Shipped.run(harbour, "demo", "--keep", ".").errLine()).contains("exists already");
  }
}
