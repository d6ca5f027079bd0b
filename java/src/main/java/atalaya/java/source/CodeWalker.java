package atalaya.java.source;

import com.sun.source.tree.AnnotatedTypeTree;
import com.sun.source.tree.AssertTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.BreakTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ContinueTree;
import com.sun.source.tree.DoWhileLoopTree;
import com.sun.source.tree.EnhancedForLoopTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.ForLoopTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LabeledStatementTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TryTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.UnionTypeTree;
import com.sun.source.tree.WhileLoopTree;
import com.sun.source.tree.YieldTree;
import java.util.BitSet;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.objectweb.asm.Opcodes;

/**
 * Walks statements and expressions in the order in which {@code javac} makes code of them, and
 * notes each conditional jump, switch and lambda that it will make. What it leaves out because it
 * can't be reached is left out here too, as far as a parser can know.
 */
final class CodeWalker extends ExpressionWalker {
  private final BitSet leaps = new BitSet();
  private final BitSet finallies = new BitSet();

  private final Map<CatchTree, SourceHandler> handlers = new IdentityHashMap<>();
  private final Map<StatementTree, SourceLoop> loops = new IdentityHashMap<>();
  private Ways ways = new Ways();
  private boolean alive = true;

  private CodeWalker(Places places) {
    super(places);
  }

  static SourceCode statements(Places places, List<? extends Tree> statements) {
    CodeWalker walker = new CodeWalker(places);
    statements.forEach(walker::walk);
    return new SourceCode(
        walker.items, walker.written, walker.leaps, walker.finallies, Decisions.in(statements));
  }

  @Override
  public Void scan(Tree tree, Void none) {
    if (tree == null || tree instanceof StatementTree && !alive) {
      return null;
    }
    boolean outer = isHoisted;
    isHoisted = Patterns.areHoistedIn(tree, isHoisted);
    if (tree instanceof BlockTree) {
      super.scan(tree, none);
    } else if (tree instanceof StatementTree) {
      note(tree);
      statement(tree);
    } else {
      note(tree);
      super.scan(tree, none);
    }
    isHoisted = outer;
    return null;
  }

  private void statement(Tree tree) {
    int outerFrom = fromLine;
    int outerTo = toLine;
    fromLine = places.firstLine(tree);
    toLine = places.lastLine(tree);
    super.scan(tree, null);
    fromLine = outerFrom;
    toLine = outerTo;
  }

  @Override
  SourceLambda lambda(LambdaExpressionTree tree) {
    CodeWalker walker = new CodeWalker(places);
    Tree body = tree.getBody();
    walker.fromLine = places.firstLine(body);
    walker.toLine = places.lastLine(body);
    walker.walk(body);
    if (body instanceof ExpressionTree value) {
      walker.add(operations.returned(value, value));
    }
    if (body instanceof BlockTree block && block.getStatements().isEmpty()) {
      walker.written.set(places.firstLine(body), places.lastLine(body) + 1);
    }
    SourceCode code =
        new SourceCode(walker.items, walker.written, walker.leaps, walker.finallies, 0);
    return new SourceLambda(code, places.firstLine(tree), places.lastLine(tree));
  }

  @Override
  public Void visitIf(IfTree tree, Void none) {
    toLine = places.lastLine(tree.getCondition());
    condition(tree.getCondition(), false);
    Boolean constant = conditions.constant(tree.getCondition());
    boolean before = alive;
    boolean after = false;
    if (constant == null || constant) {
      walk(tree.getThenStatement());
      after = alive;
    }
    if (constant == null || !constant) {
      alive = before;
      walk(tree.getElseStatement());
      after |= alive;
    }
    alive = after;
    return null;
  }

  @Override
  public Void visitWhileLoop(WhileLoopTree tree, Void none) {
    toLine = places.lastLine(tree.getCondition());
    int head = items.size();
    condition(tree.getCondition(), false);
    loop(tree, places.start(tree.getStatement()), head, items.size());
    Ways.Frame loop = ways.enterLoop(tree);
    walk(tree.getStatement());
    ways.leave();
    alive = loop.isLeft() || !Boolean.TRUE.equals(conditions.constant(tree.getCondition()));
    return null;
  }

  @Override
  public Void visitDoWhileLoop(DoWhileLoopTree tree, Void none) {
    int head = items.size();
    Ways.Frame loop = ways.enterLoop(tree);
    walk(tree.getStatement());
    ways.leave();
    if (alive || loop.isContinued()) {
      fromLine = places.firstLine(tree.getCondition());
      toLine = places.lastLine(tree.getCondition());
      condition(tree.getCondition(), true);
      alive = !Boolean.TRUE.equals(conditions.constant(tree.getCondition()));
    }
    loop(tree, places.start(tree.getStatement()), head, head);
    alive |= loop.isLeft();
    return null;
  }

