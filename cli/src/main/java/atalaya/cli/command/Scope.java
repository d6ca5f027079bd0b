package atalaya.cli.command;

import atalaya.cli.ExitCode;
import atalaya.cli.Failure;
import atalaya.core.leave.Nature;
import atalaya.core.naming.PathPatterns;
import atalaya.core.run.Detail;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import atalaya.store.yaml.Configuration;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** The options that say what is observed. */
final class Scope {
  @Option(
      names = "--classes",
      paramLabel = "DIR-OR-JAR",
      split = ",",
      description = "Where the classes to observe are (default: of every module of the build).")
  private List<Path> classes = new ArrayList<>();

  @Option(
      names = "--sources",
      paramLabel = "DIR",
      split = ",",
      description = "Where their sources are (default: of every module of the build).")
  private List<Path> sources = new ArrayList<>();

  @Option(
      names = "--only",
      paramLabel = "GLOB",
      description = "Leave out all code but this; source paths from the project's root.")
  private List<String> only = new ArrayList<>();

  @Option(
      names = "--leave-out",
      paramLabel = "GLOB",
      description = {
        "Leave out this code; it is counted apart. nature:generated, nature:accessors,",
        "nature:logging and nature:throwing (statements that only throw) name code by what it is."
      })
  private List<String> leaveOut = new ArrayList<>();

  /** The values of {@code --grain}. */
  enum Grain {
    LINES,
    METHODS
  }

  /** Takes the values of {@code --grain}. */
  static final class GrainConverter extends LowerCase<Grain> {
    GrainConverter() {
      super(Grain.class);
    }
  }

  @Option(names = "--hits", description = "Count how often each line was executed.")
  private boolean hits;

  @Option(
      names = "--grain",
      paramLabel = "G",
      defaultValue = "lines",
      converter = GrainConverter.class,
      description = "lines, or methods: only which were entered, for slow programs.")
  private Grain grain;

  @Spec(Spec.Target.MIXEE)
  private CommandSpec spec;

  /** What is observed of each class. */
  Detail detail() {
    if (hits && grain == Grain.METHODS) {
      throw new ParameterException(
          spec.commandLine(), "--hits counts lines; it does not go with --grain methods");
    }
    return hits ? Detail.HITS : grain == Grain.METHODS ? Detail.METHODS : Detail.LINES;
  }

  /** The option's patterns, else the project's. */
  List<String> only(Configuration configuration) {
    return only.isEmpty() ? configuration.only() : only;
  }

  /** The project's patterns and the option's. */
  List<String> leaveOut(Configuration configuration) {
    List<String> all = new ArrayList<>(configuration.leaveOut());
    all.addAll(leaveOut);
    return all;
  }

  /** What is observed, by the options or by the project's build. */
  List<ProjectModule> modules(Project project, Path directory) {
    checkPatterns();
    List<Path> sourceFolders = sources.stream().map(folder -> existing(directory, folder)).toList();
    if (!classes.isEmpty()) {
      List<Path> places = classes.stream().map(place -> absolute(directory, place)).toList();
      return List.of(new ProjectModule(project.name(), places, List.of(), sourceFolders));
    }
    List<ProjectModule> modules = project.modules();
    if (modules.isEmpty()) {
      throw new Failure(
          ExitCode.INPUT,
          "Atalaya does not know the build of "
              + project.root()
              + "; name its class folders with --classes DIR and its sources with --sources DIR");
    }
    return modules.stream().map(module -> withSources(module, sourceFolders)).toList();
  }

  private static ProjectModule withSources(ProjectModule module, List<Path> more) {
    List<Path> sources = new ArrayList<>(module.sources());
    sources.addAll(more);
    return new ProjectModule(module.name(), module.classes(), module.testClasses(), sources);
  }

  private static Path absolute(Path directory, Path path) {
    return directory.resolve(path).normalize();
  }

  private static Path existing(Path directory, Path path) {
    Path folder = absolute(directory, path);
    if (!Files.isDirectory(folder)) {
      throw new Failure(ExitCode.INPUT, "no source folder " + folder + "; see --sources");
    }
    return folder;
  }

  private void checkPatterns() {
    try {
      PathPatterns.of(only);
      PathPatterns.of(Nature.without(leaveOut));
      Nature.in(leaveOut);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(
          spec.commandLine(), "what to leave out can't be read: " + e.getMessage());
    }
  }
}
