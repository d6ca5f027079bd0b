package atalaya.core.decide;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;

/**
 * What a person ruled about a gap.
 *
 * @param gap its name
 * @param place the method it stands in, {@code harbour.tariff.Quote#money(long)}
 * @param missing what is missing there, in words, for people who read the file
 * @param until the last day on which it holds, if it ends
 * @param code a hash of the method's source; when that changes, the decision is asked again
 */
public record Decision(
    String gap,
    String place,
    String missing,
    Ruling ruling,
    String because,
    Optional<LocalDate> until,
    String author,
    LocalDate date,
    String code) {

  /** What may be ruled. */
  public enum Ruling {
    /** Nobody will test it; it leaves the figures, visibly. */
    ACCEPT,
    /** Somebody will test it; it stays a gap until a run closes it. */
    TEST,
    /** The code ought to go. */
    DELETE,
    /** The code ought to be made so that the gap can't be. */
    REDESIGN,
    /** The mutants that survived here do what the code does; no test could tell them apart. */
    EQUIVALENT;

    /** In files and tables, in lower case. */
    public String label() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** How a decision stands against a run. */
  public enum Standing {
    HOLDS("holds"),
    CODE_CHANGED("asked again: its code changed"),
    PAST("asked again: its date passed"),
    CLOSED("closed: the run reaches it"),
    GONE("gone: the run has no such code");

    private final String label;

    Standing(String label) {
      this.label = label;
    }

    /** In words. */
    public String label() {
      return label;
    }
  }

  /**
   * How it stands.
   *
   * @param isOpen whether the run has the gap
   * @param codeNow the hash of the method's source in the run; empty when it has no such method
   */
  public Standing standing(boolean isOpen, Optional<String> codeNow, LocalDate today) {
    if (codeNow.isEmpty()) {
      return Standing.GONE;
    }
    if (!codeNow.get().equals(code)) {
      return Standing.CODE_CHANGED;
    }
    if (until.isPresent() && today.isAfter(until.get())) {
      return Standing.PAST;
    }
    return isOpen ? Standing.HOLDS : Standing.CLOSED;
  }
}
