package atalaya.core.run;

import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.TestFigures;
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
    List<NotObserved> notObserved) {}
