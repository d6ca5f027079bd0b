package atalaya.java.match;

import atalaya.core.code.CodeClass;
import atalaya.java.bytecode.ClassFile;
import atalaya.java.source.SourceClass;
import atalaya.java.source.SourceFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Makes the models of all classes of one source file. */
public final class SourceMatcher {
  private SourceMatcher() {}

  /**
   * The models of the classes in which anything counts.
   *
   * @param files the class files that name this source file
   * @param source null when there is none, or when it could not be parsed
   * @param path of the source file, or empty
   * @param enumMaps of all class files, see {@link ClassFile}
   */
  public static List<CodeClass> match(
      List<ClassFile> files,
      SourceFile source,
      String module,
      String path,
      Map<String, Map<Integer, String>> enumMaps) {
    Map<ClassFile, SourceClass> pairs = source == null ? Map.of() : ClassPairs.of(files, source);
    List<CodeClass> models = new ArrayList<>();
    for (ClassFile file : files) {
      if (!file.synthetic()) {
        ClassMatcher matcher =
            new ClassMatcher(
                file,
                map -> enumMaps.getOrDefault(map, Map.of()),
                (method, code, meanings, owner) -> {});
        SourceClass type = pairs.get(file);
        CodeClass model =
            type == null ? matcher.alone(module, path) : matcher.with(type, module, path);
        if (!model.methods().isEmpty()) {
          models.add(model);
        }
      }
    }
    return models;
  }

  /**
   * What stands where in the code of the classes of one source file.
   *
   * @param files the class files that name this source file, with their bytes
   * @param source read with its operations
   * @return by binary name of the class
   */
  public static Map<String, List<CodePlace>> places(
      Map<ClassFile, byte[]> files, SourceFile source, Map<String, Map<Integer, String>> enumMaps) {
    Map<String, List<CodePlace>> found = new LinkedHashMap<>();
    ClassPairs.of(List.copyOf(files.keySet()), source)
        .forEach(
            (file, type) -> {
              Function<String, Map<Integer, String>> maps =
                  map -> enumMaps.getOrDefault(map, Map.of());
              CodePlaces places = new CodePlaces(files.get(file), maps);
              new ClassMatcher(file, maps, places).with(type, "", "");
              found.put(file.name(), places.places());
            });
    return found;
  }
}
