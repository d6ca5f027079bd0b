package atalaya.cli.command;

import atalaya.cli.Console;
import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.cli.Version;
import atalaya.cli.again.Judgement;
import atalaya.cli.observe.Freshness;
import atalaya.cli.render.Head;
import atalaya.core.code.ClassState;
import atalaya.core.decide.Judged;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.naming.Target;
import atalaya.core.run.RunInfo;
import atalaya.launch.project.NoProject;
import atalaya.launch.project.Project;
import atalaya.store.runfile.RunFile;
import atalaya.store.runfile.RunFolder;
import atalaya.store.runfile.UnreadableRun;
import atalaya.store.table.JsonWriter;
import atalaya.store.yaml.Configuration;
import atalaya.store.yaml.DecisionsFile;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import picocli.CommandLine.Option;

/** A command that reads one run and prints something of it. */
abstract class ReadingCommand extends BaseCommand {
  @Option(
      names = "--run",
      paramLabel = "NAME-OR-FILE",
      description = "The run to read (default: the newest).")
  private String run;

  @Option(
      names = "--format",
      paramLabel = "FORMAT",
      converter = Format.Converter.class,
      description = "text, json, csv or md, as far as they fit.")
  private Format format;

  @Option(names = "--out", paramLabel = "FILE", description = "Print into this file.")
  private Path out;

  private Judgement judgement;

  /** Which classes changed since, by run file: looked up while the run is read. */
  private final Map<Path, CompletableFuture<Optional<List<String>>>> changed = new HashMap<>();

  private Judged judged;

  ReadingCommand(Console console) {
    super(console);
  }

  Format format(Format usual) {
    return format == null ? usual : format;
  }

  boolean printsToFile() {
    return out != null;
  }

  /** The file to print to. */
  Path outFile() {
    return console().directory().resolve(out);
  }

  /** A run by its name or file, open. */
  RunFile open(String nameOrFile) throws IOException {
    return nameOrFile.contains("/") || nameOrFile.endsWith(".run")
        ? RunFile.open(console().directory().resolve(nameOrFile))
        : RunFile.open(runs().file(nameOrFile));
  }

  /** The runs of the project, what an earlier command left behind among them. */
  RunFolder runs() throws IOException {
    Project project = project();
    recover(project);
    return new RunFolder(project.home().resolve("runs"));
  }

  /** The run that was asked for, open. */
  RunFile openRun() throws IOException {
    RunFile file = chosenRun();
    changed.put(
        file.path(),
        CompletableFuture.supplyAsync(
            () -> {
              try (RunFile own = RunFile.open(file.path())) {
                return changedNow(own);
              }
            }));
    return file;
  }

  private RunFile chosenRun() throws IOException {
    if (run != null) {
      return open(run);
    }
    Path newest =
        runs()
            .newest()
            .orElseThrow(
                () ->
                    new Failure(
                        ExitCode.INPUT,
                        "no run of " + project().root() + " yet; make one with: atalaya observe"));
    return RunFile.open(newest);
  }

  /** The last run before one that is like it, else the last one before it, open. */
  RunFile runBefore(RunFile after) throws IOException {
    RunInfo now = after.info();
    Optional<Path> last = Optional.empty();
    for (Path file : new RunFolder(project().home().resolve("runs")).newestFirst()) {
      RunInfo info;
      try (RunFile run = RunFile.open(file)) {
        info = run.info();
      } catch (UnreadableRun e) {
        // A damaged run is nothing to compare with; atalaya runs shows it as damaged.
        continue;
      }
      boolean earlier = info.started().isBefore(now.started());
      if (earlier && info.isLike(now)) {
        return RunFile.open(file);
      }
      last = last.isEmpty() && earlier ? Optional.of(file) : last;
    }
    return RunFile.open(
        last.orElseThrow(
            () ->
                new Failure(
                    ExitCode.INPUT,
                    "there is no run before " + now.name() + " to compare with; observe again")));
  }

  Head head(RunFile file) throws IOException {
    if (judged == null && judgement(file).accepts()) {
      judged = judgement(file).without(file.methods());
    }
    return new Head(
        file.info(),
        console().clock().instant(),
        file.countTests(),
        file.failedTests(),
        file.classes(ClassState.LEFT_OUT).size(),
        file.leftOut(),
        judged == null ? Judged.Accepted.NONE : judged.accepted(),
        changedClasses(file));
  }

