package atalaya.core.figure;

import atalaya.core.run.Test;

/**
 * What a test reached.
 *
 * @param methods how many methods it reached
 * @param linesOnlyHere the lines that nothing else reached
 * @param outcomesOnlyHere the outcomes that nothing else reached
 * @param kills how many mutants it was the first to notice
 */
public record TestFigures(
    Test test,
    int methods,
    int lines,
    int outcomes,
    int linesOnlyHere,
    int outcomesOnlyHere,
    int kills) {}
