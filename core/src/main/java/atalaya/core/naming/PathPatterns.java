package atalaya.core.naming;

import java.nio.file.FileSystems;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

/** Globs from the project's root; one without wildcards also names all that is below it. */
public final class PathPatterns {
  private final List<String> patterns;
  private final List<PathMatcher> matchers;

  private PathPatterns(List<String> patterns) {
    this.patterns = List.copyOf(patterns);
    this.matchers = patterns.stream().flatMap(PathPatterns::matchers).toList();
  }

  /**
   * Reads patterns, each of which may hold several, separated by commas.
   *
   * @throws IllegalArgumentException when one can't be read
   */
  public static PathPatterns of(List<String> patterns) {
    return new PathPatterns(patterns);
  }

  private static Stream<PathMatcher> matchers(String patterns) {
    return Arrays.stream(patterns.split(",(?![^{]*})"))
        .map(String::strip)
        .filter(pattern -> !pattern.isEmpty())
        .flatMap(pattern -> Stream.of(pattern, pattern.replaceAll("/+$", "") + "/**"))
        .map(pattern -> FileSystems.getDefault().getPathMatcher("glob:" + pattern));
  }

  /** Whether there are none. */
  public boolean isEmpty() {
    return matchers.isEmpty();
  }

  /** Whether any matches a path from the project's root. */
  public boolean match(String path) {
    Path asPath = Path.of(path);
    return matchers.stream().anyMatch(matcher -> matcher.matches(asPath));
  }

  /** The patterns as they were written. */
  @Override
  public String toString() {
    return patterns.toString();
  }
}
