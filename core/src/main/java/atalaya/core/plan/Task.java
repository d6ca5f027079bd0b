package atalaya.core.plan;

import java.util.Optional;

/** Something of which briefs can be made, mostly a method. */
public interface Task {
  /** So many ways one test takes at most, through one method or several. */
  int MOST_WAYS = 8;

  /** Its name, by which tasks are ordered where nothing else tells them apart. */
  String name();

  /** A brief of it rarely gains more, weights of zones included. */
  double most();

  /** No brief of it has less effort. */
  default int leastPoints() {
    return 1;
  }

  /** Whether it comes before others whatever it gains, and besides the most that are looked at. */
  default boolean isFirst() {
    return false;
  }

  /**
   * Several tasks may be asked at once, each by one thread: its best brief once all of this work is
   * done; empty when nothing is left to gain.
   */
  Optional<Brief> best(Work done);

  /**
   * A brief of it with what the same test may well do besides, once all of this work is done.
   *
   * @param points the most effort of the whole
   * @param worth what each point that it takes besides has to gain
   */
  default Brief grown(Brief brief, Work done, int points, double worth) {
    return brief;
  }
}
