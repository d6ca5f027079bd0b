package atalaya.core.figure;

import atalaya.core.code.ClassState;
import java.util.List;

/**
 * A class of a run without what stands inside its methods.
 *
 * @param name the binary name
 * @param path of the source file, or empty
 */
public record ClassSummary(
    String module, String path, String name, ClassState state, List<MethodFigures> methods) {
  public ClassSummary {
    methods = List.copyOf(methods);
  }

  /** The package, or empty. */
  public String packageName() {
    int dot = name.lastIndexOf('.');
    return dot < 0 ? "" : name.substring(0, dot);
  }

  /** The same class with other methods. */
  public ClassSummary with(List<MethodFigures> others) {
    return new ClassSummary(module, path, name, state, others);
  }

  /** Whether its figures count. */
  public boolean counts() {
    return state != ClassState.LEFT_OUT;
  }
}
