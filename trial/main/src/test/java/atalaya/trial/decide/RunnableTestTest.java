package atalaya.trial.decide;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.worker.Message;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the ids of tests say about how to run them again. */
class RunnableTestTest {
  private static final String FRAMEWORKS = "-PNOG";

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          [engine:junit-jupiter]/[class:harbour.BuoyTest]/[method:lights()]                 | 4G | P | class:harbour.BuoyTest
          [engine:junit-jupiter]/[class:harbour.BuoyTest]/[method:lights()] (2)             | 4  | - |
          [engine:junit-vintage]/[runner:harbour.BuoyTest]/[test:lights(harbour.BuoyTest)]  | 4  | N | harbour.BuoyTest
          [engine:junit-vintage]/[runner:harbour.All]/[test:lights%5B0%5D(harbour.BuoyTest)]| 4  | N | harbour.All
          [engine:junit-vintage]/[runner:harbour.BuoyTest]/[test:lights(harbour.BuoyTest)]  |    | P | runner:harbour.BuoyTest
          lights(harbour.BuoyTest)                                                          | 4  | N | harbour.BuoyTest
          lights[a (b)](harbour.BuoyTest)                                                   | 4  | N | harbour.BuoyTest
          lights(harbour.BuoyTest)                                                          |    | O | harbour.BuoyTest
          lights(harbour.BuoyTest) (2)                                                      | 4  | - |
          harbour.NgTest.light                                                              | 4G | G | harbour.NgTest
          harbour.NgTest.light (2)                                                          | G  | G | harbour.NgTest
          harbour.NgTest.light (2)                                                          | 4  | - |
          a story told in words                                                             | 4G | - |
          """)
  void tellFrameworkAndGroup(String id, String has, String framework, String group) {
    String there = has == null ? "" : has;
    var test = RunnableTest.of(7, id.strip(), there.contains("4"), there.contains("G"));
    assertThat(test.map(t -> FRAMEWORKS.charAt(letter(t.framework()))).orElse('-'))
        .isEqualTo(framework.charAt(0));
    assertThat(test.map(RunnableTest::group).orElse(null)).isEqualTo(group);
  }

  private static int letter(int framework) {
    return switch (framework) {
      case Message.PLATFORM -> 1;
      case Message.NOTIFIER -> 2;
      case Message.OLD -> 3;
      default -> 4;
    };
  }
}
