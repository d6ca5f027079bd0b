package atalaya.points;

import java.util.List;
import java.util.Set;
import org.objectweb.asm.Label;

/**
 * A loop in the code of one method: all code from which control can come back to its head without
 * having left, where the head is the only way in (a natural loop; Muchnick 1997, section 7.4). How
 * often control came to the head since it entered the loop is counted as once, twice, or more.
 */
public final class Loop {

  /** How many points tell a count: one for once, one for twice, one for more. */
  public static final int COUNTS = 3;

  /** Where every turn begins. */
  public final Label head;

  /** The first of the points for control coming to the head. */
  public final int point;

  /** Where control leaves it in good order. */
  public final List<Exit> exits;

  /** The points of the handlers outside of it that catch what is thrown in it. */
  public final Set<Integer> brokenOffBy;

  Loop(Label head, int point, List<Exit> exits, Set<Integer> brokenOffBy) {
    this.head = head;
    this.point = point;
    this.exits = exits;
    this.brokenOffBy = brokenOffBy;
  }

  /** A place where control leaves a loop. One of the first three fields says where. */
  public static final class Exit {
    /** In place of a number: it is somewhere else. */
    public static final int ELSEWHERE = -1;

    /** By a conditional jump or a switch: the point of that outcome. */
    public final int outcome;

    /** By an unconditional jump or a return: how many of them the method has before it. */
    public final int leap;

    /** By going on to this label; else null. */
    public final Label label;

    /** The first of the points for leaving here, by how often control had come to the head. */
    public final int point;

    Exit(int outcome, int leap, Label label, int point) {
      this.outcome = outcome;
      this.leap = leap;
      this.label = label;
      this.point = point;
    }
  }
}
