package atalaya.core.run;

import java.time.Instant;
import java.util.Comparator;

/**
 * One execution that was observed. A run holds one; a run that was merged holds several.
 *
 * @param id unique for all time
 * @param name of the run that it was made as
 * @param milliseconds how long its command ran
 */
public record Recording(String id, String name, Instant started, long milliseconds)
    implements Comparable<Recording> {
  @Override
  public int compareTo(Recording other) {
    return Comparator.comparing(Recording::started)
        .thenComparing(Recording::id)
        .compare(this, other);
  }
}
