package atalaya.java.match;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Complexity;
import atalaya.core.code.Method;
import atalaya.core.code.Outcome;
import atalaya.java.bytecode.ClassFile;
import atalaya.java.bytecode.CodeItem;
import atalaya.java.bytecode.CodeMethod;
import atalaya.java.source.SourceClass;
import atalaya.java.source.SourceCode;
import atalaya.java.source.SourceHandler;
import atalaya.java.source.SourceItem;
import atalaya.java.source.SourceMethod;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;

/** Makes the model of one class from its class file and, where there is one, its source. */
final class ClassMatcher {
  private static final String CONSTRUCTOR = "<init>";
  private static final String INITIALISER = "<clinit>";

  /** Told what was matched. */
  interface Listener {
    /**
     * A method, or a lambda's body, was laid beside its source.
     *
     * @param owner of a line, the method of the model
     */
    void matched(
        CodeMethod method,
        SourceCode source,
        Map<CodeItem, SourceItem> meanings,
        IntFunction<Owner> owner);
  }

  private final ClassFile file;
  private final Listener listener;
  private final Function<String, Map<Integer, String>> enumMaps;
  private final Map<String, CodeMethod> lambdaBodies = new HashMap<>();
  private final Set<CodeMethod> done = Collections.newSetFromMap(new IdentityHashMap<>());
  private final List<Owner> owners = new ArrayList<>();
  private int jumps;
  private int jumpsMatched;

  /**
   * Begins.
   *
   * @param enumMaps the constants by switch key, for each array that the compiler keeps for it
   */
  ClassMatcher(ClassFile file, Function<String, Map<Integer, String>> enumMaps, Listener listener) {
    this.file = file;
    this.enumMaps = enumMaps;
    this.listener = listener;
    for (CodeMethod method : file.methods()) {
      if (method.isLambdaBody()) {
        lambdaBodies.put(method.key(), method);
      }
    }
  }

  /** The model by the class file alone. */
  CodeClass alone(String module, String path) {
    for (CodeMethod method : file.methods()) {
      if (!method.synthetic() && method.hasCode() && !isMadeForEnum(method)) {
        Owner owner =
            new Owner(
                MethodNames.of(file, method, null),
                method.key(),
                0,
                0,
                new Complexity(complexity(method), Complexity.Origin.BYTECODE));
        owners.add(owner);
        boolean only = method.lines().length == 1;
        gather(method, SourceCode.EMPTY, line -> owner, line -> true, only);
      }
    }
    return model(module, path);
  }

  private boolean isMadeForEnum(CodeMethod method) {
    return file.isEnum()
        && (method.name().equals("values") && method.descriptor().startsWith("()")
            || method.name().equals("valueOf")
                && method.descriptor().startsWith("(Ljava/lang/String;)"));
  }

  private int complexity(CodeMethod method) {
    int value = 1 + method.handlers();
    for (CodeItem item : method.items()) {
      if (item instanceof CodeItem.Jump jump && !jump.compilerMade()) {
        value++;
      } else if (item instanceof CodeItem.Choice choice && !choice.compilerMade()) {
        Set<Integer> targets = new HashSet<>();
        for (int target : choice.targets()) {
          targets.add(target);
        }
        targets.remove(choice.target());
        value += targets.size();
      } else if (item instanceof CodeItem.LambdaMade lambda
          && lambdaBodies.containsKey(lambda.body())) {
        value += complexity(lambdaBodies.get(lambda.body())) - 1;
      }
    }
    return value;
  }

