package atalaya.core.run;

/**
 * Something that a run could not observe.
 *
 * @param what a class's binary name, or a source file's path from the project's root
 * @param detail more about the reason; empty where the reason says it all
 */
public record NotObserved(Reason reason, String what, String detail) {

  /** Why something was not observed. */
  public enum Reason {
    NEVER_LOADED("never loaded", "no executed code asked for them"),
    NO_LINES("without line tables", "compile them with -g:lines"),
    TOO_NEW("of a newer class file version", "skipped; a newer Atalaya may read them"),
    NOT_PLANTED("could not be observed", "see the reason beside each"),
    OTHER_BYTES("loaded from other bytes than the class folder holds", "build again, then observe"),
    STALE("with a source newer than its class", "build again, then observe"),
    UNPARSED("not parsed as Java", "conditions are named by line"),
    NO_CLASS("without a class", "not built, or no code in them");

    private final String label;
    private final String advice;

    Reason(String label, String advice) {
      this.label = label;
      this.advice = advice;
    }

    /** In words, as it stands behind a count. */
    public String label() {
      return label;
    }

    /** What it means, or what to do. */
    public String advice() {
      return advice;
    }
  }
}
