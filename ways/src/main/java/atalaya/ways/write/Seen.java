package atalaya.ways.write;

import atalaya.core.plan.Way.Result;
import atalaya.core.solve.Solution;
import atalaya.core.term.Characters;
import atalaya.core.term.Term;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.core.term.Values;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Literals;
import atalaya.ways.code.Surroundings;
import atalaya.ways.code.TypeNames;
import atalaya.ways.follow.Builders;
import atalaya.ways.follow.Objects;
import atalaya.ways.follow.Walked;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.objectweb.asm.Type;

/** What is to be seen at the end of a way, in words. */
public final class Seen {
  private static final int MOST_ASSERTS = 4;
  private static final String TEXT = "Ljava/lang/String;";

  private final Walked walked;
  private final Solution.Found found;
  private final Ref entry;

  public Seen(Walked walked, Solution.Found found, Ref entry) {
    this.walked = walked;
    this.entry = entry;
    this.found = found;
  }

  /**
   * What a test can look at.
   *
   * @param deciding how many steps come before what decides; what is to be seen earlier is no news
   */
  public Result result(int deciding) {
    if (!walked.ending().thrown().isEmpty()) {
      String thrown = TypeNames.simpleOf(walked.ending().thrown());
      return new Result(List.of("throws " + thrown), thrown);
    }
    Set<String> asserts = new LinkedHashSet<>();
    boolean isConstructor = entry.name().equals("<init>");
    Type returned = Type.getReturnType(entry.descriptor());
    if (returned != Type.VOID_TYPE) {
      asserts.add("the result of " + entry.name() + result(returned.getDescriptor()));
    } else if (walked.ending().goesOn() && endsJvm()) {
      asserts.add("that " + entry.name() + " ends the JVM: in a process of its own");
    } else if (walked.ending().goesOn()) {
      asserts.add("how " + entry.name() + " ends" + notFollowedBeyond());
    }
    WrittenTo writtenTo = new WrittenTo(walked);
    for (Walked.Effect effect : walked.trace().effects()) {
      boolean isOverwritten = effect instanceof Walked.Written && !writtenTo.isLast(effect);
      if (!isOverwritten && effect.after() >= deciding && asserts.size() < MOST_ASSERTS) {
        seen(effect, isConstructor).ifPresent(asserts::add);
      }
    }
    return new Result(List.copyOf(asserts), "", !walked.ending().goesOn());
  }

  private boolean endsJvm() {
    return walked.trace().surroundings().stream().anyMatch(Surroundings::isEnd);
  }

  private String notFollowedBeyond() {
    List<Walked.Passed> steps = walked.trace().steps();
    return ": not followed"
        + (steps.isEmpty() ? "" : " beyond line " + steps.get(steps.size() - 1).line());
  }

  private String result(String type) {
    if (walked.ending().goesOn()) {
      return ", unless it throws" + notFollowedBeyond();
    }
    if (walked.ending().result() == null) {
      return "";
    }
    Object value = new Values(found.inputs()).of(walked.ending().result());
    if (!isTold(value)) {
      return "";
    }
    return Literals.of(value, type).map(literal -> ", now " + literal).orElse("");
  }

  /** Whether it is known, and another one like it would be equal to it. */
  private static boolean isTold(Object value) {
    return value != Values.UNDECIDED
        && !(value instanceof Values.Thrown)
        && !(value instanceof Characters);
  }

  private Optional<String> seen(Walked.Effect effect, boolean isConstructor) {
    if (effect instanceof Walked.Called called) {
      Type[] types = Type.getArgumentTypes(called.method().descriptor());
      String arguments =
          IntStream.range(0, types.length)
              .mapToObj(i -> shown(called.arguments().get(i), types[i].getDescriptor()))
              .collect(Collectors.joining(", "));
      boolean isDouble =
          called.object() instanceof Input input && walked.needs().doubles().contains(input);
      return isDouble
          ? Optional.of(
              ((Input) called.object()).name()
                  + "."
                  + called.method().name()
                  + "("
                  + arguments
                  + ") is called")
          : Optional.empty();
    }
    if (effect instanceof Walked.Written written) {
      return Optional.of("what `" + written.object().name() + "` holds" + held(written));
    }
    Walked.FieldSet set = (Walked.FieldSet) effect;
    if (!(set.object() instanceof Input object)
        || isConstructor && !object.isReceiver()
        || OuterNames.isOuter(set.name())) {
      return Optional.empty();
    }
    String value = shown(set.value(), set.type());
    return Optional.of(
        "`"
            + OuterNames.inSource(Objects.prefix(object) + set.name(), entry.type())
            + "` is set"
            + (value.equals("..") ? "" : " to " + value));
  }

  private String held(Walked.Written written) {
    Map<Input, Object> inputs = new HashMap<>(found.inputs());
    inputs.putIfAbsent(Builders.held(written.object()), "");
    return written
        .text()
        .map(text -> new Values(inputs).of(text))
        .filter(String.class::isInstance)
        .flatMap(text -> Literals.of(text, TEXT))
        .map(text -> ", now " + text)
        .orElse("");
  }

  /**
   * Something as code has it.
   *
   * @param type of what takes it: what is true or a character is computed as a number
   */
  private String shown(Term term, String type) {
    Object value = new Values(found.inputs()).of(term);
    if (!isTold(value)) {
      return term instanceof Input input && input.source() == Source.ARGUMENT ? input.name() : "..";
    }
    return Literals.of(value, type.length() == 1 ? type : term.type()).orElse("..");
  }
}
