package atalaya.cli.challenge;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One of several equal parts of the work.
 *
 * @param number from 1
 * @param of how many there are
 */
public record Shard(int number, int of) {
  /** All of it. */
  public static final Shard WHOLE = new Shard(1, 1);

  private static final Pattern SHAPE = Pattern.compile("(\\d{1,6})/(\\d{1,6})");

  /** Reads {@code 2/5}; empty when that is no shard. */
  public static Optional<Shard> parse(String text) {
    Matcher shape = SHAPE.matcher(text);
    if (!shape.matches()) {
      return Optional.empty();
    }
    Shard shard = new Shard(Integer.parseInt(shape.group(1)), Integer.parseInt(shape.group(2)));
    return shard.number >= 1 && shard.number <= shard.of ? Optional.of(shard) : Optional.empty();
  }

  /** Whether a method's mutants are in it; those of one method stay together. */
  boolean holds(String qualifiedMethod) {
    return Math.floorMod(qualifiedMethod.hashCode() * 0x9E3779B9 >>> 8, of) == number - 1;
  }

  @Override
  public String toString() {
    return number + "/" + of;
  }
}
