package atalaya.agent;

import java.lang.instrument.Instrumentation;

/**
 * Where the JVM starts the agent. This class must load before the classes of the boot class path
 * are there, so it knows none of them.
 */
public final class Premain {
  private static boolean isStarted;

  private Premain() {}

  /**
   * Called by the JVM before the program's {@code main}. Whatever goes wrong here must not disturb
   * the program: it then runs unobserved, and Atalaya says that nothing was observed.
   *
   * @param options the path of the file that {@link atalaya.points.AgentOptions} describes
   */
  public static void premain(String options, Instrumentation instrumentation) {
    if (isStarted) {
      return; // The program gave its own options to a JVM that had them already.
    }
    isStarted = true;
    try {
      BootClasses.define(instrumentation);
      Agent.start(options, instrumentation);
    } catch (java.io.IOException | RuntimeException | LinkageError e) {
      System.err.println("atalaya: this JVM is not observed: " + e);
    }
  }
}
