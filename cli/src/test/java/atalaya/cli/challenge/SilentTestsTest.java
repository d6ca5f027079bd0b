package atalaya.cli.challenge;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.mutant.Fate;
import atalaya.trial.decide.Task;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which tests reach much and notice nothing. Test 1 reaches mutants that test 2 notices first. */
class SilentTestsTest {
  private final Map<Integer, Fate> fates = new HashMap<>();
  private final List<Task> tasks = new ArrayList<>();

  private void mutants(int count, Fate fate, boolean atStart) {
    for (int i = 0; i < count; i++) {
      int mutant = tasks.size();
      tasks.add(new Task(mutant, mutant / 4, List.of(2, 1), List.of(), List.of(1, 2), atStart));
      if (fate != null) {
        fates.put(mutant, fate);
      }
    }
  }

  @ParameterizedTest
  @CsvSource(
      nullValues = "none",
      value = {
        // killed, survived, timed out, undecided, in initialisers; what test 1 would notice;
        // mutants that may be asked before time is over; reached:asked of test 1
        "12, 0, 0, 0, 0, none, 99, 12:12",
        "60, 5, 0, 0, 0, none, 99, 65:25", // no more than twenty of those that others noticed
        "60, 5, 0, 0, 0, 0, 99, none",
        "60, 5, 0, 0, 0, 57, 99, none", // they are spread over all, the last ones too
        "9, 0, 0, 0, 0, none, 99, none", // it reaches little
        "4, 6, 0, 0, 0, none, 99, 10:10",
        "0, 12, 0, 0, 0, none, 99, 12:12", // with survivors it was run already
        "5, 0, 9, 0, 0, none, 99, none", // what never ended is not asked again
        "5, 0, 0, 9, 0, none, 99, none",
        "5, 0, 0, 0, 9, none, 99, none",
        "40, 0, 0, 0, 0, none, 8, none", // too few were asked when time was over
        "40, 3, 0, 0, 0, none, 8, 43:11",
      })
  void areRunByThemselvesBeforeItIsSaid(
      int killed,
      int survived,
      int timedOut,
      int undecided,
      int atStart,
      Integer noticed,
      int most,
      String silent)
      throws Exception {
    mutants(killed, Fate.KILLED, false);
    mutants(survived, Fate.SURVIVED, false);
    mutants(timedOut, Fate.TIMEOUT, false);
    mutants(undecided, null, false);
    mutants(atStart, Fate.KILLED, true);
    Set<Integer> asked = new HashSet<>();
    List<SilentTests.Silent> found =
        SilentTests.of(
            tasks,
            fates,
            Set.of(2),
            unit -> {
              assertThat(unit).extracting(Task::method).containsOnly(unit.get(0).method());
              assertThat(unit).extracting(Task::tests).containsOnly(List.of(1));
              List<Fate> decided = new ArrayList<>();
              for (Task task : unit) {
                assertThat(asked.add(task.mutant())).isTrue();
                boolean notices = noticed != null && task.mutant() == noticed;
                decided.add(notices ? Fate.KILLED : Fate.SURVIVED);
              }
              return decided;
            },
            () -> asked.size() >= most);
    assertThat(found)
        .extracting(s -> s.test() + " " + s.reached() + ":" + s.asked())
        .isEqualTo(silent == null ? List.of() : List.of("1 " + silent));
  }
}
