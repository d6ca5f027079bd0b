package atalaya.cli.observe;

import atalaya.core.code.CodeClass;
import atalaya.core.figure.MethodEntries;
import atalaya.core.gap.Gap;
import atalaya.core.gap.GapFinder;
import atalaya.core.leave.Leaving;
import atalaya.core.leave.LeftOut;
import atalaya.core.leave.Nature;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import atalaya.java.ProjectModel;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.IntStream;

/**
 * A project as it was read, and its gaps. The flow of control that they were found by is let go, so
 * that a large project needs less room from here on.
 *
 * @param classes in the detail that was observed, without what is left out for its nature
 * @param gaps of each class
 * @param leftOut for its nature
 */
record CodeWithGaps(
    ProjectModel model, List<CodeClass> classes, List<List<Gap>> gaps, List<LeftOut> leftOut) {

  static CodeWithGaps of(ProjectModel model, RunInfo info, Function<String, ClassReach> reach) {
    Leaving leaving = new Leaving(Nature.in(info.leaveOut()));
    List<CodeClass> classes = new ArrayList<>();
    for (CodeClass whole : model.classes()) {
      CodeClass code = info.detail() == Detail.METHODS ? MethodEntries.of(whole) : whole;
      classes.add(leaving.from(code, model.naturesOf(whole), reach.apply(whole.name()).all()));
    }
    Map<String, BitSet> reached = new ConcurrentHashMap<>();
    GapFinder finder =
        new GapFinder(
            classes, name -> reached.computeIfAbsent(name, type -> reach.apply(type).all()));
    List<List<Gap>> gaps =
        IntStream.range(0, classes.size()).parallel().mapToObj(finder::of).toList();
    ProjectModel lean =
        new ProjectModel(
            model.classes().stream().map(CodeClass::withoutFlow).toList(),
            model.pathOfClass(),
            model.natures(),
            model.problems(),
            model.brokenSources());
    return new CodeWithGaps(
        lean, classes.stream().map(CodeClass::withoutFlow).toList(), gaps, leaving.leftOut());
  }
}
