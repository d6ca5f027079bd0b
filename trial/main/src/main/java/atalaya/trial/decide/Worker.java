package atalaya.trial.decide;

import atalaya.worker.Channel;
import java.io.DataInputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** A JVM that runs tests for us, and the two channels to it. */
final class Worker implements AutoCloseable {
  private static final long POLL_MILLIS = 1;
  private static final String VARIABLE = "JAVA_TOOL_OPTIONS";

  private final Process process;
  private final Path folder;
  private final Channel orders;
  private final Channel answers;

  private Worker(Process process, Path folder, Channel orders, Channel answers) {
    this.process = process;
    this.folder = folder;
    this.orders = orders;
    this.answers = answers;
  }

  /**
   * Starts one.
   *
   * @param kit the jars it needs
   * @param scratch an existing folder
   */
  static Worker start(JvmSetup setup, WorkerKit kit, Path scratch, PlantedFolder planted)
      throws IOException {
    Path folder = Files.createTempDirectory(scratch, "worker");
    List<String> command = new ArrayList<>();
    command.add(setup.java().toString());
    command.addAll(setup.options());
    command.add("-Xbootclasspath/a:" + kit.boot());
    command.add("-javaagent:" + kit.worker() + "=" + planted.path());
    command.add("-cp");
    command.add(String.join(File.pathSeparator, setup.classPath()));
    command.add("atalaya.worker.Main");
    command.add(folder.toString());
    ProcessBuilder builder =
        new ProcessBuilder(command)
            .directory(setup.directory().toFile())
            .redirectOutput(folder.resolve("output").toFile())
            .redirectErrorStream(true);
    builder.environment().putAll(setup.environment());
    builder.environment().computeIfPresent(VARIABLE, (v, was) -> withoutOurs(was));
    Channel orders = Channel.open(folder.resolve("orders").toFile());
    Channel answers = Channel.open(folder.resolve("answers").toFile());
    Worker worker = new Worker(builder.start(), folder, orders, answers);
    worker.send(
        atalaya.worker.Message.PROPERTIES,
        to -> {
          to.writeInt(setup.properties().size());
          for (Map.Entry<String, String> property : setup.properties().entrySet()) {
            Channel.writeText(to, property.getKey());
            Channel.writeText(to, property.getValue());
          }
        });
    return worker;
  }

  private static String withoutOurs(String options) {
    return options.contains("atalaya-agent") ? null : options;
  }

  void send(int type, Channel.Body body) throws IOException {
    orders.send(type, body);
  }

  /**
   * The next answer, its type first; null when the worker has ended and said all.
   *
   * @param longest how many nanoseconds it may take; then the worker is ended
   */
  DataInputStream answer(long longest) throws IOException, InterruptedException {
    long until = System.nanoTime() + longest;
    while (true) {
      boolean alive = process.isAlive();
      DataInputStream answer = answers.poll();
      if (answer != null) {
        return answer;
      }
      if (!alive) {
        return null;
      }
      if (System.nanoTime() > until) {
        process.destroyForcibly().waitFor();
        return answers.poll();
      }
      Thread.sleep(POLL_MILLIS);
    }
  }

  /** How it ended. */
  int exitCode() throws InterruptedException {
    return process.waitFor();
  }

  /** The last lines it printed. */
  String output() throws IOException {
    List<String> lines =
        new String(
                Files.readAllBytes(folder.resolve("output")),
                java.nio.charset.StandardCharsets.UTF_8)
            .lines()
            .filter(line -> !line.startsWith("OpenJDK 64-Bit Server VM warning: Sharing"))
            .toList();
    return String.join("; ", lines.subList(Math.max(0, lines.size() - 3), lines.size()));
  }

  @Override
  public void close() throws IOException {
    process.destroyForcibly();
    try {
      process.waitFor(10, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    orders.close();
    answers.close();
    for (String file : List.of("orders", "answers", "output")) {
      Files.deleteIfExists(folder.resolve(file));
    }
    Files.deleteIfExists(folder);
  }
}
