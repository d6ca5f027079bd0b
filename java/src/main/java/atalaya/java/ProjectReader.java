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
import java.util.Set;

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
    ProjectReader reader = new ProjectReader();
    reader.readAll(classes, sources);
    reader.classes.sort(Comparator.comparing(CodeClass::module).thenComparing(CodeClass::name));
    return new ProjectModel(
        reader.classes, reader.pathOfClass, reader.natures, reader.problems, reader.brokenSources);
  }

  private void readAll(Collection<ClassBytes> classes, List<SourceText> sources) {
    Map<String, SourceText> textOf = new HashMap<>();
    for (SourceText source : sources) {
      textOf.put(source.module() + ":" + source.packagePath(), source);
    }
    classes.forEach(bytes -> names.add(bytes.name()));
    Map<SourceText, SourceFile> parsed = SourceParser.parse(sources);
    parsed.forEach((source, file) -> natures.put(source.path(), file.natures()));
    sources.stream()
        .filter(source -> !parsed.containsKey(source))
        .forEach(source -> brokenSources.add(source.path()));

    Map<String, List<ClassFile>> bySource = new LinkedHashMap<>();
    Map<String, Map<Integer, String>> enumMaps = new HashMap<>();
    Map<String, ClassBytes> seen = new HashMap<>();
    for (ClassBytes bytes : classes) {
      if (seen.putIfAbsent(bytes.name(), bytes) == null) {
        ClassFile file = read(bytes);
        if (file != null) {
          enumMaps.putAll(file.enumMaps());
          bySource
              .computeIfAbsent(bytes.module() + ":" + sourcePath(file), p -> new ArrayList<>())
              .add(file);
        }
      }
    }
    bySource.forEach(
        (place, files) -> {
          SourceText text = textOf.get(place);
          String module = place.substring(0, place.indexOf(':'));
          String path = text == null ? "" : text.path();
          SourceFile source = text == null ? null : parsed.get(text);
          files.forEach(file -> pathOfClass.put(file.name(), path));
          this.classes.addAll(SourceMatcher.match(files, source, module, path, enumMaps));
        });
  }

  private ClassFile read(ClassBytes bytes) {
    ClassFile file;
    try {
      file = ClassFileReader.read(bytes.bytes(), names::contains);
    } catch (ClassFileReader.UnreadableClass e) {
      Reason reason =
          e.getMessage().startsWith("Unsupported class file") ? Reason.TOO_NEW : Reason.NOT_PLANTED;
      problems.add(new NotObserved(reason, bytes.name(), e.getMessage()));
      return null;
    }
    if (file.hasCode() && !file.hasLines() && !file.synthetic()) {
      problems.add(new NotObserved(Reason.NO_LINES, bytes.name(), ""));
      return null;
    }
    return file;
  }

  private static String sourcePath(ClassFile file) {
    String folder = file.packageName().replace('.', '/');
    return folder.isEmpty() ? file.sourceFile() : folder + "/" + file.sourceFile();
  }
}