  /** The model by class file and source. */
  CodeClass with(SourceClass source, String module, String path) {
    Map<CodeMethod, SourceMethod> pairs = MethodPairs.of(file, source);
    Map<SourceMethod, Owner> ownerOf = new IdentityHashMap<>();
    Owner ofFields = null;
    for (SourceMethod method : source.methods()) {
      CodeMethod code = codeOf(pairs, method);
      if (code == null || !method.hasBody()) {
        continue;
      }
      int decisions = method.code().decisions() + method.afterFields().decisions();
      boolean holdsFields = ofFields == null && method.name().equals(CONSTRUCTOR);
      if (holdsFields) {
        decisions += source.fields().decisions();
      }
      String name = MethodNames.of(file, code, method);
      Owner owner =
          new Owner(name, code.key(), method.firstLine(), method.lastLine(), fromSource(decisions));
      owners.add(owner);
      ownerOf.put(method, owner);
      ofFields = holdsFields ? owner : ofFields;
    }
    if (ofFields == null) {
      ofFields =
          new Owner(
              CONSTRUCTOR + "()",
              noConstructorWritten(),
              0,
              0,
              fromSource(source.fields().decisions()));
      owners.add(ofFields);
    }
    Owner ofStatics =
        new Owner(
            INITIALISER + "()",
            INITIALISER + "()V",
            0,
            0,
            fromSource(source.statics().decisions()));
    owners.add(ofStatics);
    for (CodeMethod method : file.methods()) {
      if (!method.synthetic() && method.hasCode()) {
        gather(method, source, pairs.get(method), ownerOf, ofFields, ofStatics);
      }
    }
    return model(module, path);
  }

  /** The constructor that the compiler made, where it is the only one. */
  private String noConstructorWritten() {
    List<String> all =
        file.methods().stream()
            .filter(method -> method.name().equals(CONSTRUCTOR) && !method.synthetic())
            .map(CodeMethod::key)
            .toList();
    return all.size() == 1 ? all.get(0) : "";
  }

  private static Complexity fromSource(int decisions) {
    return new Complexity(1 + decisions, Complexity.Origin.SOURCE);
  }

  private static CodeMethod codeOf(Map<CodeMethod, SourceMethod> pairs, SourceMethod wanted) {
    for (var pair : pairs.entrySet()) {
      if (pair.getValue() == wanted) {
        return pair.getKey();
      }
    }
    return null;
  }

  private void gather(
      CodeMethod method,
      SourceClass source,
      SourceMethod written,
      Map<SourceMethod, Owner> ownerOf,
      Owner ofFields,
      Owner ofStatics) {
    Owner own = written == null ? null : ownerOf.get(written);
    SourceCode code;
    IntFunction<Owner> owner;
    if (method.name().equals(INITIALISER)) {
      code = source.statics();
      owner = line -> ofStatics;
    } else if (method.name().equals(CONSTRUCTOR)) {
      code = written == null ? SourceCode.EMPTY : written.code();
      if (written == null || written.initialisesFields()) {
        code = code.then(source.fields());
      }
      code = written == null ? code : code.then(written.afterFields());
      owner = line -> own != null && written.covers(line) ? own : ofFields;
    } else if (own != null) {
      code = written.code().then(written.afterFields());
      owner = line -> own;
    } else {
      return;
    }
    gather(method, code, owner, code.written()::get, true);
  }

  /**
   * Gathers the lines and conditions of one method of the class file, and of the lambdas in it.
   *
   * @param counts whether a line holds anything that a person wrote
   * @param lastReturn whether a return on a line of its own at the end counts
   */
  private void gather(
      CodeMethod method,
      SourceCode source,
      IntFunction<Owner> owner,
      IntPredicate counts,
      boolean lastReturn) {
    if (!done.add(method)) {
      return;
    }
    Map<CodeItem, SourceItem> meanings = Meanings.of(method, source, lambdaBodies);
    Map<CodeItem, Integer> passed = PatternTests.passed(Meanings.steering(method), meanings);
    Map<CodeItem.HandlerEntry, SourceHandler> handlers = handlers(method, source);
    handlers.forEach(
        (entry, handler) -> owner.apply(handler.line()).handler(handler, entry.point()));
    loops(method, meanings, owner);
    listener.matched(method, source, meanings, owner);
    for (LinePoint at : LinePoint.of(method, source, handlers, lastReturn)) {
      if (counts.test(at.line())) {
        owner.apply(at.line()).line(at.line(), at.point());
      }
    }
    for (CodeItem item : Meanings.steering(method)) {
      if (item instanceof CodeItem.LambdaMade lambda) {
        lambda(lambda, (SourceItem.LambdaHere) meanings.get(item), owner, counts, lastReturn);
      } else if (!(item instanceof CodeItem.LoopHead)) {
        condition(item, meanings.get(item), passed, owner, counts);
      }
    }
  }

