package atalaya.trial.decide;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * The planted classes of a challenge, for workers.
 *
 * @param mutated those with mutants
 * @param watching those that tell what they find where mutants stand
 */
public record PlantedClasses(PlantedFolder mutated, PlantedFolder watching) {
  /** None so far, in a new folder. */
  public static PlantedClasses in(Path folder) throws IOException {
    Files.createDirectory(folder);
    return new PlantedClasses(
        new PlantedFolder(Files.createDirectory(folder.resolve("mutated"))),
        new PlantedFolder(Files.createDirectory(folder.resolve("watching"))));
  }

  /** Makes both ready for workers. */
  public PlantedClasses finish() throws IOException {
    mutated.finish();
    watching.finish();
    return this;
  }
}
