package atalaya.java.match;

import atalaya.java.source.SourceCondition;
import atalaya.java.source.SourceOperation;
import java.util.Map;

/** A place in the code of a class whose text in the source is known. */
public sealed interface CodePlace {
  /** The method of the class file, name and descriptor. */
  String code();

  /** The number of the instruction in it, from 0, labels and line numbers aside. */
  int instruction();

  /** The name of the method of the model that it belongs to. */
  String method();

  /** The line that the line table gives it, or 0. */
  int line();

  /** An operation. */
  record Operation(String code, int instruction, String method, int line, SourceOperation operation)
      implements CodePlace {}

  /**
   * The conditional jump of a condition.
   *
   * @param whenJumping how the condition came out when it jumps
   * @param steersLoop whether a loop goes on by it
   */
  record Jump(
      String code,
      int instruction,
      String method,
      int line,
      SourceCondition condition,
      boolean whenJumping,
      boolean steersLoop)
      implements CodePlace {}

  /**
   * A switch.
   *
   * @param keys by outcome, for the outcomes that one key has, in the order of the source
   */
  record Switch(
      String code,
      int instruction,
      String method,
      int line,
      SourceCondition condition,
      Map<String, Integer> keys)
      implements CodePlace {}
}
