package atalaya.ways.follow;

import atalaya.core.term.Term.Input;
import java.util.Set;

/**
 * How objects are made that could be made in several ways.
 *
 * @param others the names of those that are made in another way than the plainest
 * @param passedOver how many ways of making those are passed over; with more than there are, it is
 *     left open what they hold
 */
public record Makings(Set<String> others, int passedOver) {
  public static final Makings PLAINEST = new Makings(Set.of(), 0);

  public Makings {
    others = Set.copyOf(others);
  }

  /** How many ways of making an object are passed over. */
  int passedOver(Input object) {
    return others.contains(object.name()) ? passedOver : 0;
  }

  /** Whether the objects that are made in another way are made at all. */
  public boolean areThere(Set<Input> made) {
    return made.stream().map(Input::name).toList().containsAll(others);
  }
}
