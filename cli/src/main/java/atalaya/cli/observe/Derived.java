package atalaya.cli.observe;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.Joiner;
import atalaya.core.figure.MethodEntries;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.GapFinder;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.Test;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;

/** What follows from the code and from what was reached of it. */
record Derived(Map<String, ClassReach> reach, List<ClassFigures> figures, List<TestFigures> tests) {

  static Derived of(
      List<CodeClass> read,
      Detail detail,
      Function<String, ClassReach> reachOf,
      BiFunction<CodeClass, ClassReach, ClassState> stateOf,
      List<Test> tests) {
    Joiner joiner = new Joiner(detail);
    Map<String, ClassReach> reach = new LinkedHashMap<>();
    List<ClassFigures> figures = new ArrayList<>();
    List<CodeClass> classes =
        detail == Detail.METHODS ? read.stream().map(MethodEntries::of).toList() : read;
    GapFinder gaps = new GapFinder(classes, name -> reachOf.apply(name).all());
    for (int i = 0; i < classes.size(); i++) {
      CodeClass code = classes.get(i);
      ClassReach of = reachOf.apply(code.name());
      reach.put(code.name(), of);
      figures.add(joiner.join(code, of, stateOf.apply(code, of), gaps.of(i)));
    }
    return new Derived(reach, figures, joiner.tests(tests));
  }
}
