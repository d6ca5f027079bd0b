package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.source.SourceItem;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;

/**
 * Lays the items of the source beside those of the code, in the order that both share, so that as
 * few as possible are left over. An item of the code counts as matched only when every best way to
 * lay them gives it the same meaning.
 */
final class Alignment {
  private static final int LARGEST = 16_000_000;

  private final List<SourceItem> source;
  private final List<CodeItem> code;
  private final BiPredicate<SourceItem, CodeItem> fits;

  private Alignment(
      List<SourceItem> source, List<CodeItem> code, BiPredicate<SourceItem, CodeItem> fits) {
    this.source = source;
    this.code = code;
    this.fits = fits;
  }

  /** The items of the code whose meaning is certain. */
  static Map<CodeItem, SourceItem> of(
      List<SourceItem> source, List<CodeItem> code, BiPredicate<SourceItem, CodeItem> fits) {
    if (source.isEmpty() || code.isEmpty()) {
      return Map.of();
    }
    Alignment alignment = new Alignment(source, code, fits);
    boolean tooLarge = (long) source.size() * code.size() > LARGEST;
    return tooLarge ? alignment.oneByOne() : alignment.best();
  }

  /** For code so long that only a source without a difference to it can be matched. */
  private Map<CodeItem, SourceItem> oneByOne() {
    Map<CodeItem, SourceItem> matched = new HashMap<>();
    if (source.size() != code.size()) {
      return Map.of();
    }
    for (int i = 0; i < source.size(); i++) {
      if (!fits.test(source.get(i), code.get(i))) {
        return Map.of();
      }
      matched.put(code.get(i), source.get(i));
    }
    return matched;
  }

  private Map<CodeItem, SourceItem> best() {
    int rows = source.size();
    int columns = code.size();
    boolean[][] pairs = new boolean[rows][columns];
    for (int i = 0; i < rows; i++) {
      for (int j = 0; j < columns; j++) {
        pairs[i][j] = fits.test(source.get(i), code.get(j));
      }
    }
    int[][] before = before(pairs);
    int[][] after = after(pairs);
    int least = before[rows][columns];
    Map<CodeItem, SourceItem> matched = new HashMap<>();
    for (int j = 0; j < columns; j++) {
      SourceItem meaning = null;
      boolean certain = true;
      for (int i = 0; i <= rows && certain; i++) {
        if (before[i][j] + 1 + after[i][j + 1] == least) {
          certain = false;
        } else if (i < rows && pairs[i][j] && before[i][j] + after[i + 1][j + 1] == least) {
          certain = meaning == null || same(meaning, source.get(i));
          meaning = source.get(i);
        }
      }
      if (certain && meaning != null) {
        matched.put(code.get(j), meaning);
      }
    }
    return matched;
  }

  private static int price(SourceItem item) {
    boolean optional =
        item instanceof SourceItem.CompilerMade
            || item instanceof SourceItem.PatternTest
            || item instanceof SourceItem.LoopHere;
    return optional ? 0 : 1;
  }

  /** The least left over among the first i items of the source and the first j of the code. */
  private int[][] before(boolean[][] pairs) {
    int[][] least = new int[source.size() + 1][code.size() + 1];
    for (int i = 0; i <= source.size(); i++) {
      for (int j = 0; j <= code.size(); j++) {
        int best = i + j == 0 ? 0 : Integer.MAX_VALUE;
        if (i > 0) {
          best = Math.min(best, least[i - 1][j] + price(source.get(i - 1)));
        }
        if (j > 0) {
          best = Math.min(best, least[i][j - 1] + 1);
        }
        if (i > 0 && j > 0 && pairs[i - 1][j - 1]) {
          best = Math.min(best, least[i - 1][j - 1]);
        }
        least[i][j] = best;
      }
    }
    return least;
  }

  /** The least left over from the i-th item of the source and the j-th of the code on. */
  private int[][] after(boolean[][] pairs) {
    int rows = source.size();
    int columns = code.size();
    int[][] least = new int[rows + 1][columns + 1];
    for (int i = rows; i >= 0; i--) {
      for (int j = columns; j >= 0; j--) {
        int best = i == rows && j == columns ? 0 : Integer.MAX_VALUE;
        if (i < rows) {
          best = Math.min(best, least[i + 1][j] + price(source.get(i)));
        }
        if (j < columns) {
          best = Math.min(best, least[i][j + 1] + 1);
        }
        if (i < rows && j < columns && pairs[i][j]) {
          best = Math.min(best, least[i + 1][j + 1]);
        }
        least[i][j] = best;
      }
    }
    return least;
  }

  private static boolean same(SourceItem one, SourceItem other) {
    if (one instanceof SourceItem.Test a && other instanceof SourceItem.Test b) {
      return a.condition() == b.condition() && a.whenJumping().equals(b.whenJumping());
    }
    if (one instanceof SourceItem.Selection a && other instanceof SourceItem.Selection b) {
      return a.condition() == b.condition();
    }
    if (one instanceof SourceItem.LambdaHere a && other instanceof SourceItem.LambdaHere b) {
      return a.lambda() == b.lambda();
    }
    if (one instanceof SourceItem.PatternTest a && other instanceof SourceItem.PatternTest b) {
      return a.whole() == b.whole();
    }
    if (one instanceof SourceItem.LoopHere a && other instanceof SourceItem.LoopHere b) {
      return a.loop() == b.loop();
    }
    if (one instanceof SourceItem.Operation a && other instanceof SourceItem.Operation b) {
      return a.operation().equals(b.operation());
    }
    return one instanceof SourceItem.CompilerMade && other instanceof SourceItem.CompilerMade;
  }
}
