package atalaya.core.term;

import java.lang.invoke.MethodType;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** A method of the platform, ready to be called with values as {@link Values} computes them. */
final class Callee {
  private final Method method;
  private final boolean isStatic;
  private final Parameter target;
  private final Parameter[] parameters;

  /**
   * Something that is handed over, or whose method it is.
   *
   * @param boxed the class of which what is handed over is
   */
  private record Parameter(Class<?> type, Class<?> boxed) {
    static Parameter of(Class<?> type) {
      return new Parameter(type, MethodType.methodType(type).wrap().returnType());
    }

    boolean takes(Object value) {
      return value == null ? !type.isPrimitive() : boxed.isInstance(value);
    }

    /** An {@code int} as what it stands for, elements as an array. */
    Object as(Object value) {
      if (value instanceof Integer number) {
        if (boxed == Integer.class) {
          return number;
        } else if (boxed == Boolean.class) {
          return number != 0;
        } else if (boxed == Character.class) {
          return (char) number.intValue();
        } else if (boxed == Byte.class) {
          return number.byteValue();
        } else if (boxed == Short.class) {
          return number.shortValue();
        }
      }
      boolean isArray = type == Object[].class && value instanceof Values.Elements;
      return isArray ? ((Values.Elements) value).values().toArray() : value;
    }
  }

  private Callee(Method method) {
    this.method = method;
    method.trySetAccessible(); // It is public, and need not be asked each time who calls it.
    this.isStatic = Modifier.isStatic(method.getModifiers());
    this.target = Parameter.of(method.getDeclaringClass());
    this.parameters =
        Arrays.stream(method.getParameterTypes()).map(Parameter::of).toArray(Parameter[]::new);
  }

  /**
   * Looks for a public method.
   *
   * @param method {@code java/lang/String.isEmpty()Z}
   */
  static Optional<Callee> of(String method) {
    int open = method.indexOf('(');
    int dot = method.lastIndexOf('.', open);
    String name = method.substring(dot + 1, open);
    String owner = method.substring(0, dot);
    if (!Platform.isPure(owner, name)) {
      return Optional.empty();
    }
    try {
      MethodType type = MethodType.fromMethodDescriptorString(method.substring(open), null);
      Class<?> declaring = Class.forName(owner.replace('/', '.'));
      return Optional.of(new Callee(declaring.getMethod(name, type.parameterArray())));
    } catch (ReflectiveOperationException | TypeNotPresentException e) {
      return Optional.empty();
    }
  }

  /** What {@link Platform#call} gives. */
  Object call(List<Object> values) {
    Object object = isStatic ? null : target.as(values.get(0));
    if (!isStatic && object == null) {
      return new Values.Thrown("java/lang/NullPointerException");
    }
    if (!isStatic && !target.takes(object)) {
      return Values.UNDECIDED;
    }
    Object[] arguments = new Object[parameters.length];
    for (int i = 0; i < parameters.length; i++) {
      arguments[i] = parameters[i].as(values.get(isStatic ? i : i + 1));
      if (!parameters[i].takes(arguments[i])) {
        return Values.UNDECIDED;
      }
    }
    try {
      return Values.computed(method.invoke(object, arguments));
    } catch (InvocationTargetException e) {
      return new Values.Thrown(e.getCause().getClass().getName().replace('.', '/'));
    } catch (IllegalAccessException | IllegalArgumentException e) {
      return Values.UNDECIDED;
    }
  }
}
