package atalaya.agent;

import java.util.BitSet;
import java.util.Map;
import java.util.TreeMap;

/**
 * An array that holds the marks of several classes: most have none at the end of most tests, and
 * are passed over many marks at once. Guarded by the lock of its owner.
 */
final class Room {
  private static final int SIZE = 1 << 14;

  private final boolean[] marks;
  private final TreeMap<Integer, Tenant> tenants = new TreeMap<>();
  private int used;

  /** A class that has marks here. */
  private static final class Tenant {
    final int index;
    final PlantedClass type;

    Tenant(int index, PlantedClass type) {
      this.index = index;
      this.type = type;
    }
  }

  Room(boolean[] marks) {
    this.marks = marks;
  }

  /** With room for at least so many marks. */
  static Room of(int marks) {
    return new Room(new boolean[Math.max(SIZE, marks)]);
  }

  boolean[] marks() {
    return marks;
  }

  /** Whether so many more marks fit. */
  boolean fits(int more) {
    return used + more <= marks.length;
  }

  /** Takes so many, and says where they begin. */
  int take(int more) {
    int base = used;
    used += more;
    return base;
  }

  void add(int index, int base, PlantedClass type) {
    tenants.put(base, new Tenant(index, type));
  }

  /** Takes the marks that were set, by the index of the class. */
  void take(Map<Integer, BitSet> reached) {
    int at = NextMark.in(marks, 0, used);
    while (at >= 0) {
      Map.Entry<Integer, Tenant> whose = tenants.floorEntry(at);
      Tenant tenant = whose.getValue();
      BitSet points = tenant.type.take(marks, whose.getKey());
      if (points != null) {
        reached.put(tenant.index, points);
      }
      at = NextMark.in(marks, whose.getKey() + PlantedClass.marks(tenant.type.points()), used);
    }
  }
}
