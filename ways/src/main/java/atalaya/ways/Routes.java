package atalaya.ways;

import atalaya.ways.code.ClassCode;
import atalaya.ways.code.CodeBase;
import atalaya.ways.code.CodeBase.Ref;
import atalaya.ways.code.MethodCode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.tree.MethodInsnNode;

/** From where a test can come to a method that it can't call itself. */
final class Routes {
  /** Longer ones are not gone: a test that has to come through more is a test of something else. */
  private static final int MOST_CALLERS = 10;

  private static final int MOST_OTHER_SITES = 3;

  private final CodeBase base;
  private final Predicate<Ref> startsATest;

  Routes(CodeBase base, Predicate<Ref> startsATest) {
    this.base = base;
    this.startsATest = startsATest;
  }

  /**
   * How a test comes to a method.
   *
   * @param methods from one that a test can call to it; from one that it can't where none was found
   * @param areAll whether there are no others that were not looked at
   */
  record Route(List<Ref> methods, boolean areAll) {}

  /** The methods from one that a test can call to this one. */
  Route to(Ref method) {
    if (!isHidden(method)) {
      return new Route(List.of(method), true);
    }
    boolean areAll = true;
    List<List<Ref>> waiting = new ArrayList<>(List.of(List.of(method)));
    Set<Ref> seen = new HashSet<>(Set.of(method));
    List<Ref> unreached = List.of(method);
    for (int i = 0; i < waiting.size(); i++) {
      List<Ref> known = waiting.get(i);
      if (known.size() > MOST_CALLERS) {
        areAll = false;
        break;
      }
      for (Ref caller : base.callers(known.get(0))) {
        if (seen.add(caller)) {
          List<Ref> longer = new ArrayList<>(List.of(caller));
          longer.addAll(known);
          boolean isOpen = !isHidden(caller);
          if (isOpen && startsATest.test(caller)) {
            return new Route(longer, areAll);
          }
          unreached = isOpen && unreached.size() == 1 ? longer : unreached;
          waiting.add(longer);
        }
      }
    }
    return new Route(unreached, areAll);
  }

  /** Whether a test can't call a method itself, for what it is or for the class it makes one of. */
  boolean isHidden(Ref method) {
    boolean isInner = (base.access(method) & (Opcodes.ACC_PRIVATE | Opcodes.ACC_SYNTHETIC)) != 0;
    return isInner
        || method.name().equals("<init>")
            && base.code(method.type()).filter(ClassCode::isHidden).isPresent();
  }

  /**
   * Where each method of a route calls the next: where each does first, then at up to three other
   * places, one at a time; nothing when one does not.
   */
  List<List<Integer>> sites(List<Ref> route) {
    List<List<Integer>> all = new ArrayList<>();
    for (int i = 0; i + 1 < route.size(); i++) {
      Ref next = route.get(i + 1);
      all.add(base.code(route.get(i)).map(caller -> sites(caller, next)).orElse(List.of()));
    }
    if (all.stream().anyMatch(List::isEmpty)) {
      return List.of();
    }
    List<Integer> first = all.stream().map(sites -> sites.get(0)).toList();
    List<List<Integer>> found = new ArrayList<>(List.of(first));
    for (int i = 0; i < all.size(); i++) {
      for (int other : all.get(i).subList(1, all.get(i).size())) {
        if (found.size() <= MOST_OTHER_SITES) {
          List<Integer> otherwise = new ArrayList<>(first);
          otherwise.set(i, other);
          found.add(otherwise);
        }
      }
    }
    return found;
  }

  private List<Integer> sites(MethodCode caller, Ref called) {
    return IntStream.range(0, caller.size())
        .filter(
            i ->
                caller.at(i) instanceof MethodInsnNode call
                    && base.declaring(new Ref(call.owner, call.name + call.desc))
                        .equals(Optional.of(called)))
        .boxed()
        .toList();
  }
}
