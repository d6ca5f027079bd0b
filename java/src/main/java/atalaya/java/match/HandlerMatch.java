package atalaya.java.match;

import atalaya.java.bytecode.CodeItem.HandlerEntry;
import atalaya.java.source.SourceHandler;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Which exception handler of the code is which {@code catch} clause. */
final class HandlerMatch {
  private HandlerMatch() {}

  /**
   * Matches from the end, because the handlers that close resources stand before those that a
   * person wrote at the same {@code try}.
   *
   * @param written in the order of the code, once for each copy
   */
  static Map<HandlerEntry, SourceHandler> of(
      List<SourceHandler> written, List<HandlerEntry> compiled) {
    Map<HandlerEntry, SourceHandler> matched = new IdentityHashMap<>();
    int end = compiled.size();
    for (int i = written.size() - 1; i >= 0; i--) {
      for (int j = end - 1; j >= 0; j--) {
        if (fits(written.get(i), compiled.get(j))) {
          matched.put(compiled.get(j), written.get(i));
          end = j;
          break;
        }
      }
    }
    return matched;
  }

  private static boolean fits(SourceHandler written, HandlerEntry compiled) {
    return written.line() == compiled.line() && written.types().equals(compiled.types());
  }
}
