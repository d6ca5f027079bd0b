package atalaya.java.match;

import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceClass;
import atalaya.java.source.SourceMethod;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Which method of a class file is which of the source. */
final class MethodPairs {
  private MethodPairs() {}

  static Map<CodeMethod, SourceMethod> of(ClassFile file, SourceClass source) {
    Map<CodeMethod, SourceMethod> pairs = new IdentityHashMap<>();
    Map<String, List<SourceMethod>> written =
        source.methods().stream().collect(Collectors.groupingBy(SourceMethod::name));
    Map<String, List<CodeMethod>> compiled =
        file.methods().stream()
            .filter(m -> !m.synthetic())
            .collect(Collectors.groupingBy(CodeMethod::name));
    written.forEach(
        (name, sources) -> pair(sources, compiled.getOrDefault(name, List.of()), pairs));
    return pairs;
  }

  /** Of one name: in the order that both share, or else by lines. */
  private static void pair(
      List<SourceMethod> sources, List<CodeMethod> codes, Map<CodeMethod, SourceMethod> pairs) {
    boolean inOrder = sources.size() == codes.size();
    for (int i = 0; i < sources.size() && inOrder; i++) {
      inOrder = mayBe(sources.get(i), codes.get(i));
    }
    for (int i = 0; i < sources.size(); i++) {
      SourceMethod source = sources.get(i);
      List<CodeMethod> candidates =
          inOrder ? List.of(codes.get(i)) : codes.stream().filter(c -> mayBe(source, c)).toList();
      if (candidates.size() == 1) {
        pairs.put(candidates.get(0), source);
      }
    }
  }

  private static boolean mayBe(SourceMethod source, CodeMethod code) {
    if (source.hasBody() != code.hasCode()) {
      return false;
    }
    int[] lines = code.lines();
    if (lines.length == 0) {
      return !source.hasBody();
    }
    boolean isConstructor = source.name().equals("<init>");
    for (int line : lines) {
      if (source.covers(line) == isConstructor) {
        return isConstructor;
      }
    }
    return !isConstructor;
  }
}
