package atalaya.java.checks;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.ClassReader;

/**
 * Finds tests that check nothing, as far as their bytecode tells: no assertion, no verification of
 * a double, no expected exception, nothing thrown when something is wrong, neither in the test nor
 * in a method of the test classes that it calls.
 */
public final class Checks {
  private final Map<String, TestCode> classes = new HashMap<>();

  private Checks() {}

  /** Reads test classes. What can't be read is left out, so that nothing is said of it. */
  public static Checks in(Collection<byte[]> testClasses) {
    Checks checks = new Checks();
    for (byte[] bytes : testClasses) {
      TestCode code = new TestCode();
      try {
        new ClassReader(bytes).accept(code, ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
      } catch (RuntimeException e) {
        continue; // A class file of an unknown version or a damaged one: its tests are not judged.
      }
      checks.classes.put(code.name, code);
    }
    return checks;
  }

  /** Whether a test was read, and no check was found. */
  public boolean noneFound(TestPlace test) {
    String type = test.className().replace('.', '/');
    Set<String> found = new HashSet<>();
    for (TestCode code = classes.get(type); code != null; code = classes.get(code.superName)) {
      for (Map.Entry<String, TestCode.Code> method : code.methods.entrySet()) {
        if (method.getValue().runsAfterTests && checks(code.name + "#" + method.getKey())) {
          return false;
        }
        if (found.isEmpty() && method.getKey().startsWith(test.method() + "(")) {
          found.add(code.name + "#" + method.getKey());
        }
      }
    }
    return !found.isEmpty() && found.stream().noneMatch(this::checks);
  }

  private boolean checks(String start) {
    Deque<String> waiting = new ArrayDeque<>(Set.of(start));
    Set<String> seen = new HashSet<>(waiting);
    while (!waiting.isEmpty()) {
      TestCode.Code code = code(waiting.pop());
      if (code == null) {
        continue;
      }
      if (code.checks) {
        return true;
      }
      code.calls.stream().filter(seen::add).forEach(waiting::push);
    }
    return false;
  }

  /** The method that answers, of the named class or one above it; null when it is none of ours. */
  private TestCode.Code code(String method) {
    int split = method.indexOf('#');
    String name = method.substring(split + 1);
    TestCode type = classes.get(method.substring(0, split));
    while (type != null && !type.methods.containsKey(name)) {
      type = classes.get(type.superName);
    }
    return type == null ? null : type.methods.get(name);
  }
}
