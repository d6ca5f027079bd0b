package atalaya.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Ruling;
import atalaya.store.yaml.Configuration;
import atalaya.store.yaml.DecisionsFile;
import atalaya.store.yaml.UnreadableYaml;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class YamlTest {
  @TempDir Path root;

  @Test
  void configurationHasDefaults() throws IOException {
    assertThat(Configuration.of(root).thresholds().high()).isEqualTo(5);
    Files.writeString(
        root.resolve("atalaya.yaml"),
        """
        leave-out: [fog/**, "**/Gen*.java"]
        only: src/**
        test-command: mvn -B  verify
        levels:
          high: 8.5
        kinds:
          slow: ["*IT", MainTest]
          rest: "*"
        """);
    Configuration read = Configuration.of(root);
    assertThat(read.leaveOut()).containsExactly("fog/**", "**/Gen*.java");
    assertThat(read.only()).containsExactly("src/**");
    assertThat(read.testCommand()).containsExactly("mvn", "-B", "verify");
    assertThat(read.thresholds().high()).isEqualTo(8.5);
    assertThat(read.thresholds().medium()).isEqualTo(2);
    assertThat(read.kinds().patterns().get("slow")).containsExactly("*IT", "MainTest");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "leave-ot: x | unknown key \"leave-ot\" in the file; did you mean \"leave-out\"?",
        "levels: {hihg: 3} | unknown key \"hihg\" in levels; did you mean \"high\"?",
        "levels: {high: 1} | thresholds must be high > medium > 0 (got 1.0 and 2.0)",
        "levels: {high: dark} | levels.high must be a number > 0 (got dark)",
        "leave-out: {a: b} | leave-out must be a text or a list of texts",
        "leave-out: 'nature:dull' | leave-out can't be read: no nature \"dull\"; there are generated",
        "add: maybe | add must be true or false (got maybe)",
        "kinds: [a] | kinds must be a map from kinds to patterns",
        "- x | the file must be a map of keys and values",
        "'only: [' | atalaya.yaml:1: expected the node content",
        "'<<<<<<< HEAD' | conflict marks"
      })
  void badConfigurationIsNamed(String text, String message) throws IOException {
    Files.writeString(root.resolve("atalaya.yaml"), text);
    assertThatThrownBy(() -> Configuration.of(root))
        .isInstanceOf(UnreadableYaml.class)
        .hasMessageContaining(message)
        .hasMessageContaining("atalaya.yaml");
  }

  @Test
  void decisionsComeBackAsTheyWereSortedByGap() throws IOException {
    DecisionsFile file = new DecisionsFile(root);
    assertThat(file.read()).isEmpty();
    Decision later = decision("z-aaaaaaa", Optional.empty());
    Decision first = decision("a-aaaaaaa", Optional.of(LocalDate.parse("2027-01-31")));
    file.write(List.of(later, first));
    assertThat(file.read().values()).containsExactly(first, later);
    String text = Files.readString(root.resolve(DecisionsFile.NAME));
    file.write(List.of(first, later));
    assertThat(Files.readString(root.resolve(DecisionsFile.NAME))).isEqualTo(text);
  }

  private static Decision decision(String gap, Optional<LocalDate> until) {
    return new Decision(
        gap,
        "Buoy#light(int)",
        "`a: b` \"only\" ever #1",
        Ruling.REDESIGN,
        "it's: \n odd",
        until,
        "me",
        LocalDate.parse("2026-11-23"),
        "123456");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "[1] | must be a map from gaps to decisions",
        "a: b | a must be a map of keys and values",
        "a: {decision: accept} | a lacks \"place\"",
        "a: {place: p, missing: m, decision: maybe, because: b, author: x, date: 2026-01-01, code: c} | MAYBE",
        "a: {place: p, missing: m, decision: test, because: b, author: x, date: soon, code: c} | soon",
        "a: {plaice: p} | did you mean \"place\"?",
        "'>>>>>>> theirs' | conflict marks"
      })
  void badDecisionsAreNamed(String text, String message) throws IOException {
    Files.writeString(root.resolve(DecisionsFile.NAME), text);
    assertThatThrownBy(() -> new DecisionsFile(root).read())
        .isInstanceOf(UnreadableYaml.class)
        .hasMessageContaining(message);
  }
}
