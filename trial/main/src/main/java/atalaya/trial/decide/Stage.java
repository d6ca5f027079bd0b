package atalaya.trial.decide;

import atalaya.boot.Fault;
import atalaya.core.mutant.Fate;
import atalaya.worker.Channel;
import atalaya.worker.Message;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.roaringbitmap.RoaringBitmap;

/** The tests of one set-up of a JVM: runs them unmutated, then decides mutants by them. */
public final class Stage {
  private static final long LONGEST_UNMUTATED = TimeUnit.HOURS.toNanos(1);
  private static final long LONGEST_MORE = TimeUnit.MINUTES.toNanos(2);
  private static final int LONGEST_TIMES = 20;
  private static final int KILLERS_KEPT = 3;

  /** A JVM that dies so often of one unit leaves the rest of it undecided. */
  private static final int MOST_RESTARTS = 200;

  private JvmSetup setup;
  private final WorkerKit kit;
  private final Path scratch;
  private final PlantedClasses planted;
  private final Set<String> mixed;
  private final Map<Integer, RunnableTest> tests = new LinkedHashMap<>();
  private final Map<String, List<Integer>> byGroup = new LinkedHashMap<>();
  private final Map<Integer, Unmutated> unmutated = new TreeMap<>();
  private final Map<String, Set<Integer>> entered = new HashMap<>();
  private final Map<String, Long> around = new HashMap<>();
  private final Map<Integer, Set<Integer>> initialising = new HashMap<>();
  private final Map<Integer, RoaringBitmap> seenBy = new HashMap<>();
  private final RoaringBitmap seenInitialising = new RoaringBitmap();
  private Shares shares = Shares.NONE;
  private long mostHeap;

  /**
   * Begins.
   *
   * @param scratch an existing folder of its own
   * @param mixed the groups that have other tests too, which must not run
   */
  public Stage(
      JvmSetup setup,
      WorkerKit kit,
      Path scratch,
      PlantedClasses planted,
      List<RunnableTest> tests,
      Set<String> mixed) {
    this.mixed = new HashSet<>(mixed);
    this.setup = setup;
    this.kit = kit;
    this.scratch = scratch;
    this.planted = planted;
    for (RunnableTest test : tests) {
      this.tests.put(test.number(), test);
      byGroup.computeIfAbsent(test.group(), g -> new ArrayList<>()).add(test.number());
    }
  }

  /** Told of each verdict as it falls, by several threads. */
  public interface Listener {
    /** A mutant is decided. */
    void decided(Decided decided);
  }

  /** A worker that did not even begin to work. */
  public static final class NoWorker extends IOException {
    private static final long serialVersionUID = 1;

    NoWorker(String message) {
      super(message);
    }
  }

  /** What came of each test unmutated, by number. */
  public Map<Integer, Unmutated> unmutated() {
    return unmutated;
  }

  /** The numbers of the methods that were entered while the tests of a group ran, by group. */
  public Map<String, Set<Integer>> entered() {
    return entered;
  }

  /** The numbers of the tests that saw one of the sights at a place, or had it seen around them. */
  public BitSet seen(int place, BitSet sights) {
    BitSet tests = new BitSet();
    sights.stream()
        .mapToObj(sight -> seenBy.get(Fault.SIGHTS * place + sight))
        .filter(Objects::nonNull)
        .forEach(by -> by.forEach((int test) -> tests.set(test)));
    return tests;
  }

  /** Whether one of the sights at a place was seen while a class was being initialised. */
  public boolean isSeenInitialising(int place, BitSet sights) {
    return sights.stream()
        .anyMatch(sight -> seenInitialising.contains(Fault.SIGHTS * place + sight));
  }

  private void saw(List<Integer> tests, DataInputStream answer) throws IOException {
    RoaringBitmap all = RoaringBitmap.bitmapOf(array(tests));
    for (int sight : Channel.readNumbers(answer)) {
      seenBy.computeIfAbsent(sight, s -> new RoaringBitmap()).or(all);
    }
  }

