package atalaya.trial.decide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;

class IdleCoresTest {
  private double load;
  private final IdleCores cores = new IdleCores(() -> load, 4);

  @Test
  void countsThoseOfAWholeSpanSinceItWasLastTold() {
    cores.forget(0);
    load = 0.25;
    assertThat(look(1)).as("too early to tell").isZero();
    assertThat(look(3)).isCloseTo(3, within(1e-9));
    load = 1;
    assertThat(look(4)).as("still what the last span was").isCloseTo(3, within(1e-9));
    assertThat(look(6)).isZero();
    load = 0;
    look(9);
    cores.forget(TimeUnit.SECONDS.toNanos(9));
    assertThat(look(10)).as("forgotten: something new has begun").isZero();
    load = -1;
    look(11);
    assertThat(look(12))
        .as("a machine that stops telling: what it told")
        .isCloseTo(4, within(1e-9));
  }

  private double look(int second) {
    return cores.look(TimeUnit.SECONDS.toNanos(second));
  }
}
