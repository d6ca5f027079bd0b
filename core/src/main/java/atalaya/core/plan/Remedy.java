package atalaya.core.plan;

/**
 * What may be better than a test.
 *
 * @param method qualified; empty where it is about several
 * @param unwatched how many unwatched paths it would do away with, at least 0
 * @param isOffered whether code outside of the project may use the method too
 * @param words what to do, and what it does
 */
public record Remedy(Kind kind, String method, double unwatched, boolean isOffered, String words) {

  /** What to do. */
  public enum Kind {
    /** Nothing calls the code. */
    DELETE,
    /** The method is too complex to be held by tests. */
    SPLIT,
    /** It can't be reached. */
    ACCEPT,
    /** A program wrote the code. */
    LEAVE_OUT,
    /** Whether its tests notice faults is not known. */
    CHALLENGE;

    /** In tables, in lower case. */
    public String label() {
      return name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }
  }
}
