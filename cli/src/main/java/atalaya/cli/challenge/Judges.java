package atalaya.cli.challenge;

import atalaya.core.figure.TestFigures;
import atalaya.core.mutant.Reaching;
import atalaya.core.run.ClassReach;
import atalaya.core.run.TestId;
import atalaya.trial.decide.Stage;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToIntFunction;

/** Which tests may judge a mutant: those that reach it, by all that is known of them so far. */
final class Judges {
  private final Stage stage;
  private final Function<String, ClassReach> reachOf;
  private final List<String> typeNames;
  private final BitSet all = new BitSet();
  private final BitSet overlapped = new BitSet();
  private final Map<String, BitSet> standingIn = new HashMap<>();
  private final Map<String, BitSet> usersOf = new HashMap<>();
  private final Map<Integer, BitSet> setUp = new HashMap<>();

  /**
   * Of a stage.
   *
   * @param tests all of the run
   * @param reachOf what was reached of a class, by its name
   * @param typeNames of the planted classes, by their numbers
   */
  Judges(
      Stage stage,
      List<TestFigures> tests,
      Function<String, ClassReach> reachOf,
      List<String> typeNames) {
    this.stage = stage;
    this.reachOf = reachOf;
    this.typeNames = typeNames;
    for (TestFigures test : tests) {
      int number = test.test().number();
      all.set(number);
      overlapped.set(number, test.test().overlapped());
      standingIn
          .computeIfAbsent(TestId.of(test.test().id()).topClass(), type -> new BitSet())
          .set(number);
    }
  }

  /**
   * Once the stage has run tests unmutated.
   *
   * @param method the number of the method in which something was reached
   */
  BitSet of(Reaching.Reached reached, int method) {
    BitSet judges = known(reached, method);
    if (reached.outside()) {
      judges.or(setUp.computeIfAbsent(method, this::setUp));
    }
    return judges;
  }

  /**
   * Of all mutants, whatever the stage has run yet. What was reached outside of tests may have been
   * reached around any of them: the run does not tell.
   */
  BitSet ofAny(Collection<Candidate> mutants, ToIntFunction<Candidate> method) {
    BitSet judges = new BitSet();
    for (Candidate mutant : mutants) {
      if (mutant.entered().outside()) {
        return (BitSet) all.clone();
      }
      judges.or(known(mutant.entered(), method.applyAsInt(mutant)));
    }
    return judges;
  }

  private BitSet known(Reaching.Reached reached, int method) {
    BitSet judges = (BitSet) reached.tests().clone();
    if (reached.bySome()) {
      judges.or(overlapped);
    }
    for (int type : stage.initialising().getOrDefault(method, Set.of())) {
      judges.or(usersOf.computeIfAbsent(typeNames.get(type), this::users));
    }
    return judges;
  }

  /** The tests that use a class: those that reach anything of it, or stand in it. */
  private BitSet users(String type) {
    BitSet users = new BitSet();
    reachOf.apply(type).byTest().keySet().stream().filter(n -> n > 0).forEach(users::set);
    users.or(standingIn.getOrDefault(type, new BitSet()));
    return users;
  }

  /** The tests in whose groups a method was entered, by a test or by what is set up for all. */
  private BitSet setUp(int method) {
    BitSet of = new BitSet();
    stage
        .entered()
        .forEach(
            (group, entered) -> {
              if (entered.contains(method)) {
                stage.testsOf(group).forEach(of::set);
              }
            });
    return of;
  }
}
