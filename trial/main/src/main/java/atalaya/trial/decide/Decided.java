package atalaya.trial.decide;

import atalaya.core.mutant.Fate;

/**
 * A verdict.
 *
 * @param mutant its number
 * @param test the number of the test that noticed it, or 0
 * @param words what was wrong in that test, or empty
 */
public record Decided(int mutant, Fate fate, int test, String words, int testsRun) {}
