package atalaya.core.figure;

import java.util.OptionalLong;

/**
 * A line of a run.
 *
 * @param hits how often it was executed; empty when that was not counted
 * @param tests how many tests reached it
 */
public record LineFigures(
    String path,
    String className,
    String method,
    int line,
    boolean reached,
    OptionalLong hits,
    int tests) {}
