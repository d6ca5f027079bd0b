package atalaya.cli.challenge;

import atalaya.core.mutant.Reaching;
import atalaya.trial.find.PlantableMutant;

/**
 * A mutant that may be decided.
 *
 * @param reached who reached its place
 * @param entered who reached anything of its method
 * @param basis what its verdict rests on, see {@code BasedVerdict}
 */
record Candidate(
    PlantableMutant plantable, Reaching.Reached reached, Reaching.Reached entered, String basis) {
  String method() {
    return plantable.mutant().qualifiedName();
  }
}
