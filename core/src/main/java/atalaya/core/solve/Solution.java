package atalaya.core.solve;

import atalaya.core.term.Constraint;
import atalaya.core.term.Term;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What came of looking for inputs. */
public sealed interface Solution {
  /**
   * Inputs were found.
   *
   * @param inputs those that conditions speak of, in the order in which they do
   * @param open what could not be decided, and has to hold besides; empty when the inputs are right
   *     as far as the code was followed
   * @param doubts pairs of conditions for which no inputs were found, though there may be some
   */
  record Found(Map<Term.Input, Object> inputs, List<Constraint> open, List<Contradiction> doubts)
      implements Solution {
    public Found {
      doubts = List.copyOf(doubts);
      inputs = Collections.unmodifiableMap(new LinkedHashMap<>(inputs));
      open = List.copyOf(open);
    }
  }

  /**
   * The conditions can't hold together, whatever the inputs.
   *
   * @param one of two that exclude each other
   * @param other the later one; the same where it can't hold alone
   */
  record Contradiction(Constraint one, Constraint other) implements Solution {}
}