  @Override
  public Void visitForLoop(ForLoopTree tree, Void none) {
    tree.getInitializer().forEach(this::walk);
    boolean endless = true;
    int head = items.size();
    if (tree.getCondition() != null) {
      toLine = places.lastLine(tree.getCondition());
      condition(tree.getCondition(), false);
      endless = Boolean.TRUE.equals(conditions.constant(tree.getCondition()));
    }
    loop(tree, places.start(tree.getStatement()), head, items.size());
    Ways.Frame loop = ways.enterLoop(tree);
    walk(tree.getStatement());
    ways.leave();
    alive |= loop.isContinued();
    tree.getUpdate().forEach(this::walk);
    alive = loop.isLeft() || !endless;
    return null;
  }

  @Override
  public Void visitEnhancedForLoop(EnhancedForLoopTree tree, Void none) {
    toLine = places.lastLine(tree.getExpression());
    note(tree.getVariable());
    walk(tree.getExpression());
    items.add(conditions.step(tree, fromLine, toLine));
    loop(tree, places.start(tree.getStatement()), items.size() - 1, items.size());
    ways.enterLoop(tree);
    walk(tree.getStatement());
    ways.leave();
    alive = true;
    return null;
  }

  /** Puts a loop where its turns begin, with the conditions among the items up to its body. */
  private void loop(StatementTree tree, long body, int head, int bodyItem) {
    SourceLoop loop =
        loops.computeIfAbsent(tree, t -> loop(tree, body, items.subList(head, bodyItem)));
    items.add(head, new SourceItem.LoopHere(loop, places.firstLine(tree), places.lastLine(tree)));
  }

  private SourceLoop loop(StatementTree tree, long body, List<SourceItem> asked) {
    Set<SourceCondition> own = new HashSet<>();
    for (SourceItem item : asked) {
      if (item instanceof SourceItem.Test test) {
        own.add(test.condition());
      } else if (item instanceof SourceItem.PatternTest test) {
        own.add(test.whole());
      }
    }
    long start = places.start(tree);
    String text =
        tree instanceof DoWhileLoopTree loop
            ? "do ... while " + places.text(loop.getCondition())
            : places.text(start, body);
    return new SourceLoop(start, places.line(start), text, !own.isEmpty(), own);
  }

  @Override
  public Void visitLabeledStatement(LabeledStatementTree tree, Void none) {
    Ways.Frame labelled = ways.enterLabel(tree);
    walk(tree.getStatement());
    ways.leave();
    alive |= labelled.isLeft();
    return null;
  }

  @Override
  public Void visitSwitch(SwitchTree tree, Void none) {
    toLine = places.lastLine(tree.getExpression());
    walk(tree.getExpression());
    items.add(
        conditions.selection(tree, tree.getExpression(), tree.getCases(), true, fromLine, toLine));
    Ways.Frame frame = ways.enterSwitch();
    boolean hasDefault = cases(tree.getCases(), frame);
    ways.leave();
    alive |= frame.isLeft() || !hasDefault && !CaseLabels.havePatterns(tree.getCases());
    return null;
  }

  @Override
  public Void visitSwitchExpression(SwitchExpressionTree tree, Void none) {
    walk(tree.getExpression());
    items.add(
        conditions.selection(tree, tree.getExpression(), tree.getCases(), false, fromLine, toLine));
    Ways.Frame frame = ways.enterSwitch();
    cases(tree.getCases(), frame);
    ways.leave();
    alive = true;
    return null;
  }

  private boolean cases(List<? extends CaseTree> cases, Ways.Frame frame) {
    boolean hasDefault = false;
    boolean outer = isHoisted;
    for (CaseTree at : cases) {
      alive = true;
      isHoisted = outer || CaseLabels.holdPattern(at);
      note(at);
      hasDefault |= CaseLabels.isDefault(at);
      labels(at);
      if (at.getCaseKind() == CaseTree.CaseKind.RULE) {
        if (at.getBody() instanceof BlockTree block && block.getStatements().isEmpty()) {
          leaps.set(places.firstLine(block), places.lastLine(block) + 1);
        }
        walk(at.getBody());
        frame.leaveIf(alive);
      } else {
        at.getStatements().forEach(this::walk);
      }
    }
    isHoisted = outer;
    return hasDefault;
  }

  private void labels(CaseTree at) {
    int outerTo = toLine;
    toLine = places.lastLine(at);
    for (CaseLabels.CaseLabel label : CaseLabels.of(at)) {
      if (label.kind() == CaseLabels.Kind.PATTERN) {
        note(label.tree());
        patternTests(CaseLabels.pattern(label), null);
      }
    }
    ExpressionTree guard = CaseLabels.guard(at);
    if (guard != null) {
      condition(guard, true);
    }
    toLine = outerTo;
  }

