package atalaya.trial.decide;

import atalaya.boot.Fault;
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
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.roaringbitmap.RoaringBitmap;

/** The tests of one set-up of a JVM: runs them unmutated, then decides mutants by them. */
public final class Stage {
  private static final long LONGEST_UNMUTATED = TimeUnit.HOURS.toNanos(1);
  private static final long LONGEST_MORE = TimeUnit.MINUTES.toNanos(2);
  private static final int LONGEST_TIMES = 20;
  private JvmSetup setup;
  private final WorkerKit kit;
  private final Path scratch;
  private final PlantedClasses planted;
  private final Set<String> mixed;
  private final Map<Integer, RunnableTest> tests = new LinkedHashMap<>();
  private final Map<String, List<Integer>> byGroup = new LinkedHashMap<>();
  private final Set<String> asked = new LinkedHashSet<>();
  private final Map<Integer, Unmutated> unmutated = new TreeMap<>();
  private final Map<String, Set<Integer>> entered = new HashMap<>();
  private final Map<String, Long> around = new HashMap<>();
  private final Map<Integer, Set<Integer>> initialising = new HashMap<>();
  private final Map<Integer, RoaringBitmap> seenBy = new HashMap<>();
  private final Map<Integer, RoaringBitmap> seenAround = new HashMap<>();
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

    private NoWorker(String message) {
      super(message);
    }

    static NoWorker after(Workers.End end) {
      return new NoWorker(
          "the JVM that runs the tests ended with code " + end.code() + ": " + end.output());
    }
  }

  /** What came of each test unmutated, by number. */
  public Map<Integer, Unmutated> unmutated() {
    return unmutated;
  }

  /** The numbers of the tests that were to run unmutated. */
  public List<Integer> asked() {
    return asked.stream().flatMap(group -> byGroup.get(group).stream()).toList();
  }

  /** How many tests will run unmutated for some. */
  public int count(BitSet wanted) {
    return open(wanted).stream().mapToInt(group -> byGroup.get(group).size()).sum();
  }

  /** The numbers of the methods that were entered while the tests of a group ran, by group. */
  public Map<String, Set<Integer>> entered() {
    return entered;
  }

  /** The numbers of the tests that saw one of the sights at a place, or had it seen around them. */
  public BitSet seen(int place, BitSet sights) {
    BitSet tests = seenItself(place, sights);
    tests.or(tests(seenAround, place, sights));
    return tests;
  }

  /** The numbers of the tests that saw one of the sights at a place while they ran. */
  public BitSet seenItself(int place, BitSet sights) {
    return tests(seenBy, place, sights);
  }

  private static BitSet tests(Map<Integer, RoaringBitmap> seenBy, int place, BitSet sights) {
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

  private static void saw(
      Map<Integer, RoaringBitmap> seenBy, List<Integer> tests, DataInputStream answer)
      throws IOException {
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

  synchronized void spent(Shares more) {
    shares = shares.plus(more);
  }

  // ---- unmutated ----

  /**
   * Runs the groups of some tests once, unmutated. One in which the JVM ends is left out.
   *
   * @param methods how many methods have numbers
   * @param mutants how many mutants have
   * @param wanted the numbers of the tests; asked again once they ran, for what they showed
   */
  public void runUnmutated(int methods, int mutants, Supplier<BitSet> wanted)
      throws IOException, InterruptedException {
    runUnmutated(methods, mutants, wanted, LONGEST_UNMUTATED);
  }

  /**
   * The same.
   *
   * @param longest how many nanoseconds a test may take; then the JVM is ended
   */
  public void runUnmutated(int methods, int mutants, Supplier<BitSet> wanted, long longest)
      throws IOException, InterruptedException {
    boolean isAnyEnded = false;
    for (List<String> left = open(wanted.get()); !left.isEmpty(); left = open(wanted.get())) {
      asked.addAll(left);
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
    }
    if (!isAnyEnded) {
      setup = setup.limited(mostHeap);
    }
    for (int test : asked()) {
      Unmutated was = unmutated.get(test);
      if (was == null || !was.isFit()) {
        mixed.add(group(test));
      }
    }
  }

  /** The groups of some tests that were not asked yet. */
  private List<String> open(BitSet wanted) {
    return byGroup.entrySet().stream()
        .filter(group -> !asked.contains(group.getKey()))
        .filter(group -> group.getValue().stream().anyMatch(wanted::get))
        .map(Map.Entry::getKey)
        .toList();
  }

  /** How many groups ran. */
  private int runUnmutated(int methods, int mutants, long longest, List<String> names)
      throws IOException, InterruptedException {
    long began = System.nanoTime();
    int done = 0;
    try (Worker worker = Worker.start(setup.watching(), kit, scratch, planted.watching())) {
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
            throw NoWorker.after(new Workers.End(worker.exitCode(), worker.output()));
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
            saw(seenAround, byGroup.get(names.get(done)), answer);
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
    saw(seenBy, List.of(number), answer);
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
  List<Integer> together(List<Integer> some) {
    return some.stream().map(this::group).distinct().flatMap(g -> testsOf(g).stream()).toList();
  }

  static int[] array(List<Integer> numbers) {
    return numbers.stream().mapToInt(Integer::intValue).toArray();
  }

  // ---- mutants ----

  /** Starts a JVM for mutants. */
  Worker startWorker(JvmSetup with, Collection<Integer> tests) throws IOException {
    Worker worker = Worker.start(with, kit, scratch, planted.mutated());
    spent(new Shares(0, 0, 0, 0, 0, 1));
    worker.send(Message.TESTS, to -> writeTests(tests, to));
    return worker;
  }

  /** How its JVMs are set up. */
  JvmSetup setup() {
    return setup;
  }

  /** The numbers of all tests. */
  Set<Integer> tests() {
    return tests.keySet();
  }

  /** How many nanoseconds mutants may take at most; then the JVM is ended. */
  long longest(Iterable<Task> tasks) {
    long nanos = 0;
    for (Task task : tasks) {
      for (int test : task.tests()) {
        nanos += unmutated.get(test).nanos();
      }
    }
    return LONGEST_TIMES * nanos + LONGEST_MORE;
  }
}
