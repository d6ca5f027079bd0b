package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceCode;
import atalaya.java.source.SourceCondition;
import atalaya.java.source.SourceItem;
import atalaya.java.source.SourceLambda;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.objectweb.asm.Opcodes;

/** What the instructions of a method that steer control are in its source. */
final class Meanings {
  /** In capitals, or of a class by its name. */
  private static final Pattern CONSTANT =
      Pattern.compile("(.*\\.)?[A-Z][A-Z0-9_]*|(.*\\.)?[A-Z]\\w*\\.\\w+");

  private Meanings() {}

  /**
   * Lays a method beside its source.
   *
   * @param lambdaBodies the methods that hold the bodies of lambdas, by name and descriptor
   * @return what is certain
   */
  static Map<CodeItem, SourceItem> of(
      CodeMethod method, SourceCode source, Map<String, CodeMethod> lambdaBodies) {
    List<SourceItem> written = source.items().stream().filter(Meanings::steers).toList();
    List<CodeItem> steering = steering(method);
    Map<CodeItem, SourceItem> certain =
        Alignment.of(written, steering, (here, code) -> fits(here, code, lambdaBodies));
    return withoutDoubtful(source, withoutIncomplete(steering, certain));
  }

  /** The instructions of a method that steer control and stand for something in its source. */
  static List<CodeItem> steering(CodeMethod method) {
    return method.items().stream().filter(Meanings::steers).toList();
  }

  /**
   * A jump that means nothing certain may be a copy of one that does: what is told of a condition
   * or a switch on such a line would not be all of it.
   */
  private static Map<CodeItem, SourceItem> withoutIncomplete(
      List<CodeItem> steering, Map<CodeItem, SourceItem> meanings) {
    BitSet open = new BitSet();
    for (CodeItem item : steering) {
      boolean chooses = item instanceof CodeItem.Jump || item instanceof CodeItem.Choice;
      if (chooses && !meanings.containsKey(item)) {
        open.set(item.line());
      }
    }
    Map<CodeItem, SourceItem> complete = new HashMap<>(meanings);
    complete.values().removeIf(meaning -> chooses(meaning) && isAmong(open, meaning));
    return complete;
  }

  private static boolean chooses(SourceItem meaning) {
    return meaning instanceof SourceItem.Test
        || meaning instanceof SourceItem.PatternTest
        || meaning instanceof SourceItem.Selection;
  }

  private static boolean isAmong(BitSet lines, SourceItem meaning) {
    int next = lines.nextSetBit(meaning.fromLine());
    return next >= 0 && next <= meaning.toLine();
  }

  /**
   * Where a condition of the source found no jump, the source may be another one than was compiled:
   * the other conditions on its line are not believed either. What is named like a constant may be
   * one, for which compilers make no jump.
   */
  private static Map<CodeItem, SourceItem> withoutDoubtful(
      SourceCode source, Map<CodeItem, SourceItem> meanings) {
    Set<SourceCondition> found = new HashSet<>();
    for (SourceItem meaning : meanings.values()) {
      if (meaning instanceof SourceItem.Test test) {
        found.add(test.condition());
      }
    }
    Set<Integer> doubtful = new HashSet<>();
    for (SourceItem item : source.items()) {
      if (item instanceof SourceItem.Test test
          && !found.contains(test.condition())
          && !isNamedLikeConstant(test)) {
        doubtful.add(test.condition().line());
      }
    }
    Map<CodeItem, SourceItem> believed = new HashMap<>(meanings);
    believed
        .values()
        .removeIf(
            meaning ->
                meaning instanceof SourceItem.Test test
                    && doubtful.contains(test.condition().line()));
    return believed;
  }

  private static boolean isNamedLikeConstant(SourceItem.Test test) {
    return test.optionalEvidence() && CONSTANT.matcher(test.condition().text()).matches();
  }

  private static boolean steers(SourceItem item) {
    return !(item instanceof SourceItem.Catch || item instanceof SourceItem.Operation);
  }

  private static boolean steers(CodeItem item) {
    return item instanceof CodeItem.Jump jump && !jump.compilerMade()
        || item instanceof CodeItem.Choice choice && !choice.compilerMade()
        || item instanceof CodeItem.LambdaMade
        || item instanceof CodeItem.LoopHead;
  }

  private static boolean fits(
      SourceItem source, CodeItem code, Map<String, CodeMethod> lambdaBodies) {
    boolean sameLines =
        code.line() == 0 || source.fromLine() <= code.line() && code.line() <= source.toLine();
    if (!sameLines) {
      return false;
    }
    if (source instanceof SourceItem.Test test && code instanceof CodeItem.Jump jump) {
      return test.opcodes().contains(jump.opcode())
          && !jump.evidence().equals(CodeItem.CONSTANT)
          && evident(test, jump);
    }
    if (source instanceof SourceItem.PatternTest && code instanceof CodeItem.Jump jump) {
      return jump.opcode() == Opcodes.IFEQ && jump.evidence().equals("instanceof")
          || jump.opcode() == Opcodes.IFNULL
          || jump.evidence().equals(CodeItem.CONSTANT);
    }
    if (source instanceof SourceItem.CompilerMade made && code instanceof CodeItem.Jump jump) {
      return made.opcodes().contains(jump.opcode());
    }
    if (source instanceof SourceItem.Selection selection
        && code instanceof CodeItem.Choice choice) {
      return SwitchMatch.mayBe(selection, choice);
    }
    if (source instanceof SourceItem.LoopHere) {
      return code instanceof CodeItem.LoopHead;
    }
    return source instanceof SourceItem.LambdaHere here
        && code instanceof CodeItem.LambdaMade made
        && isBodyOf(here.lambda(), lambdaBodies.get(made.body()));
  }

  private static boolean evident(SourceItem.Test test, CodeItem.Jump jump) {
    String evidence = jump.evidence();
    boolean fitsWithoutTest =
        test.evidence().equals("instanceof") && jump.opcode() == Opcodes.IFNULL;
    return fitsWithoutTest
        || test.evidence().isEmpty()
        || evidence.equals(test.evidence())
        || evidence.equals("val$" + test.evidence())
        || evidence.startsWith("access$")
        || test.optionalEvidence() && evidence.isEmpty();
  }

  private static boolean isBodyOf(SourceLambda lambda, CodeMethod body) {
    if (body == null) {
      return false;
    }
    for (int line : body.lines()) {
      if (line < lambda.firstLine() || line > lambda.lastLine()) {
        return false;
      }
    }
    return true;
  }
}
