package atalaya.java.way;

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
  void namesWhatIsMadeMoreThanOnceTheInnerOneFirst() {
    String mast = proxy("Mast", "\":) \\\" (\"");
    String crew = proxy("harbour.Crew", mast);
    String alone = proxy("Mast", "')'");
    assertThat(
            SharedDoubles.named(
                List.of(
                    "new Pier(" + crew + ").moor(mast);",
                    "new Pier(" + crew + ", " + mast + ").moor(" + alone + ");")))
        .containsExactly(
            "Mast mast2 = " + mast + ";",
            "harbour.Crew crew = " + proxy("harbour.Crew", "mast2") + ";",
            "new Pier(crew).moor(mast);",
            "new Pier(crew, mast2).moor(" + alone + ");");
    List<String> once = List.of("new Pier(" + alone + ").open();", "new Pier(null).open();");
    assertThat(SharedDoubles.named(once)).isEqualTo(once);
  }
}
