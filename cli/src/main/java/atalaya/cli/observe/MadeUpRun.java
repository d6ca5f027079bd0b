package atalaya.cli.observe;

import atalaya.core.code.ClassState;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.kept.RunContents;
import atalaya.core.run.ClassReach;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectReader;
import java.util.List;
import java.util.Map;

/** A run that was not observed: class files and sources, and what is said to have been reached. */
public final class MadeUpRun {
  private MadeUpRun() {}

  /**
   * Puts one together.
   *
   * @param jvms those that are said to have run
   * @param reach by binary name of the class; none of those that are not there
   */
  public static RunContents of(
      RunInfo info,
      List<ObservedJvm> jvms,
      List<KeptClass> classes,
      List<KeptSource> sources,
      List<Test> tests,
      Map<String, ClassReach> reach) {
    CodeWithGaps code =
        CodeWithGaps.of(
            ProjectReader.read(
                classes.stream()
                    .filter(type -> !type.isTest())
                    .map(type -> new ClassBytes(type.module(), type.name(), type.bytes()))
                    .toList(),
                SourceTexts.of(classes, sources)),
            info,
            name -> reach.getOrDefault(name, ClassReach.none()));
    Derived derived =
        Derived.of(
            code,
            info.detail(),
            name -> reach.getOrDefault(name, ClassReach.none()),
            (type, of) -> of.byTest().isEmpty() ? ClassState.NEVER_LOADED : ClassState.REACHED,
            tests);
    return new RunContents(
        info,
        jvms,
        classes,
        sources,
        derived.reach(),
        derived.figures(),
        derived.tests(),
        code.leftOut(),
        List.of(),
        List.of());
  }
}
