package atalaya.cli.plan;

import atalaya.cli.render.Words;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.plan.Plan;
import atalaya.core.plan.Remedy;
import atalaya.core.plan.Split;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What may be better than a test: to delete code, to split a method, to accept a gap. */
public final class Remedies {
  private static final int NAMED = 10;

  private final Planning planning;

  /** For what was planned. */
  public Remedies(Planning planning) {
    this.planning = planning;
  }

  /** Those for some methods, the ones that do away with most first. */
  public List<Remedy> of(List<MethodFigures> wanted, Plan plan, Set<String> settled) {
    Map<String, MethodFigures> byName = new HashMap<>();
    wanted.forEach(method -> byName.putIfAbsent(method.qualifiedName(), method));
    List<Remedy> remedies = new ArrayList<>();
    for (Gap gap : planning.methodGaps()) {
      MethodFigures method = byName.get(gap.qualifiedMethod());
      boolean isDead =
          gap.kind() == Gap.Kind.UNUSED && method != null && !settled.contains(gap.name());
      if (isDead && !planning.isGenerated(method)) {
        remedies.add(delete(method));
      }
    }
    Set<MethodFigures> planned = new LinkedHashSet<>();
    plan.briefs().forEach(brief -> planned.add(byName.get(brief.method())));
    planned.remove(null);
    List<MethodFigures> generated = planned.stream().filter(planning::isGenerated).toList();
    planned.removeAll(generated);
    for (MethodFigures method : planned) {
      if (method.complexity().value() >= Split.TOO_COMPLEX) {
        planning.split(method).ifPresent(split -> remedies.add(split(method, split)));
      }
    }
    Set<String> dead =
        remedies.stream()
            .filter(remedy -> remedy.kind() == Remedy.Kind.DELETE && !remedy.isOffered())
            .map(Remedy::method)
            .collect(Collectors.toSet());
    List<MethodFigures> unmade = new ArrayList<>();
    planning
        .impossible()
        .forEach(
            (name, because) -> {
              MethodFigures method = byName.get(name);
              if (method != null && isAgainstMaking(method)) {
                unmade.add(method);
              } else if (method != null && !dead.contains(name) && !planning.isGenerated(method)) {
                remedies.add(accept(method, because));
              }
            });
    if (!unmade.isEmpty()) {
      remedies.add(acceptAll(unmade));
    }
    if (!generated.isEmpty()) {
      remedies.add(leaveOut(generated));
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
              false,
              "challenge: of "
                  + Words.paths(notTried)
                  + " reached paths it is not known whether a test would notice a fault"));
    }
    return remedies;
  }

  private static Remedy leaveOut(List<MethodFigures> generated) {
    double unwatched = generated.stream().mapToDouble(method -> method.unwatched().total()).sum();
    return new Remedy(
        Remedy.Kind.LEAVE_OUT,
        "",
        unwatched,
        false,
        "leave out generated code: the sources of "
            + Words.count(generated.size(), "method that is", "methods that are")
            + " planned for say so (unwatched paths -"
            + Words.paths(unwatched)
            + "); observe --leave-out nature:generated, or leave-out: nature:generated in"
            + " atalaya.yaml");
  }

  private static Remedy split(MethodFigures method, Split split) {
    return new Remedy(
        Remedy.Kind.SPLIT,
        method.qualifiedName(),
        0,
        false,
        "split "
            + method.shortName()
            + ", complexity "
            + method.complexity().value()
            + ", once tests hold it: lines "
            + split.part().firstLine()
            + "-"
            + split.part().lastLine()
            + " as a method of their own leave "
            + split.rest()
            + " and "
            + split.complexity()
            + "; unwatched paths "
            + Words.paths(split.before())
            + " → "
            + Words.paths(split.ofRest())
            + " and "
            + Words.paths(split.ofPart()));
  }

  /** A hidden constructor of nothing else: it stands there so that nobody makes an object. */
  private static boolean isAgainstMaking(MethodFigures method) {
    return method.method().equals("<init>()") && method.complexity().value() == 1;
  }

  private static Remedy acceptAll(List<MethodFigures> unmade) {
    int more = unmade.size() - NAMED;
    String names =
        unmade.stream()
            .limit(NAMED)
            .map(MethodFigures::shortName)
            .map(name -> name.substring(0, name.indexOf('#')))
            .collect(Collectors.joining(", "));
    return new Remedy(
        Remedy.Kind.ACCEPT,
        "",
        0,
        false,
        "accept that nobody makes an object of "
            + names
            + (more > 0 ? " and " + more + " more" : "")
            + ": nothing can call the constructor");
  }

  private static Remedy accept(MethodFigures method, String because) {
    return new Remedy(
        Remedy.Kind.ACCEPT,
        method.qualifiedName(),
        0,
        false,
        "look at the rest of "
            + method.shortName()
            + ": "
            + because
            + "; where that is so, accept the gap, or do without the condition");
  }

  private Remedy delete(MethodFigures method) {
    boolean isOffered = planning.isOffered(method);
    return new Remedy(
        Remedy.Kind.DELETE,
        method.qualifiedName(),
        method.unwatched().total(),
        isOffered,
        "delete "
            + method.shortName()
            + (isOffered
                ? ", if nothing outside the project calls it either"
                : ", which nothing calls")
            + " (unwatched paths -"
            + Words.paths(method.unwatched().total())
            + ")");
  }
}
