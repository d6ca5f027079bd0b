package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.bytecode.CodeOperation;
import atalaya.java.bytecode.OperationReader;
import atalaya.java.source.SourceCode;
import atalaya.java.source.SourceCondition;
import atalaya.java.source.SourceItem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;

/** Finds the places of one class as its methods are matched. */
final class CodePlaces implements ClassMatcher.Listener {
  private static final String TRUE = "true";
  private static final String FALSE = "false";

  private final Map<String, OperationReader.Found> found;
  private final Function<String, Map<Integer, String>> enumMaps;
  private final List<CodePlace> places = new ArrayList<>();

  CodePlaces(byte[] classFile, Function<String, Map<Integer, String>> enumMaps) {
    this.found = OperationReader.read(classFile);
    this.enumMaps = enumMaps;
  }

  List<CodePlace> places() {
    return places;
  }

  @Override
  public void matched(
      CodeMethod method,
      SourceCode source,
      Map<CodeItem, SourceItem> meanings,
      IntFunction<Owner> owner) {
    OperationReader.Found of = found.get(method.key());
    Set<SourceCondition> steering = new HashSet<>();
    for (SourceItem item : source.items()) {
      if (item instanceof SourceItem.LoopHere loop) {
        steering.addAll(loop.loop().conditions());
      }
    }
    List<CodeItem.Jump> jumps = method.items(CodeItem.Jump.class);
    for (int i = 0; i < jumps.size(); i++) {
      if (meanings.get(jumps.get(i)) instanceof SourceItem.Test test) {
        jump(method, of, of.jumps().get(i), test, steering.contains(test.condition()), owner);
      }
    }
    List<CodeItem.Choice> choices = method.items(CodeItem.Choice.class);
    for (int i = 0; i < choices.size(); i++) {
      if (meanings.get(choices.get(i)) instanceof SourceItem.Selection selection) {
        choice(method, of, of.switches().get(i), choices.get(i), selection, owner);
      }
    }
    operations(method, of, source, owner);
  }

  private void jump(
      CodeMethod method,
      OperationReader.Found of,
      int instruction,
      SourceItem.Test test,
      boolean steersLoop,
      IntFunction<Owner> owner) {
    boolean isBoolean = test.condition().outcomes().equals(List.of(TRUE, FALSE));
    if (isBoolean) {
      int line = of.lines().get(instruction);
      places.add(
          new CodePlace.Jump(
              method.key(),
              instruction,
              owner.apply(test.condition().line()).name(),
              line,
              test.condition(),
              test.whenJumping().equals(TRUE),
              steersLoop));
    }
  }

  private void choice(
      CodeMethod method,
      OperationReader.Found of,
      int instruction,
      CodeItem.Choice choice,
      SourceItem.Selection selection,
      IntFunction<Owner> owner) {
    if (!choice.passed().isEmpty()) {
      return;
    }
    SwitchMatch.points(selection, choice, enumMaps.apply(choice.enumMap()))
        .ifPresent(
            points -> {
              Map<String, Integer> keys = new LinkedHashMap<>();
              points.forEach(
                  (outcome, bits) -> {
                    int index = bits.nextSetBit(0) - choice.point();
                    if (bits.cardinality() == 1 && index >= 0 && index < choice.keys().length) {
                      keys.put(outcome, choice.keys()[index]);
                    }
                  });
              places.add(
                  new CodePlace.Switch(
                      method.key(),
                      instruction,
                      owner.apply(selection.condition().line()).name(),
                      of.lines().get(instruction),
                      selection.condition(),
                      keys));
            });
  }

  private void operations(
      CodeMethod method, OperationReader.Found of, SourceCode source, IntFunction<Owner> owner) {
    List<SourceItem> written =
        source.items().stream().filter(SourceItem.Operation.class::isInstance).toList();
    Map<CodeItem, SourceItem> meanings =
        Alignment.of(written, List.copyOf(of.operations()), CodePlaces::fits);
    for (CodeOperation code : of.operations()) {
      if (meanings.get(code) instanceof SourceItem.Operation item) {
        places.add(
            new CodePlace.Operation(
                method.key(),
                code.instruction(),
                owner.apply(item.operation().line()).name(),
                code.line(),
                item.operation()));
      }
    }
  }

  private static boolean fits(SourceItem source, CodeItem code) {
    return source instanceof SourceItem.Operation operation
        && code instanceof CodeOperation instruction
        && operation.keys().contains(instruction.key())
        && operation.fromLine() <= instruction.line()
        && instruction.line() <= operation.toLine();
  }
}
