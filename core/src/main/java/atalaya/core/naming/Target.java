package atalaya.core.naming;

import atalaya.core.figure.MethodFigures;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A part of the code as a person names it: {@code harbour.tariff}, {@code BerthTariff}, {@code
 * BerthTariff#quote}, {@code harbour.tariff.BerthTariff#quote(Vessel,Stay)}, {@code
 * BerthTariff:41}.
 */
public final class Target {
  private static final Pattern SHAPE =
      Pattern.compile("([^#:()\\s]+)(?:#([^:()\\s]+(?:\\([^()]*\\))?)|:(\\d{1,9}))?");

  private final String text;
  private final String place;
  private final String method;
  private final int line;

  private Target(String text, String place, String method, int line) {
    this.text = text;
    this.place = place;
    this.method = method;
    this.line = line;
  }

  /** Reads a target; the message of the exception says what shapes there are. */
  public static Target parse(String text) {
    Matcher shape = SHAPE.matcher(text.strip());
    if (!shape.matches()) {
      throw new NoSuchTarget(
          "\"" + text + "\" names no code; write a package, Class, Class#method or Class:line",
          List.of());
    }
    int line = shape.group(3) == null ? 0 : Integer.parseInt(shape.group(3));
    String method = shape.group(2) == null ? null : shape.group(2).replace(" ", "");
    return new Target(text, shape.group(1), method, line);
  }

  /**
   * The methods it names.
   *
   * @throws NoSuchTarget when it names none, or may mean several different things
   */
  public List<MethodFigures> in(List<MethodFigures> methods) {
    List<MethodFigures> here = place(methods);
    if (method != null) {
      here = keep(here, m -> m.method().equals(method) || plainName(m).equals(method));
    } else if (line > 0) {
      here = keep(here, m -> m.firstLine() <= line && line <= m.lastLine());
    }
    return here;
  }

  /** Whether it can't name anything outside of the classes for which this is so. */
  public boolean mayMean(String className) {
    String dotted = "." + className.replace('$', '.') + ".";
    return dotted.contains("." + place.replace('$', '.') + ".");
  }

  private List<MethodFigures> place(List<MethodFigures> methods) {
    List<MethodFigures> exact =
        methods.stream().filter(m -> m.className().equals(place) || isIn(m, place)).toList();
    if (!exact.isEmpty()) {
      return exact;
    }
    List<MethodFigures> ending =
        methods.stream().filter(m -> endsWith(m.className(), place)).toList();
    List<String> classes = names(ending, MethodFigures::className);
    if (classes.size() > 1) {
      throw new NoSuchTarget("\"" + text + "\" may mean " + classes.size() + " classes", classes);
    }
    if (classes.isEmpty()) {
      throw new NoSuchTarget(
          "no code is named \"" + place + "\" in this run", near(methods, place));
    }
    String found = classes.get(0);
    return methods.stream()
        .filter(m -> m.className().equals(found) || m.className().startsWith(found + "$"))
        .toList();
  }

  private List<MethodFigures> keep(
      List<MethodFigures> here, java.util.function.Predicate<MethodFigures> test) {
    List<MethodFigures> kept = here.stream().filter(test).toList();
    if (kept.isEmpty()) {
      throw new NoSuchTarget(
          "\"" + text + "\" names no method in this run", names(here, MethodFigures::shortName));
    }
    List<MethodFigures> meant = method != null ? ofTheClassItself(kept) : innermost(kept);
    List<String> classes = names(meant, MethodFigures::className);
    if (classes.size() > 1) {
      throw new NoSuchTarget("\"" + text + "\" may mean " + classes.size() + " classes", classes);
    }
    return meant;
  }

  /** Classes within the one that is named may have methods of the same name. */
  private List<MethodFigures> ofTheClassItself(List<MethodFigures> methods) {
    List<MethodFigures> own = methods.stream().filter(m -> endsWith(m.className(), place)).toList();
    return own.isEmpty() ? methods : own;
  }

  /** A line of a class within a method is one of that method too. */
  private static List<MethodFigures> innermost(List<MethodFigures> methods) {
    int least = methods.stream().mapToInt(Target::length).min().orElse(0);
    return methods.stream().filter(m -> length(m) == least).toList();
  }

  private static int length(MethodFigures method) {
    return method.lastLine() - method.firstLine();
  }

  private static boolean isIn(MethodFigures method, String packageOrOuter) {
    return method.className().startsWith(packageOrOuter + ".")
        || method.className().startsWith(packageOrOuter + "$");
  }

  private static boolean endsWith(String className, String place) {
    String dotted = className.replace('$', '.');
    String wanted = place.replace('$', '.');
    return dotted.equals(wanted) || dotted.endsWith("." + wanted);
  }

  private static String plainName(MethodFigures method) {
    return method.method().substring(0, method.method().indexOf('('));
  }

  private static List<String> near(List<MethodFigures> methods, String place) {
    String wanted = place.substring(place.lastIndexOf('.') + 1).toLowerCase(java.util.Locale.ROOT);
    return names(methods, MethodFigures::className).stream()
        .filter(name -> name.toLowerCase(java.util.Locale.ROOT).contains(wanted))
        .toList();
  }

  private static List<String> names(
      List<MethodFigures> methods, Function<MethodFigures, String> name) {
    return List.copyOf(new TreeSet<>(methods.stream().map(name).toList()));
  }

  /** A target that names nothing, or too much. */
  public static final class NoSuchTarget extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final transient List<String> candidates;

    NoSuchTarget(String message, List<String> candidates) {
      super(message);
      this.candidates = candidates;
    }

    /** What may have been meant, in alphabetical order. */
    public List<String> candidates() {
      return candidates;
    }
  }
}
