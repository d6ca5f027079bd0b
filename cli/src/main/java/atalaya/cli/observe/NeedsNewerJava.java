package atalaya.cli.observe;

import java.nio.file.Path;
import java.util.Optional;

/** Class files are newer than the Java that runs Atalaya, so that their sources can't be read. */
public final class NeedsNewerJava extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final transient Optional<Path> jdk;

  NeedsNewerJava(int version, Optional<Path> jdk) {
    super(
        "the classes are made for Java "
            + version
            + ", and this is Java "
            + Runtime.version().feature()
            + "; set ATALAYA_JAVA_HOME to a JDK "
            + version
            + " or newer");
    this.jdk = jdk;
  }

  /** The home of one that was observed and reads them, if it is still there. */
  public Optional<Path> jdk() {
    return jdk;
  }
}
