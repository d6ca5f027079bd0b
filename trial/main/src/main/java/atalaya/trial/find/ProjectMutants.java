package atalaya.trial.find;

import atalaya.java.ClassBytes;
import atalaya.java.SourceText;
import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.ClassFileReader;
import atalaya.java.match.SourceMatcher;
import atalaya.java.source.SourceFile;
import atalaya.java.source.SourceParser;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Finds the mutants of a project. */
public final class ProjectMutants {
  private ProjectMutants() {}

  /**
   * The mutants of all classes that stand in the sources given, by binary name.
   *
   * @param classes all class files of the project; of several with one name the first counts
   * @param sources those in which mutants are wanted
   */
  public static Map<String, List<PlantableMutant>> find(
      Collection<ClassBytes> classes, List<SourceText> sources) {
    Map<String, SourceText> textOf = new HashMap<>();
    sources.forEach(text -> textOf.put(text.module() + ":" + text.packagePath(), text));
    Map<String, ClassBytes> distinct = new LinkedHashMap<>();
    classes.forEach(bytes -> distinct.putIfAbsent(bytes.name(), bytes));
    Map<String, Map<Integer, String>> enumMaps = new HashMap<>();
    Map<String, Map<ClassFile, byte[]>> bySource = new LinkedHashMap<>();
    List.copyOf(distinct.values()).parallelStream()
        .map(Read::of)
        .toList()
        .forEach(
            read -> {
              if (read.file() != null) {
                enumMaps.putAll(read.file().enumMaps());
                String place = read.bytes().module() + ":" + sourcePath(read.file());
                bySource
                    .computeIfAbsent(place, p -> new LinkedHashMap<>())
                    .put(read.file(), read.bytes().bytes());
              }
            });
    Map<SourceText, SourceFile> parsed = SourceParser.parseWithOperations(sources);
    Map<String, List<PlantableMutant>> found = new TreeMap<>();
    List.copyOf(bySource.entrySet()).parallelStream()
        .map(
            of -> {
              SourceText text = textOf.get(of.getKey());
              SourceFile source = text == null ? null : parsed.get(text);
              return source == null
                  ? Map.<String, List<PlantableMutant>>of()
                  : ofOneSource(of.getValue(), source, text, enumMaps);
            })
        .toList()
        .forEach(found::putAll);
    return found;
  }

  private record Read(ClassBytes bytes, ClassFile file) {
    static Read of(ClassBytes bytes) {
      try {
        return new Read(bytes, ClassFileReader.read(bytes.bytes(), name -> false));
      } catch (ClassFileReader.UnreadableClass e) {
        // It was told of when it was observed; there is nothing to plant.
        return new Read(bytes, null);
      }
    }
  }

  private static Map<String, List<PlantableMutant>> ofOneSource(
      Map<ClassFile, byte[]> files,
      SourceFile source,
      SourceText text,
      Map<String, Map<Integer, String>> enumMaps) {
    Map<String, byte[]> bytes = new HashMap<>();
    files.forEach((file, of) -> bytes.put(file.name(), of));
    Map<String, List<PlantableMutant>> found = new HashMap<>();
    SourceMatcher.places(files, source, enumMaps)
        .forEach(
            (name, places) ->
                found.put(
                    name, MutantFinder.find(bytes.get(name), places, text.path(), text.text())));
    return found;
  }

  private static String sourcePath(ClassFile file) {
    String folder = file.packageName().replace('.', '/');
    return folder.isEmpty() ? file.sourceFile() : folder + "/" + file.sourceFile();
  }
}
