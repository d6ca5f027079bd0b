package atalaya.cli.render;

import atalaya.cli.Console;
import atalaya.cli.challenge.Challenge;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;

/** Tells how long work goes: one line that changes while a person watches, else a line at times. */
public final class ProgressLine implements Challenge.Progress {
  private static final long WATCHED = TimeUnit.MILLISECONDS.toNanos(200);
  private static final long UNWATCHED = TimeUnit.SECONDS.toNanos(15);

  private final Console console;
  private final boolean quiet;
  private final boolean watched;
  private final long budgetNanos;
  private final long started = System.nanoTime();
  private long began;
  private long shown;
  private boolean open;

  /** Begins; the work may take any time. */
  public ProgressLine(Console console, boolean quiet) {
    this(console, quiet, Long.MAX_VALUE);
  }

  /**
   * Begins.
   *
   * @param budgetNanos after which the work ends in any case
   */
  public ProgressLine(Console console, boolean quiet, long budgetNanos) {
    this.console = console;
    this.quiet = quiet;
    this.watched = console.columns().isPresent();
    this.budgetNanos = budgetNanos;
  }

  @Override
  public void phase(String what) {
    show(what, true);
  }

  @Override
  public void decided(int done, int of, int noticed, int survived) {
    now(
        () ->
            done
                + " of "
                + of
                + " mutants: "
                + noticed
                + " noticed, "
                + survived
                + " survived; about "
                + Words.time(TimeUnit.NANOSECONDS.toMillis(left(done, of)))
                + " left");
  }

  private long left(int done, int of) {
    long now = System.nanoTime();
    long left = done == 0 ? 0 : (long) ((now - began) * ((double) (of - done) / done));
    return Math.max(0, Math.min(left, budgetNanos - (now - started)));
  }

  /** Tells how far it is, unless it was told just now. */
  public void now(Supplier<String> line) {
    long now = System.nanoTime();
    if (began == 0) {
      began = now;
      shown = now;
    }
    if (now - shown >= (watched ? WATCHED : UNWATCHED)) {
      show(line.get(), false);
    }
  }

  private void show(String line, boolean phase) {
    if (quiet || phase && !watched) {
      return;
    }
    shown = System.nanoTime();
    if (watched) {
      console.err().print("\r\u001b[K" + line);
      open = true;
    } else {
      console.err().println(line);
    }
    console.err().flush();
  }

  /** Takes the line away. */
  public void end() {
    if (open) {
      console.err().print("\r\u001b[K");
      console.err().flush();
      open = false;
    }
  }
}
