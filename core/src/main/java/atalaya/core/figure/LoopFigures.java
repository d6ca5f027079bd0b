package atalaya.core.figure;

/**
 * A loop of a run ({@code docs/measures.md}, section 2).
 *
 * @param line where it starts
 * @param zero whether some execution of it never ran its body
 * @param once whether some execution ran it once
 * @param more whether some execution ran it more than once
 */
public record LoopFigures(
    String path,
    String className,
    String method,
    int line,
    boolean zero,
    boolean once,
    boolean more) {}