  /** How many nanoseconds were spent around the tests of the group of a test. */
  public long around(int test) {
    return around.getOrDefault(tests.get(test).group(), 0L);
  }

  /** The group of a test. */
  public String group(int test) {
    return tests.get(test).group();
  }

  /** The numbers of the tests of a group. */
  public List<Integer> testsOf(String group) {
    return byGroup.getOrDefault(group, List.of());
  }

  /**
   * The methods that were entered while classes were being initialised, with those classes; all by
   * their numbers.
   */
  public Map<Integer, Set<Integer>> initialising() {
    return initialising;
  }

  /** Where the time went so far. */
  public synchronized Shares shares() {
    return shares;
  }

  private synchronized void spent(Shares more) {
    shares = shares.plus(more);
  }

  // ---- unmutated ----

  /**
   * Runs all tests once, unmutated. A group in which the JVM ends is left out.
   *
   * @param methods how many methods have numbers
   * @param mutants how many mutants have
   */
  public void runUnmutated(int methods, int mutants) throws IOException, InterruptedException {
    runUnmutated(methods, mutants, LONGEST_UNMUTATED);
  }

  /**
   * The same.
   *
   * @param longest how many nanoseconds a test may take; then the JVM is ended
   */
  public void runUnmutated(int methods, int mutants, long longest)
      throws IOException, InterruptedException {
    List<String> left = new ArrayList<>(byGroup.keySet());
    boolean isAnyEnded = false;
    while (!left.isEmpty()) {
      int done = runUnmutated(methods, mutants, longest, left);
      if (done < left.size()) {
        isAnyEnded = true;
        for (int number : byGroup.get(left.get(done))) {
          unmutated.put(number, new Unmutated(Message.FAILED, 0, 1, "the JVM ended"));
        }
        done++;
      }
      left = left.subList(done, left.size());
    }
    if (!isAnyEnded) {
      setup = setup.limited(mostHeap);
    }
    for (RunnableTest test : tests.values()) {
      Unmutated was = unmutated.get(test.number());
      if (was == null || !was.isFit()) {
        mixed.add(test.group());
      }
    }
  }

  /** How many groups ran. */
  private int runUnmutated(int methods, int mutants, long longest, List<String> names)
      throws IOException, InterruptedException {
    long began = System.nanoTime();
    int done = 0;
    try (Worker worker = Worker.start(setup, kit, scratch, planted.watching())) {
      worker.send(Message.TESTS, to -> writeTests(tests.keySet(), to));
      worker.send(
          Message.UNMUTATED,
          to -> {
            to.writeInt(methods);
            to.writeInt(mutants);
            to.writeInt(names.size());
            for (String name : names) {
              Channel.writeNumbers(to, array(byGroup.get(name)));
            }
          });
      boolean answered = false;
      while (true) {
        DataInputStream answer = worker.answer(longest);
        if (answer == null) {
          if (!answered && done == 0) {
            throw new NoWorker(
                "the JVM that runs the tests ended with code "
                    + worker.exitCode()
                    + ": "
                    + worker.output());
          }
          return done;
        }
        answered = true;
        switch (answer.readByte()) {
          case Message.RAN -> ran(answer);
          case Message.GROUP_RAN -> {
            answer.readInt();
            around.put(names.get(done), answer.readLong());
            Set<Integer> of = new TreeSet<>();
            for (int number : Channel.readNumbers(answer)) {
              of.add(number);
            }
            entered.put(names.get(done), of);
            saw(byGroup.get(names.get(done)), answer);
            seenInitialising.add(Channel.readNumbers(answer));
            for (int i = answer.readInt(); i > 0; i--) {
              long pair = answer.readLong();
              initialising
                  .computeIfAbsent((int) (pair >>> 32), m -> new TreeSet<>())
                  .add((int) pair);
            }
            done++;
          }
          default -> {
            mostHeap = Math.max(mostHeap, answer.readLong());
            return done;
          }
        }
      }
    } finally {
      spent(new Shares(0, 0, 0, System.nanoTime() - began, 0, 1));
    }
  }

