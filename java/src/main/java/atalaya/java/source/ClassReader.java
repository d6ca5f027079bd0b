package atalaya.java.source;

import com.sun.source.tree.BlockTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.ExpressionStatementTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.StatementTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreeScanner;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import javax.lang.model.element.Modifier;

/** Reads the classes of one parsed file. */
final class ClassReader {
  private final Places places;

  ClassReader(Places places) {
    this.places = places;
  }

  SourceFile read() {
    Tree name = places.unit().getPackageName();
    List<SourceClass> classes = new ArrayList<>();
    for (Tree type : places.unit().getTypeDecls()) {
      if (type instanceof ClassTree tree) {
        classes.add(read(tree));
      }
    }
    return new SourceFile(name == null ? "" : name.toString(), classes, Natures.in(places));
  }

  private SourceClass read(ClassTree tree) {
    List<SourceMethod> methods = new ArrayList<>();
    List<SourceClass> members = new ArrayList<>();
    SourceCode fields = SourceCode.EMPTY;
    SourceCode statics = SourceCode.EMPTY;
    for (Tree member : tree.getMembers()) {
      if (member instanceof MethodTree method) {
        methods.add(method(method));
      } else if (member instanceof ClassTree inner) {
        members.add(read(inner));
      } else if (member instanceof BlockTree block) {
        SourceCode code = CodeWalker.statements(places, List.of(block));
        if (block.isStatic()) {
          statics = statics.then(code);
        } else {
          fields = fields.then(code);
        }
      } else if (member instanceof VariableTree field && field.getInitializer() != null) {
        SourceCode code = CodeWalker.statements(places, List.of(field));
        if (isStatic(tree, field)) {
          statics = statics.then(code);
        } else {
          fields = fields.then(code);
        }
      }
    }
    return new SourceClass(
        tree.getSimpleName().toString(),
        places.firstLine(tree),
        places.lastLine(tree),
        methods,
        fields,
        statics,
        members,
        locals(tree));
  }

  private static boolean isStatic(ClassTree owner, VariableTree field) {
    return owner.getKind() == Tree.Kind.INTERFACE
        || owner.getKind() == Tree.Kind.ANNOTATION_TYPE
        || field.getModifiers().getFlags().contains(Modifier.STATIC);
  }

  private SourceMethod method(MethodTree tree) {
    int lastLine = places.lastLine(tree);
    int firstLine = Math.min(places.line(nameStart(tree)), lastLine);
    BlockTree body = tree.getBody();
    String name = tree.getName().toString();
    if (body == null) {
      SourceCode none = SourceCode.EMPTY;
      return new SourceMethod(
          name, tree.getParameters().size(), firstLine, lastLine, false, none, none, false, false);
    }
    List<? extends StatementTree> statements = body.getStatements();
    boolean isConstructor = name.equals("<init>");
    int call = isConstructor ? constructorCall(statements) : -1;
    SourceCode before = CodeWalker.statements(places, statements.subList(0, call + 1));
    SourceCode after =
        CodeWalker.statements(places, statements.subList(call + 1, statements.size()));
    if (isConstructor && call < 0) {
      before.written().set(firstLine);
    }
    boolean empty = statements.isEmpty();
    if (empty) {
      after = after.then(SourceCode.ofBraces(lines(firstLine, lastLine)));
    }
    return new SourceMethod(
        name,
        tree.getParameters().size(),
        firstLine,
        lastLine,
        true,
        before,
        after,
        isConstructor && !(call >= 0 && callee(statements.get(call)).equals("this")),
        empty);
  }

  private static BitSet lines(int first, int last) {
    BitSet lines = new BitSet();
    lines.set(first, last + 1);
    return lines;
  }

  private long nameStart(MethodTree tree) {
    if (tree.getReturnType() != null) {
      return places.skipBlanks(places.end(tree.getReturnType()));
    }
    long modifiers = places.end(tree.getModifiers());
    return modifiers < 0 ? places.start(tree) : places.skipBlanks(modifiers);
  }

  private static int constructorCall(List<? extends StatementTree> statements) {
    for (int i = 0; i < statements.size(); i++) {
      String callee = callee(statements.get(i));
      if (callee.equals("this") || callee.equals("super")) {
        return i;
      }
    }
    return -1;
  }

  /** {@code this} or {@code super} when the statement calls another constructor. */
  private static String callee(StatementTree statement) {
    if (statement instanceof ExpressionStatementTree expression
        && expression.getExpression() instanceof MethodInvocationTree call) {
      Tree select = call.getMethodSelect();
      if (select instanceof IdentifierTree name) {
        return name.getName().toString();
      }
      if (select instanceof com.sun.source.tree.MemberSelectTree outer
          && outer.getIdentifier().contentEquals("super")) {
        return "super";
      }
    }
    return "";
  }

  /** The classes that stand in the code of a class, lambdas included, but not in their own code. */
  private List<SourceClass> locals(ClassTree owner) {
    List<SourceClass> found = new ArrayList<>();
    TreeScanner<Void, Void> finder =
        new TreeScanner<>() {
          @Override
          public Void visitClass(ClassTree tree, Void none) {
            found.add(read(tree));
            return null;
          }

          @Override
          public Void visitNewClass(NewClassTree tree, Void none) {
            scan(tree.getEnclosingExpression(), none);
            scan(tree.getArguments(), none);
            scan(tree.getClassBody(), none);
            return null;
          }
        };
    for (Tree member : owner.getMembers()) {
      if (!(member instanceof ClassTree)) {
        finder.scan(member, null);
      }
    }
    return found;
  }
}
