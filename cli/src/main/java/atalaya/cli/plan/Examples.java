package atalaya.cli.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import atalaya.core.plan.Brief;
import atalaya.core.plan.Scene;
import atalaya.core.plan.Way;
import atalaya.ways.code.CodeBase;
import atalaya.ways.uses.TestUses;
import atalaya.ways.uses.Use;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What tests have already of what a brief needs, where there is no code for it: a call of the same
 * method, or else an object of its class, and the objects that a person has to make.
 */
final class Examples {
  private static final int MOST = 3;

  private final Scene scene;
  private final CodeBase base;
  private final TestUses uses;

  Examples(Scene scene, CodeBase base, TestUses uses) {
    this.scene = scene;
    this.base = base;
    this.uses = uses;
  }

  Brief add(Brief brief) {
    List<Way> ways =
        brief.way().stream()
            .flatMap(way -> Stream.concat(Stream.of(way), way.also().stream()))
            .filter(way -> !way.hasCode())
            .toList();
    if (ways.isEmpty()) {
      return brief;
    }
    String className = className(ways.get(0));
    List<String> near = List.of(brief.start().testClass(), scene.home(className).name());
    Stream<Use> made =
        ways.stream()
            .flatMap(way -> way.setUp().byHand().stream())
            .distinct()
            .map(type -> base.orBelow(type.replace('.', '/')))
            .flatMap(types -> uses.making(types, near).stream());
    return brief.with(
        Stream.concat(calling(ways.get(0), near).stream(), made)
            .filter(use -> use.line() > 0)
            .map(use -> new Brief.Example(use.code(), place(use)))
            .distinct()
            .limit(MOST)
            .toList());
  }

  private static String className(Way way) {
    return way.entry().substring(0, way.entry().indexOf('#'));
  }

  /** A call of the same method, or else how the object is made that it is called on. */
  private Optional<Use> calling(Way way, List<String> near) {
    String className = className(way);
    String type = className.replace('.', '/');
    Optional<String> code =
        scene.code(className).map(CodeClass::methods).stream()
            .flatMap(List::stream)
            .filter(method -> way.entry().equals(className + "#" + method.name()))
            .map(Method::code)
            .findFirst();
    if (code.isEmpty()) {
      return Optional.empty();
    }
    boolean isMaking = code.get().startsWith("<init>");
    Set<String> family = isMaking ? Set.of(type) : base.family(type);
    return uses.calling(family, code.get(), near).or(() -> uses.making(base.orBelow(type), near));
  }

  private static String place(Use use) {
    return use.file().isEmpty()
        ? use.testClass() + " line " + use.line()
        : use.file() + " line " + use.line();
  }
}
