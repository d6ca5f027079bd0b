package atalaya.ways.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SharedDoublesTest {
  private static String proxy(String type, String answer) {
    return "("
        + type
        + ") Proxy.newProxyInstance("
        + type
        + ".class.getClassLoader(), new Class<?>[] {"
        + type
        + ".class}, (proxy, method, values) -> { return "
        + answer
        + "; })";
  }

  @Test
  void namesWhatSeveralWaysMakeTheInnerOneFirst() {
    String mast = proxy("Mast", "\":) \\\" (\"");
    String crew = proxy("harbour.Crew", mast);
    String alone = proxy("Mast", "')'");
    assertThat(
            named(
                "new Pier(" + crew + ").moor(mast);",
                "new Pier(" + crew + ").moor(" + alone + ");",
                "new Pier(null).moor(" + mast + ");"))
        .containsExactly(
            "Mast mast2 = " + mast + ";",
            "harbour.Crew crew = " + proxy("harbour.Crew", "mast2") + ";",
            "new Pier(crew).moor(mast);",
            "new Pier(crew).moor(" + alone + ");",
            "new Pier(null).moor(mast2);");
  }

  @Test
  void namesNoneThatIsMadeOnceAndNoneOfTwoThatMayHaveToDiffer() {
    String mast = proxy("Mast", "null");
    String[] once = {"new Pier(" + mast + ").open();", "new Pier(null).open();"};
    assertThat(named(once)).containsExactly(once);
    String[] two = {"new Pier(" + mast + ").isAt(" + mast + ");", "new Pier(" + mast + ").open();"};
    assertThat(named(two)).containsExactly(two);
  }

  private static List<String> named(String... ways) {
    List<String> statements = List.of(ways);
    return SharedDoubles.named(statements, statements.stream().map(List::of).toList());
  }
}
