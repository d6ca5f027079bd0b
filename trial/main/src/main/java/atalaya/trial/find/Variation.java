package atalaya.trial.find;

import atalaya.core.mutant.Operator;
import atalaya.trial.plant.Replacement;
import java.util.function.Function;

/**
 * One way to change a place.
 *
 * @param start of the text that is changed, in the source
 * @param end behind it
 * @param mutated what stands there instead
 * @param replacement for each place in the code that the text became; null where there is none
 */
record Variation(
    Operator operator,
    long start,
    long end,
    String mutated,
    Function<CodeSpot, Replacement> replacement) {}
