package atalaya.cli.again;

import atalaya.core.code.CodeClass;
import atalaya.core.decide.Decision;
import atalaya.core.decide.Decision.Ruling;
import atalaya.core.decide.Decision.Standing;
import atalaya.core.decide.Judged;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.gap.Gap;
import atalaya.core.gap.GapFinder;
import atalaya.core.gap.Opened;
import atalaya.core.gap.Survivors;
import atalaya.core.kept.KeptSource;
import atalaya.points.Hash;
import atalaya.store.runfile.RunFile;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** How the team's decisions stand against a run, and what is accepted in it. */
public final class Judgement {
  private final Map<Decision, Standing> standings = new LinkedHashMap<>();
  private final Map<String, Opened> removed = new HashMap<>();

  /** How many survivors do not count, by qualified name of the method. */
  private final Map<String, Integer> discounted = new HashMap<>();

  private Judgement() {}

  /** Where nothing was decided. */
  public static Judgement none() {
    return new Judgement();
  }

  /** Judges a run. */
  public static Judgement of(RunFile run, Collection<Decision> decisions, LocalDate today) {
    Judgement judgement = new Judgement();
    if (decisions.isEmpty()) {
      return judgement;
    }
    Set<String> open = run.gaps().stream().map(Gap::name).collect(Collectors.toSet());
    Map<String, MethodFigures> methods = new HashMap<>();
    run.methods().forEach(m -> methods.putIfAbsent(m.qualifiedName(), m));
    for (Decision decision : decisions) {
      Optional<String> code =
          Optional.ofNullable(methods.get(decision.place())).map(m -> code(run, m));
      judgement.standings.put(
          decision, decision.standing(open.contains(decision.gap()), code, today));
    }
    judgement.remove(run);
    judgement.discount(run);
    return judgement;
  }

  /** A hash of a method's source, white space aside, or of its class where there is none. */
  public static String code(RunFile run, MethodFigures method) {
    Optional<KeptSource> kept = run.source(method.path());
    if (kept.isEmpty()) {
      return run.hashes().getOrDefault(method.className(), "").replaceAll("(?<=.{12}).*", "");
    }
    List<String> source = kept.get().text().lines().toList();
    int from = Math.min(method.firstLine() - 1, source.size());
    int to = Math.min(method.lastLine(), source.size());
    String text = String.join(" ", source.subList(from, to)).strip().replaceAll("\\s+", " ");
    return Hash.of(text.getBytes(StandardCharsets.UTF_8)).substring(0, 12);
  }

  private void remove(RunFile run) {
    Set<String> accepted = new HashSet<>();
    Set<String> places = new HashSet<>();
    standings.forEach(
        (decision, standing) -> {
          if (standing == Standing.HOLDS && decision.ruling() == Ruling.ACCEPT) {
            accepted.add(decision.gap());
            places.add(decision.place().substring(0, decision.place().indexOf('#')));
          }
        });
    if (accepted.isEmpty()) {
      return;
    }
    List<ClassSummary> classes =
        run.allClasses().stream().filter(type -> places.contains(type.name())).toList();
    for (CodeClass code : new ModelAgain(run).code(classes)) {
      GapFinder finder = new GapFinder(List.of(code), name -> run.reach(name).all());
      finder.openedBy(0, accepted).forEach(removed::put);
    }
  }

  /** Survivors that were ruled equivalent, or accepted, leave notice. */
  private void discount(RunFile run) {
    Map<String, Ruling> holding = holding();
    if (!holding.containsValue(Ruling.EQUIVALENT) && !holding.containsValue(Ruling.ACCEPT)) {
      return;
    }
    Survivors.places(run.mutants())
        .forEach(
            (gap, mutants) -> {
              Ruling ruling = holding.get(gap.name());
              if (ruling == Ruling.EQUIVALENT || ruling == Ruling.ACCEPT) {
                discounted.merge(gap.qualifiedMethod(), mutants.size(), Integer::sum);
              }
            });
  }

  private MethodFigures discounted(MethodFigures method) {
    int none = discounted.getOrDefault(method.qualifiedName(), 0);
    return none == 0 ? method : method.with(method.mutants().withoutSurvivors(none));
  }

  /** What is accepted, by qualified name of the method. */
  public Map<String, Opened> accepted() {
    return removed;
  }

  /** Whether anything is accepted. */
  public boolean accepts() {
    return !removed.isEmpty() || !discounted.isEmpty();
  }

  /** Methods without what was accepted. */
  public Judged without(List<MethodFigures> methods) {
    int applied =
        (int)
            standings.entrySet().stream()
                .filter(e -> e.getValue() == Standing.HOLDS)
                .map(e -> e.getKey().ruling())
                .filter(ruling -> ruling == Ruling.ACCEPT || ruling == Ruling.EQUIVALENT)
                .count();
    List<MethodFigures> counted =
        discounted.isEmpty() ? methods : methods.stream().map(this::discounted).toList();
    return applied == 0
        ? Judged.asTheyAre(counted)
        : Judged.of(
            counted,
            removed,
            applied,
            discounted.values().stream().mapToInt(Integer::intValue).sum());
  }

  /** The decisions and how each stands, in the order of the file. */
  public Map<Decision, Standing> standings() {
    return standings;
  }

  /** The rulings that hold, by the name of the gap. */
  public Map<String, Ruling> holding() {
    Map<String, Ruling> holding = new HashMap<>();
    standings.forEach(
        (decision, standing) -> {
          if (standing == Standing.HOLDS) {
            holding.put(decision.gap(), decision.ruling());
          }
        });
    return holding;
  }
}
