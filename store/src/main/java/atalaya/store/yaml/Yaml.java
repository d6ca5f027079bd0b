package atalaya.store.yaml;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/** Reads YAML, and tells what is wrong with it. */
final class Yaml {
  private static final int LARGEST = 16 << 20;

  private Yaml() {}

  /** The only document of a file; null when it is empty. */
  static Object read(Path file) throws IOException {
    if (Files.size(file) > LARGEST) {
      throw new UnreadableYaml(file + " is too large");
    }
    String text = Files.readString(file);
    if (text.lines().anyMatch(line -> line.startsWith("<<<<<<<") || line.startsWith(">>>>>>>"))) {
      throw new UnreadableYaml(file + " has conflict marks of a merge; resolve them first");
    }
    LoadSettings settings =
        LoadSettings.builder().setAllowDuplicateKeys(false).setMaxAliasesForCollections(10).build();
    try {
      return new Load(settings).loadFromString(text);
    } catch (MarkedYamlEngineException e) {
      String line = e.getProblemMark().map(mark -> ":" + (mark.getLine() + 1)).orElse("");
      throw new UnreadableYaml(file + line + ": " + e.getProblem());
    } catch (YamlEngineException e) {
      throw new UnreadableYaml(file + ": " + e.getMessage().lines().findFirst().orElse(""));
    }
  }

  /** A map with known keys only. */
  static Map<?, ?> map(Path file, String where, Object value, Collection<String> known) {
    if (!(value instanceof Map<?, ?> map)) {
      throw new UnreadableYaml(file + ": " + where + " must be a map of keys and values");
    }
    for (Object key : map.keySet()) {
      if (!known.contains(String.valueOf(key))) {
        throw new UnreadableYaml(
            file + ": unknown key \"" + key + "\" in " + where + nearest(key, known));
      }
    }
    return map;
  }

  private static String nearest(Object key, Collection<String> known) {
    Optional<String> near =
        known.stream().min(Comparator.comparingInt(k -> distance(String.valueOf(key), k)));
    return near.map(k -> "; did you mean \"" + k + "\"?").orElse("");
  }

  /** How many letters must be changed, added or taken away (Levenshtein 1966). */
  private static int distance(String a, String b) {
    int[] row = new int[b.length() + 1];
    for (int j = 0; j < row.length; j++) {
      row[j] = j;
    }
    for (int i = 1; i <= a.length(); i++) {
      int diagonal = row[0];
      row[0] = i;
      for (int j = 1; j < row.length; j++) {
        int above = row[j];
        int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
        row[j] = Math.min(diagonal + change, Math.min(above, row[j - 1]) + 1);
        diagonal = above;
      }
    }
    return row[b.length()];
  }

  /** A list of texts, or one text. */
  static List<String> texts(Path file, String key, Object value) {
    if (value instanceof List<?> list && list.stream().allMatch(String.class::isInstance)) {
      return list.stream().map(String.class::cast).toList();
    }
    if (value instanceof String text) {
      return List.of(text);
    }
    throw new UnreadableYaml(file + ": " + key + " must be a text or a list of texts");
  }

  static boolean truth(Path file, String key, Object value) {
    if (value instanceof Boolean truth) {
      return truth;
    }
    throw new UnreadableYaml(file + ": " + key + " must be true or false (got " + value + ")");
  }

  /** A positive number. */
  static double number(Path file, String key, Object value) {
    if (value instanceof Number number && number.doubleValue() > 0) {
      return number.doubleValue();
    }
    throw new UnreadableYaml(file + ": " + key + " must be a number > 0 (got " + value + ")");
  }
}
