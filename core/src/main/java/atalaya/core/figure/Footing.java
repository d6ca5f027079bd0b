package atalaya.core.figure;

/** Whether a method is safe to change ({@code docs/measures.md}, section 7). */
public enum Footing {
  FIRM("firm"),
  FIRM_IF_CHECKED("firm if checked"),
  LOOSE("loose"),
  NONE("none");

  private static final double FIRM_REACH = 0.9;
  private static final double FIRM_NOTICE = 0.8;
  private static final double LOOSE_REACH = 0.5;

  private final String label;

  Footing(String label) {
    this.label = label;
  }

  /** In words. */
  public String label() {
    return label;
  }

  /** Of a method. */
  public static Footing of(MethodFigures method) {
    if (method.reach() < LOOSE_REACH) {
      return NONE;
    }
    if (method.reach() < FIRM_REACH) {
      return LOOSE;
    }
    if (method.notice().isEmpty()) {
      return FIRM_IF_CHECKED;
    }
    return method.notice().getAsDouble() >= FIRM_NOTICE ? FIRM : LOOSE;
  }

  /** Why a method stands on this footing. */
  public String reason() {
    return switch (this) {
      case FIRM -> "reach is at least 0.90 and notice at least 0.80";
      case FIRM_IF_CHECKED -> "reach is at least 0.90, but no fault was planted to see who notices";
      case LOOSE -> "reach is at least 0.50; firm asks for reach 0.90 and notice 0.80";
      case NONE -> "reach is below 0.50";
    };
  }
}
