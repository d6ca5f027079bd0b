package atalaya.ways;

import atalaya.ways.follow.Makings;
import java.util.List;

/**
 * How the objects that a way needs come to be before it begins.
 *
 * @param makings how they are made
 * @param calls what gives them a state after that, in this order
 */
record Outset(Makings makings, List<Preparation> calls) {
  static final Outset PLAINEST = of(Makings.PLAINEST);

  Outset {
    calls = List.copyOf(calls);
  }

  static Outset of(Makings makings) {
    return new Outset(makings, List.of());
  }

  static Outset after(List<Preparation> calls) {
    return new Outset(Makings.PLAINEST, calls);
  }
}
