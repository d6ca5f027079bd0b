package atalaya.agent;

import atalaya.boot.Reach;
import atalaya.boot.SharedCounts;
import atalaya.boot.SharedMarks;
import atalaya.points.Jvm;
import atalaya.points.PartWriter;
import java.io.File;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/**
 * Writes this JVM's part file: what was planted, which tests ran, what each reached. The file is
 * begun with the first observed class, so that other JVMs leave none. A thread writes what was
 * reached at least once a second.
 */
final class Recorder {
  private static final long BEAT_MILLIS = 500;
  private static final long LONGEST_READY_MILLIS = 300;

  private final File folder;
  private final Set<String> known;
  private final JvmFacts facts = new JvmFacts();
  private PartWriter part;
  private final CountDownLatch ready = new CountDownLatch(1);
  private boolean failed;
  private Map<Integer, BitSet> lastPending = Collections.emptyMap();
  private final List<PlantedClass> classes = new ArrayList<>();
  private final boolean counts;
  private final List<Room> rooms = new ArrayList<>();
  private Room lastRoom;
  private Room sharedRoom;
  private int sharedCounts;
  private final Map<Integer, Room> roomOf = new HashMap<>();
  private final Map<Integer, Integer> bases = new HashMap<>();
  private final Threads threads = new Threads();
  private int current = PartWriter.OUTSIDE;

  private final Runnable whenBegun;

  /**
   * Begins nothing yet.
   *
   * @param counts whether hits are counted
   * @param known see {@link atalaya.points.AgentOptions#environment}
   * @param whenBegun is run when the part file was begun, by the thread that writes; the program
   *     waits for it, but not for long
   */
  Recorder(File folder, boolean counts, Set<String> known, Runnable whenBegun) {
    this.folder = folder;
    this.counts = counts;
    this.known = known;
    this.whenBegun = whenBegun;
  }

  /**
   * Gives a class room for its marks. The same class in several loaders shares it.
   *
   * @param asConstant whether the class has them as a constant
   * @return where its marks begin in the array that stands at its index
   * @throws IllegalStateException when there is no room left for those that are not constants
   */
  synchronized int room(int index, int marks, boolean asConstant) {
    Integer known = bases.get(index);
    if (known != null) {
      return known;
    }
    if (index >= Reach.table.length) {
      Reach.counts = Arrays.copyOf(Reach.counts, 2 * index);
      Reach.table = Arrays.copyOf(Reach.table, 2 * index);
    }
    int base = 0;
    if (counts && asConstant) {
      Reach.counts[index] = new long[marks];
    } else if (counts) {
      requireRoom(sharedCounts + marks <= SharedCounts.ALL.length);
      Reach.counts[index] = SharedCounts.ALL;
      base = sharedCounts;
      sharedCounts += marks;
    } else {
      Room room = asConstant ? ownRoom(marks) : sharedRoom(marks);
      base = room.take(marks);
      Reach.table[index] = room.marks();
      roomOf.put(index, room);
    }
    bases.put(index, base);
    return base;
  }

  private Room ownRoom(int marks) {
    if (lastRoom == null || !lastRoom.fits(marks)) {
      lastRoom = Room.of(marks);
      rooms.add(lastRoom);
    }
    return lastRoom;
  }

  private Room sharedRoom(int marks) {
    if (sharedRoom == null) {
      sharedRoom = new Room(SharedMarks.ALL);
      rooms.add(sharedRoom);
    }
    requireRoom(sharedRoom.fits(marks));
    return sharedRoom;
  }

  private static void requireRoom(boolean isThere) {
    if (!isThere) {
      throw new IllegalStateException("more points are loaded than old class files and JVMs share");
    }
  }

  synchronized void planted(
      int index, String name, String hash, PlantedClass type, String location) {
    while (classes.size() <= index) {
      classes.add(null);
    }
    if (classes.get(index) != null) {
      return;
    }
    classes.set(index, type);
    if (!counts) {
      roomOf.get(index).add(index, bases.get(index), type);
    }
    threads.planted(index, name);
    write(to -> to.planted(index, name, hash, type.points(), location));
  }

