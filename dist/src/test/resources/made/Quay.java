package made;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntSupplier;

/** What made-up programs call; none of it is compared. */
public class Quay {
  public enum Wind { NORTH, EAST, SOUTH }

  public interface Task { int run(); }

  public static class Rope implements AutoCloseable {
    private final int length;

    Rope(int length) { this.length = length; }

    @Override
    public void close() { if (length == 3) throw new ArithmeticException("close"); }
  }

  public static final Object LOCK = new Object();
  public static boolean open = Boolean.parseBoolean("true");
  static final boolean[] FLAGS = {true, false};
  static int used;

  public static Rope rope(int n) { if (n == 4) throw new IllegalArgumentException("rope"); return n == 2 ? null : new Rope(n); }
  public static int same(int n) { return n; }
  public static int take(boolean b) { return b ? 1 : 2; }
  public static int length(String s) { return s == null ? -1 : s.length(); }
  public static int fail(int n) { if (n == 3) throw new IllegalStateException("3"); if (n == 4) throw new IllegalArgumentException("4"); return n; }
  public static int get(IntSupplier supplier) { return supplier.getAsInt(); }
  public static void run(Runnable runnable) { runnable.run(); }
  public static double half(int n) { return n / 2.0; }
  public static long wide(int n) { return n; }
  public static boolean odd(int n) { return (n & 1) == 1; }
  public static int small(int n) { return Math.min(Math.abs(n), 3); }
  public static int[] array(int n) { int[] all = new int[small(n)]; for (int i = 0; i < all.length; i++) all[i] = i; return all; }
  public static List<Integer> list(int n) { List<Integer> all = new ArrayList<>(); for (int i : array(n)) all.add(i); return all; }
  public static String text(String s) { return s == null ? "none" : s; }
  public static Wind wind(int n) { return Wind.values()[small(n) % 3]; }
  public static char letter(int n) { return (char) ('a' + small(n)); }
  public static int far(int n) { return n < 0 ? -100 : n > 3 ? 5000 : n; }
  public static void use(Object o) { used++; }
}
