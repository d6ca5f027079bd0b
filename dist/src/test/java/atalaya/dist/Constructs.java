package atalaya.dist;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The sources of the table of constructs as one program, {@code Drive}, in a folder. */
record Constructs(Path folder, List<Path> files) {
  private static final Path TABLE = Path.of("src/test/resources/constructs");
  private static final Pattern CELL =
      Pattern.compile("\"((?:[^\"]|\"\")*)\"(?:,|$)|([^,]*)(?:,|$)");

  /** Compiles it into {@code out}, from {@code src}. */
  static Constructs compiledIn(Path folder) throws IOException {
    List<Path> files;
    try (var all = Files.list(TABLE)) {
      files = all.sorted().toList();
    }
    Path sources = Files.createDirectories(folder.resolve("src"));
    StringBuilder main = new StringBuilder("public class Drive {\n");
    main.append("  public static void main(String[] a) throws Exception {\n");
    for (Path file : files) {
      Files.copy(file, sources.resolve(file.getFileName()));
      main.append("    ").append(name(file)).append(".drive();\n");
    }
    Files.writeString(sources.resolve("Drive.java"), main.append("  }\n}\n"));
    Shipped.compile(sources, folder.resolve("out"), "-g");
    Files.writeString(folder.resolve("atalaya.yaml"), "");
    return new Constructs(folder, files);
  }

  static String name(Path file) {
    return file.getFileName().toString().replace(".java", "");
  }

  Shipped.Result observe() {
    return Shipped.run(
        folder,
        "observe",
        "--classes",
        "out",
        "--sources",
        "src",
        "--",
        Shipped.java().toString(),
        "-ea",
        "-cp",
        "out",
        "Drive");
  }

  /** The cells of a table, row by row, the titles first. */
  List<List<String>> export(String table) {
    List<List<String>> rows = new ArrayList<>();
    for (String row : Shipped.run(folder, "export", table).out().split("\r\n")) {
      List<String> cells = new ArrayList<>();
      Matcher cell = CELL.matcher(row);
      int end = -1;
      while (end < row.length() && cell.find()) {
        cells.add(cell.group(1) != null ? cell.group(1).replace("\"\"", "\"") : cell.group(2));
        end = cell.end();
      }
      rows.add(cells);
    }
    return rows;
  }
}