  private void ran(DataInputStream answer) throws IOException {
    int number = answer.readInt();
    int verdict = answer.readByte();
    long nanos = answer.readLong();
    long steps = Math.max(1, answer.readLong());
    String words = Channel.readText(answer);
    saw(List.of(number), answer);
    Unmutated now = new Unmutated(verdict, nanos, steps, words);
    unmutated.merge(number, now, Stage::worse);
  }

  /** A test may run under several names; of two verdicts the worse one counts. */
  private static Unmutated worse(Unmutated one, Unmutated other) {
    Unmutated worse = one.isFit() ? other : one;
    return new Unmutated(
        worse.verdict(), one.nanos() + other.nanos(), one.steps() + other.steps(), worse.words());
  }

  private void writeTests(Collection<Integer> numbers, DataOutputStream to) throws IOException {
    to.writeInt(numbers.size());
    for (int number : numbers) {
      RunnableTest test = tests.get(number);
      Unmutated was = unmutated.get(test.number());
      to.writeInt(test.number());
      to.writeByte(test.framework());
      Channel.writeText(to, test.group());
      Channel.writeText(to, test.id());
      to.writeBoolean(!mixed.contains(test.group()));
      to.writeLong(was == null ? 0 : was.steps());
      to.writeLong(was == null ? 0 : was.nanos());
    }
  }

  /** Some tests, and all others of their groups. */
  private List<Integer> together(List<Integer> some) {
    return some.stream().map(this::group).distinct().flatMap(g -> testsOf(g).stream()).toList();
  }

  private static int[] array(List<Integer> numbers) {
    return numbers.stream().mapToInt(Integer::intValue).toArray();
  }

  // ---- mutants ----

  /** Decides units one after the other, in one worker after the other. Of one thread. */
  public final class Bench implements AutoCloseable {
    private final Listener listener;
    private final Map<Integer, List<Integer>> killersOf = new HashMap<>();
    private Worker worker;
    private boolean isAlone;

    /** Begins. */
    public Bench(Listener listener) {
      this.listener = listener;
    }

    private Worker worker() throws IOException {
      return worker(tests.keySet());
    }

    /** The one there is, or a new one for some of the tests, by number. */
    private Worker worker(Collection<Integer> of) throws IOException {
      if (worker == null) {
        worker =
            Worker.start(isAlone ? setup.shortLived() : setup, kit, scratch, planted.mutated());
        spent(new Shares(0, 0, 0, 0, 0, 1));
        worker.send(Message.TESTS, to -> writeTests(of, to));
      }
      return worker;
    }

    private void restart() throws IOException {
      if (worker != null) {
        worker.close();
        worker = null;
      }
    }

    /**
     * Decides the mutants of one method.
     *
     * @return those that must be decided in a JVM of their own
     */
    public List<Task> decide(List<Task> unit) throws IOException, InterruptedException {
      List<Task> alone = new ArrayList<>();
      Map<Integer, Task> left = new LinkedHashMap<>();
      unit.forEach(task -> left.put(task.mutant(), task));
      List<Integer> killers =
          killersOf.computeIfAbsent(unit.get(0).method(), m -> new ArrayList<>());
      boolean atOnce = false;
      long longest = longest(unit);
      unit.stream().filter(task -> task.tests().isEmpty()).forEach(this::unchanging);
      left.values().removeIf(task -> task.tests().isEmpty());
      int restarts = 0;
      while (!left.isEmpty() && restarts++ < MOST_RESTARTS) {
        order(List.copyOf(left.values()), killers, atOnce, false);
        int current = -1;
        boolean done = false;
        while (!done) {
          DataInputStream answer = worker().answer(longest);
          if (answer == null) {
            ended(left, current);
            break;
          }
          switch (answer.readByte()) {
            case Message.BEGAN -> current = answer.readInt();
            case Message.DECIDED -> {
              Decided decided = decided(answer);
              boolean acted = answer.readBoolean();
              Task task = left.remove(decided.mutant());
              // What tests left behind may hide it, in this JVM.
              boolean mayBeHidden = task.isShared() || !acted;
              if (mayBeHidden && !decided.fate().isNoticed()) {
                alone.add(task);
              } else {
                remember(killers, decided.test());
                listener.decided(decided);
              }
            }
            case Message.SPOILT -> {
              Task by = left.remove(answer.readInt());
              if (by != null) {
                alone.add(by);
              }
              // Whoever left something behind, each one has to answer for itself now.
              atOnce = true;
              restart();
              done = true;
            }
            default -> {
              unitDone(answer);
              done = true;
            }
          }
        }
      }
      alone.addAll(left.values());
      return alone;
    }

