package atalaya.ways.uses;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.term.Term;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TextsOfTestsTest {
  private static final String CODE =
      """
      class Port {
        static Port of(long depth, String harbour) { return new Port(); }
        Port called(String flag, int times, String harbour) { return this; }
        void lists(String name) {}
        void notes(String remark) { String harbour = remark; }
      }
      """;

  private static final String TEST =
      """
      class PortTest {
        int tide = 3;
        void one() {
          Port port = Port.of(30L, "Emden");
          port.called("P", tide + 2, "Kiel").called(null, 4, "Kiel").called("O", 1, "Bremerhaven");
          Port.of(tide, "Husum");
          port.lists(tide > 2 ? "high" : "low");
          port.lists("two\\nlines");
          port.lists("");
          for (String name : new String[] {"Nele", "Ida"}) {
            port.lists(name);
          }
          port.notes("late");
        }
      }
      """;

  private static TextsOfTests texts;

  @BeforeAll
  static void compile(@TempDir Path folder) throws IOException {
    Path code = Files.writeString(folder.resolve("Port.java"), CODE);
    Path test = Files.writeString(folder.resolve("PortTest.java"), TEST);
    String[] arguments = {"-g", "-d", folder.toString(), code.toString(), test.toString()};
    assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments)).isZero();
    byte[] port = read(folder, "Port");
    texts =
        new TextsOfTests(
            Map.of("PortTest", read(folder, "PortTest"), "Broken", new byte[] {1, 2}),
            type -> Optional.of(port).filter(bytes -> type.equals("Port")));
  }

  private static byte[] read(Path folder, String name) {
    try {
      return Files.readAllBytes(folder.resolve(name + ".class"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Most often first, then the shorter one; those of several are as the one's. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "none",
      value = {
        "harbour             | ARGUMENT | Kiel,Emden,Husum",
        "port.harbour        | STATE    | Kiel,Emden,Husum",
        "harbours[2]         | ELEMENT  | Kiel,Emden,Husum",
        "flag                | ARGUMENT | O,P",
        "remark              | ARGUMENT | late",
        "name                | ARGUMENT | low",
        "berth               | ARGUMENT | none",
        "harbour             | RESULT   | none",
      })
  void areToldByTheNameOfTheParameter(String name, Term.Source source, String expected) {
    Term.Input input = new Term.Input(name, "Ljava/lang/String;", source, null);
    List<String> all = expected == null ? List.of() : List.of(expected.split(","));
    assertThat(texts.of(input)).isEqualTo(all);
  }
}
