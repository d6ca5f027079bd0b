package atalaya.worker;

import atalaya.boot.ClassesAnew;
import atalaya.boot.Fault;
import java.io.DataInputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Decides the mutants of one method after the other. Verdicts are told once the tests that noticed
 * pass again without a mutant: else something was left behind that made them fail.
 */
final class Deciding {
  private static final int LARGEST_BATCH = 64;
  private static final int KILLERS_KEPT = 3;
  private static final int UNCHECKED_MOST = 16;
  private static final int LONGEST_WORDS = 200;
  private static final int MORE_THREADS = 50;
  private static final long MOST_OF_CLASSES = 200L << 20;

  private final Bench bench;
  private final Channel answers;
  private final Leftovers leftovers = new Leftovers();
  private final List<Verdict> unchecked = new ArrayList<>();
  private final List<TestRef> killers = new ArrayList<>();

  /** The tests in which the mutant would have changed something while they ran unmutated. */
  private final Set<TestRef> acting = new HashSet<>();

  private volatile int current = Fault.NONE;
  private volatile int checking = Fault.NONE;
  private volatile boolean disturbed;
  private volatile TestRef running;
  private volatile int way;
  private int testsRun;
  private int threads = Thread.activeCount();

  Deciding(Bench bench, Channel answers) {
    this.bench = bench;
    this.answers = answers;
  }

  private static final class Verdict {
    final int mutant;
    final int verdict;
    final TestRef test;
    final String words;
    final int testsRun;

    /** Whether the mutant changed something where it would have, and the tests ran as they do. */
    final boolean stands;

    Verdict(int mutant, int verdict, TestRef test, String words, int testsRun, boolean stands) {
      this.mutant = mutant;
      this.verdict = verdict;
      this.test = test;
      this.words = words;
      this.testsRun = testsRun;
      this.stands = stands;
    }

    boolean isExhausted() {
      return words.startsWith("OutOfMemoryError");
    }

    Verdict inDoubt() {
      return new Verdict(mutant, verdict, test, words, testsRun, false);
    }
  }

  /** The unmutated tests leave so many threads. */
  void countThreads() {
    threads = Math.max(threads, Thread.activeCount());
  }

  void unit(DataInputStream order, Map<Integer, TestRef> tests) throws IOException {
    long began = System.nanoTime();
    long testsBefore = bench.nanosInTests();
    long frameworksBefore = bench.nanosInFrameworks();
    int method = order.readInt();
    way = order.readByte();
    killers.clear();
    for (int number : Channel.readNumbers(order)) {
      killers.add(tests.get(number));
    }
    for (int i = order.readInt(); i > 0; i--) {
      int mutant = order.readInt();
      List<TestRef> of = new ArrayList<>();
      for (int number : Channel.readNumbers(order)) {
        of.add(tests.get(number));
      }
      acting.clear();
      for (int number : Channel.readNumbers(order)) {
        acting.add(tests.get(number));
      }
      answers.send(Message.BEGAN, to -> to.writeInt(mutant));
      current = mutant;
      bench.forgetAction();
      disturbed = leftovers.areBusy();
      Verdict verdict = way == Message.ANEW ? anew(method, mutant, of) : decide(method, mutant, of);
      current = Fault.NONE;
      if (disturbed && verdict.verdict == Message.TIMEOUT) {
        spoilt(Fault.NONE);
      }
      unchecked.add(verdict);
      if (way == Message.ONLY || way == Message.ANEW) {
        tell();
      } else if (way == Message.ONE_BY_ONE
          || unchecked.size() >= UNCHECKED_MOST
          || isHeavy(verdict)) {
        check();
      }
    }
    check();
    long inAll = System.nanoTime() - began;
    answers.send(
        Message.UNIT_DONE,
        to -> {
          to.writeLong(inAll);
          to.writeLong(bench.nanosInFrameworks() - frameworksBefore);
          to.writeLong(bench.nanosInTests() - testsBefore);
        });
    boolean isFull = way == Message.ANEW && classBytes() > MOST_OF_CLASSES;
    if (isFull || Thread.activeCount() > threads + MORE_THREADS) {
      spoilt(Fault.NONE);
    }
  }

  /** How much memory classes take: those that were loaded anew may stay, for whatever reason. */
  private static long classBytes() {
    return ManagementFactory.getMemoryPoolMXBeans().stream()
        .filter(pool -> pool.getName().equals("Metaspace"))
        .mapToLong(pool -> pool.getUsage().getUsed())
        .sum();
  }

  /** Its work is not to be done again. */
  private static boolean isHeavy(Verdict verdict) {
    return verdict.verdict == Message.TIMEOUT || verdict.testsRun > 100;
  }

  private Verdict anew(int method, int mutant, List<TestRef> tests) throws IOException {
    bench.ready(tests);
    Verdict verdict;
    try (ClassesAnew opened = ClassesAnew.open()) {
      verdict = decide(method, mutant, tests);
    }
    if (verdict.test == null) {
      return verdict;
    }
    try (ClassesAnew opened = ClassesAnew.open()) {
      return verdict.isExhausted() || !pass(Collections.singletonList(verdict.test))
          ? verdict.inDoubt()
          : verdict;
    }
  }