  /** What the team decided, against a run; nothing where the project is not here. */
  Judgement judgement(RunFile run) throws IOException {
    if (judgement == null) {
      judgement = Judgement.none();
      if (!new DecisionsFile(root()).read().isEmpty()) {
        LocalDate today = LocalDate.ofInstant(console().clock().instant(), ZoneId.systemDefault());
        judgement = Judgement.of(run, new DecisionsFile(root()).read().values(), today);
      }
    }
    return judgement;
  }

  /** The methods of a run that count, without what was accepted. */
  List<MethodFigures> methods(RunFile run) throws IOException {
    judged = judgement(run).without(run.methods());
    return judged.methods();
  }

  /** The methods that a target names; what was accepted is still in them. */
  static List<MethodFigures> named(RunFile run, Target target) {
    List<MethodFigures> possible = run.methods(target::mayMean);
    return target.in(possible.isEmpty() ? run.methods() : possible);
  }

  /** All classes of a run, without what was accepted. */
  List<ClassSummary> classes(RunFile run) throws IOException {
    List<ClassSummary> classes = run.allClasses();
    List<MethodFigures> all = classes.stream().flatMap(c -> c.methods().stream()).toList();
    judged = judgement(run).without(all);
    if (judged.accepted().decisions() == 0) {
      return classes;
    }
    Map<String, List<MethodFigures>> left = new HashMap<>();
    judged
        .methods()
        .forEach(m -> left.computeIfAbsent(m.className(), c -> new ArrayList<>()).add(m));
    return classes.stream()
        .map(c -> c.with(left.getOrDefault(c.name(), List.of())))
        .filter(c -> !c.methods().isEmpty())
        .toList();
  }

  /** The project's configuration; the usual one where the project is not here. */
  Configuration configuration() throws IOException {
    return Configuration.of(root());
  }

  private Path root() {
    try {
      return project().root();
    } catch (NoProject e) {
      return console().directory();
    }
  }

  /** Where Atalaya keeps what it has of the project; empty where the project is not here. */
  Optional<Path> projectHome() {
    try {
      return Optional.of(project().home());
    } catch (NoProject e) {
      return Optional.empty();
    }
  }

  private Optional<List<String>> changedClasses(RunFile file) {
    CompletableFuture<Optional<List<String>>> begun = changed.get(file.path());
    try {
      return begun == null ? changedNow(file) : begun.join();
    } catch (CompletionException e) {
      throw e.getCause() instanceof UnreadableRun cause ? cause : e;
    }
  }

  private Optional<List<String>> changedNow(RunFile file) {
    try {
      return Freshness.changedClasses(file.stamps(), project());
    } catch (NoProject e) {
      return Optional.empty();
    }
  }

  /** Something that prints. */
  interface Printing {
    void to(PrintWriter out) throws IOException;
  }

  /** Prints to where it was asked to. */
  void print(Printing printing) throws IOException {
    if (out == null) {
      printing.to(console().out());
      console().out().flush();
      return;
    }
    Path file = console().directory().resolve(out);
    Path unfinished = file.resolveSibling(file.getFileName() + ".unfinished");
    try {
      try (PrintWriter writer = new PrintWriter(Files.newBufferedWriter(unfinished))) {
        printing.to(writer);
        if (writer.checkError()) {
          throw new IOException("the disk may be full");
        }
      }
      Files.move(unfinished, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new Failure(
          ExitCode.INPUT, "can't write " + file + ": " + e.getClass().getSimpleName(), e);
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }

  /** Writes a JSON document: what every one begins with, then its own things. */
  static void json(String command, RunInfo info, Map<String, ?> things, Writer to)
      throws IOException {
    Map<String, Object> object = new LinkedHashMap<>();
    object.put("atalaya", tool(command));
    object.put("run", about(info));
    object.putAll(things);
    JsonWriter.write(object, to);
  }

  static Map<String, Object> tool(String command) {
    Map<String, Object> tool = new LinkedHashMap<>();
    tool.put("version", Version.TEXT);
    tool.put("format", 1);
    tool.put("command", command);
    return tool;
  }

  private static Map<String, Object> about(RunInfo info) {
    Map<String, Object> about = new LinkedHashMap<>();
    about.put("name", info.name());
    about.put("id", info.id());
    about.put("project", info.project());
    about.put("started", info.started().toString());
    about.put("milliseconds", info.milliseconds());
    about.put("command", info.command());
    about.put("exitCode", info.exitCode());
    about.put("jdk", info.jdk());
    about.put("only", info.only());
    about.put("leaveOut", info.leaveOut());
    about.put("tests", info.tests().orElse(null));
    about.put("complete", info.complete());
    return about;
  }
}
