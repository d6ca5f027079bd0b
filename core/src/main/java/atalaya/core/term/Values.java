package atalaya.core.term;

import atalaya.core.term.Constraint.Compared;
import atalaya.core.term.Constraint.Completes;
import atalaya.core.term.Constraint.Throws;
import atalaya.core.term.Term.Operation;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Computes terms for given inputs, as the Java language does (JLS 15), overflow included. */
public class Values {
  /** In place of a value: it depends on something that is not known. */
  public static final Object UNDECIDED = new Object();

  /**
   * In place of a value: computing it throws.
   *
   * @param type the internal name of the exception
   */
  public record Thrown(String type) {}

  /** The elements of an array. */
  record Elements(List<Object> values) {}

  private final Map<Term.Input, Object> inputs;

  /**
   * For some inputs.
   *
   * @param inputs the value of each input that is decided
   */
  public Values(Map<Term.Input, Object> inputs) {
    this.inputs = inputs;
  }

  /** Whether what is known without any input leaves all conditions. */
  public static boolean canBe(List<Constraint> conditions) {
    Values nothing = new Values(Map.of());
    return conditions.stream().noneMatch(c -> Boolean.FALSE.equals(nothing.holds(c)));
  }

  /** A value of the platform as it is computed with here. */
  static Object computed(Object value) {
    if (value instanceof Boolean truth) {
      return truth ? 1 : 0;
    }
    if (value instanceof Character letter) {
      return (int) letter;
    }
    if (value instanceof Byte || value instanceof Short) {
      return ((Number) value).intValue();
    }
    if (value instanceof Class<?> type) {
      return ClassValue.of(type);
    }
    return value instanceof Object[] array ? new Elements(Arrays.asList(array)) : value;
  }

  /**
   * Whether a constraint holds.
   *
   * @return null when that is not known
   */
  public Boolean holds(Constraint constraint) {
    if (constraint instanceof Compared compared) {
      return holds(compared);
    }
    if (constraint instanceof Throws throwing) {
      Object value = of(throwing.call());
      return value == UNDECIDED
          ? null
          : Boolean.valueOf(value instanceof Thrown thrown && isA(thrown.type(), throwing.type()));
    }
    Object value = of(((Completes) constraint).value());
    return value == UNDECIDED ? null : Boolean.valueOf(!(value instanceof Thrown));
  }

  private static boolean isA(String thrown, String caught) {
    if (thrown.equals(caught)) {
      return true;
    }
    try {
      return Class.forName(caught.replace('/', '.'), false, null)
          .isAssignableFrom(Class.forName(thrown.replace('/', '.'), false, null));
    } catch (ClassNotFoundException e) {
      return false;
    }
  }

  private Boolean holds(Compared compared) {
    Object left = of(compared.left());
    Object right = of(compared.right());
    if (left instanceof Thrown || right instanceof Thrown) {
      return false;
    }
    if (left == UNDECIDED || right == UNDECIDED) {
      return null;
    }
    if (left instanceof Number && right instanceof Number) {
      return compared.relation().holds(compare((Number) left, (Number) right));
    }
    boolean equal = left == right || Objects.equals(left, right);
    return compared.relation() == Constraint.Relation.NOT_EQUAL ? !equal : equal;
  }

  private static int compare(Number left, Number right) {
    if (left instanceof Double || left instanceof Float) {
      boolean isSame = left.doubleValue() == right.doubleValue(); // 0.0 and -0.0 are, too.
      return isSame ? 0 : Double.compare(left.doubleValue(), right.doubleValue());
    }
    return Long.compare(left.longValue(), right.longValue());
  }

  /** Gives the name of a constant of an enum of the project. */
  public static final String NAME = "java/lang/Enum.name()Ljava/lang/String;";

  /** What a term comes to: a value, {@link #UNDECIDED}, or {@link Thrown}. */
  public Object of(Term term) {
    if (term instanceof Term.Constant constant) {
      return constant.value();
    }
    if (term instanceof Term.Input input) {
      Object value = inputs.get(input);
      boolean isKnown = value != null || inputs.containsKey(input);
      return isKnown && input.isFree() ? value : UNDECIDED;
    }
    if (term instanceof Term.Made) {
      return term;
    }
    if (term instanceof Term.Choice choice) {
      return of(choice);
    }
    return of((Operation) term);
  }

