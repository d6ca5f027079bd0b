package atalaya.java.source;

import atalaya.core.leave.Nature;
import atalaya.core.leave.NatureMarks;
import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.BlockTree;
import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.IfTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ModifiersTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.SwitchExpressionTree;
import com.sun.source.tree.SwitchTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Finds code that may be left out for its nature, as far as one file tells. */
final class Natures extends TreeScanner<Void, Void> {
  private static final Set<String> LOGS = Set.of("log", "logger");

  /** What makers of code write above what they made. */
  private static final Pattern MADE =
      Pattern.compile("\\bgenerated\\W+(?:by|from|with|using)\\b|\\bdo not (?:edit|modify)\\b");

  private final Places places;
  private final List<NatureMarks.Member> members = new ArrayList<>();
  private final Map<Nature, BitSet> lines = new EnumMap<>(Nature.class);
  private final BitSet otherLines = new BitSet();
  private final List<NatureMarks.LeadingTo> outcomes = new ArrayList<>();

  private Natures(Places places) {
    this.places = places;
  }

  static NatureMarks in(Places places) {
    Natures natures = new Natures(places);
    natures.scan(places.unit(), null);
    if (saysMade(aboveCode(places))) {
      places
          .unit()
          .getTypeDecls()
          .forEach(type -> natures.member(type, Optional.of(Nature.GENERATED)));
    }
    natures.lines.values().forEach(lines -> lines.andNot(natures.otherLines));
    return new NatureMarks(natures.members, natures.lines, natures.outcomes);
  }

  private static boolean saysMade(String comments) {
    // Nearly none says so, and a search for the words themselves costs far less than the pattern.
    String lower = comments.toLowerCase(Locale.ROOT);
    return (lower.contains("generated") || lower.contains("do not")) && MADE.matcher(lower).find();
  }

  /** The comments above everything else. */
  private static String aboveCode(Places places) {
    CompilationUnitTree unit = places.unit();
    long first =
        Stream.of(unit.getImports().stream(), unit.getTypeDecls().stream())
            .reduce(Stream.ofNullable(unit.getPackage()), Stream::concat)
            .mapToLong(places::start)
            .min()
            .orElse(0);
    return places.text().substring(0, (int) Math.max(0, first));
  }

  // ---- members ----

  @Override
  public Void visitClass(ClassTree tree, Void none) {
    member(
        tree, isGenerated(tree.getModifiers()) ? Optional.of(Nature.GENERATED) : Optional.empty());
    return super.visitClass(tree, none);
  }

  @Override
  public Void visitMethod(MethodTree tree, Void none) {
    boolean generated = isGenerated(tree.getModifiers());
    member(
        tree,
        generated
            ? Optional.of(Nature.GENERATED)
            : isAccessor(tree) ? Optional.of(Nature.ACCESSORS) : Optional.empty());
    return super.visitMethod(tree, none);
  }

  private void member(Tree tree, Optional<Nature> nature) {
    nature.ifPresent(
        n -> members.add(new NatureMarks.Member(n, places.firstLine(tree), places.lastLine(tree))));
  }

  private static boolean isGenerated(ModifiersTree modifiers) {
    return modifiers.getAnnotations().stream()
        .map(AnnotationTree::getAnnotationType)
        .map(Natures::lastName)
        .anyMatch(name -> name.endsWith("Generated"));
  }

  private static String lastName(Tree tree) {
    return tree instanceof MemberSelectTree select
        ? select.getIdentifier().toString()
        : tree instanceof IdentifierTree name ? name.getName().toString() : "";
  }

  private static boolean isAccessor(MethodTree tree) {
    if (tree.getBody() == null || tree.getBody().getStatements().size() != 1) {
      return false;
    }
    StatementTree only = tree.getBody().getStatements().get(0);
    if (only instanceof ReturnTree result) {
      return tree.getParameters().isEmpty() && isField(result.getExpression());
    }
    return tree.getParameters().size() == 1
        && only instanceof ExpressionStatementTree statement
        && statement.getExpression() instanceof AssignmentTree set
        && isField(set.getVariable())
        && set.getExpression() instanceof IdentifierTree from
        && from.getName().equals(tree.getParameters().get(0).getName());
  }

  private static boolean isField(ExpressionTree tree) {
    return tree instanceof IdentifierTree name && !name.getName().contentEquals("this")
        || tree instanceof MemberSelectTree select
            && select.getExpression() instanceof IdentifierTree of
            && of.getName().contentEquals("this");
  }

  // ---- statements ----

  /** The nature of a statement, or of a block of such statements. */
  private static Optional<Nature> nature(Tree tree) {
    if (tree instanceof ThrowTree) {
      return Optional.of(Nature.THROWING);
    }
    if (tree instanceof ExpressionStatementTree statement) {
      return isLogging(statement.getExpression()) ? Optional.of(Nature.LOGGING) : Optional.empty();
    }
    if (tree instanceof IfTree choice) {
      boolean logs =
          asksALog(choice.getCondition())
              && nature(choice.getThenStatement()).equals(Optional.of(Nature.LOGGING))
              && choice.getElseStatement() == null;
      return logs ? Optional.of(Nature.LOGGING) : Optional.empty();
    }
    if (tree instanceof BlockTree block && !block.getStatements().isEmpty()) {
      return common(block.getStatements());
    }
    return Optional.empty();
  }

