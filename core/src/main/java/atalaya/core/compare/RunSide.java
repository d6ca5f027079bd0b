package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.gap.Gap;
import atalaya.core.run.RunInfo;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * One of two runs that are compared.
 *
 * @param tests the names of its tests, by id
 * @param hashes of the observed class files, by binary name
 */
public record RunSide(
    RunInfo info,
    List<MethodFigures> methods,
    List<Gap> gaps,
    Map<String, String> tests,
    Map<String, String> hashes) {

  /** Without what is known of mutants in methods that were not tried in the other run as well. */
  RunSide triedLike(RunSide other) {
    Set<String> both = tried();
    both.retainAll(other.tried());
    return new RunSide(
        info,
        methods.stream()
            .map(m -> both.contains(m.qualifiedName()) ? m : m.with(Mutants.NOT_TRIED))
            .toList(),
        gaps.stream()
            .filter(gap -> gap.kind() != Gap.Kind.SURVIVOR || both.contains(gap.qualifiedMethod()))
            .toList(),
        tests,
        hashes);
  }

  /** The qualified names of the methods of which mutants were decided. */
  Set<String> tried() {
    Set<String> tried = new TreeSet<>();
    for (MethodFigures method : methods) {
      if (method.notice().isPresent()) {
        tried.add(method.qualifiedName());
      }
    }
    return tried;
  }
}
