package atalaya.ways.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class JoinedCodeTest {
  @Test
  void givesWhatEachNamesANameOfItsOwn() {
    List<String> first = List.of("Pier pier = new Pier(\"a pier\");", "pier.moor('p', pier);");
    List<String> second =
        List.of(
            "Map<String, Pier> piers = new HashMap<>();",
            "Pier pier = new Pier(\"\\\" pier\", piers);",
            "pier.pier(pier.pier, new Sea(pier)).pier();");
    List<String> alone = List.of("new Pier(null).open();");
    assertThat(JoinedCode.of(List.of(first, alone, second, alone)))
        .containsExactly(
            "Pier pier = new Pier(\"a pier\");",
            "pier.moor('p', pier);",
            "new Pier(null).open();",
            "Map<String, Pier> piers = new HashMap<>();",
            "Pier pier2 = new Pier(\"\\\" pier\", piers);",
            "pier2.pier(pier2.pier, new Sea(pier2)).pier();");
  }

  @Test
  void keepsWhatAWayNamesApart() {
    List<String> way = List.of("Pier pier = of(1);", "Pier pier2 = of(2);", "pier.join(pier2);");
    assertThat(JoinedCode.of(List.of(List.of("Pier pier = of(0);", "pier.open();"), way)))
        .containsExactly(
            "Pier pier = of(0);",
            "pier.open();",
            "Pier pier3 = of(1);",
            "Pier pier2 = of(2);",
            "pier3.join(pier2);");
  }
}
