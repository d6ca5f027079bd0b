package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Complexity;
import atalaya.core.code.Method;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What can't be matched is named by its line, and never guessed. */
class UnmatchedTest {
  private static final String BUOY =
      """
      class Buoy {
        static final boolean DARK = true;
        enum Wind { NORTH, SOUTH }

        int m(boolean a, Object o, Wind w) {
          if (DARK && a) { return 1; }
          if (o instanceof String s && s.isEmpty()) { return 2; }
          switch (w) {
            case NORTH: return 3;
            case SOUTH: break;
          }
          assert a : "not a";
          try (java.io.StringReader r = open()) { return r.hashCode(); }
        }

        java.io.StringReader open() { return null; }
      }
      """;

  @TempDir Path folder;

  private CodeClass read(String source) throws IOException {
    return Compiled.read(folder, "Buoy.java", BUOY, source).stream()
        .filter(c -> c.name().equals("Buoy"))
        .findFirst()
        .orElseThrow();
  }

  private static Method method(CodeClass code) {
    return code.methods().stream().filter(m -> m.name().startsWith("m(")).findFirst().orElseThrow();
  }

  @Test
  void withItsSourceEverythingIsMatched() throws IOException {
    CodeClass code = read(BUOY);
    assertThat(method(code).conditions())
        .extracting(c -> c.line() + " " + c.text() + " " + c.outcomes().size())
        .containsExactly(
            "6 a 2", "7 o instanceof String s 2", "7 s.isEmpty() 2", "8 switch (w) 3", "12 a 2");
    assertThat(code.jumpsMatched()).isEqualTo(code.jumps()).isEqualTo(5);
    assertThat(method(code).complexity()).isEqualTo(new Complexity(7, Complexity.Origin.SOURCE));
  }

  @Test
  void withoutSourceJumpsAreNamedByLine() throws IOException {
    CodeClass code = read(null);
    assertThat(code.path()).isEmpty();
    assertThat(method(code).complexity().origin()).isEqualTo(Complexity.Origin.BYTECODE);
    assertThat(method(code).conditions())
        .extracting(c -> c.text() + " " + c.outcomes().stream().map(o -> o.name()).toList())
        .contains(
            "line 6, jump 1 [jump, next]",
            "line 7, jump 2 [jump, next]",
            "line 8, jump 1 [1, default]");
    assertThat(code.jumpsMatched()).isZero();
  }

  @Test
  void anotherSourceIsNotBelieved() throws IOException {
    CodeClass code =
        read(
            BUOY.replace("if (DARK && a)", "if (a || DARK && !a)")
                .replace("s.isEmpty()", "s.isBlank()"));
    assertThat(method(code).conditions())
        .filteredOn(c -> c.line() == 6 || c.line() == 7)
        .extracting(c -> c.text())
        .containsExactly("line 6, jump 1", "line 7, jump 1", "line 7, jump 2");
  }

  /** What the jump that is left over means, another copy of the condition might say as well. */
  @Test
  void besideAJumpThatNothingInTheSourceIsNothingIsBelieved() throws IOException {
    CodeClass code = read(BUOY.replace("s && s.isEmpty())", "s)"));
    assertThat(method(code).conditions())
        .extracting(c -> c.line() + " " + c.text())
        .containsExactly("6 a", "7 line 7, jump 1", "7 line 7, jump 2", "8 switch (w)", "12 a");
  }

  @Test
  void aSourceThatCannotBeParsedIsAsGoodAsNone() throws IOException {
    CodeClass code = read("class Buoy { int m( }");
    assertThat(code.path()).isEqualTo("Buoy.java");
    assertThat(code.jumpsMatched()).isZero();
    assertThat(code.methods()).isNotEmpty();
  }
}
