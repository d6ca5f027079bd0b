package atalaya.java.way;

import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.tree.MethodInsnNode;

/** The lines that code reads from what it is given: a test gives it a text that has them. */
final class Lines {
  /** What takes over what another one gives. */
  private static final Set<String> AROUND =
      Set.of("java/io/BufferedReader", "java/io/LineNumberReader", "java/io/InputStreamReader");

  /** How a test makes what gives lines, by its descriptor. */
  private static final Map<String, String> MADE =
      Map.of(
          "Ljava/io/Reader;", "new StringReader(%s)",
          "Ljava/io/BufferedReader;", "new BufferedReader(new StringReader(%s))",
          "Ljava/io/InputStream;", "new ByteArrayInputStream(%s.getBytes())");

  /** So many lines are looked at. */
  private static final int MOST = 50;

  /** A line of which nothing is asked. */
  private static final String ANY = "a";

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
            && MADE.containsKey(input.type());
    State.Cursor known = walker.state.cursors.get(source);
    return Optional.ofNullable(known == null && isGiven ? new State.Cursor(source, 0) : known)
        .filter(at -> at.over() instanceof Term.Input);
  }

  /** Whether something new takes over what another one gives; it does from now on. */
  boolean isMade(Term reader, MethodInsnNode call, List<Term> arguments) {
    Optional<State.Cursor> inner =
        AROUND.contains(call.owner) && !arguments.isEmpty()
            ? cursor(arguments.get(0)).filter(at -> at.next() == 0)
            : Optional.empty();
    inner.ifPresent(at -> walker.state.cursors.put(reader, at));
    return inner.isPresent();
  }

  /** The next line, or null at the end; empty where it is not known what is read from. */
  Optional<Term> call(MethodInsnNode call, Term reader) {
    Optional<State.Cursor> at = AROUND.contains(call.owner) ? cursor(reader) : Optional.empty();
    boolean isReading = call.name.equals("readLine");
    if (at.isEmpty() || !isReading && !call.name.equals("close")) {
      return Optional.empty();
    }
    State.Cursor now = at.get();
    int next = isReading ? now.next() + 1 : now.next();
    walker.state.cursors.put(reader, new State.Cursor(now.over(), next));
    return Optional.of(isReading ? line((Term.Input) now.over(), now.next()) : Term.NULL);
  }

  /** Others may read from these from now on. */
  void lose(Term read) {
    if (cursor(read).isPresent()) {
      walker.state.cursors.put(read, LOST);
    }
  }

  private static Term.Input line(Term.Input source, int at) {
    return new Term.Input(
        source.name() + " line " + (at + 1), Concatenation.TEXT, Term.Source.ELEMENT, null);
  }

  /** The number of the last line of which something is asked, from 0; -1 where there is none. */
  private static int last(Term.Input source, Map<Term.Input, Object> found) {
    int last = MOST - 1;
    while (last >= 0 && !found.containsKey(line(source, last))) {
      last--;
    }
    return last;
  }

  /**
   * How a test makes something that gives lines.
   *
   * @param found what lines have to be
   * @param made is told which come of it
   * @return empty where nothing is asked of its lines
   */
  static Optional<String> making(Term.Input source, Map<Term.Input, Object> found, Made made) {
    if (!MADE.containsKey(source.type())) {
      return Optional.empty();
    }
    StringBuilder text = new StringBuilder();
    List<Term.Input> lines = new ArrayList<>();
    for (int at = last(source, found); at >= 0; at--) {
      Term.Input line = line(source, at);
      lines.add(line);
      if (found.getOrDefault(line, ANY) instanceof String words) {
        text.insert(0, words + "\n");
      }
    }
    boolean isOfLines =
        !lines.isEmpty()
            && text.indexOf("\r") < 0
            && text.chars().filter(c -> c == '\n').count() <= lines.size();
    if (!isOfLines) {
      return Optional.empty();
    }
    lines.forEach(made::along);
    return Optional.of(
        String.format(
            MADE.get(source.type()),
            Literals.of(text.toString(), Concatenation.TEXT).orElseThrow()));
  }
}
