package atalaya.dist.made;

import java.util.List;

/** A place of a made-up program that logs what happens there, by its number. */
sealed interface Place {
  int number();

  /** A statement begins. */
  record Statement(int number) implements Place {}

  /** A condition; the log has which outcomes came out. */
  record Condition(int number) implements Place {}

  /** An enhanced {@code for}; the log has what it was told of there being another one. */
  record Each(int number) implements Place {}

  /**
   * A switch on values; the log has those it chose by.
   *
   * @param groups the labels of each group
   */
  record Choice(int number, List<List<String>> groups, boolean hasDefault) implements Place {}

  /** A switch on types; the log has the numbers of the labels it chose. */
  record Types(int number, int labels) implements Place {}

  /** A {@code catch}. */
  record Handler(int number) implements Place {}

  /** A loop; the log has the turns, three for more, and whether something was thrown out of it. */
  record Loop(int number, boolean bodyFirst) implements Place {}
}
