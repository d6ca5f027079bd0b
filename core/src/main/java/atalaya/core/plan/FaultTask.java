package atalaya.core.plan;

import atalaya.core.figure.MethodFigures;
import java.util.Optional;
import java.util.function.Supplier;

/** The test of a way on which something can go wrong that the code itself asks about. */
public final class FaultTask implements Task {
  private final String gap;
  private final Supplier<Optional<Way>> looking;
  private final Task test;

  /** The way, if there is one; null before it was looked for. */
  private Optional<Way> way;

  /**
   * Towards a gap.
   *
   * @param gap its name
   * @param looking for the way, once; it may turn out that nothing can go wrong on it
   */
  public FaultTask(Scene scene, MethodFigures method, String gap, Supplier<Optional<Way>> looking) {
    this.gap = gap;
    this.looking = looking;
    this.test = new MethodTask(scene, method, Double.MAX_VALUE, this::way);
  }

  @Override
  public String name() {
    return test.name();
  }

  @Override
  public double most() {
    return test.most();
  }

  @Override
  public boolean isFirst() {
    return true;
  }

  @Override
  public Optional<Brief> best(Work done) {
    return test.best(done);
  }

  private Optional<Way> way(Work done) {
    if (done.isClosed(gap)) {
      return Optional.empty();
    }
    if (way == null) {
      way = looking.get().filter(found -> found.setUp().mayFail().isPresent());
    }
    return way;
  }
}
