package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.Meanings;
import java.util.BitSet;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * What is known of a project.
 *
 * @param seen the points of a class, by binary name, that were reached when it was observed
 * @param given what inputs are, where that is known already
 */
public record Known(
    CodeBase base,
    Meanings meanings,
    Statics statics,
    Function<String, BitSet> seen,
    Optional<Map<Term.Input, Object>> given) {

  public static Known of(CodeBase base, Meanings meanings, Function<String, BitSet> seen) {
    Known first = new Known(base, meanings, Statics.NONE, seen, Optional.empty());
    Known second = new Known(base, meanings, Statics.of(first), seen, Optional.empty());
    return new Known(base, meanings, Statics.of(second), seen, Optional.empty());
  }

  /** The same, and what inputs are. */
  public Known given(Map<Term.Input, Object> inputs) {
    return new Known(base, meanings, statics, seen, Optional.of(inputs));
  }
}
