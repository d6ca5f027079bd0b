package atalaya.store.yaml;

import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Ruling;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.snakeyaml.engine.v2.api.Dump;
import org.snakeyaml.engine.v2.api.DumpSettings;
import org.snakeyaml.engine.v2.common.FlowStyle;

/**
 * The team's decisions, {@code atalaya-decisions.yaml}: a map from the names of gaps, sorted, one
 * entry each, so that branches merge cleanly.
 */
public final class DecisionsFile {
  /** Its name, in the project's root. */
  public static final String NAME = "atalaya-decisions.yaml";

  private static final List<String> KEYS =
      List.of("place", "missing", "decision", "because", "until", "author", "date", "code");

  private final Path file;

  /** In a project's root; need not exist. */
  public DecisionsFile(Path root) {
    this.file = root.resolve(NAME);
  }

  /**
   * The decisions by the name of the gap.
   *
   * @throws UnreadableYaml when the file can't be understood
   */
  public SortedMap<String, Decision> read() throws IOException {
    SortedMap<String, Decision> decisions = new TreeMap<>();
    Object document = Files.exists(file) ? Yaml.read(file) : null;
    if (document == null) {
      return decisions;
    }
    if (!(document instanceof Map<?, ?> map)) {
      throw new UnreadableYaml(file + " must be a map from gaps to decisions");
    }
    map.forEach(
        (gap, entry) ->
            decisions.put(
                String.valueOf(gap),
                decision(String.valueOf(gap), Yaml.map(file, "" + gap, entry, KEYS))));
    return decisions;
  }

  private Decision decision(String gap, Map<?, ?> entry) {
    try {
      return new Decision(
          gap,
          text(gap, entry, "place"),
          text(gap, entry, "missing"),
          Ruling.valueOf(text(gap, entry, "decision").toUpperCase(Locale.ROOT)),
          text(gap, entry, "because"),
          Optional.ofNullable(entry.get("until")).map(u -> LocalDate.parse(String.valueOf(u))),
          text(gap, entry, "author"),
          LocalDate.parse(text(gap, entry, "date")),
          text(gap, entry, "code"));
    } catch (IllegalArgumentException | DateTimeException e) {
      throw new UnreadableYaml(file + ": " + gap + ": " + e.getMessage());
    }
  }

  private String text(String gap, Map<?, ?> entry, String key) {
    Object value = entry.get(key);
    if (value == null) {
      throw new UnreadableYaml(file + ": " + gap + " lacks \"" + key + "\"");
    }
    return String.valueOf(value);
  }

  /** Writes them, the old ones whole until the new ones are. */
  public void write(Collection<Decision> decisions) throws IOException {
    Map<String, Object> document = new TreeMap<>();
    for (Decision decision : decisions) {
      Map<String, Object> entry = new LinkedHashMap<>();
      entry.put("place", decision.place());
      entry.put("missing", decision.missing());
      entry.put("decision", decision.ruling().label());
      entry.put("because", decision.because());
      decision.until().ifPresent(until -> entry.put("until", until.toString()));
      entry.put("author", decision.author());
      entry.put("date", decision.date().toString());
      entry.put("code", decision.code());
      document.put(decision.gap(), entry);
    }
    DumpSettings settings =
        DumpSettings.builder().setDefaultFlowStyle(FlowStyle.BLOCK).setWidth(1000).build();
    String text =
        "# Decisions about gaps; atalaya decide writes them. Keep this file in version control.\n"
            + new Dump(settings).dumpToString(document);
    Path unfinished = file.resolveSibling(NAME + ".unfinished");
    try {
      Files.writeString(unfinished, text);
      Files.move(unfinished, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }
}
