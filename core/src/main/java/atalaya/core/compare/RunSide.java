package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.run.RunInfo;
import java.util.List;
import java.util.Map;

/**
 * One of two runs that are compared.
 *
 * @param tests the names of its tests, by id
 * @param hashes of the observed class files, by binary name
 */
public record RunSide(
    RunInfo info,
    List<MethodFigures> methods,
    List<Gap> gaps,
    Map<String, String> tests,
    Map<String, String> hashes) {}
