package atalaya.trial.find;

import atalaya.core.mutant.Mutant;
import atalaya.trial.plant.Replacement;
import java.util.List;

/**
 * A mutant, and where in the class file it goes.
 *
 * @param places the instructions it changes; several where the compiler copied the code
 * @param codeHash of the code that it stands in, line numbers aside
 */
public record PlantableMutant(Mutant mutant, List<Place> places, String codeHash) {
  public PlantableMutant {
    places = List.copyOf(places);
  }

  /**
   * An instruction.
   *
   * @param code the method of the class file, name and descriptor
   * @param instruction its number in that method
   * @param line that the line table gives it, or 0
   */
  public record Place(String code, int instruction, int line, Replacement replacement) {}
}
