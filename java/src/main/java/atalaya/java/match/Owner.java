package atalaya.java.match;

import atalaya.core.code.Complexity;
import atalaya.core.code.Condition;
import atalaya.core.code.Handler;
import atalaya.core.code.Line;
import atalaya.core.code.Loop;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.java.source.SourceCondition;
import atalaya.java.source.SourceHandler;
import atalaya.java.source.SourceLoop;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** A method of the model while its lines and conditions are gathered. */
final class Owner {
  private final String name;
  private final String code;
  private final int firstLine;
  private final int lastLine;
  private final Complexity complexity;
  private final TreeMap<Integer, BitSet> lines = new TreeMap<>();
  private final Map<SourceCondition, Map<String, BitSet>> matched = new TreeMap<>();
  private final List<Condition> unmatched = new ArrayList<>();
  private final Map<SourceHandler, BitSet> handlers = new TreeMap<>();
  private final Map<SourceLoop, LoopMatch> loops = new TreeMap<>();
  private final Map<Integer, Integer> jumpsOnLine = new HashMap<>();

  /**
   * The lines are 0 when only the code tells them.
   *
   * @param code name and descriptor of the method of the class file, or empty
   */
  Owner(String name, String code, int firstLine, int lastLine, Complexity complexity) {
    this.name = name;
    this.code = code;
    this.firstLine = firstLine;
    this.lastLine = lastLine;
    this.complexity = complexity;
  }

  /** With simple parameter types. */
  String name() {
    return name;
  }

  void line(int line, int point) {
    lines.computeIfAbsent(line, l -> new BitSet()).set(point);
  }

  void handler(SourceHandler handler, int point) {
    handlers.computeIfAbsent(handler, h -> new BitSet()).set(point);
  }

  void loop(SourceLoop loop, LoopMatch points) {
    loops.merge(loop, points, LoopMatch::plus);
  }

  /** Counts a written jump; its number on its line, from 1. */
  int nextJump(int line) {
    return jumpsOnLine.merge(line, 1, Integer::sum);
  }

  void matched(SourceCondition condition, Map<String, BitSet> points) {
    Map<String, BitSet> all =
        matched.computeIfAbsent(
            condition,
            c -> {
              Map<String, BitSet> none = new LinkedHashMap<>();
              c.outcomes().forEach(outcome -> none.put(outcome, new BitSet()));
              return none;
            });
    points.forEach((outcome, more) -> all.get(outcome).or(more));
  }

  void unmatched(int line, int jump, List<Outcome> outcomes) {
    unmatched.add(new Condition(line, "line " + line + ", jump " + jump, false, outcomes));
  }

  /** The method; empty when nothing in it counts. */
  Optional<Method> method() {
    if (lines.isEmpty() && matched.isEmpty() && unmatched.isEmpty()) {
      return Optional.empty();
    }
    List<Condition> conditions = new ArrayList<>();
    matched.forEach(
        (condition, points) -> {
          List<Outcome> outcomes = new ArrayList<>();
          points.forEach((outcome, bits) -> outcomes.add(new Outcome(outcome, bits)));
          conditions.add(new Condition(condition.line(), condition.text(), true, outcomes));
        });
    conditions.addAll(unmatched);
    conditions.sort(Comparator.comparingInt(Condition::line));
    int first = firstLine > 0 ? firstLine : lines.isEmpty() ? 1 : lines.firstKey();
    int last = lastLine > 0 ? lastLine : lines.isEmpty() ? first : lines.lastKey();
    List<Line> reachable =
        lines.entrySet().stream().map(e -> new Line(e.getKey(), e.getValue())).toList();
    return Optional.of(
        new Method(
            name,
            code,
            first,
            Math.max(first, last),
            complexity,
            reachable,
            conditions,
            handlers.entrySet().stream()
                .map(e -> new Handler(e.getKey().line(), e.getKey().text(), e.getValue()))
                .toList(),
            loops.entrySet().stream().map(e -> turns(e.getKey(), e.getValue())).toList()));
  }

  private static Loop turns(SourceLoop loop, LoopMatch points) {
    return new Loop(loop.line(), loop.text(), points.zero(), points.once(), points.more());
  }
}
