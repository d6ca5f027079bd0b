package atalaya.ways.follow;

import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Reason;
import atalaya.core.term.Expression;
import atalaya.core.term.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Regular expressions that code itself names, and what their matchers find. */
final class Expressions implements CallRule {
  private static final String PATTERN = "java/util/regex/Pattern";
  private static final String MATCHER = "java/util/regex/Matcher";
  private static final String FIND = "find";

  private final Walker walker;

  Expressions(Walker walker) {
    this.walker = walker;
  }

  @Override
  public Optional<Term> call(Call call) {
    List<Term> arguments = call.arguments();
    if (call.owner().equals(PATTERN)) {
      return switch (call.name()) {
        case "compile" -> compiled(arguments);
        case "matcher" -> matcher(arguments.get(0), arguments.get(1));
        case "matches" ->
            compiled(arguments.subList(0, 1)).map(of -> found("matches", of, arguments.get(1), 1));
        default -> Optional.empty();
      };
    }
    State.Matching known =
        call.owner().equals(MATCHER) ? walker.state.matchings.get(arguments.get(0)) : null;
    if (known == null) {
      return Optional.empty();
    }
    Optional<Term> given = asked(call, known);
    if (given.isEmpty()) {
      walker.state.matchings.remove(arguments.get(0));
    }
    return given;
  }

  private static Optional<Term> compiled(List<Term> arguments) {
    boolean isKnown = arguments.stream().allMatch(Term::isConstant);
    if (!isKnown || !(value(arguments.get(0)) instanceof String text)) {
      return Optional.empty();
    }
    int flags = arguments.size() > 1 ? (Integer) value(arguments.get(1)) : 0;
    Expression expression = new Expression(text, flags);
    return expression.compiled().map(pattern -> new Term.Constant(expression, "L" + PATTERN + ";"));
  }

  private static Object value(Term constant) {
    return ((Term.Constant) constant).value();
  }

  private Optional<Term> matcher(Term pattern, Term text) {
    boolean isKnown =
        pattern instanceof Term.Constant constant && constant.value() instanceof Expression;
    if (!isKnown) {
      return Optional.empty();
    }
    walker.requireThere(text);
    Term matcher = walker.newObject("L" + MATCHER + ";");
    walker.state.matchings.put(matcher, new State.Matching(pattern, text, "", 0));
    return Optional.of(matcher);
  }

  private Optional<Term> asked(Call call, State.Matching of) {
    List<Term> arguments = call.arguments();
    Term matcher = arguments.get(0);
    boolean takesNone = arguments.size() == 1;
    switch (call.name()) {
      case "matches", "lookingAt", FIND -> {
        boolean goesOn = call.name().equals(FIND) && of.last().equals(FIND);
        boolean isKnown = takesNone && (goesOn || of.last().isEmpty() || !call.name().equals(FIND));
        if (!isKnown) {
          return Optional.empty();
        }
        int times = goesOn ? of.times() + 1 : 1;
        walker.state.matchings.put(matcher, of.after(call.name(), times));
        return Optional.of(found(call.name(), of.expression(), of.text(), times));
      }
      case "group", "start", "end" -> {
        if (of.last().isEmpty()) {
          return Optional.empty();
        }
        Term group = takesNone ? Term.of(0) : arguments.get(1);
        Term last = new Term.Constant(of.last(), "Ljava/lang/String;");
        Term given = operation(call, of.expression(), of.text(), last, Term.of(of.times()), group);
        walker.require(new Completes(given, Reason.unwritten(walker.line())));
        return Optional.of(given);
      }
      case "replaceAll", "replaceFirst" -> {
        if (!call.descriptor().startsWith("(Ljava/lang/String;")) {
          return Optional.empty();
        }
        walker.state.matchings.put(matcher, of.after("", 0));
        return Optional.of(operation(call, of.expression(), of.text(), arguments.get(1)));
      }
      case "reset" -> {
        walker.state.matchings.put(matcher, of.after("", 0));
        return takesNone ? Optional.of(matcher) : Optional.empty();
      }
      default -> {
        return Optional.empty();
      }
    }
  }

  private Term found(String name, Term expression, Term text, int times) {
    return operation(MATCHER + "." + name + "()Z", "Z", List.of(expression, text, Term.of(times)));
  }

  private Term operation(Call call, Term... operands) {
    String type = call.type();
    return operation(MATCHER + "." + call.name() + call.descriptor(), type, List.of(operands));
  }

  private Term operation(String method, String type, List<Term> operands) {
    return walker.computed(
        Term.operation(Term.Operator.CALL, method, type, new ArrayList<>(operands)));
  }
}
