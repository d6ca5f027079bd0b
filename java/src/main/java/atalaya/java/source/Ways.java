package atalaya.java.source;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.Tree;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import javax.lang.model.element.Name;

/** The statements around a place that can be left early, and what is done when they are. */
final class Ways {
  private final List<Frame> frames;

  Ways() {
    this(List.of());
  }

  private Ways(List<Frame> frames) {
    this.frames = new ArrayList<>(frames);
  }

  private enum Kind {
    LOOP,
    LABEL,
    SWITCH,
    AT_LAST
  }

  /** One of those statements. */
  static final class Frame {
    private final Kind kind;
    private final Tree statement;
    private final Name label;
    private final BlockTree last;
    private final int resources;
    private boolean left;
    private boolean continued;

    private Frame(Kind kind, Tree statement, Name label, BlockTree last, int resources) {
      this.kind = kind;
      this.statement = statement;
      this.label = label;
      this.last = last;
      this.resources = resources;
    }

    /** Whether something breaks out of it. */
    boolean isLeft() {
      return left;
    }

    boolean isContinued() {
      return continued;
    }

    void leaveIf(boolean leaves) {
      left |= leaves;
    }

    /** Its {@code finally}, or null. */
    BlockTree last() {
      return last;
    }

    /** How many resources it closes. */
    int resources() {
      return resources;
    }
  }

  Frame enterLoop(Tree loop) {
    return enter(new Frame(Kind.LOOP, loop, null, null, 0));
  }

  Frame enterLabel(LabeledStatementTree labelled) {
    return enter(new Frame(Kind.LABEL, labelled.getStatement(), labelled.getLabel(), null, 0));
  }

  Frame enterSwitch() {
    return enter(new Frame(Kind.SWITCH, null, null, null, 0));
  }

  void enterFinally(BlockTree last) {
    enter(new Frame(Kind.AT_LAST, null, null, last, 0));
  }

  void enterResources(int resources) {
    enter(new Frame(Kind.AT_LAST, null, null, null, resources));
  }

  private Frame enter(Frame frame) {
    frames.add(frame);
    return frame;
  }

  void leave() {
    frames.remove(frames.size() - 1);
  }

  Ways all() {
    return new Ways(frames);
  }

  /** What a {@code break} leaves; the label may be null. */
  Ways toBreak(Name label) {
    for (int i = frames.size() - 1; i >= 0; i--) {
      Frame frame = frames.get(i);
      boolean target =
          label == null
              ? frame.kind == Kind.LOOP || frame.kind == Kind.SWITCH
              : frame.kind == Kind.LABEL && frame.label.contentEquals(label);
      if (target) {
        frame.left = true;
        return new Ways(frames.subList(i, frames.size()));
      }
    }
    return all();
  }

  /** What a {@code continue} leaves; the label may be null. */
  Ways toContinue(Name label) {
    Tree wanted = null;
    for (int i = frames.size() - 1; i >= 0 && label != null && wanted == null; i--) {
      Frame frame = frames.get(i);
      if (frame.kind == Kind.LABEL && frame.label.contentEquals(label)) {
        wanted = frame.statement;
      }
    }
    for (int i = frames.size() - 1; i >= 0; i--) {
      Frame frame = frames.get(i);
      if (frame.kind == Kind.LOOP && (wanted == null || frame.statement == wanted)) {
        frame.continued = true;
        return new Ways(frames.subList(i, frames.size()));
      }
    }
    return all();
  }

  List<Frame> innermostFirst() {
    List<Frame> order = new ArrayList<>(frames);
    Collections.reverse(order);
    return order;
  }

  Ways outside(Frame frame) {
    return new Ways(frames.subList(0, frames.indexOf(frame)));
  }
}
