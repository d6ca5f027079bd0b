package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** What objects of the platform can be told about how much they are to hold. */
final class Room {
  private static final Pattern HOLDING_SOME =
      Pattern.compile(
          "java/io/(Buffered|Pushback|Piped)\\w+|java/util/zip/(GZIP|Inflater|Deflater)\\w+Stream"
              + "|java/util/(concurrent/)?(Array|Linked|Priority)\\w*(Queue|BlockingDeque)"
              + "|java/util/concurrent/(ForkJoinPool|CyclicBarrier)");

  private static final Pattern HOLDING_NOTHING_OR_SOME =
      Pattern.compile(
          "java/io/(ByteArrayOutputStream|CharArrayWriter|StringWriter)"
              + "|java/lang/String(Builder|Buffer)"
              + "|java/util/(ArrayList|ArrayDeque|BitSet|Vector|\\w*Hash(Map|Set|table))"
              + "|java/util/concurrent/(CountDownLatch|ConcurrentHashMap)");

  private static final Set<String> NUMBERS = Set.of("I", "Ljava/lang/Integer;");

  private Room() {}

  /** What has to hold for a constructor, or another method, to take the number that it is given. */
  static Optional<Compared> asked(Call call, int line) {
    return call.given().stream()
        .filter(argument -> NUMBERS.contains(argument.type()))
        .findFirst()
        .filter(number -> !number.isConstant())
        .flatMap(
            number ->
                least(call)
                    .map(
                        relation ->
                            new Compared(number, relation, Term.of(0), Reason.unwritten(line))));
  }

  /** How what an object is to hold has to compare with nothing. */
  private static Optional<Relation> least(Call call) {
    boolean isMade = call.isConstructor();
    boolean holdsSome =
        isMade
            ? HOLDING_SOME.matcher(call.owner()).matches()
            : call.owner().startsWith("java/net/") && call.name().endsWith("BufferSize");
    if (holdsSome) {
      return Optional.of(Relation.GREATER);
    }
    return isMade && HOLDING_NOTHING_OR_SOME.matcher(call.owner()).matches()
        ? Optional.of(Relation.AT_LEAST)
        : Optional.empty();
  }
}
