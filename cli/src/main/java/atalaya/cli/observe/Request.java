package atalaya.cli.observe;

import atalaya.core.run.Detail;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import java.io.IOException;
import java.io.Reader;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;

/**
 * What is to be observed. It is kept in the folder of the observation, so that whoever comes later
 * can make a run of what is there.
 *
 * @param command empty when somebody else starts the program
 * @param ownCommand whether the command is the project's usual one, not one that was typed
 * @param directory the working folder of the command
 */
public record Request(
    Project project,
    List<ProjectModule> modules,
    List<String> command,
    boolean ownCommand,
    Path directory,
    String name,
    List<String> only,
    List<String> leaveOut,
    Optional<String> tests,
    Detail detail,
    Instant started) {
  private static final String FILE = "request.properties";
  private static final String ENDED = "ended.properties";

  /** How the command ended. */
  record Ended(int exitCode, long milliseconds) {}

  void write(Path folder) throws IOException {
    Properties values = new Properties();
    values.setProperty("project", project.root().toString());
    values.setProperty("directory", directory.toString());
    values.setProperty("name", name);
    values.setProperty("own", String.valueOf(ownCommand));
    values.setProperty("started", String.valueOf(started.toEpochMilli()));
    values.setProperty("detail", detail.label());
    tests.ifPresent(pattern -> values.setProperty("tests", pattern));
    put(values, "command", command);
    put(values, "only", only);
    put(values, "leave-out", leaveOut);
    put(values, "module", modules.stream().map(ProjectModule::name).toList());
    for (int i = 0; i < modules.size(); i++) {
      put(values, "classes." + i, texts(modules.get(i).classes()));
      put(values, "test-classes." + i, texts(modules.get(i).testClasses()));
      put(values, "sources." + i, texts(modules.get(i).sources()));
    }
    store(values, folder.resolve(FILE));
  }

  /**
   * What was to be observed in a folder.
   *
   * @throws NoSuchFileException when the folder is none of an observation
   */
  static Request read(Path folder) throws IOException {
    Properties values = load(folder.resolve(FILE));
    List<ProjectModule> modules = new ArrayList<>();
    for (String module : list(values, "module")) {
      int i = modules.size();
      modules.add(
          new ProjectModule(
              module,
              paths(values, "classes." + i),
              paths(values, "test-classes." + i),
              paths(values, "sources." + i)));
    }
    try {
      return new Request(
          Project.at(Path.of(value(values, "project"))),
          modules,
          list(values, "command"),
          Boolean.parseBoolean(value(values, "own")),
          Path.of(value(values, "directory")),
          value(values, "name"),
          list(values, "only"),
          list(values, "leave-out"),
          Optional.ofNullable(values.getProperty("tests")),
          Detail.of(value(values, "detail")),
          Instant.ofEpochMilli(Long.parseLong(value(values, "started"))));
    } catch (IllegalArgumentException e) {
      throw new IOException(folder.resolve(FILE) + " is damaged: " + e.getMessage(), e);
    }
  }

  static void writeEnded(Path folder, Ended ended) throws IOException {
    Properties values = new Properties();
    values.setProperty("exit-code", String.valueOf(ended.exitCode()));
    values.setProperty("milliseconds", String.valueOf(ended.milliseconds()));
    store(values, folder.resolve(ENDED));
  }

  /** How the command ended; empty when nobody saw it. */
  static Optional<Ended> readEnded(Path folder) throws IOException {
    if (!Files.exists(folder.resolve(ENDED))) {
      return Optional.empty();
    }
    Properties values = load(folder.resolve(ENDED));
    try {
      return Optional.of(
          new Ended(
              Integer.parseInt(value(values, "exit-code")),
              Long.parseLong(value(values, "milliseconds"))));
    } catch (IllegalArgumentException e) {
      throw new IOException(folder.resolve(ENDED) + " is damaged: " + e.getMessage(), e);
    }
  }

  private static void store(Properties values, Path file) throws IOException {
    try (Writer to = Files.newBufferedWriter(file)) {
      values.store(to, null);
    }
  }

  private static Properties load(Path file) throws IOException {
    Properties values = new Properties();
    try (Reader from = Files.newBufferedReader(file)) {
      values.load(from);
    }
    return values;
  }

  private static String value(Properties values, String key) {
    String value = values.getProperty(key);
    if (value == null) {
      throw new IllegalArgumentException("it lacks \"" + key + "\"");
    }
    return value;
  }

  private static void put(Properties values, String key, List<String> list) {
    for (int i = 0; i < list.size(); i++) {
      values.setProperty(key + "[" + i + "]", list.get(i));
    }
  }

  private static List<String> list(Properties values, String key) {
    List<String> list = new ArrayList<>();
    for (String value = values.getProperty(key + "[0]"); value != null; ) {
      list.add(value);
      value = values.getProperty(key + "[" + list.size() + "]");
    }
    return list;
  }

  private static List<String> texts(List<Path> paths) {
    return paths.stream().map(Path::toString).toList();
  }

  private static List<Path> paths(Properties values, String key) {
    return list(values, key).stream().map(Path::of).toList();
  }
}
