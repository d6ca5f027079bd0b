package atalaya.java;

import atalaya.core.code.CodeClass;
import atalaya.core.leave.NatureMarks;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.ClassFileReader;
import atalaya.java.match.SourceMatcher;
import atalaya.java.source.SourceFile;
import atalaya.java.source.SourceParser;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Reads a project's class files and sources into the model. */
public final class ProjectReader {
  private final List<NotObserved> problems = new ArrayList<>();
  private final List<String> brokenSources = new ArrayList<>();
  private final Map<String, String> pathOfClass = new HashMap<>();
  private final Map<String, NatureMarks> natures = new HashMap<>();
  private final Set<String> names = new HashSet<>();
  private final List<CodeClass> classes = new ArrayList<>();

  private ProjectReader() {}

  /**
   * Reads a project. What can't be read becomes a problem of the result; the rest is read.
   *
   * @param classes the class files; of several with one name the first counts
   * @param sources the source files of the same modules
   */
  public static ProjectModel read(Collection<ClassBytes> classes, List<SourceText> sources) {
    return read(classes, sources, new HashMap<>());
  }

  /**
   * The same.
   *
   * @param before sources that were parsed before, of these or others; emptied, to be let go
   */
  public static ProjectModel read(
      Collection<ClassBytes> classes,
      List<SourceText> sources,
      Map<SourceText, SourceFile> before) {
    ProjectReader reader = new ProjectReader();
    reader.readAll(classes, sources, before);
    reader.classes.sort(Comparator.comparing(CodeClass::module).thenComparing(CodeClass::name));
    return new ProjectModel(
        reader.classes, reader.pathOfClass, reader.natures, reader.problems, reader.brokenSources);
  }

  private void readAll(
      Collection<ClassBytes> classes,
      List<SourceText> sources,
      Map<SourceText, SourceFile> before) {
    Map<String, SourceText> textOf = new HashMap<>();
    for (SourceText source : sources) {
      textOf.put(source.module() + ":" + source.packagePath(), source);
    }
    classes.forEach(bytes -> names.add(bytes.name()));
    Map<SourceText, SourceFile> parsed = new ConcurrentHashMap<>(before);
    before.clear();
    parsed.keySet().retainAll(new HashSet<>(sources));
    parsed.putAll(
        SourceParser.parse(sources.stream().filter(s -> !parsed.containsKey(s)).toList()));
    parsed.forEach((source, file) -> natures.put(source.path(), file.natures()));
    sources.stream()
        .filter(source -> !parsed.containsKey(source))
        .forEach(source -> brokenSources.add(source.path()));

    Map<String, Map<Integer, String>> enumMaps = new HashMap<>();
    Map<String, List<ClassFile>> bySource = bySource(classes, enumMaps);
    bySource.forEach(
        (place, files) ->
            files.forEach(file -> pathOfClass.put(file.name(), path(textOf.get(place)))));
    // What was matched is let go at once: all of it and all models would be twice the memory.
    List.copyOf(bySource.entrySet()).parallelStream()
        .map(
            of -> {
              SourceText text = textOf.get(of.getKey());
              String module = of.getKey().substring(0, of.getKey().indexOf(':'));
              SourceFile source = text == null ? null : parsed.remove(text);
              List<ClassFile> files = of.setValue(List.of());
              return SourceMatcher.match(files, source, module, path(text), enumMaps);
            })
        .toList()
        .forEach(this.classes::addAll);
  }

  /** The class files by module and source; what they know of others' enums is added. */
  private Map<String, List<ClassFile>> bySource(
      Collection<ClassBytes> classes, Map<String, Map<Integer, String>> enumMaps) {
    Map<String, List<ClassFile>> bySource = new LinkedHashMap<>();
    Map<String, ClassBytes> distinct = new LinkedHashMap<>();
    classes.forEach(bytes -> distinct.putIfAbsent(bytes.name(), bytes));
    for (Read read : List.copyOf(distinct.values()).parallelStream().map(this::read).toList()) {
      read.problem().ifPresent(problems::add);
      if (read.file().isPresent()) {
        ClassFile file = read.file().get();
        enumMaps.putAll(file.enumMaps());
        bySource
            .computeIfAbsent(read.bytes().module() + ":" + sourcePath(file), p -> new ArrayList<>())
            .add(file);
      }
    }
    return bySource;
  }

  private static String path(SourceText text) {
    return text == null ? "" : text.path();
  }

  /** A class file, as far as it could be read. */
  private record Read(ClassBytes bytes, Optional<ClassFile> file, Optional<NotObserved> problem) {
    static Read failed(ClassBytes bytes, Reason reason, String detail) {
      return new Read(
          bytes, Optional.empty(), Optional.of(new NotObserved(reason, bytes.name(), detail)));
    }
  }

  private Read read(ClassBytes bytes) {
    ClassFile file;
    try {
      file = ClassFileReader.read(bytes.bytes(), names::contains);
    } catch (ClassFileReader.UnreadableClass e) {
      Reason reason =
          e.getMessage().startsWith("Unsupported class file") ? Reason.TOO_NEW : Reason.NOT_PLANTED;
      return Read.failed(bytes, reason, e.getMessage());
    }
    return file.hasCode() && !file.hasLines() && !file.synthetic()
        ? Read.failed(bytes, Reason.NO_LINES, "")
        : new Read(bytes, Optional.of(file), Optional.empty());
  }

  private static String sourcePath(ClassFile file) {
    String folder = file.packageName().replace('.', '/');
    return folder.isEmpty() ? file.sourceFile() : folder + "/" + file.sourceFile();
  }
}
