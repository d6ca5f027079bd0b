package atalaya.ways;

import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.ways.WaySearch.Solved;
import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import atalaya.ways.code.Visibility;
import atalaya.ways.follow.Walked;
import atalaya.ways.write.Made;
import atalaya.ways.write.Setters;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Calls that fill the objects of a way which count what they hold, as stacks and buffers do: what
 * such an object holds is known from the beginning then.
 */
final class Fillings {
  private final CodeBase base;
  private final Setters setters;

  /**
   * For a project.
   *
   * @param visible what a test may call
   */
  Fillings(CodeBase base, Visibility visible) {
    this.base = base;
    this.setters = new Setters(base, visible);
  }

  /** A field of an object with the number of what it holds. */
  private record Count(Input object, String field) {}

  /** With as much as a way was found to need, and with a few more; none where nothing counts. */
  List<List<Preparation>> of(Solved solved) {
    List<Preparation> needed = new ArrayList<>();
    List<Preparation> several = new ArrayList<>();
    counts(solved)
        .forEach(
            (count, times) ->
                adder(count)
                    .ifPresent(
                        call -> {
                          needed.addAll(Collections.nCopies(times, call));
                          several.addAll(Collections.nCopies(Preparing.MOST_ELEMENTS, call));
                        }));
    return needed.isEmpty() ? List.of() : Stream.of(needed, several).distinct().toList();
  }

  /** The plainest call that changes how many something holds from what it is. */
  private Optional<Preparation> adder(Count count) {
    return Preparation.all(setters, count.object(), count.field()).stream()
        .filter(one -> one.by().reads(count.field()))
        .findFirst();
  }

  /** What counts, with how many there have to be as far as that was found. */
  private Map<Count, Integer> counts(Solved solved) {
    Made made = new Made(base, solved.walked(), solved.solution());
    Map<Input, Walked.Built> built = solved.walked().needs().built();
    Map<Input, Object> inputs = solved.solution().inputs();
    Map<Count, Integer> counts = new LinkedHashMap<>();
    Stream.concat(
            inputs.keySet().stream(),
            solved.solution().open().stream().flatMap(one -> one.inputs().stream()))
        .filter(Fillings::isCount)
        .forEach(
            state ->
                made.holder(state)
                    .filter(built::containsKey)
                    .map(object -> new Count(object, Made.fieldOf(state)))
                    .ifPresent(
                        count ->
                            counts.putIfAbsent(count, Preparing.times(state, inputs.get(state)))));
    for (Input object : built.keySet()) {
      asked(object, solved)
          .forEach(field -> counts.putIfAbsent(new Count(object, field), Preparing.MOST_ELEMENTS));
    }
    return counts;
  }

  private static boolean isCount(Input input) {
    return input.source() == Term.Source.STATE
        && input.type().equals("I")
        && !input.name().endsWith(".length");
  }

  /** The numbers of an object that calls asked for which were not followed on the way. */
  private Stream<String> asked(Input object, Solved solved) {
    String type = TypeNames.internal(object.type());
    List<MethodCode> called =
        solved.walked().trace().called().stream()
            .filter(ref -> ref.type().equals(type))
            .flatMap(ref -> base.code(ref).stream())
            .toList();
    return base.code(type).stream()
        .flatMap(ClassCode::fields)
        .filter(field -> field.desc.equals("I"))
        .map(field -> field.name)
        .filter(name -> called.stream().anyMatch(code -> code.reads(name)));
  }
}
