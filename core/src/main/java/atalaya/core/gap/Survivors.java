package atalaya.core.gap;

import atalaya.core.code.PlaceName;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.TriedMutant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The gaps that mutants show: places where something could be wrong and no test would notice. */
public final class Survivors {
  private static final String BETWEEN = " | ";

  private Survivors() {}

  /** One gap for each place at which mutants survived, in the order of the mutants. */
  public static List<Gap> of(Collection<TriedMutant> mutants) {
    return List.copyOf(places(mutants).keySet());
  }

  /** The survivors by the gap of their place. */
  public static Map<Gap, List<TriedMutant>> places(Collection<TriedMutant> mutants) {
    Map<String, List<TriedMutant>> byPlace = new LinkedHashMap<>();
    for (TriedMutant tried : mutants) {
      if (tried.fate() == Fate.SURVIVED) {
        Mutant mutant = tried.mutant();
        String place =
            mutant.qualifiedName() + "\n" + mutant.line() + "\n" + plain(mutant.original());
        byPlace.computeIfAbsent(place, p -> new ArrayList<>()).add(tried);
      }
    }
    Map<String, Integer> alike = new HashMap<>();
    Map<Gap, List<TriedMutant>> places = new LinkedHashMap<>();
    for (List<TriedMutant> here : byPlace.values()) {
      Mutant first = here.get(0).mutant();
      String text = plain(first.original());
      int ordinal = alike.merge(first.qualifiedName() + "\n" + text, 1, Integer::sum) - 1;
      places.put(gap(first, text, here, ordinal), here);
    }
    return places;
  }

  private static Gap gap(Mutant first, String text, List<TriedMutant> here, int ordinal) {
    String kind = Gap.Kind.SURVIVOR.label();
    List<String> mutated = here.stream().map(tried -> plain(tried.mutant().mutated())).toList();
    return new Gap(
        PlaceName.of(first.className(), first.method(), kind, text, "", ordinal),
        Gap.Kind.SURVIVOR,
        first.path(),
        first.className(),
        first.method(),
        first.line(),
        text,
        String.join(BETWEEN, mutated),
        !here.stream().allMatch(TriedMutant::needsInput),
        new Gap.Opens(0, 0, 0),
        "");
  }

  /** What stands in place of the text of a survivor's gap, each time unnoticed. */
  public static List<String> mutated(Gap gap) {
    return List.of(gap.outcome().split(java.util.regex.Pattern.quote(BETWEEN), -1));
  }

  private static String plain(String text) {
    return text.strip().replaceAll("\\s+", " ");
  }
}
