package atalaya.core.plan;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A plan and what was found out beside it.
 *
 * @param remedies what may be better than a test
 * @param impossible why no way leads to something, by the name of the gap or method it was for
 * @param notFound the same, where there may be one that was not found
 */
public record Planned(
    Plan plan,
    List<Remedy> remedies,
    Map<String, String> impossible,
    Map<String, String> notFound) {
  public Planned {
    remedies = List.copyOf(remedies);
    impossible = Collections.unmodifiableMap(new LinkedHashMap<>(impossible));
    notFound = Collections.unmodifiableMap(new LinkedHashMap<>(notFound));
  }
}
