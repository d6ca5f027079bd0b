package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.source.SourceItem;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** A type test with patterns inside holds when the last of its jumps is not taken. */
final class PatternTests {
  private PatternTests() {}

  /** For the first jump of each such test the point at which all of it holds. */
  static Map<CodeItem, Integer> passed(List<CodeItem> code, Map<CodeItem, SourceItem> meanings) {
    Map<CodeItem, Integer> passed = new IdentityHashMap<>();
    CodeItem first = null;
    SourceItem.Test whole = null;
    for (CodeItem item : code) {
      SourceItem meaning = meanings.get(item);
      if (meaning instanceof SourceItem.Test test) {
        first = item;
        whole = test;
      } else if (meaning instanceof SourceItem.PatternTest inner
          && item instanceof CodeItem.Jump jump
          && whole != null
          && inner.whole() == whole.condition()) {
        passed.put(first, jump.point() + 1);
      }
    }
    return passed;
  }
}
