package atalaya.core.run;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * How often points were passed, recording by recording, so that runs which share some can be
 * merged.
 *
 * @param all each once
 */
public record Counts(List<Count> all) {
  /** Where nothing was counted. */
  public static final Counts NONE = new Counts(List.of());

  /**
   * A point of a class.
   *
   * @param recording the id of the recording in which it was passed
   * @param times at least 1
   */
  public record Count(String recording, String className, int point, long times) {}

  public Counts {
    all = List.copyOf(all);
  }

  /** What one recording counted. */
  public static Counts of(String recording, Map<String, ClassReach> reach) {
    return new Counts(
        reach.entrySet().stream()
            .flatMap(
                of ->
                    of.getValue().hits().entrySet().stream()
                        .map(
                            hit -> new Count(recording, of.getKey(), hit.getKey(), hit.getValue())))
            .toList());
  }

  /** The sums over all recordings, by class and point. */
  public Map<String, Map<Integer, Long>> sums() {
    Map<String, Map<Integer, Long>> sums = new TreeMap<>();
    for (Count count : all) {
      sums.computeIfAbsent(count.className(), type -> new TreeMap<>())
          .merge(count.point(), count.times(), Long::sum);
    }
    return sums;
  }
}
