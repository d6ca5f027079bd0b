package atalaya.java.match;

import atalaya.core.code.CodeClass;
import atalaya.java.bytecode.ClassFile;
import atalaya.java.source.SourceClass;
import atalaya.java.source.SourceFile;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

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
        ClassMatcher matcher = new ClassMatcher(file, map -> enumMaps.getOrDefault(map, Map.of()));
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
}
