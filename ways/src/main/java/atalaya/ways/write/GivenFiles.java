package atalaya.ways.write;

import atalaya.core.term.Term.Input;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Files that a test makes, where it matters which one is given: one that is there and empty, ...
 */
final class GivenFiles {
  static final String FILE = "Ljava/io/File;";
  static final String PATH = "Ljava/nio/file/Path;";

  /** Such a file. */
  private record Kind(String words, String code, Map<String, Object> answers) {}

  private static final Kind EMPTY =
      new Kind(
          "a new, empty file",
          "File.createTempFile(\"any\", \".txt\")",
          Map.of("exists", 1, "isFile", 1, "isDirectory", 0, "canRead", 1, "length", 0L));

  private static final Kind FOLDER =
      new Kind(
          "a new, empty folder",
          "Files.createTempDirectory(\"any\").toFile()",
          Map.of("exists", 1, "isFile", 0, "isDirectory", 1, "canRead", 1));

  private static final Kind MISSING =
      new Kind(
          "a file that is not there",
          "new File(\"no-such-folder\", \"no-such-file\")",
          Map.of("exists", 0, "isFile", 0, "isDirectory", 0, "canRead", 0, "length", 0L));

  private static final Pattern ASKED = Pattern.compile("\\.(\\w+)\\(\\)( the \\w+ time)?");

  private GivenFiles() {}

  /**
   * What a test gives for a file.
   *
   * @param code that makes it
   * @param words what it is
   * @param answered what calls of it give by that
   */
  record Given(String code, String words, Set<Input> answered) {}

  /** Whether it is one. */
  static boolean isFile(Input input) {
    return input.type().equals(FILE) || input.type().equals(PATH);
  }

  /** The first kind of file that answers what it has to; empty where none of them does. */
  static Optional<Given> of(Input file, Map<Input, Object> inputs) {
    List<Input> asked =
        inputs.keySet().stream()
            .filter(input -> input.name().startsWith(file.name() + "."))
            .toList();
    if (file.type().equals(PATH)) {
      return asked.isEmpty()
          ? Optional.of(
              new Given("Files.createTempFile(\"any\", \".txt\")", EMPTY.words(), Set.of()))
          : Optional.empty();
    }
    return List.of(EMPTY, FOLDER, MISSING).stream()
        .filter(kind -> asked.stream().allMatch(a -> answers(kind, file, a, inputs.get(a))))
        .findFirst()
        .map(kind -> new Given(kind.code(), kind.words(), Set.copyOf(asked)));
  }

  private static boolean answers(Kind kind, Input file, Input asked, Object wanted) {
    Matcher call = ASKED.matcher(asked.name().substring(file.name().length()));
    return call.matches() && wanted != null && wanted.equals(kind.answers().get(call.group(1)));
  }
}
