package atalaya.core.leave;

import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * Where in one source file code of each nature stands.
 *
 * @param members classes and methods that are of one nature as a whole
 * @param lines on which nothing else stands
 * @param outcomes that lead to such statements and nothing else
 */
public record NatureMarks(
    List<Member> members, Map<Nature, BitSet> lines, List<LeadingTo> outcomes) {
  /** Where there is no source. */
  public static final NatureMarks NONE = new NatureMarks(List.of(), Map.of(), List.of());

  public NatureMarks {
    members = List.copyOf(members);
    lines = lines.isEmpty() ? Map.of() : new EnumMap<>(lines);
    outcomes = List.copyOf(outcomes);
  }

  /** A class or method, by its first and last line. */
  public record Member(Nature nature, int firstLine, int lastLine) {}

  /** An outcome, by the line and the text of its condition. */
  public record LeadingTo(Nature nature, int line, String condition, String outcome) {}
}
