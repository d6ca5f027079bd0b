package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.source.SourceItem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Source and code as words: equal words fit, {@code ~} is a jump that only the compiler may have
 * made and fits every word that begins with {@code n}.
 */
class AlignmentTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "a b c    | a b c   | a b c",
        "a b c    | a c     | a c",
        "a c      | a b c   | a - c",
        "a a      | a       | a",
        "a1 a1 b  | a1 b    | a1 b",
        "a b      | b a     | - -",
        "a ~ b    | a n1 b  | a ~ b",
        "a ~ ~ b  | a b     | a b",
        "a ~ ~ b  | a n1 b  | a ~ b",
        "'' | a | -",
        "a | '' | ''"
      })
  void matchesOnlyWhatIsCertain(String source, String code, String expected) {
    List<CodeItem> items = new ArrayList<>();
    for (String word : words(code)) {
      items.add(new CodeItem.LambdaMade(items.size(), word));
    }
    Map<CodeItem, SourceItem> matched =
        Alignment.of(
            words(source).stream().map(AlignmentTest::item).toList(),
            items,
            (of, to) -> fits(of, ((CodeItem.LambdaMade) to).body()));
    List<String> found = new ArrayList<>();
    for (CodeItem item : items) {
      found.add(matched.containsKey(item) ? name(matched.get(item)) : "-");
    }
    assertThat(found).isEqualTo(words(expected));
  }

  private static final Map<String, SourceItem> ITEMS = new HashMap<>();

  /** The same word is the same lambda: its line is made of it. */
  private static SourceItem item(String word) {
    return ITEMS.computeIfAbsent(
        word,
        w ->
            w.equals("~")
                ? new SourceItem.CompilerMade(List.of(), 0, 0)
                : new SourceItem.LambdaHere(
                    new atalaya.java.source.SourceLambda(
                        atalaya.java.source.SourceCode.EMPTY, w.hashCode(), 0),
                    0,
                    0));
  }

  private static boolean fits(SourceItem item, String word) {
    return item instanceof SourceItem.CompilerMade ? word.startsWith("n") : item == item(word);
  }

  private static String name(SourceItem item) {
    return ITEMS.entrySet().stream()
        .filter(e -> e.getValue() == item)
        .map(Map.Entry::getKey)
        .findFirst()
        .orElseThrow();
  }

  private static List<String> words(String text) {
    return text.isBlank() ? List.of() : Arrays.asList(text.strip().split(" +"));
  }
}
