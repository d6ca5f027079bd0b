package atalaya.core.survey;

import atalaya.core.code.ClassState;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Totals;
import atalaya.core.leave.LeftOut;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * The parts of the code beside each other.
 *
 * @param whole of what counts
 * @param withLeftOut the same with the lines and outcomes of what was left out; equal to {@code
 *     whole} when nothing was
 * @param by what a part is
 * @param parts in the order asked for, cut as asked
 * @param byNature what was left out for its nature
 * @param cut how many parts were cut off
 * @param neverLoaded the classes that no executed code asked for
 */
public record Survey(
    Part whole,
    Totals withLeftOut,
    By by,
    List<Part> parts,
    int cut,
    List<String> leftOut,
    List<LeftOut> byNature,
    List<String> neverLoaded) {
  private static final int FEW = 40;

  /** What a part is. */
  public enum By {
    MODULE(part -> part.type().module()),
    PACKAGE(part -> part.type().packageName()),
    CLASS(part -> part.type().name()),
    METHOD(part -> part.method().qualifiedName() + ":" + part.method().firstLine());

    private final Function<Piece, String> name;

    By(Function<Piece, String> name) {
      this.name = name;
    }

    /** The name on the command line and in tables, in lower case. */
    public String label() {
      return name().toLowerCase(Locale.ROOT);
    }

    /** The name of several. */
    public String plural() {
      return this == CLASS ? "classes" : label() + "s";
    }
  }

  /** What parts are sorted by. */
  public enum Order {
    UNWATCHED(Comparator.comparingDouble(part -> -part.totals().unwatched().total())),
    LINES(Comparator.comparingInt(part -> -part.totals().lines().missing())),
    BRANCHES(Comparator.comparingInt(part -> -part.totals().outcomes().missing())),
    COMPLEXITY(Comparator.comparingInt(part -> -part.totals().complexity())),
    NAME(Comparator.comparing(part -> ""));

    private final Comparator<Part> comparator;

    Order(Comparator<Part> comparator) {
      this.comparator = comparator.thenComparing(Part::name);
    }
  }

  /** A method and the class that it stands in. */
  private record Piece(ClassSummary type, MethodFigures method) {}

  /**
   * A part of the code.
   *
   * @param name of a module, a package, a class or a method; empty for the unnamed package
   * @param mostComplex the method with the largest complexity
   * @param state of a class; empty for other parts
   * @param methods that stand in it
   */
  public record Part(
      String name,
      Totals totals,
      Optional<MethodFigures> mostComplex,
      Optional<ClassState> state,
      List<MethodFigures> methods) {
    public Part {
      methods = List.copyOf(methods);
    }

    static Part of(String name, List<MethodFigures> methods, Optional<ClassState> state) {
      return new Part(
          name,
          Totals.of(methods),
          methods.stream().max(Comparator.comparingInt(m -> m.complexity().value())),
          state,
          methods);
    }

    /** The largest complexity, 0 without code. */
    public int largest() {
      return mostComplex.map(m -> m.complexity().value()).orElse(0);
    }
  }

  public Survey {
    parts = List.copyOf(parts);
    leftOut = List.copyOf(leftOut);
    byNature = List.copyOf(byNature);
    neverLoaded = List.copyOf(neverLoaded);
  }

  /**
   * Surveys classes.
   *
   * @param classes those left out too
   * @param byNature what is missing in them because it was left out
   * @param by empty for the finest that still has few parts
   * @param least how many unwatched paths a part must have
   */
  public static Survey of(
      List<ClassSummary> classes,
      List<LeftOut> byNature,
      Optional<By> by,
      Order order,
      double least) {
    LeftOut.Counts natures = LeftOut.sum(byNature);
    List<ClassSummary> counted = classes.stream().filter(ClassSummary::counts).toList();
    By chosen = by.orElseGet(() -> fitting(counted));
    List<Part> parts = new ArrayList<>(parts(counted, chosen));
    int before = parts.size();
    parts.removeIf(part -> part.totals().unwatched().total() < least);
    parts.sort(order.comparator);
    return new Survey(
        Part.of("", methods(counted), Optional.empty()),
        Totals.of(methods(classes)).with(natures.lines(), natures.outcomes()),
        chosen,
        parts,
        before - parts.size(),
        classes.stream().filter(c -> !c.counts()).map(ClassSummary::name).toList(),
        byNature,
        counted.stream()
            .filter(c -> c.state() == ClassState.NEVER_LOADED)
            .map(ClassSummary::name)
            .toList());
  }

  /** Whether anything was left out. */
  public boolean leavesOut() {
    return !leftOut.isEmpty() || !byNature.isEmpty();
  }

  private static List<MethodFigures> methods(List<ClassSummary> classes) {
    return classes.stream().flatMap(c -> c.methods().stream()).toList();
  }

  private static By fitting(List<ClassSummary> classes) {
    if (classes.size() == 1) {
      return By.METHOD;
    }
    for (By by : List.of(By.CLASS, By.PACKAGE)) {
      if (parts(classes, by).size() <= FEW) {
        return by;
      }
    }
    return parts(classes, By.MODULE).size() > 1 ? By.MODULE : By.PACKAGE;
  }

  private static List<Part> parts(List<ClassSummary> classes, By by) {
    Map<String, List<Piece>> pieces = new LinkedHashMap<>();
    for (ClassSummary type : classes) {
      for (MethodFigures method : type.methods()) {
        Piece piece = new Piece(type, method);
        pieces.computeIfAbsent(by.name.apply(piece), name -> new ArrayList<>()).add(piece);
      }
    }
    List<Part> parts = new ArrayList<>();
    pieces.forEach(
        (name, of) -> {
          MethodFigures first = of.get(0).method();
          parts.add(
              Part.of(
                  by == By.METHOD ? first.qualifiedName() : name,
                  of.stream().map(Piece::method).toList(),
                  by == By.CLASS ? Optional.of(of.get(0).type().state()) : Optional.empty()));
        });
    return parts;
  }
}
