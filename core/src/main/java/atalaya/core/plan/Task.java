package atalaya.core.plan;

import java.util.Optional;

/** Something of which briefs can be made, mostly a method. */
public interface Task {
  /** Its name, by which tasks are ordered where nothing else tells them apart. */
  String name();

  /** No brief of it gains more for each point. */
  double most();

  /** Its best brief once all of this work is done; empty when nothing is left to gain. */
  Optional<Brief> best(Work done);
}
