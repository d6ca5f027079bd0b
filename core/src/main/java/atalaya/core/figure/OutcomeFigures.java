package atalaya.core.figure;

import java.util.OptionalLong;

/**
 * An outcome of a run.
 *
 * @param line where the text of its condition starts
 * @param hits how often it came out; empty when that was not counted
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
    OptionalLong hits,
    int tests) {}
