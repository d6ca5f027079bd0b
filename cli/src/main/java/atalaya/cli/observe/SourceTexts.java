package atalaya.cli.observe;

import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.java.SourceText;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Kept sources as their reader wants them. */
final class SourceTexts {
  private SourceTexts() {}

  /** The path of a source below its source folder follows from the packages of the classes. */
  static List<SourceText> of(List<KeptClass> classes, List<KeptSource> sources) {
    Map<String, Set<String>> packages = new HashMap<>();
    for (KeptClass file : classes) {
      int dot = file.name().lastIndexOf('.');
      packages
          .computeIfAbsent(file.module(), m -> new HashSet<>())
          .add(dot < 0 ? "" : file.name().substring(0, dot).replace('.', '/') + "/");
    }
    return sources.stream()
        .map(
            source -> {
              String file = source.path().substring(source.path().lastIndexOf('/') + 1);
              String folder = source.path().substring(0, source.path().length() - file.length());
              String inPackage =
                  packages.getOrDefault(source.module(), Set.of()).stream()
                      .filter(name -> ("/" + folder).endsWith("/" + name))
                      .max((a, b) -> Integer.compare(a.length(), b.length()))
                      .orElse("");
              return new SourceText(
                  source.module(), source.path(), inPackage + file, source.text());
            })
        .toList();
  }
}
