package atalaya.cli.plan;

import atalaya.cli.render.Words;
import atalaya.core.figure.Level;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.plan.Remedy;
import atalaya.store.runfile.RunFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What may be better than a test: to delete code, to split a method, to accept a gap. */
public final class Remedies {
  private final RunFile run;
  private final Planning planning;
  private final Level.Thresholds thresholds;

  /** For a run that was planned for. */
  public Remedies(RunFile run, Planning planning, Level.Thresholds thresholds) {
    this.run = run;
    this.planning = planning;
    this.thresholds = thresholds;
  }

  /** Those for some methods, the ones that do away with most first. */
  public List<Remedy> of(List<MethodFigures> wanted, Set<String> settled) {
    Map<String, MethodFigures> byName = new HashMap<>();
    wanted.forEach(method -> byName.putIfAbsent(method.qualifiedName(), method));
    List<Remedy> remedies = new ArrayList<>();
    for (Gap gap : run.gaps()) {
      MethodFigures method = byName.get(gap.qualifiedMethod());
      boolean isDead =
          gap.kind() == Gap.Kind.UNUSED && method != null && !settled.contains(gap.name());
      if (isDead) {
        remedies.add(delete(method));
      }
    }
    remedies.sort(
        Comparator.comparingDouble((Remedy r) -> -r.unwatched()).thenComparing(Remedy::method));
    double notTried = wanted.stream().mapToDouble(m -> m.unwatched().notTried()).sum();
    if (notTried > 0) {
      remedies.add(
          new Remedy(
              Remedy.Kind.CHALLENGE,
              "",
              0,
              "challenge: of "
                  + Words.paths(notTried)
                  + " reached paths it is not known whether a test would notice a fault"));
    }
    return remedies;
  }

  private static Remedy delete(MethodFigures method) {
    return new Remedy(
        Remedy.Kind.DELETE,
        method.qualifiedName(),
        method.unwatched().total(),
        "delete "
            + method.shortName()
            + ", if nothing outside the project calls it either (unwatched paths -"
            + Words.paths(method.unwatched().total())
            + ")");
  }
}
