package atalaya.java.source;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.plan.Split;
import atalaya.java.SourceText;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Which statements could be a method of their own: their lines, and the conditions in them. */
class ExtractableTest {
  static Stream<Arguments> statements() {
    return Stream.of(
        Arguments.of(
            "two conditions",
            """
            if (depth > 5) {
              if (tide < 2) {
                warn();
              }
            }
            """,
            "1-5:2"),
        Arguments.of("a condition alone is too little", "if (depth > 5) { warn(); }", ""),
        Arguments.of("operands count", "if (depth > 5 && tide < 2 || fog) { warn(); }", "1-1:3"),
        Arguments.of(
            "a return leaves it",
            """
            if (depth > 5) {
              if (tide < 2) {
                return;
              }
            }
            """,
            ""),
        Arguments.of(
            "a return of a lambda or of another class does not",
            """
            for (int i = 0; i < depth; i++) {
              if (tide < 2) {
                later(() -> { return 3; });
                later(new Later() { public int now() { return 4; } });
              }
            }
            """,
            "1-6:2"),
        Arguments.of(
            "break and continue stay within a loop",
            """
            while (tide < 9) {
              if (depth > 5) {
                break;
              }
              if (depth > 4) {
                continue;
              }
              tide++;
            }
            """,
            "1-9:3"),
        Arguments.of(
            "what breaks out of it is not one, what is broken out of is",
            """
            while (tide < 9) {
              if (depth > 5 && tide > 3) {
                break;
              }
              tide++;
            }
            """,
            "1-6:3"),
        Arguments.of(
            "labels lead out of it",
            """
            outer:
            for (;;) {
              while (tide < 9) {
                if (depth > 5) {
                  continue outer;
                }
                tide++;
              }
              break outer;
            }
            """,
            ""),
        Arguments.of(
            "a switch ends its breaks, but not a continue",
            """
            for (int i = 0; i < depth; i++) {
              switch (tide) {
                case 1:
                  break;
                case 2:
                  continue;
                default:
                  warn();
              }
            }
            """,
            "1-10:3"),
        Arguments.of(
            "a try with its handlers",
            """
            try {
              warn();
            } catch (IllegalStateException e) {
              tide = 1;
            } catch (RuntimeException e) {
              tide = 2;
            }
            """,
            "1-7:2"),
        Arguments.of(
            "each in another",
            """
            do {
              for (int i : depths) {
                if (i > 3) {
                  warn();
                }
              }
            } while (tide++ < 3);
            """,
            "1-7:3 2-6:2"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("statements")
  void areEnteredAndLeftOnce(String what, String statements, String expected) {
    String source =
        "class Buoy { int depth, tide; boolean fog; int[] depths; void warn() {}"
            + " void later(Later l) {} interface Later { int now(); } void light() {\n"
            + statements
            + "\n}}\n";
    List<Split.Part> parts = Extractable.in(new SourceText("m", "Buoy.java", "Buoy.java", source));
    String found =
        String.join(
            " ",
            parts.stream()
                .map(p -> p.firstLine() - 1 + "-" + (p.lastLine() - 1) + ":" + p.decisions())
                .toList());
    assertThat(found).isEqualTo(expected);
  }
}
