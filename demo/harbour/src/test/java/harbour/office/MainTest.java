package harbour.office;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

class MainTest {
  private static String run(String script) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    new Main(new PrintStream(out, true, StandardCharsets.UTF_8)).run(List.of(script.split("\n")));
    return out.toString(StandardCharsets.UTF_8).strip();
  }

  @TestFactory
  Stream<DynamicTest> obeys() {
    return Stream.of(
        DynamicTest.dynamicTest(
            "an arrival",
            () ->
                assertEquals(
                    "Nele at berth C1, 2026-05-04 to 2026-05-06",
                    run("arrive Nele Y 1100 180 2026-05-04 2026-05-06"))),
        DynamicTest.dynamicTest(
            "an order it does not know", () -> assertEquals("unknown order: sink", run("sink"))));
  }
}
