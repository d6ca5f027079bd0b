package atalaya.agent;

import atalaya.boot.Tests;
import atalaya.points.AgentOptions;
import java.io.File;
import java.io.IOException;
import java.lang.instrument.Instrumentation;

/** Wires the agent's parts. */
final class Agent {
  private Agent() {}

  static void start(String options, Instrumentation instrumentation) throws IOException {
    AgentOptions to = AgentOptions.read(new File(options));
    Recorder recorder =
        new Recorder(
            to.parts,
            to.detail == AgentOptions.Detail.HITS,
            to.environment,
            () -> JdkHooks.install(instrumentation));
    instrumentation.addTransformer(new Observer(to, recorder));
    Tests.listener = new TestClock(recorder);
  }
}
