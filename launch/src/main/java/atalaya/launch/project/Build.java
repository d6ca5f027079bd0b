package atalaya.launch.project;

import java.nio.file.Files;
import java.nio.file.Path;

/** What builds a project. */
public enum Build {
  MAVEN,
  GRADLE,
  /** None that Atalaya knows. */
  OTHER;

  /** The build whose file stands in a folder. */
  static Build of(Path folder) {
    if (Files.isRegularFile(folder.resolve("pom.xml"))) {
      return MAVEN;
    }
    for (String file :
        new String[] {
          "settings.gradle", "settings.gradle.kts", "build.gradle", "build.gradle.kts"
        }) {
      if (Files.isRegularFile(folder.resolve(file))) {
        return GRADLE;
      }
    }
    return OTHER;
  }
}
