package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceCondition;
import atalaya.java.source.SourceItem;
import atalaya.java.source.SourceLoop;
import atalaya.points.Loop;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the points of a loop of the code say of the turns of its loop in the source. When a loop's
 * own condition ends it, its body ran as often as control came back to the head; in a loop that
 * asks last, or is left from within, once more.
 */
record LoopMatch(BitSet zero, BitSet once, BitSet more) {

  /**
   * Reads the points.
   *
   * @param method that it stands in
   * @param meanings of the jumps and switches around it
   * @return empty when it can't be told how the loop is left
   */
  static Optional<LoopMatch> of(
      SourceLoop written,
      CodeItem.LoopHead compiled,
      CodeMethod method,
      Map<CodeItem, SourceItem> meanings) {
    BitSet compilerMade = new BitSet();
    for (CodeItem.Jump jump : method.items(CodeItem.Jump.class)) {
      compilerMade.set(jump.point(), jump.point() + 2, jump.compilerMade());
    }
    Map<Integer, SourceItem> byPoint = new HashMap<>();
    for (CodeItem item : meanings.keySet()) {
      if (item instanceof CodeItem.Jump jump) {
        byPoint.put(jump.point(), meanings.get(item));
        byPoint.put(jump.point() + 1, meanings.get(item));
      } else if (item instanceof CodeItem.Choice choice) {
        for (int i = 0; i <= choice.keys().length; i++) {
          byPoint.put(choice.point() + i, meanings.get(item));
        }
      }
    }
    LoopMatch match = new LoopMatch(new BitSet(), new BitSet(), new BitSet());
    boolean asksFirst = written.asksFirst();
    match.more.set(compiled.loop().thrown, compiled.loop().thrown + (asksFirst ? 1 : 2));
    for (Loop.Exit exit : compiled.loop().exits) {
      boolean byJump = exit.edge.outcome != Loop.Edge.ELSEWHERE;
      SourceItem meaning = byPoint.get(exit.edge.outcome);
      boolean isUnknown = meaning == null && !compilerMade.get(Math.max(0, exit.edge.outcome));
      if (byJump && asksFirst && isUnknown) {
        return Optional.empty();
      }
      boolean byCondition = asksFirst && isOf(written, meaning);
      (byCondition ? match.zero : match.once).set(exit.point + 2);
      (byCondition ? match.once : match.more).set(exit.point + 1);
      match.more.set(exit.point);
    }
    return Optional.of(match);
  }

  /** Both together, of two copies of one loop. */
  LoopMatch plus(LoopMatch other) {
    LoopMatch both = new LoopMatch(new BitSet(), new BitSet(), new BitSet());
    for (LoopMatch one : List.of(this, other)) {
      both.zero.or(one.zero);
      both.once.or(one.once);
      both.more.or(one.more);
    }
    return both;
  }

  private static boolean isOf(SourceLoop loop, SourceItem meaning) {
    SourceCondition condition =
        meaning instanceof SourceItem.Test test
            ? test.condition()
            : meaning instanceof SourceItem.PatternTest pattern ? pattern.whole() : null;
    return condition != null
        && loop.conditions().stream().anyMatch(own -> own.compareTo(condition) == 0);
  }
}
