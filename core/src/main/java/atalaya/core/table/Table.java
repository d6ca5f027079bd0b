package atalaya.core.table;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/**
 * A table.
 *
 * @param name of the thing in a row, in the plural
 * @param columns lower case, words joined by {@code _}
 * @param rows a string, number, truth value or null for each column
 */
public record Table(String name, List<String> columns, List<List<Object>> rows) {
  public Table {
    columns = List.copyOf(columns);
    rows = Collections.unmodifiableList(rows);
    for (List<Object> row : rows) {
      if (row.size() != columns.size()) {
        throw new IllegalArgumentException(
            "a row of " + name + " must have " + columns.size() + " cells (got " + row + ")");
      }
    }
  }

  /** A row; null stands for what is not known. */
  public static List<Object> row(Object... cells) {
    return Collections.unmodifiableList(Arrays.asList(cells));
  }

  /** The name of a column as a key in JSON: {@code lines_reached} becomes {@code linesReached}. */
  public static String key(String column) {
    StringBuilder key = new StringBuilder();
    for (String word : column.split("_")) {
      String head = word.substring(0, 1);
      key.append(key.isEmpty() ? head : head.toUpperCase(Locale.ROOT)).append(word.substring(1));
    }
    return key.toString();
  }
}
