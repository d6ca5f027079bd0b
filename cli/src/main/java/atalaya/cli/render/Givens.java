package atalaya.cli.render;

import atalaya.core.plan.Way;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/** What has to be given for a way, in words: what is the same each time once. */
final class Givens {
  /** Nobody follows more; whoever reads by a program has them all. */
  private static final int MOST = 16;

  private static final Pattern TIME =
      Pattern.compile(" the (second|third|\\d+(st|nd|rd|th)) time$");

  private Givens() {}

  /** A line each, but for those that are one line, and those that are too many. */
  static List<String> told(List<Way.Given> givens) {
    Map<Way.Given, List<Way.Given>> same = new LinkedHashMap<>();
    givens.forEach(
        given -> same.computeIfAbsent(atAnyTime(given), any -> new ArrayList<>()).add(given));
    List<String> told = new ArrayList<>();
    same.forEach(
        (any, all) -> told.add(all.size() == 1 ? told(all.get(0), 1) : told(any, all.size())));
    if (told.size() <= MOST + 1) {
      return told;
    }
    List<String> some = new ArrayList<>(told.subList(0, MOST));
    some.add("... and " + (told.size() - MOST) + " more, which --format json has");
    return some;
  }

  private static Way.Given atAnyTime(Way.Given given) {
    return new Way.Given(
        TIME.matcher(given.name()).replaceFirst(""),
        given.type(),
        given.value(),
        given.beside(),
        given.how());
  }

  private static String told(Way.Given given, int times) {
    boolean isThrown = given.name().contains(" throws ") && given.value().equals("true");
    return given.name()
        + (isThrown ? "" : " = " + given.value())
        + (times == 1 ? "" : ", " + times + " times")
        + (given.how().isEmpty() ? "" : "  (" + given.how() + ")")
        + (given.beside().isEmpty() ? "" : "; beside it " + given.beside());
  }
}
