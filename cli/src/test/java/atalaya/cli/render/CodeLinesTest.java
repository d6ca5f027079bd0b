package atalaya.cli.render;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CodeLinesTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "new Lock().open();                      | new Lock().open();",
        "new Lock(1, 2).fill(3, true);           | new Lock(1, 2)/    .fill(3, true);",
        "new Berth(\"a, b, c, d, e, f, g\", 1);  | new Berth(\"a, b, c, d, e, f, g\",/    1);",
        "new Berth('\\'', ' ').moor(\"\\\" , \");| new Berth('\\'', ' ')/    .moor(\"\\\" , \");",
        "aNameThatIsLongerThanTheWidthIs();      | aNameThatIsLongerThanTheWidthIs();",
        "aNameThatIsLongerThanTheWidth(1, 2, 3); | aNameThatIsLongerThanTheWidth(1,/    2, 3);",
        "new Quay(\"a.b\", f().g()).hail(x.y, 2); | new Quay(\"a.b\", f().g())/    .hail(x.y, 2);",
        "f(new A() { int b(int a1) { } void c() { } });"
            + " | f(new A() { int/    b(int a1) { }/    void c() { } });"
      })
  void breakWhereAPersonWould(String statement, String lines) {
    assertThat(String.join("/", CodeLines.of(statement, 24))).isEqualTo(lines);
  }
}
