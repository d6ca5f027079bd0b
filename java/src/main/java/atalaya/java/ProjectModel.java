package atalaya.java;

import atalaya.core.code.CodeClass;
import atalaya.core.run.NotObserved;
import java.util.List;
import java.util.Map;

/**
 * A project as it was read.
 *
 * @param classes by module and name
 * @param pathOfClass the source file of each class that has one, by binary name
 * @param problems what could not be read
 * @param brokenSources paths of sources that could not be parsed
 */
public record ProjectModel(
    List<CodeClass> classes,
    Map<String, String> pathOfClass,
    List<NotObserved> problems,
    List<String> brokenSources) {
  public ProjectModel {
    classes = List.copyOf(classes);
    problems = List.copyOf(problems);
    brokenSources = List.copyOf(brokenSources);
  }
}
