package atalaya.launch.parts;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TestNamesTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "[engine:junit-jupiter]/[class:a.BuoyTest]/[method:lights()] | lights() | BuoyTest.lights()",
        "[engine:e]/[class:a.T]/[nested-class:In]/[method:m(a.B,int)] | x | T.In.m(B,int)",
        "[engine:e]/[class:a.T]/[test-template:m(java.lang.String%5B%5D, a.B$C)]/[test-template-invocation:#2] | [2] x | T.m(String[],C) [2] x",
        "[engine:e]/[class:a.T]/[test-factory:m()]/[dynamic-test:#1] | fog | T.m() [fog]",
        "[engine:junit-vintage]/[runner:a.T]/[test:m(a.T)] | m | T.m()",
        "[engine:e]/[class:a.T] | T | T",
        "lights(a.BuoyTest) | lights(a.BuoyTest) | BuoyTest.lights()",
        "lights(a.BuoyTest) (2) | lights(a.BuoyTest) | BuoyTest.lights() (2)",
        "a.b.BuoyTest.lights | x | BuoyTest.lights()",
        "something else | shown | shown"
      })
  void readAsPeopleReadThem(String id, String displayName, String name) {
    assertThat(TestNames.of(id, displayName)).isEqualTo(name);
  }
}
