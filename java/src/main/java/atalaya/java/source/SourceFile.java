package atalaya.java.source;

import java.util.List;

/**
 * A source file that could be parsed.
 *
 * @param packageName as it is declared, or empty
 */
public record SourceFile(String packageName, List<SourceClass> classes) {}
