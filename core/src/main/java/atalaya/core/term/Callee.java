package atalaya.core.term;

import java.lang.invoke.MethodType;
import java.lang.reflect.Constructor;
import java.lang.reflect.Executable;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** A method of the platform, ready to be called with values as {@link Values} computes them. */
final class Callee {
  private final Executable code;
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

  private Callee(Executable code) {
    this.code = code;
    code.trySetAccessible(); // It is public, and need not be asked each time who calls it.
    this.isStatic = code instanceof Constructor || Modifier.isStatic(code.getModifiers());
    this.target = Parameter.of(code.getDeclaringClass());
    this.parameters =
        Arrays.stream(code.getParameterTypes()).map(Parameter::of).toArray(Parameter[]::new);
  }

  /**
   * Looks for a public method or constructor.
   *
   * @param method {@code java/lang/String.isEmpty()Z}
   */
  static Optional<Callee> of(String method) {
    int open = method.indexOf('(');
    int dot = method.lastIndexOf('.', open);
    String name = method.substring(dot + 1, open);
    String owner = method.substring(0, dot);
    if (!Platform.isPure(owner, name) && !Platform.takesText(method)) {
      return Optional.empty();
    }
    try {
      MethodType type = MethodType.fromMethodDescriptorString(method.substring(open), null);
      Class<?> declaring = Class.forName(owner.replace('/', '.'));
      return Optional.of(
          new Callee(
              name.equals("<init>")
                  ? declaring.getConstructor(type.parameterArray())
                  : declaring.getMethod(name, type.parameterArray())));
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
      return Values.computed(called(object, arguments));
    } catch (InvocationTargetException e) {
      return new Values.Thrown(e.getCause().getClass().getName().replace('.', '/'));
    } catch (ReflectiveOperationException | IllegalArgumentException e) {
      return Values.UNDECIDED;
    }
  }

  private Object called(Object object, Object[] arguments) throws ReflectiveOperationException {
    return code instanceof Method method
        ? method.invoke(object, arguments)
        : ((Constructor<?>) code).newInstance(arguments);
  }
}
