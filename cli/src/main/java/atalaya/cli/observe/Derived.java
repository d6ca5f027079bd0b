package atalaya.cli.observe;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.Joiner;
import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.Test;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.IntStream;

/** What follows from the code and from what was reached of it. */
record Derived(Map<String, ClassReach> reach, List<ClassFigures> figures, List<TestFigures> tests) {

  static Derived of(
      CodeWithGaps code,
      Detail detail,
      Function<String, ClassReach> reachOf,
      BiFunction<CodeClass, ClassReach, ClassState> stateOf,
      List<Test> tests) {
    Joiner joiner = new Joiner(detail);
    Map<String, ClassReach> reach = new LinkedHashMap<>();
    code.classes().forEach(type -> reach.put(type.name(), reachOf.apply(type.name())));
    List<ClassFigures> figures =
        IntStream.range(0, code.classes().size())
            .parallel()
            .mapToObj(
                i -> {
                  CodeClass type = code.classes().get(i);
                  ClassReach of = reach.get(type.name());
                  return joiner.join(type, of, stateOf.apply(type, of), code.gaps().get(i));
                })
            .toList();
    return new Derived(reach, figures, joiner.tests(tests));
  }
}
