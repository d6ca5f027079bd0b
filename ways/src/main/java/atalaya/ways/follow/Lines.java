package atalaya.ways.follow;

import atalaya.core.term.Term;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The lines that code reads from what it is given: a test gives it a text that has them. */
public final class Lines implements CallRule {
  /** What takes over what another one gives. */
  private static final Set<String> AROUND =
      Set.of("java/io/BufferedReader", "java/io/LineNumberReader", "java/io/InputStreamReader");

  /** What gives lines where a test gives it, by its descriptor. */
  private static final Set<String> GIVEN =
      Set.of("Ljava/io/Reader;", "Ljava/io/BufferedReader;", "Ljava/io/InputStream;");

  /** Where others may have read from something. */
  private static final State.Cursor LOST = new State.Cursor(Term.NULL, 0);

  private final Walker walker;

  Lines(Walker walker) {
    this.walker = walker;
  }

  /** How far something was read; empty for what gives no lines of what a test gives. */
  private Optional<State.Cursor> cursor(Term source) {
    boolean isGiven =
        source instanceof Term.Input input
            && input.source() == Term.Source.ARGUMENT
            && GIVEN.contains(input.type());
    State.Cursor known = walker.state.cursors.get(source);
    return Optional.ofNullable(known == null && isGiven ? new State.Cursor(source, 0) : known)
        .filter(at -> at.over() instanceof Term.Input);
  }

  /** Whether something new takes over what another one gives; it does from now on. */
  boolean isMade(Call call) {
    List<Term> arguments = call.given();
    Optional<State.Cursor> inner =
        AROUND.contains(call.owner()) && !arguments.isEmpty()
            ? cursor(arguments.get(0)).filter(at -> at.next() == 0)
            : Optional.empty();
    inner.ifPresent(at -> walker.state.cursors.put(call.object(), at));
    return inner.isPresent();
  }

  /** The next line, or null at the end; empty where it is not known what is read from. */
  @Override
  public Optional<Term> call(Call call) {
    boolean isOfLines = !call.isStatic() && AROUND.contains(call.owner());
    Optional<State.Cursor> at = isOfLines ? cursor(call.object()) : Optional.empty();
    boolean isReading = call.name().equals("readLine");
    if (at.isEmpty() || !isReading && !call.name().equals("close")) {
      return Optional.empty();
    }
    State.Cursor now = at.get();
    int next = isReading ? now.next() + 1 : now.next();
    walker.state.cursors.put(call.object(), new State.Cursor(now.over(), next));
    return Optional.of(isReading ? line((Term.Input) now.over(), now.next()) : Term.NULL);
  }

  /** Others may read from these from now on. */
  void lose(Term read) {
    if (cursor(read).isPresent()) {
      walker.state.cursors.put(read, LOST);
    }
  }

  /** One of the lines of what a test gives, from 0. */
  public static Term.Input line(Term.Input source, int at) {
    return new Term.Input(
        source.name() + " line " + (at + 1), Concatenation.TEXT, Term.Source.ELEMENT, null);
  }
}
