package atalaya.java.way.follow;

import atalaya.java.way.code.CodeBase;
import atalaya.java.way.code.Meanings;
import java.util.BitSet;
import java.util.function.Function;

/**
 * What is known of a project.
 *
 * @param seen the points of a class, by binary name, that were reached when it was observed
 */
public record Known(
    CodeBase base, Meanings meanings, Statics statics, Function<String, BitSet> seen) {

  public static Known of(CodeBase base, Meanings meanings, Function<String, BitSet> seen) {
    Known first = new Known(base, meanings, Statics.NONE, seen);
    Known second = new Known(base, meanings, Statics.of(first), seen);
    return new Known(base, meanings, Statics.of(second), seen);
  }
}
