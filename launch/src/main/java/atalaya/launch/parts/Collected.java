package atalaya.launch.parts;

import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.Test;
import atalaya.core.run.UncaughtException;
import atalaya.points.Jvm;
import java.util.List;
import java.util.Map;

/**
 * What all observed JVMs of a run wrote.
 *
 * @param tests in the order in which they began
 * @param reach of every class that was loaded, also when nothing in it was reached
 * @param complete whether every JVM ended in order
 */
public record Collected(
    List<Jvm> jvms,
    List<Test> tests,
    Map<ClassVersion, ClassReach> reach,
    List<NotObserved> problems,
    List<UncaughtException> uncaught,
    boolean complete) {
  public Collected {
    jvms = List.copyOf(jvms);
    tests = List.copyOf(tests);
    reach = Map.copyOf(reach);
    problems = List.copyOf(problems);
    uncaught = List.copyOf(uncaught);
  }
}
