package atalaya.java;

import atalaya.core.code.CodeClass;
import atalaya.core.leave.NatureMarks;
import atalaya.core.run.NotObserved;
import java.util.List;
import java.util.Map;

/**
 * A project as it was read.
 *
 * @param classes by module and name
 * @param pathOfClass the source file of each class that has one, by binary name
 * @param natures where in each source code stands that may be left out, by path
 * @param problems what could not be read
 * @param brokenSources paths of sources that could not be parsed
 */
public record ProjectModel(
    List<CodeClass> classes,
    Map<String, String> pathOfClass,
    Map<String, NatureMarks> natures,
    List<NotObserved> problems,
    List<String> brokenSources) {
  public ProjectModel {
    classes = List.copyOf(classes);
    problems = List.copyOf(problems);
    brokenSources = List.copyOf(brokenSources);
  }

  /** Where code stands in the source of a class that may be left out. */
  public NatureMarks naturesOf(CodeClass code) {
    return natures.getOrDefault(code.path(), NatureMarks.NONE);
  }
}
