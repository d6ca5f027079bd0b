package atalaya.agent;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;

/**
 * An array that holds the marks of several classes: most have none at the end of most tests, and
 * one comparison, of many marks at once, tells that of all of them. It is small, since one mark
 * makes a test look through all of them one by one. Guarded by the lock of its owner.
 */
final class Room {
  private static final int SIZE = 512;
  private static final boolean[] NONE = new boolean[SIZE];

  private final boolean[] marks;
  private final boolean[] none;
  private final List<Tenant> tenants = new ArrayList<>();
  private int used;

  /** A class that has marks here. */
  private static final class Tenant {
    final int index;
    final int base;
    final PlantedClass type;

    Tenant(int index, int base, PlantedClass type) {
      this.index = index;
      this.base = base;
      this.type = type;
    }
  }

  /** Makes room for at least so many marks. */
  Room(int marks) {
    this.marks = new boolean[Math.max(SIZE, marks)];
    this.none = marks <= SIZE ? NONE : new boolean[marks];
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
    tenants.add(new Tenant(index, base, type));
  }

  /** Takes the marks that were set, by the index of the class. */
  void take(Map<Integer, BitSet> reached) {
    if (Arrays.equals(marks, none)) {
      return;
    }
    for (Tenant tenant : tenants) {
      BitSet points = tenant.type.take(marks, tenant.base);
      if (points != null) {
        reached.put(tenant.index, points);
      }
    }
  }
}
