package atalaya.core.gap;

import java.util.Locale;

/**
 * One place where the tests see too little ({@code docs/measures.md}, section 8).
 *
 * @param name stays the same while its method's code does, wherever the lines move
 * @param path of the source file, or empty
 * @param className the binary name
 * @param method with simple parameter types
 * @param line of the condition, the handler, the loop, or the method's declaration
 * @param condition the text of the condition, handler, loop or changed code; empty for a method
 * @param outcome the missing one; of survivors what stood in place of the text, joined by {@code "
 *     | "}; empty for other kinds
 * @param evaluated whether the condition came out any other way; of a survivor, whether a mutant
 *     there changes something for any test; true for other kinds
 * @param behind the name of the outermost gap of its method that opens it up; empty when none does
 */
public record Gap(
    String name,
    Kind kind,
    String path,
    String className,
    String method,
    int line,
    String condition,
    String outcome,
    boolean evaluated,
    Opens opens,
    String behind) {

  /** What is missing. */
  public enum Kind {
    /** A method was never entered. */
    METHOD,
    /** A method was never entered, and nothing in the project calls it: a candidate to delete. */
    UNUSED,
    /** An outcome is missing in a method that was entered. */
    OUTCOME,
    /** A handler was never entered. */
    HANDLER,
    /** A loop ran its body, and never more than once. */
    LOOP,
    /** Mutants survived here. */
    SURVIVOR;

    /** What a gap stays, whoever calls its method. */
    public Kind lasting() {
      return this == UNUSED ? METHOD : this;
    }

    /** The name in tables, in lower case. */
    public String label() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * What can't be reached before a gap is closed.
   *
   * @param lines those within the method whose every path from the entry runs through the gap
   * @param outcomes the same of outcomes, the missing one itself not counted
   * @param methods those never entered whose calls all stand in what is opened up, and so on
   */
  public record Opens(int lines, int outcomes, int methods) {
    /** All of it, to compare with others. */
    public int sum() {
      return lines + outcomes + methods;
    }
  }

  /** The same gap, opened up by an outer one. */
  Gap behind(String outer) {
    return new Gap(
        name, kind, path, className, method, line, condition, outcome, evaluated, opens, outer);
  }

  /** {@code harbour.tariff.BerthTariff#quote(Vessel,Stay)}. */
  public String qualifiedMethod() {
    return className + "#" + method;
  }
}
