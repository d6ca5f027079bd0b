package atalaya.cli.render;

import atalaya.core.compare.Use;
import atalaya.core.figure.MethodFigures;
import java.util.ArrayList;
import java.util.List;

/** Tests beside real use, in a terminal. */
public final class UseView {
  private static final int SHOWN = 15;

  private final Use use;

  /** Of a comparison with real use. */
  public UseView(Use use) {
    this.use = use;
  }

  /** The lines. */
  public List<String> lines(Paint paint) {
    List<String> lines = new ArrayList<>();
    lines.add(paint.bold("Used, but less tested") + ": what to test first");
    table(lines, use.untested(), paint);
    lines.add("");
    lines.add(paint.bold("Neither used nor tested") + ": what to look at last, or to delete");
    table(lines, use.idle(), paint);
    lines.add("");
    lines.add(Words.count(use.unused(), "method", "methods") + " only tests enter");
    return lines;
  }

  private static void table(List<String> lines, List<MethodFigures> methods, Paint paint) {
    if (methods.isEmpty()) {
      lines.add("  none");
      return;
    }
    Columns columns =
        Columns.of(">unwatched", ">complexity", ">lines", ">branches", "method", "where");
    for (MethodFigures method : methods.stream().limit(SHOWN).toList()) {
      columns.add(
          Words.paths(method.unwatched().total()),
          String.valueOf(method.complexity().value()),
          Words.count(method.lines()),
          Words.count(method.outcomes()),
          method.shortName(),
          method.path() + ":" + method.firstLine());
    }
    columns.lines(paint).forEach(line -> lines.add("  " + line));
    if (methods.size() > SHOWN) {
      lines.add(paint.dim("  ... and " + (methods.size() - SHOWN) + " more"));
    }
  }
}
