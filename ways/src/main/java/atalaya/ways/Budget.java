package atalaya.ways;

/**
 * How long a way is looked for. Counted, and not timed, so that what is found depends on nothing
 * but the code.
 *
 * @param tries so many paths are gone at most
 * @param further so many at most once there is one of which not all is known
 * @param instructions so many are followed in all at most
 */
record Budget(int tries, int further, int instructions) {
  private static final Budget FULL = new Budget(40, 40, 60_000);

  /** Where a search in full led nowhere: what is found then is found soon. */
  private static final Budget SHORT = new Budget(20, 2, 20_000);

  /** Where objects come to be in another way than the plainest. */
  private static final Budget OTHERWISE = new Budget(10, 10, 10_000);

  static Budget of(Sought sought, Outset outset) {
    if (!outset.equals(Outset.PLAINEST)) {
      return OTHERWISE;
    }
    return sought.isHard() ? SHORT : FULL;
  }
}
