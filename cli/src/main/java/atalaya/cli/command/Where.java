package atalaya.cli.command;

import atalaya.core.naming.Target;
import java.util.Optional;
import picocli.CommandLine.Parameters;

/** The part of the code that a command is about. */
final class Where {
  @Parameters(
      arity = "0..1",
      paramLabel = "TARGET",
      description = "A package, Class, Class#method or Class:line (default: everything).")
  private String target;

  /** As it was typed, behind a blank; empty for everything. */
  String typed() {
    return target == null ? "" : " " + target;
  }

  /** Empty for everything. */
  Optional<Target> target() {
    return Optional.ofNullable(target).map(Target::parse);
  }
}