  private static Map<CodeItem.HandlerEntry, SourceHandler> handlers(
      CodeMethod method, SourceCode source) {
    List<SourceHandler> written =
        source.items().stream()
            .filter(SourceItem.Catch.class::isInstance)
            .map(item -> ((SourceItem.Catch) item).handler())
            .toList();
    return HandlerMatch.of(written, method.items(CodeItem.HandlerEntry.class));
  }

  private static void loops(
      CodeMethod method, Map<CodeItem, SourceItem> meanings, IntFunction<Owner> owner) {
    meanings.forEach(
        (item, meaning) -> {
          if (item instanceof CodeItem.LoopHead head && meaning instanceof SourceItem.LoopHere of) {
            LoopMatch.of(of.loop(), head, method, meanings)
                .ifPresent(match -> owner.apply(of.loop().line()).loop(of.loop(), match));
          }
        });
  }

  private void lambda(
      CodeItem.LambdaMade made,
      SourceItem.LambdaHere here,
      IntFunction<Owner> owner,
      IntPredicate counts,
      boolean lastReturn) {
    CodeMethod body = lambdaBodies.get(made.body());
    if (body == null) {
      return;
    }
    Owner of = owner.apply(made.line());
    if (here == null) {
      gather(body, SourceCode.EMPTY, line -> of, counts, lastReturn);
    } else {
      SourceCode code = here.lambda().body();
      gather(body, code, line -> of, code.written()::get, true);
    }
  }

  private void condition(
      CodeItem item,
      SourceItem meaning,
      Map<CodeItem, Integer> passed,
      IntFunction<Owner> owner,
      IntPredicate counts) {
    boolean onConstant =
        item instanceof CodeItem.Jump jump && jump.evidence().equals(CodeItem.CONSTANT);
    if (meaning instanceof SourceItem.CompilerMade || meaning == null && onConstant) {
      return;
    }
    if (meaning instanceof SourceItem.PatternTest test && item instanceof CodeItem.Jump jump) {
      if (test.whole() != null) {
        owner
            .apply(test.whole().line())
            .matched(test.whole(), Map.of(test.whole().outcomes().get(1), bit(jump.point())));
      }
      return;
    }
    if (meaning instanceof SourceItem.Test test && item instanceof CodeItem.Jump jump) {
      matched();
      Owner of = owner.apply(test.condition().line());
      of.nextJump(item.line());
      of.matched(
          test.condition(),
          Map.of(
              test.whenJumping(),
              bit(jump.point()),
              test.whenNot(),
              bit(passed.getOrDefault(item, jump.point() + 1))));
      return;
    }
    if (meaning instanceof SourceItem.Selection selection
        && item instanceof CodeItem.Choice choice) {
      var points = SwitchMatch.points(selection, choice, enumMaps.apply(choice.enumMap()));
      if (points.isPresent()) {
        matched();
        Owner of = owner.apply(selection.condition().line());
        of.nextJump(item.line());
        of.matched(selection.condition(), points.get());
        return;
      }
    }
    if (item.line() == 0 || counts.test(item.line())) {
      jumps++;
      Owner of = owner.apply(item.line());
      of.unmatched(item.line(), of.nextJump(item.line()), outcomes(item));
    }
  }

  private void matched() {
    jumps++;
    jumpsMatched++;
  }

  private static List<Outcome> outcomes(CodeItem item) {
    if (item instanceof CodeItem.Jump jump) {
      return List.of(
          new Outcome("jump", bit(jump.point())), new Outcome("next", bit(jump.point() + 1)));
    }
    CodeItem.Choice choice = (CodeItem.Choice) item;
    List<Outcome> outcomes = new ArrayList<>();
    BitSet ofDefault = bit(choice.point() + choice.keys().length);
    for (int i = 0; i < choice.keys().length; i++) {
      if (choice.targets()[i] == choice.target()) {
        ofDefault.set(choice.point() + i);
      } else {
        outcomes.add(new Outcome(String.valueOf(choice.keys()[i]), bit(choice.point() + i)));
      }
    }
    outcomes.add(new Outcome("default", ofDefault));
    return outcomes;
  }

  private static BitSet bit(int point) {
    BitSet bits = new BitSet();
    bits.set(point);
    return bits;
  }

  private CodeClass model(String module, String path) {
    List<Method> methods = owners.stream().flatMap(owner -> owner.method().stream()).toList();
    return new CodeClass(file.name(), module, path, methods, jumps, jumpsMatched, file.flow());
  }
}
