package atalaya.java.checks;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChecksTest {

  /** What tests look like; none of these is run. */
  abstract static class Base {
    void compare(int a, int b) {
      if (a != b) {
        throw new IllegalStateException(a + " is not " + b);
      }
    }

    void inherited() {
      new ArrayList<>().add(1);
    }
  }

  static class Samples extends Base {
    @interface Expecting {
      Class<?> expected();
    }

    void asserts() {
      Assertions.assertEquals(1, 1);
    }

    void inLambda() {
      Runnable check = () -> Assertions.assertNotNull(this);
      check.run();
    }

    void byReference() {
      Supplier<Object> later = this::helped;
      later.get();
    }

    Object helped() {
      compare(1, 2);
      return "";
    }

    @Expecting(expected = IOException.class)
    void expects() {
      new ArrayList<>().add(1);
    }

    void keyword() {
      assert new ArrayList<>().isEmpty();
    }

    void nothing() {
      new ArrayList<>().add(1);
    }

    void looksAlike() {
      assertive();
    }

    private void assertive() {
      new ArrayList<>().add(1);
    }
  }

  static class CheckedAfterwards {
    void nothing() {
      new ArrayList<>().add(1);
    }

    @AfterEach
    void verified() {
      Assertions.assertNotNull(this);
    }
  }

  private static Checks checks() throws IOException {
    List<byte[]> classes = new ArrayList<>(List.of(new byte[] {1, 2, 3}));
    for (Class<?> type : List.of(Base.class, Samples.class, CheckedAfterwards.class)) {
      try (InputStream in =
          type.getResourceAsStream(type.getName().replaceAll(".*\\.", "") + ".class")) {
        classes.add(in.readAllBytes());
      }
    }
    return Checks.in(classes);
  }

  @ParameterizedTest
  @CsvSource({
    "Samples, asserts, false",
    "Samples, inLambda, false",
    "Samples, byReference, false",
    "Samples, expects, false",
    "Samples, keyword, false",
    "Samples, nothing, true",
    "Samples, inherited, true",
    "Samples, unknown, false",
    "Nowhere, nothing, false",
    "CheckedAfterwards, nothing, false"
  })
  void areFoundThroughHelpers(String type, String method, boolean none) throws IOException {
    TestPlace place = new TestPlace(ChecksTest.class.getName() + "$" + type, method);
    assertThat(checks().noneFound(place)).isEqualTo(none);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "[engine:junit-jupiter]/[class:a.B]/[method:c(int, java.lang.String)] | a.B | c",
        "[engine:junit-jupiter]/[class:a.B]/[nested-class:D]/[test-template:c(int)]/[test-template-invocation:#2] | a.B$D | c",
        "[engine:junit-vintage]/[runner:a.B]/[test:c(a.B)] | a.B | c",
        "c[1](a.B) | a.B | c",
        "a.B.c (2) | a.B | c"
      })
  void placesAreReadFromIds(String id, String type, String method) {
    assertThat(TestPlace.of(id)).isEqualTo(Optional.of(new TestPlace(type, method)));
  }

  @Test
  void anIdOfAnUnknownEngineHasNoPlace() {
    assertThat(TestPlace.of("[engine:other]/[feature:dark]")).isEmpty();
    assertThat(TestPlace.of("it floats")).isEmpty();
  }
}
