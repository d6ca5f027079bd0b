package atalaya.core.figure;

/**
 * An outcome of a run.
 *
 * @param line where the text of its condition starts
 * @param tests how many tests reached it
 */
public record OutcomeFigures(
    String path,
    String className,
    String method,
    int line,
    String condition,
    String outcome,
    boolean reached,
    int tests) {}
