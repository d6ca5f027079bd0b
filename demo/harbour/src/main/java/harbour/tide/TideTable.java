package harbour.tide;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.NavigableMap;
import java.util.TreeMap;

/** Predicted heights of high and low water above chart datum, in centimetres. */
public final class TideTable {
  private final NavigableMap<LocalDateTime, Integer> turns = new TreeMap<>();

  public void add(LocalDateTime time, int height) {
    turns.put(time, height);
  }

  public int size() {
    return turns.size();
  }

  /** The height at a time, by the rule of a cosine between two turns of the tide. */
  public int heightAt(LocalDateTime time) {
    var before = turns.floorEntry(time);
    var after = turns.ceilingEntry(time);
    if (before == null || after == null) {
      throw new IllegalArgumentException("no prediction for " + time);
    }
    if (before.getKey().equals(after.getKey())) {
      return before.getValue();
    }
    double whole = Duration.between(before.getKey(), after.getKey()).toMinutes();
    double part = Duration.between(before.getKey(), time).toMinutes();
    double rise = (1 - Math.cos(Math.PI * part / whole)) / 2;
    return (int) Math.round(before.getValue() + rise * (after.getValue() - before.getValue()));
  }

  public boolean isRising(LocalDateTime time) {
    var before = turns.floorEntry(time);
    var after = turns.higherEntry(time);
    return before != null && after != null && after.getValue() > before.getValue();
  }

  /** Reads lines like {@code 2026-05-04T03:12 412}. */
  public static TideTable parse(String text) {
    TideTable table = new TideTable();
    for (String line : text.split("\n")) {
      if (line.isBlank() || line.startsWith("#")) {
        continue;
      }
      String[] fields = line.trim().split("\\s+");
      table.add(LocalDateTime.parse(fields[0]), Integer.parseInt(fields[1]));
    }
    return table;
  }
}
