package atalaya.core.code;

/** How far a class took part in a run. */
public enum ClassState {
  REACHED("reached"),
  LOADED("loaded"),
  NEVER_LOADED("never loaded"),
  LEFT_OUT("left out");

  private final String label;

  ClassState(String label) {
    this.label = label;
  }

  /** The name in tables. */
  public String label() {
    return label;
  }

  /** The state with this name in tables. */
  public static ClassState of(String label) {
    for (ClassState state : values()) {
      if (state.label.equals(label)) {
        return state;
      }
    }
    throw new IllegalArgumentException("no state of a class: " + label);
  }
}
