package atalaya.core.figure;

/**
 * A line of a run.
 *
 * @param tests how many tests reached it
 */
public record LineFigures(
    String path, String className, String method, int line, boolean reached, int tests) {}