  synchronized void notPlanted(String name, String reason) {
    write(to -> to.notPlanted(name, reason));
  }

  synchronized void testStarted(int number, String id, String name) {
    long now = System.currentTimeMillis();
    write(to -> to.testStarted(number, id, name, now));
  }

  synchronized void testEnded(int number, String verdict, long nanos, boolean overlapped) {
    hold(to -> to.testEnded(number, verdict, nanos, overlapped));
  }

  /** A thread ends by an exception. */
  synchronized void uncaught(Thread thread, Throwable exception) {
    if (part != null) {
      String place = threads.place(exception);
      write(
          to ->
              to.uncaught(
                  thread.getName(), exception.getClass().getName(), message(exception), place));
    }
  }

  /** The program's own code may compute it, and fail. */
  private static String message(Throwable exception) {
    try {
      String message = exception.getMessage();
      return message == null ? "" : message;
    } catch (RuntimeException | Error e) {
      return "";
    }
  }

  /** What is reached from now on belongs to this test, to none, or to some. */
  synchronized void switchTo(int test) {
    takeMarks();
    current = test;
  }

  private interface Writing {
    void on(PartWriter to) throws IOException;
  }

  private void write(Writing writing) {
    hold(writing);
    writeHeld();
  }

  /** Writes it together with the next test's begin, or twice a second. */
  private void hold(Writing writing) {
    if (failed) {
      return;
    }
    try {
      if (part == null) {
        Jvm jvm = facts.tell(UUID.randomUUID().toString(), known);
        part = new PartWriter(new File(folder, jvm.id + ".part"), jvm);
        startBeating();
      }
      writing.on(part);
    } catch (IOException e) {
      failed = true;
      System.err.println("atalaya: this JVM is observed no further: " + e);
    }
  }

  /** Takes the marks out of the arrays and tells of them. */
  private synchronized void takeMarks() {
    Map<Integer, BitSet> reached = new LinkedHashMap<>();
    rooms.forEach(room -> room.take(reached));
    for (int index = 0; counts && index < classes.size(); index++) {
      PlantedClass type = classes.get(index);
      BitSet points = type == null ? null : type.take(Reach.counts[index], bases.get(index));
      if (points != null) {
        reached.put(index, points);
      }
    }
    if (!reached.isEmpty()) {
      hold(to -> to.reached(current, reached));
    }
  }

  private synchronized void writeHeld() {
    hold(PartWriter::flush);
  }

  private synchronized void writeHits() {
    for (int index = 0; index < classes.size(); index++) {
      PlantedClass type = classes.get(index);
      long[] hits = type == null ? null : type.hits();
      int number = index;
      if (hits != null) {
        write(to -> to.hits(number, hits));
      }
    }
  }

  /** What threads have passed that stand in calls, should the program end before they return. */
  private synchronized void writePending() {
    Map<Integer, BitSet> pending = threads.pending(classes);
    if (!pending.equals(lastPending)) {
      lastPending = pending;
      write(to -> to.pending(pending));
    }
  }

  private void startBeating() {
    Thread beat = new Thread(this::beat, "atalaya");
    beat.setDaemon(true);
    beat.start();
    awaitReady();
    try {
      Runtime.getRuntime().addShutdownHook(new Thread(this::end, "atalaya end"));
    } catch (IllegalStateException e) {
      // The JVM is going down already: what is reached from here on is written by the beat.
      takeMarks();
      writeHeld();
    }
  }

  /** A program may end by an exception as soon as its first class is loaded. */
  private void awaitReady() {
    try {
      ready.await(LONGEST_READY_MILLIS, TimeUnit.MILLISECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void beat() {
    whenBegun.run();
    ready.countDown();
    while (true) {
      try {
        Thread.sleep(BEAT_MILLIS);
      } catch (InterruptedException e) {
        return;
      }
      takeMarks();
      writePending();
      writeHits();
      writeHeld();
    }
  }

  /**
   * The JVM ends. Shutdown hooks may still run observed code: the beat goes on until it is gone.
   */
  synchronized void end() {
    takeMarks();
    writePending();
    writeHits();
    write(PartWriter::end);
  }
}
