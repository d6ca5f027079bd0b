package atalaya.java.bytecode;

import atalaya.core.code.Flow;
import java.util.List;
import java.util.Map;

/**
 * A class file.
 *
 * @param name the binary name
 * @param sourceFile the name of its source file without folders, or empty
 * @param synthetic whether the compiler made the whole class
 * @param isEnum whether it is an enum or the body of an enum constant
 * @param isInner whether its constructors take the enclosing object first
 * @param flow of control in it
 * @param enumMaps for each array that turns enum constants into switch keys, {@code owner.field},
 *     the constants by key
 */
public record ClassFile(
    String name,
    String sourceFile,
    boolean synthetic,
    boolean isEnum,
    boolean isRecord,
    boolean isInner,
    List<CodeMethod> methods,
    Flow flow,
    Map<String, Map<Integer, String>> enumMaps) {
  public ClassFile {
    methods = List.copyOf(methods);
    enumMaps = Map.copyOf(enumMaps);
  }

  /** The package, or empty. */
  public String packageName() {
    int dot = name.lastIndexOf('.');
    return dot < 0 ? "" : name.substring(0, dot);
  }

  /** Whether any method has line entries. */
  public boolean hasLines() {
    return methods.stream().anyMatch(m -> !m.items(CodeItem.LineEntry.class).isEmpty());
  }

  /** Whether any method has code. */
  public boolean hasCode() {
    return methods.stream().anyMatch(CodeMethod::hasCode);
  }
}