  private Verdict decide(int method, int mutant, List<TestRef> tests) {
    Set<TestRef> left = new LinkedHashSet<>();
    for (TestRef killer : killers) {
      if (tests.contains(killer)) {
        left.add(killer);
      }
    }
    left.addAll(tests);
    List<TestRef> inOrder = new ArrayList<>(left);
    testsRun = 0;
    boolean asBefore = true;
    int from = 0;
    // In classes that are new, a request costs more than most tests.
    int size = way == Message.ANEW || way == Message.ONLY ? LARGEST_BATCH : 1;
    while (from < inOrder.size()) {
      int to = endOfBatch(inOrder, from, size);
      List<TestRef> batch = inOrder.subList(from, to);
      running = batch.get(0);
      List<Bench.Result> results = bench.run(batch, method, mutant, true);
      testsRun += results.size();
      for (Bench.Result result : results) {
        asBefore &= isAsBefore(result);
        if (result.isNoticed()) {
          killers.remove(result.test);
          killers.add(0, result.test);
          if (killers.size() > KILLERS_KEPT) {
            killers.remove(KILLERS_KEPT);
          }
          boolean spent = result.verdict == Message.SPENT;
          return new Verdict(
              mutant,
              spent ? Message.TIMEOUT : Message.KILLED,
              result.test,
              spent ? "" : words(result.failure),
              testsRun,
              stands(asBefore));
        }
      }
      asBefore &= way != Message.ANEW || results.size() == batch.size();
      from = to;
      size = Math.min(2 * size, LARGEST_BATCH);
    }
    return new Verdict(mutant, Message.SURVIVED, null, "", testsRun, stands(asBefore));
  }

  /**
   * Whether a test ran as it did unmutated, as far as that can be seen: not left out, where it is
   * of classes loaded anew; else with the mutant changing something, if it would have: what earlier
   * tests left behind may hide it from one, as a value that is made for whoever asks first.
   */
  private boolean isAsBefore(Bench.Result result) {
    return way == Message.ANEW
        ? result.verdict != Message.SKIPPED
        : result.acted || !acting.contains(result.test);
  }

  private boolean stands(boolean asBefore) {
    return bench.hasActed() && asBefore && (way != Message.ANEW || !Premain.isAnyShared());
  }

  /** Tests of one class are run together where that does not make the batch much larger. */
  private static int endOfBatch(List<TestRef> tests, int from, int size) {
    int to = Math.min(tests.size(), from + size);
    int most = Math.min(tests.size(), from + 2 * size);
    while (size > 1 && to < most && tests.get(to).container.equals(tests.get(to - 1).container)) {
      to++;
    }
    return to;
  }

  /** Whether the tests that noticed pass again, without a mutant. */
  private void check() throws IOException {
    Set<TestRef> noticing = new LinkedHashSet<>();
    boolean exhausted = false;
    for (Verdict verdict : unchecked) {
      exhausted |= verdict.isExhausted();
      if (verdict.test != null) {
        noticing.add(verdict.test);
      }
    }
    List<TestRef> tests = new ArrayList<>(noticing);
    // Where one alone is checked, that one has to answer for itself.
    checking = unchecked.size() == 1 ? unchecked.get(0).mutant : Fault.NONE;
    if (!pass(tests)) {
      spoilt(checking);
    }
    checking = Fault.NONE;
    tell();
    if (exhausted) {
      spoilt(Fault.NONE);
    }
  }

  private boolean pass(List<TestRef> tests) {
    return bench.run(tests, Fault.NONE, Fault.NONE, true).stream()
        .noneMatch(Bench.Result::isNoticed);
  }

  private void tell() throws IOException {
    for (Verdict verdict : unchecked) {
      tell(verdict);
    }
    unchecked.clear();
  }

  private void tell(Verdict verdict) throws IOException {
    answers.send(
        Message.DECIDED,
        to -> {
          to.writeInt(verdict.mutant);
          to.writeByte(verdict.verdict);
          to.writeInt(verdict.test == null ? 0 : verdict.test.number);
          Channel.writeText(to, verdict.words);
          to.writeInt(verdict.testsRun);
          to.writeBoolean(verdict.stands);
        });
  }

  private void spoilt(int mutant) throws IOException {
    answers.send(Message.SPOILT, to -> to.writeInt(mutant));
    Runtime.getRuntime().halt(0);
  }

  /** A test can't be ended. */
  void giveUp() {
    try {
      int mutant = current;
      if (mutant != Fault.NONE && !disturbed) {
        boolean stands = way != Message.ANEW && bench.hasActed();
        tell(new Verdict(mutant, Message.TIMEOUT, running, "", testsRun + 1, stands));
      }
      spoilt(checking);
    } catch (IOException e) {
      Runtime.getRuntime().halt(1);
    }
  }

  /** What was wrong, in a line. */
  static String words(Throwable failure) {
    if (failure == null) {
      return "";
    }
    String type = failure.getClass().getSimpleName();
    String message;
    try {
      message = failure.getMessage();
    } catch (RuntimeException | LinkageError e) {
      message = null;
    }
    String words = message == null ? type : type + ": " + message.replaceAll("\\s+", " ").trim();
    return words.length() > LONGEST_WORDS ? words.substring(0, LONGEST_WORDS) + "..." : words;
  }
}
