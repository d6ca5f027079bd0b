package atalaya.cli.render;

import java.util.List;

/** A titled part of a brief. */
record Part(String title, List<String> lines) {
  /** The one with some lines; none without lines. */
  static List<Part> of(String title, List<String> lines) {
    return lines.isEmpty()
        ? List.of()
        : List.of(new Part(title, lines.stream().map(Words::plain).toList()));
  }
}
