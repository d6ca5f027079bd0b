package atalaya.trial.decide;

import java.lang.management.ManagementFactory;
import java.util.concurrent.TimeUnit;
import java.util.function.DoubleSupplier;

/** How many cores had nothing to do of late, whoever else uses the machine. */
public final class IdleCores {
  private static final long SPAN = TimeUnit.SECONDS.toNanos(3);

  private final DoubleSupplier load;
  private final int cores;
  private long spanBegan;
  private double sum;
  private int samples;
  private double idle;

  /**
   * Of a machine.
   *
   * @param load the share of its time that it is busy, 0 to 1; negative while that is not known
   */
  IdleCores(DoubleSupplier load, int cores) {
    this.load = load;
    this.cores = cores;
  }

  /** Of this machine; none where it does not tell. */
  public static IdleCores ofThisMachine() {
    DoubleSupplier load =
        ManagementFactory.getOperatingSystemMXBean()
                instanceof com.sun.management.OperatingSystemMXBean system
            ? system::getCpuLoad
            : () -> 1;
    return new IdleCores(load, Runtime.getRuntime().availableProcessors());
  }

  /** Begins anew: what was before is not what will be. */
  public void forget(long now) {
    spanBegan = now;
    sum = 0;
    samples = 0;
    idle = 0;
  }

  /**
   * Looks; to be called several times a second.
   *
   * @return how many were idle in the last whole span of three seconds; 0 before there was one
   */
  public double look(long now) {
    double busy = load.getAsDouble();
    if (busy >= 0) {
      sum += (1 - busy) * cores;
      samples++;
    }
    if (now - spanBegan >= SPAN) {
      idle = samples == 0 ? 0 : sum / samples;
      spanBegan = now;
      sum = 0;
      samples = 0;
    }
    return idle;
  }
}
