package atalaya.launch.parts;

import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.Test;
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
      collector.complete &= PartReader.read(file.toFile(), collector.new OnePart());
    }
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
  }

  private final class OnePart implements PartReader.Sink {
    private final Map<Integer, ClassVersion> classes = new HashMap<>();
    private final Map<Integer, RawTest> numbered = new HashMap<>();

    @Override
    public void jvm(Jvm jvm) {
      jvms.add(jvm);
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
      if (version != null) {
        reach.get(version).computeIfAbsent(by(test), t -> new BitSet()).or(points);
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
          byClass.put(version, new ClassReach(numbered));
        });
    return new Collected(jvms, done, byClass, List.copyOf(problems), complete);
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
