package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceCode;
import atalaya.java.source.SourceHandler;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Where control comes to a line.
 *
 * @param point the number of the point that is marked there
 */
record LinePoint(int line, int point) {
  /**
   * Those of a method, as its source tells them.
   *
   * @param handlers which handlers of the class file stand for those of the source
   * @param lastReturn whether a return on a line of its own at the end counts
   */
  static List<LinePoint> of(
      CodeMethod method,
      SourceCode source,
      Map<CodeItem.HandlerEntry, SourceHandler> handlers,
      boolean lastReturn) {
    List<LinePoint> points = new ArrayList<>();
    CodeItem.HandlerEntry lastHandler = null;
    for (int i = 0; i < method.items().size(); i++) {
      CodeItem item = method.items().get(i);
      if (item instanceof CodeItem.HandlerEntry entry) {
        lastHandler = entry;
        SourceHandler handler = handlers.get(entry);
        if (!beginsLine(method, i)) {
          if (handler != null) {
            points.add(new LinePoint(handler.line(), entry.point()));
          } else if (entry.types().isEmpty() && source.finallies().get(entry.line())) {
            // The copy for exceptions, behind another one of which the last line is its first.
            points.add(new LinePoint(entry.line(), entry.point()));
          }
        }
      } else if (item instanceof CodeItem.LineEntry entry) {
        boolean isWritten =
            switch (entry.first()) {
              case RETURN -> lastReturn;
              case LEAP -> source.leaps().get(entry.line());
              case OTHER -> true;
            };
        if (isWritten && !closes(entry, lastHandler, handlers)) {
          points.add(new LinePoint(entry.line(), entry.point()));
        }
      }
    }
    return points;
  }

  /** Whether the line table has an entry where this handler begins. */
  private static boolean beginsLine(CodeMethod method, int handler) {
    return handler + 1 < method.items().size()
        && method.items().get(handler + 1) instanceof CodeItem.LineEntry entry
        && entry.line() == method.items().get(handler).line();
  }

  /**
   * Whether the code that closes resources stands on the line of a {@code catch}, where the block
   * before it ends.
   */
  private static boolean closes(
      CodeItem.LineEntry entry,
      CodeItem.HandlerEntry lastHandler,
      Map<CodeItem.HandlerEntry, SourceHandler> handlers) {
    SourceHandler last = handlers.get(lastHandler);
    return (last == null || last.line() != entry.line())
        && handlers.values().stream().anyMatch(h -> h.alone() && h.line() == entry.line());
  }
}
