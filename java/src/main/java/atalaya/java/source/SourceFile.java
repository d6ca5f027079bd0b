package atalaya.java.source;

import atalaya.core.leave.NatureMarks;
import java.util.List;

/**
 * A source file that could be parsed.
 *
 * @param packageName as it is declared, or empty
 * @param natures where code stands that may be left out for what it is
 */
public record SourceFile(String packageName, List<SourceClass> classes, NatureMarks natures) {}
