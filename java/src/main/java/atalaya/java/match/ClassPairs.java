package atalaya.java.match;

import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceClass;
import atalaya.java.source.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Which class file is which class of a source file. */
final class ClassPairs {
  private static final Pattern NUMBERED = Pattern.compile("(\\d+)(\\D.*|)");

  private final Map<String, ClassFile> files = new LinkedHashMap<>();
  private final Map<ClassFile, SourceClass> pairs = new IdentityHashMap<>();

  private ClassPairs(List<ClassFile> files) {
    files.forEach(file -> this.files.put(file.name(), file));
  }

  static Map<ClassFile, SourceClass> of(List<ClassFile> files, SourceFile source) {
    ClassPairs pairs = new ClassPairs(files);
    String prefix = source.packageName().isEmpty() ? "" : source.packageName() + ".";
    for (SourceClass type : source.classes()) {
      pairs.pair(prefix + type.name(), type);
    }
    return pairs.pairs;
  }

  private void pair(String binaryName, SourceClass type) {
    ClassFile file = files.get(binaryName);
    if (file == null) {
      return;
    }
    pairs.put(file, type);
    for (SourceClass member : type.members()) {
      pair(binaryName + "$" + member.name(), member);
    }
    Map<String, TreeMap<Integer, ClassFile>> numbered = numbered(binaryName + "$");
    Map<String, List<SourceClass>> byName = new LinkedHashMap<>();
    type.locals().forEach(l -> byName.computeIfAbsent(l.name(), n -> new ArrayList<>()).add(l));
    byName.forEach(
        (name, locals) -> {
          List<ClassFile> found =
              List.copyOf(numbered.getOrDefault(name, new TreeMap<>()).values());
          pairLocals(locals, found);
        });
  }

  /** The class files of local and anonymous classes by simple name and number. */
  private Map<String, TreeMap<Integer, ClassFile>> numbered(String prefix) {
    Map<String, TreeMap<Integer, ClassFile>> numbered = new HashMap<>();
    for (ClassFile file : files.values()) {
      if (file.name().startsWith(prefix) && !file.synthetic()) {
        Matcher rest = NUMBERED.matcher(file.name().substring(prefix.length()));
        if (rest.matches() && !rest.group(2).contains("$") && rest.group(1).length() < 9) {
          numbered
              .computeIfAbsent(rest.group(2), n -> new TreeMap<>())
              .put(Integer.valueOf(rest.group(1)), file);
        }
      }
    }
    return numbered;
  }

  private void pairLocals(List<SourceClass> locals, List<ClassFile> found) {
    boolean inOrder = locals.size() == found.size();
    for (int i = 0; i < locals.size() && inOrder; i++) {
      inOrder = mayBe(locals.get(i), found.get(i));
    }
    for (int i = 0; i < locals.size(); i++) {
      SourceClass local = locals.get(i);
      List<ClassFile> candidates =
          inOrder ? List.of(found.get(i)) : found.stream().filter(f -> mayBe(local, f)).toList();
      if (candidates.size() == 1) {
        pair(candidates.get(0).name(), local);
      }
    }
  }

  private static boolean mayBe(SourceClass source, ClassFile file) {
    for (CodeMethod method : file.methods()) {
      for (int line : method.synthetic() ? new int[0] : method.lines()) {
        if (line < source.firstLine() || line > source.lastLine()) {
          return false;
        }
      }
    }
    return true;
  }
}