  @Override
  public Void visitReturn(ReturnTree tree, Void none) {
    walk(tree.getExpression());
    unwind(ways.all());
    if (tree.getExpression() != null) {
      add(operations.returned(tree, tree.getExpression()));
    }
    return null;
  }

  @Override
  public Void visitThrow(ThrowTree tree, Void none) {
    walk(tree.getExpression());
    add(operations.thrown(tree));
    alive = false;
    return null;
  }

  @Override
  public Void visitBreak(BreakTree tree, Void none) {
    leaps.set(places.firstLine(tree));
    unwind(ways.toBreak(tree.getLabel()));
    return null;
  }

  @Override
  public Void visitContinue(ContinueTree tree, Void none) {
    leaps.set(places.firstLine(tree));
    unwind(ways.toContinue(tree.getLabel()));
    return null;
  }

  @Override
  public Void visitYield(YieldTree tree, Void none) {
    walk(tree.getValue());
    unwind(ways.toBreak(null));
    return null;
  }

  @Override
  public Void visitAssert(AssertTree tree, Void none) {
    toLine = places.lastLine(tree.getCondition());
    if (!isHoisted && Patterns.areTestedIn(tree.getCondition())) {
      valueThenJump(tree.getCondition());
    } else {
      condition(tree.getCondition(), true);
    }
    toLine = places.lastLine(tree);
    walk(tree.getDetail());
    return null;
  }

  /**
   * Where what an {@code assert} asks declares variables of patterns, compilers compute its value
   * and jump by that.
   */
  private void valueThenJump(ExpressionTree whole) {
    boolean jumpsOn = true;
    ExpressionTree tree = Conditions.bare(whole);
    while (tree.getKind() == Tree.Kind.LOGICAL_COMPLEMENT) {
      jumpsOn = !jumpsOn;
      tree = Conditions.bare(((UnaryTree) tree).getExpression());
    }
    walk(tree);
    int opcode = jumpsOn ? Opcodes.IFNE : Opcodes.IFEQ;
    items.add(new SourceItem.CompilerMade(List.of(opcode), fromLine, toLine));
  }

  @Override
  public Void visitTry(TryTree tree, Void none) {
    int resources = tree.getResources().size();
    BlockTree last = tree.getFinallyBlock();
    if (last != null && !last.getStatements().isEmpty()) {
      finallies.set(places.firstLine(last.getStatements().get(0)));
    }
    ways.enterFinally(last);
    tree.getResources().forEach(this::walk);
    ways.enterResources(resources);
    walk(tree.getBlock());
    ways.leave();
    closing(2 * resources);
    ways.leave();
    boolean after = ends(last);
    for (CatchTree handler : tree.getCatches()) {
      alive = true;
      SourceHandler written = handlers.computeIfAbsent(handler, this::handler);
      items.add(new SourceItem.Catch(written, written.line(), written.line()));
      note(handler.getParameter());
      ways.enterFinally(last);
      walk(handler.getBlock());
      ways.leave();
      after |= ends(last);
    }
    if (last != null) {
      alive = true;
      walk(last);
    }
    alive = after;
    return null;
  }

  private SourceHandler handler(CatchTree tree) {
    Tree type = tree.getParameter().getType();
    List<? extends Tree> types =
        type instanceof UnionTypeTree union ? union.getTypeAlternatives() : List.of(type);
    long start = places.start(tree);
    int line = places.line(start);
    return new SourceHandler(
        start,
        line,
        places.text(start, places.start(tree.getBlock())),
        !written.get(line),
        types.stream().map(CodeWalker::simpleName).distinct().sorted().toList());
  }

  private static String simpleName(Tree type) {
    Tree bare = type instanceof AnnotatedTypeTree annotated ? annotated.getUnderlyingType() : type;
    return bare instanceof MemberSelectTree select
        ? select.getIdentifier().toString()
        : bare.toString();
  }

  /** The copy of a {@code finally} that an orderly end of the block before it goes through. */
  private boolean ends(BlockTree last) {
    if (alive) {
      walk(last);
    }
    return alive;
  }

  /** Leaves blocks for good, through what they have to do at last. */
  private void unwind(Ways left) {
    Ways here = ways;
    for (Ways.Frame frame : left.innermostFirst()) {
      ways = here.outside(frame);
      alive = true;
      closing(frame.resources());
      walk(frame.last());
    }
    ways = here;
    alive = false;
  }

  private void closing(int jumps) {
    for (int i = 0; i < jumps; i++) {
      items.add(
          new SourceItem.CompilerMade(
              List.of(Opcodes.IFNULL, Opcodes.IFNONNULL), 0, Integer.MAX_VALUE));
    }
  }
}
