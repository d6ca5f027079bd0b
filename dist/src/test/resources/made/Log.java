package made;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** What a made-up program tells of itself: by the number of each place, what came out there. */
public class Log {
  private static final TreeMap<Integer, Set<String>> SEEN = new TreeMap<>();
  private static final TreeMap<Integer, Integer> OPEN = new TreeMap<>();

  private static void add(int place, String what) { SEEN.computeIfAbsent(place, p -> new TreeSet<>()).add(what); }

  public static void here(int place) { add(place, "here"); }
  public static boolean outcome(int place, boolean value) { add(place, "" + value); return value; }
  public static boolean asked(int place) { OPEN.merge(place, 1, Integer::sum); return true; }
  public static boolean held(int place) { OPEN.merge(place, -1, Integer::sum); add(place, "true"); return true; }
  public static int chosen(int place, int value) { add(place, "" + value); return value; }
  public static char chosen(int place, char value) { add(place, "" + value); return value; }
  public static String chosen(int place, String value) { add(place, value); return value; }
  public static Quay.Wind chosen(int place, Quay.Wind value) { add(place, "" + value); return value; }
  public static void label(int place, int number) { add(place, "" + number); }
  public static void turns(int place, int[] turns) { add(place, (turns[1] == 1 ? "thrown " : "") + Math.min(turns[0], 3)); }

  public static Iterable<Integer> each(int place, int[] values) {
    List<Integer> all = new ArrayList<>();
    for (int value : values) all.add(value);
    return each(place, all);
  }

  public static Iterable<Integer> each(int place, List<Integer> values) {
    return () -> {
      Iterator<Integer> all = values.iterator();
      return new Iterator<Integer>() {
        @Override
        public boolean hasNext() { return outcome(place, all.hasNext()); }

        @Override
        public Integer next() { return all.next(); }
      };
    };
  }

  public static void print() {
    OPEN.forEach((place, open) -> { if (open > 0) add(place, "false"); });
    SEEN.forEach((place, all) -> all.forEach(what -> System.out.println(place + " " + what)));
  }
}