  private static Optional<Nature> common(List<? extends Tree> trees) {
    Optional<Nature> last = nature(trees.get(trees.size() - 1));
    boolean logsBefore =
        trees.stream()
            .limit(trees.size() - 1)
            .allMatch(tree -> nature(tree).equals(Optional.of(Nature.LOGGING)));
    return logsBefore ? last : Optional.empty();
  }

  private static boolean asksALog(ExpressionTree condition) {
    return isLogging(Conditions.bare(condition));
  }

  /** {@code log.info(...)}, {@code LOGGER.atInfo().log(...)}. */
  private static boolean isLogging(Tree tree) {
    if (!(tree instanceof MethodInvocationTree call)
        || !(call.getMethodSelect() instanceof MemberSelectTree select)) {
      return false;
    }
    String of = lastName(select.getExpression()).toLowerCase(Locale.ROOT);
    return LOGS.contains(of) || isLogging(select.getExpression());
  }

  @Override
  public Void scan(Tree tree, Void none) {
    if (tree instanceof StatementTree statement
        && !(tree instanceof BlockTree || tree instanceof ClassTree)) {
      Optional<Nature> nature = nature(statement);
      if (nature.isPresent()) {
        lines
            .computeIfAbsent(nature.get(), n -> new BitSet())
            .set(places.firstLine(tree), places.lastLine(tree) + 1);
        return null;
      }
      if (places.firstLine(tree) > 0) {
        otherLines.set(places.firstLine(tree));
      }
    }
    return super.scan(tree, none);
  }

  @Override
  public Void visitVariable(VariableTree tree, Void none) {
    if (tree.getInitializer() != null) {
      otherLines.set(places.firstLine(tree), places.lastLine(tree) + 1);
    }
    return super.visitVariable(tree, none);
  }

  @Override
  public Void visitIf(IfTree tree, Void none) {
    nature(tree.getThenStatement()).ifPresent(n -> leading(n, tree.getCondition(), true));
    nature(tree.getElseStatement()).ifPresent(n -> leading(n, tree.getCondition(), false));
    otherLines.set(places.firstLine(tree), places.lastLine(tree.getCondition()) + 1);
    return super.visitIf(tree, none);
  }

  /** The outcomes with which this condition comes out so at once. */
  private void leading(Nature nature, ExpressionTree whole, boolean value) {
    ExpressionTree tree = Conditions.bare(whole);
    switch (tree.getKind()) {
      case LOGICAL_COMPLEMENT -> leading(nature, ((UnaryTree) tree).getExpression(), !value);
      case CONDITIONAL_AND, CONDITIONAL_OR -> {
        BinaryTree both = (BinaryTree) tree;
        if (value == (tree.getKind() == Tree.Kind.CONDITIONAL_OR)) {
          leading(nature, both.getLeftOperand(), value);
        }
        leading(nature, both.getRightOperand(), value);
      }
      case CONDITIONAL_EXPRESSION -> {
        leading(nature, ((ConditionalExpressionTree) tree).getTrueExpression(), value);
        leading(nature, ((ConditionalExpressionTree) tree).getFalseExpression(), value);
      }
      default -> outcome(nature, tree, places.text(tree), String.valueOf(value));
    }
  }

  private void outcome(Nature nature, Tree at, String condition, String outcome) {
    outcomes.add(new NatureMarks.LeadingTo(nature, places.firstLine(at), condition, outcome));
  }

  @Override
  public Void visitSwitch(SwitchTree tree, Void none) {
    cases(tree, tree.getExpression(), tree.getCases());
    return super.visitSwitch(tree, none);
  }

  @Override
  public Void visitSwitchExpression(SwitchExpressionTree tree, Void none) {
    cases(tree, tree.getExpression(), tree.getCases());
    return super.visitSwitchExpression(tree, none);
  }

  private void cases(Tree tree, ExpressionTree on, List<? extends CaseTree> cases) {
    for (CaseTree at : cases) {
      Optional<Nature> nature =
          at.getBody() != null
              ? nature(at.getBody())
              : at.getStatements() == null || at.getStatements().isEmpty()
                  ? Optional.empty()
                  : common(at.getStatements());
      if (CaseLabels.isDefault(at)) {
        nature.ifPresent(
            n -> outcome(n, tree, "switch (" + places.text(Conditions.bare(on)) + ")", "default"));
      }
    }
  }

  @Override
  public Void visitLambdaExpression(LambdaExpressionTree tree, Void none) {
    otherLines.set(places.firstLine(tree));
    return super.visitLambdaExpression(tree, none);
  }
}
