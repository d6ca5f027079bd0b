package atalaya.launch.project;

import java.nio.file.Path;
import java.util.List;

/**
 * A part of a project that is built on its own. Its folders need not exist.
 *
 * @param name the path of its folder from the root, or the name of the root's folder
 * @param classes class folders, or jars, of the code to observe
 * @param testClasses class folders of the tests
 * @param sources source folders of the code to observe
 */
public record ProjectModule(
    String name, List<Path> classes, List<Path> testClasses, List<Path> sources) {
  public ProjectModule {
    classes = List.copyOf(classes);
    testClasses = List.copyOf(testClasses);
    sources = List.copyOf(sources);
  }
}
