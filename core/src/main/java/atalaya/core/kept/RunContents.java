package atalaya.core.kept;

import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.RunInfo;
import atalaya.core.run.UncaughtException;
import java.util.List;
import java.util.Map;

/**
 * All that a run file holds.
 *
 * @param reach the raw points by binary name of the class
 * @param figures derived from the rest
 * @param tests derived from the rest
 */
public record RunContents(
    RunInfo info,
    List<ObservedJvm> jvms,
    List<KeptClass> classes,
    List<KeptSource> sources,
    Map<String, ClassReach> reach,
    List<ClassFigures> figures,
    List<TestFigures> tests,
    List<NotObserved> notObserved,
    List<UncaughtException> uncaught) {}
