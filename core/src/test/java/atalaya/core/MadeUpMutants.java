package atalaya.core;

import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Operator;
import atalaya.core.mutant.TriedMutant;

/** Mutants of {@code Buoy#light(int)}. */
public final class MadeUpMutants {
  private MadeUpMutants() {}

  /** One with what became of it. */
  public static TriedMutant tried(
      int line, String original, String mutated, Fate fate, int testsRun) {
    String name = "n" + line + mutated;
    Mutant mutant =
        new Mutant(name, "Buoy.java", "Buoy", "light(int)", line, Operator.ROR, original, mutated);
    return new TriedMutant(mutant, fate, "", "", testsRun);
  }
}
