package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.core.gap.Gap;
import atalaya.core.gap.GapFinder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Who may be called by whom, from what each method that was never entered is said to be. */
class CallsTest {
  private static final String OFFICE =
      """
      import java.util.List;
      import java.util.function.Function;

      interface Light {
        int colour();
        default int twice() { return 2 * colour(); }
      }

      class Buoy implements Light, Comparable<Buoy> {
        public int colour() { return 1; }
        public int compareTo(Buoy other) { return 0; }
        public int helper() { return 2; }
        public int hashCode() { return 3; }
      }

      class Beacon extends Tower {
        int height() { return 4; }
      }

      class Tower {
        int height() { return 5; }
        int idle() { return 6; }
        private int deep() { return deeper(); }
        private int deeper() { return 7; }
        static Function<Tower, Integer> asFunction() { return Tower::referred; }
        int referred() { return 8; }
        int named() { return 9; }
        @Marked int marked() { return 10; }
        public static void main(String[] arguments) { }
        private Object readResolve() { return this; }
        private int readResolve(int how) { return how; }
      }

      @java.lang.annotation.Retention(java.lang.annotation.RetentionPolicy.RUNTIME)
      @interface Marked { }

      class Office {
        int look(boolean dark, Light light, Tower tower) throws Exception {
          if (dark) {
            light.twice();
            tower.height();
            tower.deep2();
            Tower.asFunction();
            return tower.getClass().getMethod("named").hashCode();
          }
          return 0;
        }
      }
      """;

  @TempDir Path folder;

  private List<CodeClass> read(String source) throws IOException {
    return Compiled.read(folder, "Office.java", source, source);
  }

  @Test
  void decideWhatIsUnusedAndWhatIsOpenedUp() throws IOException {
    List<CodeClass> code = read(OFFICE.replace("tower.deep2();", ""));
    Map<String, String> kinds = new TreeMap<>();
    GapFinder finder = new GapFinder(code, name -> reached(code, name));
    for (int i = 0; i < code.size(); i++) {
      for (Gap gap : finder.of(i)) {
        String place = gap.qualifiedMethod();
        String opens = gap.opens().methods() > 0 ? " opens " + gap.opens().methods() : "";
        kinds.merge(
            place,
            gap.kind().label() + (gap.outcome().isEmpty() ? "" : " " + gap.outcome()) + opens,
            (a, b) -> a + ", " + b);
      }
    }
    assertThat(kinds)
        .as("an interface answers for its implementations, overriding counts")
        .containsEntry("Light#twice()", "method")
        .containsEntry("Buoy#colour()", "method")
        .containsEntry("Beacon#height()", "method")
        .containsEntry("Tower#height()", "method")
        .as("types and names that code outside may use")
        .containsEntry("Buoy#compareTo(Buoy)", "method")
        .containsEntry("Buoy#hashCode()", "method")
        .containsEntry("Buoy#helper()", "method")
        .containsEntry("Tower#named()", "method")
        .containsEntry("Tower#marked()", "method")
        .containsEntry("Tower#main(String[])", "method")
        .containsEntry("Tower#readResolve()", "method")
        .containsEntry("Tower#referred()", "method")
        .as("nobody calls these; what is called by them alone is opened up by them")
        .containsEntry("Tower#idle()", "unused")
        .containsEntry("Tower#readResolve(int)", "unused")
        .containsEntry("Tower#deep()", "unused opens 1")
        .containsEntry("Tower#deeper()", "method")
        .as("twice, both heights, asFunction, and what that refers to")
        .containsEntry("Office#look(boolean,Light,Tower)", "outcome true opens 5");
  }

  /** Only the method of the office was entered, and it was not dark. */
  private static BitSet reached(List<CodeClass> code, String name) {
    BitSet reached = new BitSet();
    if (name.equals("Office")) {
      for (CodeClass type : code) {
        if (type.name().equals(name)) {
          var look = type.methods().get(0);
          reached.or(look.lines().get(0).points());
          look.conditions().get(0).outcomes().stream()
              .filter(outcome -> outcome.name().equals("false"))
              .forEach(outcome -> reached.or(outcome.points()));
        }
      }
    }
    return reached;
  }
}
