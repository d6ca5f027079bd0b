package atalaya.core.merge;

import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RecordedTest;
import atalaya.core.run.Recording;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.core.run.UncaughtException;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a run is made of, without what is derived from it.
 *
 * @param recordings sorted
 * @param recorded where each test comes from
 * @param counts how often points were passed in each recording; of none when that was not counted
 * @param leftOut the names of the classes that are left out
 */
public record Whole(
    RunInfo info,
    List<Recording> recordings,
    List<ObservedJvm> jvms,
    List<KeptClass> classes,
    List<KeptSource> sources,
    Map<String, ClassReach> reach,
    Counts counts,
    Set<String> leftOut,
    List<Test> tests,
    List<RecordedTest> recorded,
    List<NotObserved> notObserved,
    List<UncaughtException> uncaught,
    List<BasedVerdict> verdicts) {}
