package atalaya.core.figure;

/**
 * A {@code catch} clause of a run ({@code docs/measures.md}, section 2).
 *
 * @param line where it starts
 * @param handler its text up to its block
 * @param tests how many tests entered it
 */
public record HandlerFigures(
    String path,
    String className,
    String method,
    int line,
    String handler,
    boolean reached,
    int tests) {}
