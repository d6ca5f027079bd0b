package atalaya.core.run;

/** What a run observed of each class. */
public enum Detail {
  /** Which lines and outcomes were reached. */
  LINES("lines"),
  /** Also how often. */
  HITS("hits"),
  /** Only which methods were entered. */
  METHODS("methods");

  private final String label;

  Detail(String label) {
    this.label = label;
  }

  /** The name in run files. */
  public String label() {
    return label;
  }

  /** The detail with this name in run files. */
  public static Detail of(String label) {
    for (Detail detail : values()) {
      if (detail.label.equals(label)) {
        return detail;
      }
    }
    throw new IllegalArgumentException("no detail of a run: " + label);
  }
}
