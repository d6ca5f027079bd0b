package atalaya.store.yaml;

import atalaya.core.figure.Level;
import atalaya.core.leave.Nature;
import atalaya.core.naming.PathPatterns;
import atalaya.core.naming.Zones;
import atalaya.core.suite.Kinds;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The project's configuration, {@code atalaya.yaml}; {@code docs/configuration.md} has its keys.
 *
 * @param only path patterns; empty for all code
 * @param leaveOut path patterns
 * @param testCommand the words of the command that runs the tests; empty for the build's own
 * @param add whether a run is added to the newest one
 * @param thresholds from where on levels begin
 * @param kinds of tests
 * @param zones parts of the code that matter more or less than others
 * @param minutesPerPoint of effort
 */
public record Configuration(
    List<String> only,
    List<String> leaveOut,
    List<String> testCommand,
    boolean add,
    Level.Thresholds thresholds,
    Kinds kinds,
    Zones zones,
    int minutesPerPoint) {
  /** Its name, in the project's root. */
  public static final String NAME = "atalaya.yaml";

  private static final int USUAL_MINUTES = 10;
  private static final Configuration USUAL =
      new Configuration(
          List.of(),
          List.of(),
          List.of(),
          false,
          Level.Thresholds.USUAL,
          new Kinds(Map.of()),
          Zones.NONE,
          USUAL_MINUTES);
  private static final List<String> KEYS =
      List.of("only", "leave-out", "test-command", "add", "levels", "kinds", "zones", "effort");

  /**
   * Reads it; what is not there has its default.
   *
   * @throws UnreadableYaml when the file can't be understood
   */
  public static Configuration of(Path root) throws IOException {
    Path file = root.resolve(NAME);
    Object document = Files.exists(file) ? Yaml.read(file) : null;
    if (document == null) {
      return USUAL;
    }
    Map<?, ?> map = Yaml.map(file, "the file", document, KEYS);
    return new Configuration(
        patterns(file, map, "only"),
        patterns(file, map, "leave-out"),
        texts(file, map, "test-command").stream()
            .flatMap(words -> Arrays.stream(words.strip().split("\\s+")))
            .toList(),
        map.get("add") != null && Yaml.truth(file, "add", map.get("add")),
        thresholds(file, map.get("levels")),
        kinds(file, map.get("kinds")),
        zones(file, map.get("zones")),
        minutes(file, map.get("effort")));
  }

  private static Zones zones(Path file, Object value) {
    if (value == null) {
      return Zones.NONE;
    }
    if (!(value instanceof Map<?, ?> zones)) {
      throw new UnreadableYaml(file + ": zones must be a map from zones to paths and a weight");
    }
    List<Zones.Zone> all = new ArrayList<>();
    zones.forEach(
        (name, zone) -> {
          String key = "zones." + name;
          Map<?, ?> map = Yaml.map(file, key, zone, List.of("paths", "weight"));
          if (map.get("paths") == null) {
            throw new UnreadableYaml(file + ": " + key + " must have paths");
          }
          double weight =
              map.get("weight") == null ? 1 : Yaml.number(file, key + ".weight", map.get("weight"));
          if (weight > 1000) {
            throw new UnreadableYaml(
                file + ": " + key + ".weight must be <= 1000 (got " + map.get("weight") + ")");
          }
          List<String> paths = Yaml.texts(file, key + ".paths", map.get("paths"));
          try {
            all.add(new Zones.Zone(String.valueOf(name), PathPatterns.of(paths), weight));
          } catch (IllegalArgumentException e) {
            throw new UnreadableYaml(file + ": " + key + " can't be read: " + e.getMessage());
          }
        });
    return new Zones(all);
  }

  private static int minutes(Path file, Object value) {
    if (value == null) {
      return USUAL_MINUTES;
    }
    Object minutes = Yaml.map(file, "effort", value, List.of("minutes")).get("minutes");
    if (minutes == null) {
      return USUAL_MINUTES;
    }
    double number = Yaml.number(file, "effort.minutes", minutes);
    if (number < 1 || number > 1000 || number != Math.rint(number)) {
      throw new UnreadableYaml(
          file + ": effort.minutes must be a whole number from 1 to 1000 (got " + minutes + ")");
    }
    return (int) number;
  }

  private static List<String> patterns(Path file, Map<?, ?> map, String key) {
    List<String> patterns = texts(file, map, key);
    try {
      Nature.in(patterns);
      PathPatterns.of(Nature.without(patterns));
    } catch (IllegalArgumentException e) {
      throw new UnreadableYaml(file + ": " + key + " can't be read: " + e.getMessage());
    }
    return patterns;
  }

  private static List<String> texts(Path file, Map<?, ?> map, String key) {
    return map.get(key) == null ? List.of() : Yaml.texts(file, key, map.get(key));
  }

  private static Kinds kinds(Path file, Object value) {
    Map<String, List<String>> kinds = new LinkedHashMap<>();
    if (value != null && !(value instanceof Map<?, ?>)) {
      throw new UnreadableYaml(file + ": kinds must be a map from kinds to patterns of tests");
    }
    if (value instanceof Map<?, ?> map) {
      map.forEach(
          (kind, patterns) ->
              kinds.put(String.valueOf(kind), Yaml.texts(file, "kinds." + kind, patterns)));
    }
    return new Kinds(kinds);
  }

  private static Level.Thresholds thresholds(Path file, Object value) {
    if (value == null) {
      return Level.Thresholds.USUAL;
    }
    Map<?, ?> map = Yaml.map(file, "levels", value, List.of("high", "medium"));
    Level.Thresholds usual = Level.Thresholds.USUAL;
    Object high = map.get("high");
    Object medium = map.get("medium");
    try {
      return new Level.Thresholds(
          high == null ? usual.high() : Yaml.number(file, "levels.high", high),
          medium == null ? usual.medium() : Yaml.number(file, "levels.medium", medium));
    } catch (IllegalArgumentException e) {
      throw new UnreadableYaml(file + ": levels: " + e.getMessage());
    }
  }
}
