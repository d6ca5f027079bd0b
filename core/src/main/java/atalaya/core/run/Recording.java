package atalaya.core.run;

import java.time.Instant;
import java.util.Comparator;

/**
 * One execution that was observed. A run holds one; a run that was merged holds several.
 *
 * @param id unique for all time
 * @param name of the run that it was made as
 */
public record Recording(String id, String name, Instant started) implements Comparable<Recording> {
  @Override
  public int compareTo(Recording other) {
    return Comparator.comparing(Recording::started)
        .thenComparing(Recording::id)
        .compare(this, other);
  }
}