    /** Where it changes nothing, for any test, none has to be run. */
    private void unchanging(Task task) {
      listener.decided(new Decided(task.mutant(), Fate.SURVIVED, 0, "", 0));
    }

    /** Decides a mutant in a JVM of its own. */
    public void alone(Task of) throws IOException, InterruptedException {
      long began = System.nanoTime();
      Task task = of.inOneOfItsOwn();
      restart();
      isAlone = true;
      worker(together(task.tests()));
      order(List.of(task), List.of(), false, true);
      Map<Integer, Task> left = new LinkedHashMap<>(Map.of(task.mutant(), task));
      while (!left.isEmpty()) {
        DataInputStream answer = worker().answer(longest(List.of(task)));
        if (answer == null) {
          ended(left, task.mutant());
        } else {
          int type = answer.readByte();
          if (type == Message.DECIDED) {
            Decided decided = decided(answer);
            left.remove(decided.mutant());
            listener.decided(decided);
          }
        }
      }
      restart();
      isAlone = false;
      spent(new Shares(0, 0, 0, 0, System.nanoTime() - began, 0));
    }

    /** The worker ended by itself: the mutant that it had brought that about. */
    private void ended(Map<Integer, Task> left, int current)
        throws IOException, InterruptedException {
      Worker was = worker;
      int code = was.exitCode();
      String output = was.output();
      restart();
      if (current < 0) {
        throw new NoWorker("the JVM that runs the tests ended with code " + code + ": " + output);
      }
      Task by = left.remove(current);
      if (by != null) {
        listener.decided(
            new Decided(current, Fate.KILLED, 0, "the JVM ended with code " + code, 1));
      }
    }

    private void order(List<Task> tasks, List<Integer> killers, boolean atOnce, boolean never)
        throws IOException {
      worker()
          .send(
              Message.DECIDE,
              to -> {
                to.writeInt(tasks.get(0).method());
                to.writeBoolean(atOnce);
                to.writeBoolean(never);
                Channel.writeNumbers(to, array(killers));
                to.writeInt(tasks.size());
                for (Task task : tasks) {
                  to.writeInt(task.mutant());
                  Channel.writeNumbers(to, array(task.tests()));
                }
              });
    }

    private long longest(Iterable<Task> tasks) {
      long nanos = 0;
      for (Task task : tasks) {
        for (int test : task.tests()) {
          nanos += unmutated.get(test).nanos();
        }
      }
      return LONGEST_TIMES * nanos + LONGEST_MORE;
    }

    private void remember(List<Integer> killers, int test) {
      if (test > 0) {
        killers.remove((Integer) test);
        killers.add(0, test);
        if (killers.size() > KILLERS_KEPT) {
          killers.remove(KILLERS_KEPT);
        }
      }
    }

    private void unitDone(DataInputStream answer) throws IOException {
      spent(new Shares(answer.readLong(), answer.readLong(), answer.readLong(), 0, 0, 0));
    }

    @Override
    public void close() throws IOException {
      restart();
    }
  }

  private static Decided decided(DataInputStream answer) throws IOException {
    int mutant = answer.readInt();
    int verdict = answer.readByte();
    int test = answer.readInt();
    String words = Channel.readText(answer);
    Fate fate =
        verdict == Message.KILLED
            ? Fate.KILLED
            : verdict == Message.TIMEOUT ? Fate.TIMEOUT : Fate.SURVIVED;
    return new Decided(mutant, fate, test, words, answer.readInt());
  }
}
