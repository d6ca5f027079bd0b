package atalaya.java.source;

import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import javax.lang.model.element.Modifier;

/** Finds boolean constants: conditions on them leave no jump behind. */
final class Constants {
  private static final Set<Modifier> CONSTANT = Set.of(Modifier.STATIC, Modifier.FINAL);

  private Constants() {}

  static Map<String, Boolean> in(CompilationUnitTree unit) {
    Map<String, Boolean> constants = new HashMap<>();
    new TreeScanner<Void, Void>() {
      @Override
      public Void visitVariable(VariableTree tree, Void none) {
        if (tree.getModifiers().getFlags().containsAll(CONSTANT)
            && tree.getInitializer() instanceof LiteralTree literal
            && literal.getValue() instanceof Boolean value) {
          constants.put(tree.getName().toString(), value);
        }
        return super.visitVariable(tree, none);
      }
    }.scan(unit, null);
    return constants;
  }
}
