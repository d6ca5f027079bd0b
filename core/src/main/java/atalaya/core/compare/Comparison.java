package atalaya.core.compare;

import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Totals;
import atalaya.core.gap.Gap;
import atalaya.core.run.RunInfo;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What is different between two runs.
 *
 * @param differences in how they were made; empty when they are alike
 * @param methods those with any change, those that improved most first
 * @param closed gaps that were there before, in methods that still are
 * @param opened gaps that were not there before
 */
public record Comparison(
    Totals before,
    Totals after,
    List<Difference> differences,
    List<MethodPair> methods,
    List<Gap> closed,
    List<Gap> opened) {

  /**
   * A difference in how two runs were made.
   *
   * @param what {@code command}, {@code code}, {@code tests}, ...
   * @param text in words
   * @param names of the classes or tests that it is about
   */
  public record Difference(String what, String text, List<String> names) {
    public Difference {
      names = List.copyOf(names);
    }
  }

  public Comparison {
    differences = List.copyOf(differences);
    methods = List.copyOf(methods);
    closed = List.copyOf(closed);
    opened = List.copyOf(opened);
  }

  /** Compares two runs. */
  public static Comparison of(RunSide first, RunSide second) {
    RunSide before = first.triedLike(second);
    RunSide after = second.triedLike(first);
    List<MethodPair> pairs = pairs(before.methods(), after.methods());
    Map<String, String> movedTo = new HashMap<>();
    Set<String> kept = new TreeSet<>();
    for (MethodPair pair : pairs) {
      if (pair.before().isPresent() && pair.after().isPresent()) {
        kept.add(pair.before().get().qualifiedName());
        movedTo.put(pair.before().get().qualifiedName(), pair.after().get().qualifiedName());
      }
    }
    Map<Gap, String> then = places(before.gaps(), m -> movedTo.getOrDefault(m, m));
    Map<Gap, String> now = places(after.gaps(), Function.identity());
    Set<String> placesThen = Set.copyOf(then.values());
    Set<String> placesNow = Set.copyOf(now.values());
    return new Comparison(
        Totals.of(before.methods()),
        Totals.of(after.methods()),
        differences(first, second),
        pairs.stream()
            .filter(MethodPair::isChanged)
            .sorted(
                Comparator.comparingDouble(MethodPair::unwatched)
                    .thenComparing(pair -> pair.either().qualifiedName()))
            .toList(),
        before.gaps().stream()
            .filter(gap -> kept.contains(gap.qualifiedMethod()))
            .filter(gap -> !placesNow.contains(then.get(gap)))
            .toList(),
        after.gaps().stream().filter(gap -> !placesThen.contains(now.get(gap))).toList());
  }

  /** What makes two gaps the same, wherever the method stands. */
  private static Map<Gap, String> places(List<Gap> gaps, Function<String, String> method) {
    Map<Gap, String> places = new LinkedHashMap<>();
    Map<String, Integer> alike = new HashMap<>();
    for (Gap gap : gaps) {
      String place =
          String.join(
              "\n",
              method.apply(gap.qualifiedMethod()),
              gap.kind().lasting().label(),
              gap.condition(),
              gap.outcome());
      places.put(gap, place + "\n" + alike.merge(place, 1, Integer::sum));
    }
    return places;
  }

  // ---- methods ----

  private static List<MethodPair> pairs(List<MethodFigures> before, List<MethodFigures> after) {
    Map<String, MethodFigures> then = byName(before);
    Map<String, MethodFigures> now = byName(after);
    List<MethodPair> pairs = new ArrayList<>();
    List<MethodFigures> gone = new ArrayList<>();
    then.forEach(
        (name, method) -> {
          if (now.containsKey(name)) {
            pairs.add(new MethodPair(Optional.of(method), Optional.of(now.get(name))));
          } else {
            gone.add(method);
          }
        });
    now.keySet().removeAll(then.keySet());
    pairs.addAll(moved(gone, now.values()));
    return pairs;
  }

  private static Map<String, MethodFigures> byName(List<MethodFigures> methods) {
    Map<String, MethodFigures> byName = new LinkedHashMap<>();
    methods.forEach(m -> byName.putIfAbsent(m.qualifiedName(), m));
    return byName;
  }

  /**
   * A method that is gone and one that is new are the same, moved, when they have one signature,
   * one complexity and the same numbers of lines and outcomes, and no other pair does.
   */
  private static List<MethodPair> moved(List<MethodFigures> gone, Collection<MethodFigures> fresh) {
    Map<String, List<MethodFigures>> candidates =
        fresh.stream().collect(Collectors.groupingBy(Comparison::shape));
    Map<String, List<MethodFigures>> lost =
        gone.stream().collect(Collectors.groupingBy(Comparison::shape));
    List<MethodPair> pairs = new ArrayList<>();
    Set<MethodFigures> taken = new LinkedHashSet<>();
    for (MethodFigures method : gone) {
      List<MethodFigures> same = candidates.getOrDefault(shape(method), List.of());
      boolean sure = same.size() == 1 && lost.get(shape(method)).size() == 1;
      Optional<MethodFigures> match = sure ? Optional.of(same.get(0)) : Optional.empty();
      match.ifPresent(taken::add);
      pairs.add(new MethodPair(Optional.of(method), match));
    }
    for (MethodFigures method : fresh) {
      if (!taken.contains(method)) {
        pairs.add(new MethodPair(Optional.empty(), Optional.of(method)));
      }
    }
    return pairs;
  }

  private static String shape(MethodFigures method) {
    return method.method()
        + " "
        + method.complexity().value()
        + " "
        + method.lines().whole()
        + " "
        + method.outcomes().whole();
  }

  // ---- how they were made ----

  private static List<Difference> differences(RunSide before, RunSide after) {
    List<Difference> all = new ArrayList<>();
    RunInfo a = before.info();
    RunInfo b = after.info();
    unlike(all, "command", a.commandLine(), b.commandLine());
    unlike(all, "only", a.only(), b.only());
    unlike(all, "left out", a.leaveOut(), b.leaveOut());
    unlike(all, "tests cut to", a.tests().orElse("all"), b.tests().orElse("all"));
    unlike(all, "detail", a.detail().label(), b.detail().label());
    unlike(all, "JDK", a.jdk(), b.jdk());
    unlike(all, "complete", a.complete(), b.complete());
    List<String> changed = new ArrayList<>();
    for (String name : new TreeSet<>(before.hashes().keySet())) {
      if (!Objects.equals(before.hashes().get(name), after.hashes().get(name))) {
        changed.add(name);
      }
    }
    after.hashes().keySet().stream()
        .filter(name -> !before.hashes().containsKey(name))
        .sorted()
        .forEach(changed::add);
    if (!changed.isEmpty()) {
      all.add(new Difference("code", changed.size() + " class files are not the same", changed));
    }
    if (!before.tried().equals(after.tried())) {
      all.add(
          new Difference(
              "challenge",
              "faults were planted in "
                  + before.tried().size()
                  + " methods, then in "
                  + after.tried().size()
                  + "; what passes unnoticed is compared where both were tried",
              List.of()));
    }
    names(all, "tests added", after.tests(), before.tests());
    names(all, "tests gone", before.tests(), after.tests());
    return all;
  }

  private static void unlike(List<Difference> all, String what, Object before, Object after) {
    if (!before.equals(after)) {
      all.add(new Difference(what, before + ", then " + after, List.of()));
    }
  }

  private static void names(
      List<Difference> all, String what, Map<String, String> has, Map<String, String> hasNot) {
    List<String> names =
        has.entrySet().stream()
            .filter(test -> !hasNot.containsKey(test.getKey()))
            .map(Map.Entry::getValue)
            .sorted()
            .toList();
    if (!names.isEmpty()) {
      all.add(new Difference(what, String.valueOf(names.size()), names));
    }
  }
}
