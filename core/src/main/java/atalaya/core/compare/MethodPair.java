package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Share;
import java.util.Optional;
import java.util.function.Function;

/**
 * A method in both runs, or in one of them.
 *
 * @param before empty when it is new
 * @param after empty when it is gone
 */
public record MethodPair(Optional<MethodFigures> before, Optional<MethodFigures> after) {

  /** The method as it is now, or was. */
  public MethodFigures either() {
    return after.or(() -> before).orElseThrow();
  }

  /** Whether it stands elsewhere now. */
  public boolean moved() {
    return before.isPresent()
        && after.isPresent()
        && !before.get().qualifiedName().equals(after.get().qualifiedName());
  }

  /** How many more lines are reached. */
  public int lines() {
    return change(MethodFigures::lines);
  }

  /** How many more outcomes are reached. */
  public int outcomes() {
    return change(MethodFigures::outcomes);
  }

  private int change(Function<MethodFigures, Share> share) {
    return after.map(m -> share.apply(m).part()).orElse(0)
        - before.map(m -> share.apply(m).part()).orElse(0);
  }

  /** How many more of its paths are unwatched. */
  public double unwatched() {
    return after.map(m -> m.unwatched().total()).orElse(0.0)
        - before.map(m -> m.unwatched().total()).orElse(0.0);
  }

  /** Whether anything about it is different. */
  public boolean isChanged() {
    return lines() != 0 || outcomes() != 0 || Math.abs(unwatched()) > 1e-9;
  }
}
