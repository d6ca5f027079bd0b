package atalaya.java.source;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.Tree;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.util.ArrayList;
import java.util.List;

/** The labels of a {@code case}. What is newer than Java 17 is asked for by its name. */
final class CaseLabels {
  private CaseLabels() {}

  /** What a label is. */
  enum Kind {
    CONSTANT,
    NULL,
    PATTERN,
    DEFAULT
  }

  /**
   * A label.
   *
   * @param tree the constant or the pattern
   */
  record CaseLabel(Kind kind, Tree tree) {}

  static List<CaseLabel> of(CaseTree tree) {
    List<CaseLabel> labels = new ArrayList<>();
    Object all = ask(tree, CaseTree.class, "getLabels");
    if (all instanceof List<?> list) {
      list.forEach(label -> labels.add(label((Tree) label)));
    } else {
      tree.getExpressions().forEach(constant -> labels.add(constant(constant)));
      if (labels.isEmpty()) {
        labels.add(new CaseLabel(Kind.DEFAULT, tree));
      }
    }
    return labels;
  }

  /** The condition behind {@code when}, or null. */
  static ExpressionTree guard(CaseTree tree) {
    return (ExpressionTree) ask(tree, CaseTree.class, "getGuard");
  }

  /** Whether one of the cases holds a pattern or {@code null}: then the switch is exhaustive. */
  static boolean havePatterns(List<? extends CaseTree> cases) {
    return cases.stream()
        .flatMap(at -> of(at).stream())
        .anyMatch(label -> label.kind() == Kind.PATTERN || label.kind() == Kind.NULL);
  }

  static boolean holdPattern(CaseTree tree) {
    return of(tree).stream().anyMatch(label -> label.kind() == Kind.PATTERN);
  }

  static boolean isDefault(CaseTree tree) {
    return of(tree).stream().anyMatch(label -> label.kind() == Kind.DEFAULT);
  }

  /** The pattern of a label that is one. */
  static Tree pattern(CaseLabel label) {
    Tree pattern = (Tree) ask(label.tree(), null, "getPattern");
    return pattern == null ? label.tree() : pattern;
  }

  private static CaseLabel label(Tree label) {
    return switch (label.getKind().name()) {
      case "DEFAULT_CASE_LABEL" -> new CaseLabel(Kind.DEFAULT, label);
      case "CONSTANT_CASE_LABEL" -> constant((Tree) ask(label, null, "getConstantExpression"));
      case "PATTERN_CASE_LABEL" -> new CaseLabel(Kind.PATTERN, label);
      default -> constant(label);
    };
  }

  private static CaseLabel constant(Tree tree) {
    boolean isNull = tree instanceof LiteralTree literal && literal.getValue() == null;
    return new CaseLabel(isNull ? Kind.NULL : Kind.CONSTANT, tree);
  }

  /**
   * Calls a method that this Java's compiler may not have.
   *
   * @param type the public type that declares it; null for the public interface of the tree's kind
   * @return null when there is no such method
   */
  private static Object ask(Tree tree, Class<?> type, String name) {
    Class<?> declaring = type == null ? tree.getKind().asInterface() : type;
    try {
      Method method = declaring.getMethod(name);
      return method.invoke(tree);
    } catch (NoSuchMethodException e) {
      return null;
    } catch (IllegalAccessException | InvocationTargetException e) {
      throw new IllegalStateException("can't read a label: " + tree, e);
    }
  }
}
