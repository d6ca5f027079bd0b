package atalaya.worker;

import atalaya.boot.Fault;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;

/** Takes orders until there are no more. */
public final class Main {
  private static final int IDLE_MILLIS = 1;

  private final Channel orders;
  private final Channel answers;
  private final Map<Integer, TestRef> tests = new TreeMap<>();
  private Bench bench;
  private Deciding deciding;

  private Main(File folder) throws IOException {
    orders = Channel.open(new File(folder, "orders"));
    answers = Channel.open(new File(folder, "answers"));
  }

  /** Started by Atalaya, with the folder of the two channels. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    Main main = new Main(new File(arguments[0]));
    InputStream in = System.in;
    endWith(in);
    System.setIn(new ByteArrayInputStream(new byte[0]));
    System.setOut(new PrintStream(new Nowhere()));
    System.setErr(new PrintStream(new Nowhere()));
    main.work();
    Runtime.getRuntime().halt(0);
  }

  /** Atalaya holds the other end of our input: when it is gone, so are we. */
  private static void endWith(InputStream in) {
    Thread waiting =
        new Thread(
            () -> {
              try {
                while (in.read() >= 0) {
                  // It never says anything.
                }
                Runtime.getRuntime().halt(1);
              } catch (IOException e) {
                Runtime.getRuntime().halt(1);
              }
            },
            "atalaya-end");
    waiting.setDaemon(true);
    waiting.start();
  }

  private static final class Nowhere extends OutputStream {
    @Override
    public void write(int b) {}

    @Override
    public void write(byte[] bytes, int from, int length) {}
  }

  private void work() throws IOException, InterruptedException {
    Watch watch = new Watch(Thread.currentThread(), () -> deciding.giveUp());
    bench = new Bench(watch);
    deciding = new Deciding(bench, answers);
    watch.start();
    while (true) {
      DataInputStream order = orders.poll();
      if (order == null) {
        Thread.sleep(IDLE_MILLIS);
      } else if (!obey(order)) {
        return;
      }
    }
  }

  private boolean obey(DataInputStream order) throws IOException {
    switch (order.readByte()) {
      case Message.PROPERTIES:
        for (int i = order.readInt(); i > 0; i--) {
          System.setProperty(Channel.readText(order), Channel.readText(order));
        }
        return true;
      case Message.TESTS:
        readTests(order);
        return true;
      case Message.UNMUTATED:
        unmutated(order);
        return true;
      case Message.DECIDE:
        deciding.unit(order, tests);
        return true;
      default:
        return false;
    }
  }

  /** What was used at most, garbage included. */
  private static long mostHeap() {
    return ManagementFactory.getMemoryPoolMXBeans().stream()
        .filter(pool -> pool.getType() == MemoryType.HEAP)
        .mapToLong(pool -> pool.getPeakUsage().getUsed())
        .sum();
  }

  private void readTests(DataInputStream order) throws IOException {
    for (int i = order.readInt(); i > 0; i--) {
      TestRef test =
          new TestRef(
              order.readInt(),
              order.readByte(),
              Channel.readText(order),
              Channel.readText(order),
              order.readBoolean(),
              order.readLong(),
              order.readLong());
      tests.put(test.number, test);
    }
    bench.known(tests.values());
  }

  private void unmutated(DataInputStream order) throws IOException {
    int methods = order.readInt();
    bench.sights().begin(order.readInt());
    int groups = order.readInt();
    for (int group = 0; group < groups; group++) {
      List<TestRef> of = new ArrayList<>();
      for (int number : Channel.readNumbers(order)) {
        of.add(tests.get(number));
      }
      Fault.enteredInitialising = ConcurrentHashMap.newKeySet();
      Fault.entered = new boolean[methods];
      long began = System.nanoTime();
      long inTests = bench.nanosInTests();
      for (Bench.Result result : bench.run(of, Fault.NONE, Fault.NONE, false)) {
        answers.send(
            Message.RAN,
            to -> {
              to.writeInt(result.test.number);
              to.writeByte(result.verdict);
              to.writeLong(result.nanos);
              to.writeLong(result.steps);
              Channel.writeText(to, Deciding.words(result.failure));
              Channel.writeNumbers(to, result.seen);
            });
      }
      long around = System.nanoTime() - began - (bench.nanosInTests() - inTests);
      boolean[] entered = Fault.entered;
      Set<Long> initialising = Fault.enteredInitialising;
      int number = group;
      int[] seenAround = bench.sights().takeAround();
      int[] seenInitialising = bench.sights().takeInitialising();
      answers.send(
          Message.GROUP_RAN,
          to -> {
            to.writeInt(number);
            to.writeLong(around);
            Channel.writeNumbers(to, Sights.numbers(entered));
            Channel.writeNumbers(to, seenAround);
            Channel.writeNumbers(to, seenInitialising);
            to.writeInt(initialising.size());
            for (long pair : initialising) {
              to.writeLong(pair);
            }
          });
    }
    bench.sights().end();
    Fault.entered = null;
    Fault.enteredInitialising = null;
    deciding.countThreads();
    long mostHeap = mostHeap();
    answers.send(Message.ALL_RAN, to -> to.writeLong(mostHeap));
  }
}
