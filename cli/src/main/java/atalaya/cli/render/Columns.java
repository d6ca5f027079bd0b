package atalaya.cli.render;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;

/** Lays out rows in columns. */
public final class Columns {
  private static final String GAP = "  ";

  private final List<String> titles;
  private final List<Boolean> numbers;
  private final List<List<String>> rows = new ArrayList<>();

  private Columns(List<String> titles, List<Boolean> numbers) {
    this.titles = titles;
    this.numbers = numbers;
  }

  /** Columns with these titles; one that begins with {@code >} is set flush right. */
  public static Columns of(String... titles) {
    List<String> plain = new ArrayList<>();
    List<Boolean> numbers = new ArrayList<>();
    for (String title : titles) {
      numbers.add(title.startsWith(">"));
      plain.add(title.startsWith(">") ? title.substring(1) : title);
    }
    return new Columns(plain, numbers);
  }

  /** Adds a row. */
  public void add(String... cells) {
    List<String> row = new ArrayList<>();
    for (String cell : cells) {
      row.add(Words.plain(cell));
    }
    rows.add(row);
  }

  /** How many rows there are. */
  public int size() {
    return rows.size();
  }

  /** The lines, the titles first. */
  public List<String> lines(Paint paint) {
    int[] widths = new int[titles.size()];
    for (int i = 0; i < widths.length; i++) {
      int column = i;
      int widest = rows.stream().mapToInt(row -> row.get(column).length()).max().orElse(0);
      widths[i] = Math.max(titles.get(i).length(), widest);
    }
    List<String> lines = new ArrayList<>();
    lines.add(paint.dim(line(titles, widths)));
    rows.forEach(row -> lines.add(line(row, widths)));
    return lines;
  }

  private String line(List<String> cells, int[] widths) {
    StringBuilder line = new StringBuilder();
    for (int i = 0; i < widths.length; i++) {
      String pad = " ".repeat(widths[i] - cells.get(i).length());
      line.append(i == 0 ? "" : GAP);
      line.append(numbers.get(i) ? pad + cells.get(i) : cells.get(i) + pad);
    }
    return line.toString().stripTrailing();
  }

  /** The first that fits the width, or else the last. */
  static List<String> widestThatFits(Paint paint, int width, List<Columns> widestFirst) {
    Columns last = widestFirst.get(widestFirst.size() - 1);
    return widestFirst.stream()
        .filter(columns -> columns.lines(Paint.none()).stream().allMatch(l -> l.length() <= width))
        .findFirst()
        .orElse(last)
        .lines(paint);
  }

  /** The same as a table in Markdown. */
  public List<String> markdown() {
    List<String> lines = new ArrayList<>();
    lines.add("| " + String.join(" | ", titles) + " |");
    lines.add(
        numbers.stream().map(n -> n ? "---:" : "---").collect(Collectors.joining("|", "|", "|")));
    for (List<String> row : rows) {
      lines.add(
          row.stream()
              .map(cell -> cell.replace("|", "\\|"))
              .collect(Collectors.joining(" | ", "| ", " |")));
    }
    return Collections.unmodifiableList(lines);
  }
}
