package atalaya.trial.find;

import atalaya.core.mutant.Operator;
import atalaya.java.match.CodePlace;
import atalaya.trial.plant.Replacement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Exchanges the labels of switches: the first with the second, the third with the fourth. */
final class Switches {
  private final String source;

  Switches(String source) {
    this.source = source;
  }

  List<Variation> of(CodeSpot spot) {
    CodePlace.Switch choice = (CodePlace.Switch) spot.place();
    List<Map.Entry<String, Integer>> labels = List.copyOf(choice.keys().entrySet());
    List<Variation> variations = new ArrayList<>();
    for (int i = 0; i + 1 < labels.size(); i += 2) {
      String one = labels.get(i).getKey();
      String other = labels.get(i + 1).getKey();
      Matcher place = Pattern.compile("case\\s+" + Pattern.quote(one) + "(?!\\w)").matcher(source);
      if (!one.equals("default")
          && !other.equals("default")
          && place.find((int) choice.condition().start())) {
        variations.add(
            new Variation(
                Operator.SLE,
                place.start(),
                place.end(),
                "case " + other,
                s -> exchanged((CodePlace.Switch) s.place(), one, other)));
      }
    }
    return variations;
  }

  private static Replacement exchanged(CodePlace.Switch at, String one, String other) {
    Integer first = at.keys().get(one);
    Integer second = at.keys().get(other);
    return first == null || second == null ? null : new Replacement.Exchanged(first, second);
  }
}
