package atalaya.launch.parts;

import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.Test;
import atalaya.core.run.UncaughtException;
import atalaya.core.run.Verdict;
import atalaya.points.Jvm;
import atalaya.points.PartReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** Reads the part files of a run and brings them together. */
public final class Collector {
  private final List<Jvm> jvms = new ArrayList<>();
  private final List<RawTest> tests = new ArrayList<>();
  private final Map<ClassVersion, Map<RawTest, BitSet>> reach = new HashMap<>();
  private final Set<NotObserved> problems = new LinkedHashSet<>();
  private final List<UncaughtException> uncaught = new ArrayList<>();
  private final Map<ClassVersion, Map<Integer, Long>> hits = new HashMap<>();
  private final Map<BitSet, BitSet> patterns = new HashMap<>();
  private final List<Chunk> chunks = new ArrayList<>();
  private boolean complete = true;

  private Collector() {}

  /** Collects what is in a folder; files that are not part files are left alone. */
  public static Collected collect(Path folder) throws IOException {
    Collector collector = new Collector();
    List<Path> files;
    try (Stream<Path> all = Files.list(folder)) {
      files = all.filter(f -> f.toString().endsWith(".part")).sorted().toList();
    }
    for (Path file : files) {
      OnePart part = collector.new OnePart();
      collector.complete &= PartReader.read(file.toFile(), part);
      part.finish();
    }
    collector.giveToTests();
    return collector.collected();
  }

  /** A test on its way; two stand for what ran outside any, and by some. */
  private static final class RawTest {
    static final RawTest OUTSIDE = new RawTest("", "", 0);
    static final RawTest SOME_TEST = new RawTest("", "", 0);

    final String id;
    final String name;
    final long began;
    Verdict verdict = Verdict.UNFINISHED;
    long nanos;
    boolean overlapped;

    RawTest(String id, String name, long began) {
      this.id = id;
      this.name = name;
      this.began = began;
    }

    /** A millisecond more, for what rounding takes. */
    long ended() {
      return began + TimeUnit.NANOSECONDS.toMillis(nanos) + 1;
    }
  }

  /** What a JVM without tests of its own reached in a span of time, in milliseconds since 1970. */
  private record Chunk(ClassVersion type, BitSet points, long from, long to) {

    /** Whether a test ran at some time within it. */
    boolean touches(RawTest test) {
      return test.began <= to && from <= test.ended();
    }

    /** Whether a test ran all the time. */
    boolean isWithin(RawTest test) {
      return test.began <= from && to <= test.ended();
    }
  }

  /** Many tests reach the same points of a class: these are kept once, and never changed. */
  private void add(ClassVersion type, RawTest test, BitSet points) {
    BitSet all = points;
    BitSet before = reach.get(type).get(test);
    if (before != null) {
      all = (BitSet) before.clone();
      all.or(points);
    }
    BitSet same = patterns.putIfAbsent(all, all);
    reach.get(type).put(test, same == null ? all : same);
  }

  /**
   * A program that a test drives in another process belongs to that test, where it was the only one
   * that ran at the time.
   */
  private void giveToTests() {
    for (Chunk chunk : chunks) {
      List<RawTest> during = tests.stream().filter(chunk::touches).limit(2).toList();
      RawTest by =
          during.isEmpty()
              ? RawTest.OUTSIDE
              : during.size() == 1 && chunk.isWithin(during.get(0))
                  ? during.get(0)
                  : RawTest.SOME_TEST;
      add(chunk.type(), by, chunk.points());
    }
  }

  private final class OnePart implements PartReader.Sink {
    private final Map<Integer, ClassVersion> classes = new HashMap<>();
    private final Map<Integer, RawTest> numbered = new HashMap<>();
    private final List<Chunk> outside = new ArrayList<>();
    private long from;
    private long to;

    @Override
    public void jvm(Jvm jvm) {
      jvms.add(jvm);
      to = jvm.started;
    }

    @Override
    public void planted(int number, String name, String hash, int points, String location) {
      ClassVersion version = new ClassVersion(name, hash);
      classes.put(number, version);
      reach.putIfAbsent(version, new HashMap<>());
    }

    @Override
    public void notPlanted(String name, String reason) {
      NotObserved.Reason why =
          reason.startsWith("Unsupported class file")
              ? NotObserved.Reason.TOO_NEW
              : NotObserved.Reason.NOT_PLANTED;
      problems.add(new NotObserved(why, name, reason));
    }

    @Override
    public void testStarted(int number, String id, String name, long millis) {
      RawTest test = new RawTest(id, name, millis);
      numbered.put(number, test);
      tests.add(test);
    }

    @Override
    public void testEnded(int number, String verdict, long nanos, boolean overlapped) {
      RawTest test = numbered.get(number);
      if (test != null) {
        test.verdict = Verdict.valueOf(verdict);
        test.nanos = nanos;
        test.overlapped = overlapped;
      }
    }

    @Override
    public void reached(int test, int classNumber, BitSet points) {
      ClassVersion version = classes.get(classNumber);
      if (version != null && test == atalaya.points.PartWriter.OUTSIDE) {
        outside.add(new Chunk(version, points, from, to));
      } else if (version != null) {
        add(version, by(test), points);
      }
    }

    @Override
    public void written(long millis) {
      from = to;
      to = millis;
    }

    @Override
    public void hits(int classNumber, int point, long times) {
      ClassVersion version = classes.get(classNumber);
      if (version != null) {
        hits.computeIfAbsent(version, v -> new HashMap<>()).merge(point, times, Long::sum);
      }
    }

    @Override
    public void uncaught(String thread, String type, String message, String place) {
      uncaught.add(new UncaughtException(thread, type, message, place));
    }

    void finish() {
      if (numbered.isEmpty()) {
        chunks.addAll(outside);
        return;
      }
      for (Chunk chunk : outside) {
        add(chunk.type(), RawTest.OUTSIDE, chunk.points());
      }
    }

    private RawTest by(int test) {
      if (test == atalaya.points.PartWriter.SOME_TEST) {
        return RawTest.SOME_TEST;
      }
      return numbered.getOrDefault(test, RawTest.OUTSIDE);
    }
  }

  private Collected collected() {
    tests.sort(Comparator.comparingLong(test -> test.began));
    Map<RawTest, Integer> numbers = new HashMap<>();
    numbers.put(RawTest.OUTSIDE, ClassReach.OUTSIDE);
    numbers.put(RawTest.SOME_TEST, ClassReach.SOME_TEST);
    List<Test> done = new ArrayList<>();
    Set<String> ids = new HashSet<>();
    for (RawTest test : tests) {
      int number = done.size() + 1;
      numbers.put(test, number);
      done.add(
          new Test(
              number,
              unique(test.id, ids),
              TestNames.of(test.id, test.name),
              test.verdict,
              TimeUnit.NANOSECONDS.toMillis(test.nanos),
              test.overlapped));
    }
    Map<ClassVersion, ClassReach> byClass = new HashMap<>();
    reach.forEach(
        (version, byTest) -> {
          Map<Integer, BitSet> numbered = new TreeMap<>();
          byTest.forEach((test, points) -> numbered.put(numbers.get(test), points));
          byClass.put(version, new ClassReach(numbered, hits.getOrDefault(version, Map.of())));
        });
    return new Collected(jvms, done, byClass, List.copyOf(problems), uncaught, complete);
  }

  /** The same test may run again in another JVM. */
  private static String unique(String id, Set<String> ids) {
    String unique = id;
    for (int i = 2; !ids.add(unique); i++) {
      unique = id + " (" + i + ")";
    }
    return unique;
  }
}
