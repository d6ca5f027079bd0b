package atalaya.agent;

import atalaya.points.AgentOptions;
import java.io.File;
import java.lang.instrument.Instrumentation;

/** Where the JVM starts the agent. */
public final class Premain {
  private Premain() {}

  /**
   * Called by the JVM before the program's {@code main}. Whatever goes wrong here must not disturb
   * the program: it then runs unobserved, and Atalaya says that nothing was observed.
   *
   * @param options the path of the file that {@link AgentOptions} describes
   */
  public static void premain(String options, Instrumentation instrumentation) {
    try {
      AgentOptions to = AgentOptions.read(new File(options));
      Recorder recorder = new Recorder(to.parts);
      instrumentation.addTransformer(new Observer(to, recorder));
      atalaya.boot.Tests.listener = new TestClock(recorder);
    } catch (java.io.IOException | RuntimeException e) {
      System.err.println("atalaya: this JVM is not observed: " + e);
    }
  }
}
