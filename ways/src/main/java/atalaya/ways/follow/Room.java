package atalaya.ways.follow;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Constraint.Relation;
import atalaya.core.term.Term;
import java.util.Optional;
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

  private Room() {}

  /** What has to hold for a constructor to take the number that it is given. */
  static Optional<Compared> asked(Call constructor, int line) {
    Optional<Term> number =
        constructor.given().stream().filter(argument -> argument.type().equals("I")).findFirst();
    Relation relation =
        HOLDING_SOME.matcher(constructor.owner()).matches()
            ? Relation.GREATER
            : HOLDING_NOTHING_OR_SOME.matcher(constructor.owner()).matches()
                ? Relation.AT_LEAST
                : null;
    return number
        .filter(many -> relation != null && !many.isConstant())
        .map(many -> new Compared(many, relation, Term.of(0), Reason.unwritten(line)));
  }
}
