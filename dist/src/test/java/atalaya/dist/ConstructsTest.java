package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * The table of constructs: {@code src/test/resources/constructs}. Each file is a source with what
 * is expected of it, which comes from the language and never from Atalaya's own output.
 *
 * <p>The first column says of each line whether it is reached ({@code +}), not reached ({@code -})
 * or holds no code ({@code |}). A comment {@code //: n > 3: true+ false-} says which outcomes of a
 * condition that begins on this line are reached; {@code ;} separates conditions. A comment {@code
 * //# f(int) 4} says the complexity of a method.
 */
class ConstructsTest {
  private static final Pattern OUTCOME = Pattern.compile("\\s*(.+?)([+-])(?:\\s+|$)");
  private static final Path TABLE = Path.of("src/test/resources/constructs");

  @TempDir Path folder;

  @TestFactory
  Stream<DynamicTest> areReadInTermsOfTheSource() throws IOException {
    List<Path> files;
    try (var all = Files.list(TABLE)) {
      files = all.sorted().toList();
    }
    Path sources = Files.createDirectories(folder.resolve("src"));
    StringBuilder main = new StringBuilder("public class Drive {\n");
    main.append("  public static void main(String[] a) throws Exception {\n");
    for (Path file : files) {
      String name = file.getFileName().toString().replace(".txt", "");
      List<String> lines = Files.readAllLines(file);
      Files.write(
          sources.resolve(name + ".java"), lines.stream().map(l -> l.substring(1)).toList());
      main.append("    ").append(name).append(".drive();\n");
    }
    Files.writeString(sources.resolve("Drive.java"), main.append("  }\n}\n"));
    Path classes = folder.resolve("out");
    Shipped.compile(sources, classes, "-g");
    Files.writeString(folder.resolve("atalaya.yaml"), "");
    Shipped.Result observed =
        Shipped.run(
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
    assertThat(observed.exitCode()).as(observed.err()).isZero();

    TreeMap<String, List<String>> found = new TreeMap<>();
    for (String table : List.of("lines", "outcomes", "methods")) {
      Shipped.Result result = Shipped.run(folder, "export", table);
      for (String row : result.out().split("\r\n")) {
        List<String> cells = cells(row);
        found.computeIfAbsent(cells.get(0), p -> new ArrayList<>()).add(row(table, cells));
      }
    }
    return files.stream()
        .map(
            file -> {
              String name = file.getFileName().toString().replace(".txt", "");
              return DynamicTest.dynamicTest(
                  name,
                  () ->
                      assertThat(found.getOrDefault("src/" + name + ".java", List.of()))
                          .filteredOn(row -> !row.startsWith("complexity"))
                          .containsExactlyInAnyOrderElementsOf(expected(file)));
            });
  }

  private static String row(String table, List<String> cells) {
    return switch (table) {
      case "lines" -> "line " + cells.get(3) + (cells.get(4).equals("true") ? "+" : "-");
      case "outcomes" ->
          "line "
              + cells.get(3)
              + ": "
              + cells.get(4)
              + ": "
              + cells.get(5)
              + (cells.get(6).equals("true") ? "+" : "-");
      default -> "complexity " + cells.get(2) + " " + cells.get(5);
    };
  }

  private static List<String> expected(Path file) throws IOException {
    List<String> expected = new ArrayList<>();
    List<String> lines = Files.readAllLines(file);
    for (int number = 1; number <= lines.size(); number++) {
      String line = lines.get(number - 1);
      char mark = line.charAt(0);
      if (mark != '|') {
        expected.add("line " + number + mark);
      }
      int comment = line.indexOf("//: ");
      if (comment >= 0) {
        for (String condition : line.substring(comment + 4).split(";;")) {
          int colon = condition.lastIndexOf(": ");
          String text = condition.substring(0, colon).strip();
          Matcher outcome = OUTCOME.matcher(condition.substring(colon + 2));
          while (outcome.find()) {
            expected.add(
                "line " + number + ": " + text + ": " + outcome.group(1) + outcome.group(2));
          }
        }
      }
    }
    return expected;
  }

  private static List<String> cells(String row) {
    List<String> cells = new ArrayList<>();
    Matcher cell = Pattern.compile("\"((?:[^\"]|\"\")*)\"(?:,|$)|([^,]*)(?:,|$)").matcher(row);
    while (cell.find() && cells.size() < 20) {
      cells.add(cell.group(1) != null ? cell.group(1).replace("\"\"", "\"") : cell.group(2));
      if (cell.end() == row.length()) {
        break;
      }
    }
    return cells;
  }
}
