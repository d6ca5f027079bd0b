package atalaya.java.source;

import atalaya.core.leave.Nature;
import atalaya.java.SourceText;
import java.util.BitSet;
import java.util.List;
import java.util.regex.Pattern;

/** Code that says it was generated ({@code docs/measures.md}, section 12). */
public final class GeneratedCode {
  /** What any such code has in it: most sources need not be parsed. */
  private static final Pattern HINT = Pattern.compile("(?i)generated|do not (?:edit|modify)");

  private GeneratedCode() {}

  /** The lines of a source on which such code stands; none when it can't be parsed. */
  public static BitSet linesOf(SourceText source) {
    if (!HINT.matcher(source.text()).find()) {
      return new BitSet();
    }
    return SourceParser.parse(List.of(source), GeneratedCode::lines)
        .getOrDefault(source, new BitSet());
  }

  private static BitSet lines(Places places) {
    BitSet lines = new BitSet();
    Natures.in(places).members().stream()
        .filter(member -> member.nature() == Nature.GENERATED)
        .forEach(member -> lines.set(member.firstLine(), member.lastLine() + 1));
    return lines;
  }
}
