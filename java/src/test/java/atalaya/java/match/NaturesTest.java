package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Condition;
import atalaya.core.code.Method;
import atalaya.core.leave.Leaving;
import atalaya.core.leave.LeftOut;
import atalaya.core.leave.Nature;
import atalaya.java.ProjectModel;
import java.io.IOException;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Code that is left out for what it is. A comment names the nature of the code on its line; behind
 * it stand the outcomes that are left out with it, as {@code condition: outcome}.
 */
class NaturesTest {
  private static final Pattern MARK = Pattern.compile("//(\\w*)((?: [^;]+: [\\w ]+;)*)$");
  private static final String SOURCE =
      """
      class Office {
        static final java.util.logging.Logger LOG = java.util.logging.Logger.getGlobal();
        private int depth;
        private String name;

        int depth() {
          return depth; //accessors
        }

        void setName(String name) {
          this.name = name; } //accessors

        void setDeep(int depth) {
          this.depth = depth * 2;
        }

        String nameOr(String other) {
          return other;
        }

        @Generated
        int counted(int n) {
          return n > 3 ? 1 : 2; //generated n > 3: true; n > 3: false;
        }

        int checked(Object o, boolean calm) {
          if (o == null //throwing o == null: true;
              || !calm) { //throwing calm: false;
            throw new IllegalArgumentException( //throwing
                "no " + o);
          } else if (depth > 9) { //throwing depth > 9: true;
            throw new IllegalStateException(); //throwing
          }
          LOG.info("checked"); //logging
          if (LOG.isLoggable(java.util.logging.Level.FINE)) { //logging LOG.isLoggable(java.util.logging.Level.FINE): true; LOG.isLoggable(java.util.logging.Level.FINE): false;
            LOG.fine("all " + o); //logging
          }
          if (depth < 0) throw new IllegalStateException(); //throwing depth < 0: true;
          if (depth == 5) { //logging depth == 5: true;
            LOG.warning("five"); //logging
          }
          if (depth == 6) {
            LOG.warning("six"); //logging
            depth++;
          }
          switch (depth) { //throwing switch (depth): default;
            case 1:
              return 1;
            case 2:
              throw new IllegalStateException("two"); //throwing
            default:
              LOG.severe("no"); //logging
              throw new IllegalStateException(); //throwing
          }
        }

        @interface Generated {}
      }
      """;

  @TempDir Path folder;

  @ParameterizedTest
  @EnumSource(Nature.class)
  void areToldByTheSource(Nature nature) throws IOException {
    ProjectModel model = Compiled.model(folder, "Office.java", SOURCE, SOURCE);
    CodeClass office =
        model.classes().stream().filter(c -> c.name().equals("Office")).findFirst().orElseThrow();
    Leaving leaving = new Leaving(Set.of(nature));
    CodeClass rest = leaving.from(office, model.naturesOf(office), new BitSet());
    Set<String> gone = new TreeSet<>(things(office));
    gone.removeAll(things(rest));
    assertThat(gone).isEqualTo(expected(nature));
    LeftOut.Counts counts = LeftOut.sum(leaving.leftOut());
    assertThat(counts.lines().whole() + counts.outcomes().whole()).isEqualTo(gone.size());
  }

  private static Set<String> things(CodeClass code) {
    Set<String> things = new TreeSet<>();
    for (Method method : code.methods()) {
      method.lines().forEach(line -> things.add("line " + line.number()));
      for (Condition condition : method.conditions()) {
        condition
            .outcomes()
            .forEach(o -> things.add(condition.line() + " " + condition.text() + ": " + o.name()));
      }
    }
    return things;
  }

  private static Set<String> expected(Nature nature) {
    Set<String> expected = new TreeSet<>();
    List<String> lines = SOURCE.lines().toList();
    for (int i = 0; i < lines.size(); i++) {
      Matcher mark = MARK.matcher(lines.get(i));
      if (!mark.find() || !mark.group(1).equals(nature.label())) {
        continue;
      }
      boolean ofIf = lines.get(i).strip().matches("(if|\\|\\||} else if|switch) ?.*");
      boolean guard = lines.get(i).contains("if (LOG");
      if (!ofIf || guard) {
        expected.add("line " + (i + 1));
      }
      int line = i + 1;
      Stream.of(mark.group(2).split(";"))
          .map(String::strip)
          .filter(outcome -> !outcome.isEmpty())
          .forEach(outcome -> expected.add(line + " " + outcome));
    }
    return expected;
  }

  @Test
  void areNamedWhenThereIsNoSuchOne() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Nature.in(List.of("**/a/**,nature:boring")))
        .withMessageContaining("no nature \"boring\"; there are generated");
    assertThat(Nature.in(List.of("x,nature:logging"))).containsExactly(Nature.LOGGING);
    assertThat(Nature.without(List.of("x,nature:logging", "y{a,b}")))
        .containsExactly("x", "y{a,b}");
  }
}
