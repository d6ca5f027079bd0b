package atalaya.cli.observe;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.kept.RunContents;
import atalaya.core.merge.Merger;
import atalaya.core.merge.Whole;
import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved.Reason;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectReader;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** Makes one run of several. */
public final class Merging {
  private Merging() {}

  /**
   * All that the run file of the merged run holds.
   *
   * @throws Merger.NotMergeable when the runs can't be put together
   * @throws NeedsNewerJava when this Java can't read the code
   */
  public static RunContents of(List<Whole> runs, String name) {
    Whole whole = Merger.merge(runs, name);
    JavaVersions.check(whole.jvms(), whole.classes().stream());
    List<ClassBytes> classes =
        whole.classes().stream()
            .filter(file -> !file.isTest())
            .map(file -> new ClassBytes(file.module(), file.name(), file.bytes()))
            .toList();
    Function<String, ClassReach> reachOf =
        type -> whole.reach().getOrDefault(type, ClassReach.none());
    CodeWithGaps code =
        CodeWithGaps.of(
            ProjectReader.read(classes, SourceTexts.of(whole.classes(), whole.sources())),
            whole.info(),
            reachOf);
    Set<String> neverLoaded = new HashSet<>();
    whole.notObserved().stream()
        .filter(problem -> problem.reason() == Reason.NEVER_LOADED)
        .forEach(problem -> neverLoaded.add(problem.what()));
    Derived derived =
        Derived.of(
            code,
            whole.info().detail(),
            reachOf,
            (type, reach) -> state(type, reach, whole.leftOut(), neverLoaded),
            whole.tests());
    return new RunContents(
        whole.info(),
        whole.jvms(),
        whole.classes(),
        whole.sources(),
        derived.reach(),
        derived.figures(),
        derived.tests(),
        code.leftOut(),
        whole.notObserved(),
        whole.uncaught(),
        whole.recordings(),
        whole.recorded(),
        whole.counts(),
        whole.verdicts());
  }

  private static ClassState state(
      CodeClass code, ClassReach reach, Set<String> leftOut, Set<String> neverLoaded) {
    if (leftOut.contains(code.name())) {
      return ClassState.LEFT_OUT;
    }
    return code.hasLineIn(reach.all())
        ? ClassState.REACHED
        : neverLoaded.contains(code.name()) ? ClassState.NEVER_LOADED : ClassState.LOADED;
  }
}
