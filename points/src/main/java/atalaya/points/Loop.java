package atalaya.points;

import java.util.List;
import java.util.Set;
import org.objectweb.asm.Label;

/**
 * A loop in the code of one method: all code from which control can come back to its head without
 * having left, where the head is the only way in (a natural loop; Muchnick 1997, section 7.4). How
 * often control came back to the head before it left is counted as not at all, once, or more often.
 */
public final class Loop {

  /** How many points tell a count: first the one for more often, then once, then not at all. */
  public static final int COUNTS = 3;

  /** Where every turn begins. */
  public final Label head;

  /** No code of it stands before this label. */
  public final Label first;

  /** No code of it stands after this label; null when it may stand up to the method's end. */
  public final Label after;

  /** Where control comes to the head from outside. */
  public final List<Edge> entries;

  /** Where control comes back to the head. */
  public final List<Edge> backs;

  /** Where control leaves it in good order. */
  public final List<Exit> exits;

  /** The first of the points for leaving it by an exception. */
  public final int thrown;

  /** The points of the handlers of its method, outside of it, that catch what is thrown in it. */
  public final Set<Integer> handlers;

  /** From 0: loops with the same number have no code in common, so that never both of them run. */
  public final int slot;

  Loop(
      Label head,
      Label first,
      Label after,
      List<Edge> entries,
      List<Edge> backs,
      List<Exit> exits,
      int thrown,
      Set<Integer> handlers,
      int slot) {
    this.head = head;
    this.first = first;
    this.after = after;
    this.entries = entries;
    this.backs = backs;
    this.exits = exits;
    this.thrown = thrown;
    this.handlers = handlers;
    this.slot = slot;
  }

  /** A place where control goes from one piece of code to another. One of the fields says where. */
  public static final class Edge {
    /** In place of a number: it is somewhere else. */
    public static final int ELSEWHERE = -1;

    /** By a conditional jump or a switch: the point of that outcome. */
    public final int outcome;

    /** By an unconditional jump or a return: how many of them the method has before it. */
    public final int leap;

    /** By going on to this label; else null. */
    public final Label label;

    Edge(int outcome, int leap, Label label) {
      this.outcome = outcome;
      this.leap = leap;
      this.label = label;
    }
  }

  /** A place where control leaves a loop. */
  public static final class Exit {
    /** Where. */
    public final Edge edge;

    /** The first of the points for leaving here. */
    public final int point;

    Exit(Edge edge, int point) {
      this.edge = edge;
      this.point = point;
    }
  }
}
