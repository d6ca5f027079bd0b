package atalaya.core.kept;

import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.leave.LeftOut;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RecordedTest;
import atalaya.core.run.Recording;
import atalaya.core.run.RunInfo;
import atalaya.core.run.UncaughtException;
import java.util.List;
import java.util.Map;

/**
 * All that a run file holds.
 *
 * @param reach the raw points by binary name of the class
 * @param recordings what it was merged from; empty for a run of one recording
 * @param recorded where each of its tests comes from; empty for a run of one recording
 * @param counts how often points were passed in each recording
 * @param verdicts about mutants; empty where none was tried
 * @param figures derived from the rest
 * @param tests derived from the rest
 * @param leftOut for its nature; what is left out by path is among the classes
 */
public record RunContents(
    RunInfo info,
    List<ObservedJvm> jvms,
    List<KeptClass> classes,
    List<KeptSource> sources,
    Map<String, ClassReach> reach,
    List<ClassFigures> figures,
    List<TestFigures> tests,
    List<LeftOut> leftOut,
    List<NotObserved> notObserved,
    List<UncaughtException> uncaught,
    List<Recording> recordings,
    List<RecordedTest> recorded,
    Counts counts,
    List<BasedVerdict> verdicts) {

  /** Of a run with one recording. */
  public RunContents(
      RunInfo info,
      List<ObservedJvm> jvms,
      List<KeptClass> classes,
      List<KeptSource> sources,
      Map<String, ClassReach> reach,
      List<ClassFigures> figures,
      List<TestFigures> tests,
      List<LeftOut> leftOut,
      List<NotObserved> notObserved,
      List<UncaughtException> uncaught) {
    this(
        info,
        jvms,
        classes,
        sources,
        reach,
        figures,
        tests,
        leftOut,
        notObserved,
        uncaught,
        List.of(),
        List.of(),
        Counts.of(info.id(), reach),
        List.of());
  }
}