  private Object of(Term.Choice choice) {
    for (Term.Case one : choice.cases()) {
      if (isTaken(one)) {
        boolean isOpen =
            one.isOtherwise() && !choice.cases().stream().allMatch(c -> isLeft(c, one));
        return isOpen
            ? UNDECIDED
            : one.result() == null ? new Thrown(one.thrown()) : of(one.result());
      }
    }
    return UNDECIDED;
  }

  /** Whether a case is the one for all others, or known not to be taken. */
  private boolean isLeft(Term.Case one, Term.Case otherwise) {
    return one == otherwise || isExcluded(one);
  }

  private boolean isExcluded(Term.Case one) {
    for (Constraint condition : one.conditions()) {
      if (Boolean.FALSE.equals(holds(condition))) {
        return true;
      }
    }
    return false;
  }

  /** Whether a case of a choice is known to be the one, where none before it is. */
  final boolean isTaken(Term.Case one) {
    for (Constraint condition : one.conditions()) {
      if (!Boolean.TRUE.equals(holds(condition))) {
        return false;
      }
    }
    return true;
  }

  private Object of(Operation operation) {
    List<Object> values = new ArrayList<>(operation.operands().size());
    for (Term operand : operation.operands()) {
      Object value = of(operand);
      if (value == UNDECIDED || value instanceof Thrown) {
        return value;
      }
      values.add(value);
    }
    Object first = values.get(0);
    return switch (operation.operator()) {
      case CALL -> call(operation.detail(), values);
      case CAST -> Arithmetic.cast(first, operation.detail());
      case COMPARE -> Arithmetic.compare(first, values.get(1), operation.detail());
      case NEGATE -> Arithmetic.negate(first);
      case LENGTH -> length(first);
      case ELEMENT -> element(first, values.get(1));
      case INSTANCE_OF -> instanceOf(first, operation.detail());
      case ORDINAL ->
          first instanceof EnumValue constant
              ? (Object) constant.ordinal()
              : first instanceof Enum<?> constant ? (Object) constant.ordinal() : UNDECIDED;
      default -> Arithmetic.binary(operation.operator(), first, values.get(1));
    };
  }

  private static Object call(String method, List<Object> values) {
    if (method.equals("java/lang/Object.equals(Ljava/lang/Object;)Z")
        || method.startsWith("java/util/Objects.equals(")) {
      Object left = values.get(0);
      if (left == null && method.startsWith("java/lang")) {
        return new Thrown("java/lang/NullPointerException");
      }
      return Objects.equals(left, values.get(1)) ? 1 : 0;
    }
    if (method.equals(NAME)) {
      return values.get(0) instanceof EnumValue constant ? constant.name() : UNDECIDED;
    }
    if (values.get(0) instanceof ClassValue) {
      return ClassValue.ask(method, values);
    }
    for (Object value : values) {
      if (value instanceof Stand || value instanceof Term.Made) {
        return UNDECIDED;
      }
    }
    if (values.get(0) instanceof Expression) {
      return Expression.ask(method, values);
    }
    return Platform.call(method, values);
  }

  private static Object length(Object array) {
    if (array == null) {
      return new Thrown("java/lang/NullPointerException");
    }
    return array instanceof Elements elements ? (Object) elements.values().size() : UNDECIDED;
  }

  private static Object element(Object array, Object index) {
    if (!(array instanceof Elements elements) || !(index instanceof Integer at)) {
      return UNDECIDED;
    }
    return at < 0 || at >= elements.values().size()
        ? new Thrown("java/lang/ArrayIndexOutOfBoundsException")
        : computed(elements.values().get(at));
  }

  private static Object instanceOf(Object value, String type) {
    if (value == null) {
      return 0;
    }
    if (value instanceof Stand
        || value instanceof ClassValue
        || value instanceof Expression
        || value instanceof Term.Made
        || value instanceof Elements) {
      return UNDECIDED;
    }
    String own = classOf(value);
    return own.equals(type) || isA(own, type) ? 1 : 0;
  }

  private static String classOf(Object value) {
    if (value instanceof EnumValue constant) {
      return constant.type();
    }
    return value instanceof Characters
        ? Characters.TYPE
        : value.getClass().getName().replace('.', '/');
  }
}
