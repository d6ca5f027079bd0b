package atalaya.cli;

/** Which Atalaya this is. */
public final class Version {
  /** The version of the build; a test holds it against the POM. */
  public static final String TEXT = "0.1.0";

  private Version() {}
}
