package atalaya.cli.render;

import atalaya.core.suite.Kinds;
import java.util.List;

/** Kinds of tests beside each other. */
public final class KindsView {
  private final List<Kinds.Figures> kinds;

  /** Of kinds. */
  public KindsView(List<Kinds.Figures> kinds) {
    this.kinds = kinds;
  }

  /** One row for each kind. */
  public Columns columns() {
    Columns columns =
        Columns.of(
            ">only here: lines",
            ">branches",
            ">in all: lines",
            ">branches",
            ">tests",
            ">time",
            "kind");
    for (Kinds.Figures kind : kinds) {
      columns.add(
          String.valueOf(kind.linesOnlyHere()),
          String.valueOf(kind.outcomesOnlyHere()),
          String.valueOf(kind.lines()),
          String.valueOf(kind.outcomes()),
          String.valueOf(kind.tests()),
          Words.time(kind.milliseconds()),
          kind.kind());
    }
    return columns;
  }
}
