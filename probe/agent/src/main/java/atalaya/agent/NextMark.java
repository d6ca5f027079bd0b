package atalaya.agent;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.util.Arrays;

/** Finds marks that are set. From Java 9 on the JVM compares many at once. */
final class NextMark {
  private static final int AT_ONCE = 1 << 14;
  private static final boolean[] NONE = new boolean[AT_ONCE];

  /** {@code Arrays.mismatch} of parts; null before Java 9. */
  private static final MethodHandle MISMATCH = mismatch();

  private NextMark() {}

  private static MethodHandle mismatch() {
    Class<?> array = boolean[].class;
    Class<?> number = int.class;
    try {
      return MethodHandles.publicLookup()
          .findStatic(
              Arrays.class,
              "mismatch",
              MethodType.methodType(number, array, number, number, array, number, number));
    } catch (NoSuchMethodException | IllegalAccessException e) {
      return null;
    }
  }

  /**
   * The first mark that is set.
   *
   * @param from the first to be looked at
   * @param to the first not to be looked at
   * @return -1 when there is none
   */
  static int in(boolean[] marks, int from, int to) {
    for (int at = from; at < to; at += AT_ONCE) {
      int set = among(marks, at, Math.min(to, at + AT_ONCE));
      if (set >= 0) {
        return at + set;
      }
    }
    return -1;
  }

  private static int among(boolean[] marks, int from, int to) {
    if (MISMATCH == null) {
      int at = from;
      while (at < to && !marks[at]) {
        at++;
      }
      return at == to ? -1 : at - from;
    }
    try {
      return (int) MISMATCH.invokeExact(marks, from, to, NONE, 0, to - from);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException(e);
    }
  }
}
