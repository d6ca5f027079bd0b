package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Calls that are given the name of a charset and throw what says that there is none such: they are
 * known to throw by the name.
 */
final class CharsetNames {
  private static final String EXCEPTION = "java/io/UnsupportedEncodingException";
  private static final String TEXT = "Ljava/lang/String;";

  /** Those that every JVM has. */
  private static final Set<Charset> EVERYWHERE =
      Set.of(
          StandardCharsets.US_ASCII,
          StandardCharsets.ISO_8859_1,
          StandardCharsets.UTF_8,
          StandardCharsets.UTF_16BE,
          StandardCharsets.UTF_16LE,
          StandardCharsets.UTF_16);

  private final Walker walker;

  CharsetNames(Walker walker) {
    this.walker = walker;
  }

  /**
   * What has to hold for a call to end as it is to.
   *
   * @param throwing whether it is to throw
   * @return empty where it does not turn on the name alone
   */
  Optional<Compared> turning(Call call, boolean throwing) {
    boolean isByName = walker.base.refusing(call.node()).filter(EXCEPTION::equals).isPresent();
    return isByName
        ? name(call.arguments())
            .map(
                name ->
                    new Compared(
                        isSupported(name),
                        throwing ? Relation.EQUAL : Relation.NOT_EQUAL,
                        Term.of(0),
                        Reason.unwritten(walker.line())))
        : Optional.empty();
  }

  /** The last text; what another JVM might lack is left open. */
  private static Optional<Term> name(List<Term> arguments) {
    return arguments.stream()
        .filter(argument -> argument.type().equals(TEXT))
        .reduce((one, later) -> later)
        .filter(name -> !(name instanceof Term.Constant constant) || isEverywhere(constant));
  }

  private static boolean isEverywhere(Term.Constant name) {
    return name.value() instanceof String text
        && EVERYWHERE.stream().anyMatch(charset -> charset.name().equalsIgnoreCase(text));
  }

  private Term isSupported(Term name) {
    return walker.computed(
        Term.operation(
            Term.Operator.CALL,
            "java/nio/charset/Charset.isSupported(Ljava/lang/String;)Z",
            "Z",
            List.of(name)));
  }
}
