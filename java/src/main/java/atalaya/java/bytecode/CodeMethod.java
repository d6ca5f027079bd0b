package atalaya.java.bytecode;

import java.util.List;
import java.util.function.Function;

/**
 * A method of a class file.
 *
 * @param hasCode false for abstract and native methods
 * @param handlers how many {@code catch} clauses it has, as far as the class file tells
 */
public record CodeMethod(
    String name,
    String descriptor,
    boolean synthetic,
    boolean isStatic,
    boolean hasCode,
    int handlers,
    List<CodeItem> items) {
  public CodeMethod {
    items = List.copyOf(items);
  }

  /** Name and descriptor. */
  public String key() {
    return name + descriptor;
  }

  /** Whether this is the body of a lambda. */
  public boolean isLambdaBody() {
    return synthetic && name.startsWith("lambda$");
  }

  /** The items of one type. */
  public <T extends CodeItem> List<T> items(Class<T> type) {
    return items.stream().filter(type::isInstance).map((Function<CodeItem, T>) type::cast).toList();
  }

  /** The lines of its entries, ascending, without repeats. */
  public int[] lines() {
    return items(CodeItem.LineEntry.class).stream()
        .mapToInt(CodeItem.LineEntry::line)
        .sorted()
        .distinct()
        .toArray();
  }
}
