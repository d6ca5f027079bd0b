package atalaya.core.mutant;

/**
 * What became of a mutant, and what that rests on.
 *
 * @param basis another one as soon as the code of its method, or of the tests that reach it, is
 *     another one
 */
public record BasedVerdict(TriedMutant tried, String basis) {}
