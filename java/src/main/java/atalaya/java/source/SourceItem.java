package atalaya.java.source;

import java.util.List;

/** Something in the source that a compiler makes code of, in the order of that code. */
public sealed interface SourceItem {
  /** In place of the number of a label: it is {@code null}, the key that switches have for it. */
  int NULL_KEY = -1;

  /** The first line that the code may carry. */
  int fromLine();

  /** The last line that the code may carry. */
  int toLine();

  /**
   * An atomic condition, or the step of an enhanced {@code for}.
   *
   * @param whenJumping the outcome when the conditional jump is taken
   * @param whenNot the outcome when it is not
   * @param opcodes those that the jump may have
   * @param evidence what the jump must look at, as {@code CodeItem.Jump} has it; empty where that
   *     is not known
   * @param optionalEvidence whether the class file may be silent about it, as it is about locals
   */
  record Test(
      SourceCondition condition,
      String whenJumping,
      String whenNot,
      List<Integer> opcodes,
      String evidence,
      boolean optionalEvidence,
      int fromLine,
      int toLine)
      implements SourceItem {}

  /**
   * A switch.
   *
   * @param groups its label groups but the default's, in the order of the source
   * @param defaultLabels the labels that stand in the default's group
   * @param hasDefault whether the default is an outcome
   * @param ofTypes whether it has patterns, or {@code null}
   */
  record Selection(
      SourceCondition condition,
      List<Group> groups,
      List<Label> defaultLabels,
      boolean hasDefault,
      boolean ofTypes,
      int fromLine,
      int toLine)
      implements SourceItem {

    /** How many labels are written, {@code default} aside. */
    public int labels() {
      return defaultLabels.size() + groups.stream().mapToInt(g -> g.labels().size()).sum();
    }
  }

  /**
   * A label group of a switch.
   *
   * @param outcome its labels joined by {@code ", "}
   */
  record Group(String outcome, List<Label> labels) {}

  /**
   * A label of a switch.
   *
   * @param number its key where compilers count the labels of the switch
   * @param key the value, when it is a literal number or character; else null
   */
  record Label(int number, String text, Integer key) {}

  /**
   * A test of a pattern inside another one, which may be needed or not.
   *
   * @param whole the condition that it belongs to; null for the pattern of a switch's label
   */
  record PatternTest(SourceCondition whole, int fromLine, int toLine) implements SourceItem {}

  /** A {@code catch} clause begins. */
  record Catch(SourceHandler handler, int fromLine, int toLine) implements SourceItem {}

  /** A loop begins its turns here. */
  record LoopHere(SourceLoop loop, int fromLine, int toLine) implements SourceItem {}

  /**
   * Something that computes, calls, assigns, returns or throws.
   *
   * @param keys those that its instruction may have, as {@code CodeOperation} has them
   */
  record Operation(SourceOperation operation, List<String> keys, int fromLine, int toLine)
      implements SourceItem {}

  /** A lambda stands here. */
  record LambdaHere(SourceLambda lambda, int fromLine, int toLine) implements SourceItem {}

  /**
   * The compiler adds a jump of its own here, or does not.
   *
   * @param opcodes those that it may have
   */
  record CompilerMade(List<Integer> opcodes, int fromLine, int toLine) implements SourceItem {}
}
