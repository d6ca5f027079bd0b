package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.Path;
import atalaya.ways.course.NotFollowed;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.objectweb.asm.Handle;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.InvokeDynamicInsnNode;
import org.objectweb.asm.tree.MethodInsnNode;

/** The lambdas and references to methods that the code itself makes: what calls of them give. */
final class Functions {
  private static final Map<Integer, Integer> OPCODES =
      Map.of(
          Opcodes.H_INVOKESTATIC, Opcodes.INVOKESTATIC,
          Opcodes.H_INVOKEVIRTUAL, Opcodes.INVOKEVIRTUAL,
          Opcodes.H_INVOKEINTERFACE, Opcodes.INVOKEINTERFACE,
          Opcodes.H_INVOKESPECIAL, Opcodes.INVOKESPECIAL,
          Opcodes.H_NEWINVOKESPECIAL, Opcodes.INVOKESPECIAL);

  private final Walker walker;
  private final Map<Term, Function> made = new HashMap<>();

  /**
   * How control is to go through those that nothing called by now, in the order of their making.
   */
  private final Map<Term, Path> planned = new LinkedHashMap<>();

  /** Those that were called only to see what may come of it: it is not known how they were gone. */
  private final Set<Term> asked = new HashSet<>();

  Functions(Walker walker) {
    this.walker = walker;
  }

  /**
   * One that was made.
   *
   * @param name of the method by which it is called
   * @param type of that method, as those know it who made the function
   * @param does what it does
   * @param captured what it takes from where it was made
   */
  private record Function(String name, Type type, Handle does, List<Term> captured) {
    static Optional<Function> of(InvokeDynamicInsnNode making, List<Term> captured) {
      Object[] all = making.bsmArgs;
      boolean isFunction =
          making.bsm.getOwner().equals("java/lang/invoke/LambdaMetafactory")
              && all.length >= 3
              && all[1] instanceof Handle
              && all[2] instanceof Type;
      return isFunction
          ? Optional.of(new Function(making.name, (Type) all[2], (Handle) all[1], captured))
          : Optional.empty();
    }

    boolean isCalledBy(Call call) {
      return call.name().equals(name)
          && !call.isStatic()
          && call.given().size() == type.getArgumentTypes().length;
    }

    /** What its body takes for what it is given. */
    List<Term> taken(List<Term> given, TypeTests types) {
      List<Term> taken = new ArrayList<>();
      Type[] as = type.getArgumentTypes();
      for (int i = 0; i < as.length; i++) {
        boolean isObject = as[i].getSort() == Type.OBJECT;
        taken.add(isObject ? types.narrowed(given.get(i), as[i].getInternalName()) : given.get(i));
      }
      return taken;
    }

    MethodInsnNode body() {
      return new MethodInsnNode(
          OPCODES.get(does.getTag()),
          does.getOwner(),
          does.getName(),
          does.getDesc(),
          does.isInterface());
    }
  }

  /** Code makes one. */
  void isMade(Term object, InvokeDynamicInsnNode making, List<Term> captured) {
    Function.of(making, captured)
        .filter(function -> OPCODES.containsKey(function.does().getTag()))
        .ifPresent(function -> made.put(object, function));
  }

  /** The way goes through one so, wherever it is called. */
  void goes(Term object, Path path) {
    if (made.containsKey(object)) {
      planned.put(object, path);
    }
  }

  /** The method that does what a function does; empty where it is not known to be one. */
  Optional<Ref> body(Term object) {
    return Optional.ofNullable(made.get(object))
        .map(Function::does)
        .map(does -> new Ref(does.getOwner(), does.getName() + does.getDesc()));
  }

  /** What a call of one gives, by what its body gives. */
  Optional<Term> call(Call call, Calls calls) {
    Function function = call.isStatic() ? null : made.get(call.object());
    if (function == null || !function.isCalledBy(call)) {
      return Optional.empty();
    }
    List<Term> given = function.taken(call.given(), walker.types);
    if (walker.isApart()) {
      asked.add(call.object());
    }
    Path path = walker.isApart() ? null : planned.remove(call.object());
    return Optional.of(
        path == null ? called(function, given, calls) : gone(call, function, given, path));
  }

  private Term called(Function function, List<Term> given, Calls calls) {
    MethodInsnNode body = function.body();
    List<Term> arguments = new ArrayList<>();
    boolean makes = body.name.equals("<init>");
    if (makes) {
      arguments.add(walker.newObject(Type.getObjectType(body.owner).getDescriptor()));
    }
    arguments.addAll(function.captured());
    arguments.addAll(given);
    Term result = calls.call(new Call(body, arguments));
    return makes ? arguments.get(0) : result;
  }

  /** What it gives where control goes through it as planned. */
  private Term gone(Call call, Function function, List<Term> given, Path path) {
    List<Term> arguments = new ArrayList<>(function.captured());
    arguments.addAll(given);
    State before = walker.state.fork();
    try {
      Walker.End end = walker.run(path, arguments, Walker.Route.NONE);
      if (!end.thrown().isEmpty()) {
        walker.throwing(end.thrown());
      }
      return end.result() == null ? walker.results.of(call) : end.result();
    } catch (NotFollowed e) {
      walker.state.restoreFields(before);
      return walker.results.of(call);
    }
  }

  /**
   * Those that are to be gone through, and that only others call: with whatever these have. What
   * the code itself calls with something else is not taken for gone through.
   */
  void callOthers() throws NotFollowed {
    walker.depth++; // It is no part of the route.
    for (Map.Entry<Term, Path> other : List.copyOf(planned.entrySet())) {
      Path path = other.getValue();
      List<Term> arguments = new ArrayList<>(made.get(other.getKey()).captured());
      List<Term.Input> all = path.code().elements();
      int count = arguments.size() - (path.code().isStatic() ? 0 : 1);
      List<Term.Input> given = all.subList(count, all.size());
      arguments.addAll(given);
      if (given.isEmpty() || !asked.contains(other.getKey())) {
        walker.run(path, arguments, Walker.Route.NONE);
      }
    }
    walker.depth--;
  }
}
