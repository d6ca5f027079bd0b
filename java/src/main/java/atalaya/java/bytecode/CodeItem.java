package atalaya.java.bytecode;

/** Something in the code of a method that has to do with the source. */
public sealed interface CodeItem {
  /** The line that the line table gives it, or 0. */
  int line();

  /**
   * The first instruction of an entry of the line table.
   *
   * @param returnsOnly whether that instruction is a return without a value
   */
  record LineEntry(int point, int line, boolean returnsOnly) implements CodeItem {}

  /** The first instruction of an exception handler. */
  record HandlerEntry(int point, int line) implements CodeItem {}

  /**
   * A conditional jump: {@code point} when it jumps, {@code point + 1} when it does not.
   *
   * @param evidence what the jump looks at: {@code name()} of a call, the name of a field, {@code
   *     instanceof}, or empty
   * @param compilerMade whether the class file alone shows that nobody wrote it
   */
  record Jump(int point, int line, int opcode, String evidence, boolean compilerMade)
      implements CodeItem {}

  /**
   * A switch: {@code point + i} when it chooses {@code keys[i]}, then its default.
   *
   * @param targets for each key a number that is larger the further behind its target stands
   * @param target the same for the default
   * @param enumMap the array that turns enum constants into keys, {@code owner.field}, or empty
   * @param onStrings whether the keys count the labels of a switch on strings
   * @param compilerMade whether the class file alone shows that nobody wrote it
   */
  record Choice(
      int point,
      int line,
      int[] keys,
      int[] targets,
      int target,
      String enumMap,
      boolean onStrings,
      boolean compilerMade)
      implements CodeItem {}

  /**
   * A lambda is made.
   *
   * @param body name and descriptor of the method that holds its body
   */
  record LambdaMade(int line, String body) implements CodeItem {}
}
