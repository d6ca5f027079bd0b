package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.run.RunInfo;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * One of two runs that are compared.
 *
 * @param tests the ids of its tests
 * @param hashes of the observed class files, by binary name
 */
public record RunSide(
    RunInfo info,
    List<MethodFigures> methods,
    List<Gap> gaps,
    Set<String> tests,
    Map<String, String> hashes) {}
