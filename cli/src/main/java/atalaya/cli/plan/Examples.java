package atalaya.cli.plan;

import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import atalaya.core.plan.Brief;
import atalaya.core.plan.Scene;
import atalaya.core.plan.Way;
import atalaya.java.uses.TestUses;
import atalaya.java.uses.Use;
import atalaya.java.way.code.CodeBase;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What tests have already of what a brief needs, where there is no code for it: a call of the same
 * method, or else an object of its class.
 */
final class Examples {
  private final Scene scene;
  private final CodeBase base;
  private final TestUses uses;

  Examples(Scene scene, CodeBase base, TestUses uses) {
    this.scene = scene;
    this.base = base;
    this.uses = uses;
  }

  Brief add(Brief brief) {
    return brief
        .way()
        .flatMap(Examples::withoutCode)
        .flatMap(way -> use(way, brief.start()))
        .map(use -> brief.with(new Brief.Example(use.code(), place(use))))
        .orElse(brief);
  }

  private static Optional<Way> withoutCode(Way way) {
    return Stream.concat(Stream.of(way), way.also().stream())
        .filter(one -> !one.hasCode())
        .findFirst();
  }

  private Optional<Use> use(Way way, Brief.Start start) {
    String entry = way.entry();
    String className = entry.substring(0, entry.indexOf('#'));
    String type = className.replace('.', '/');
    Optional<String> code =
        scene.code(className).map(CodeClass::methods).stream()
            .flatMap(List::stream)
            .filter(method -> entry.equals(className + "#" + method.name()))
            .map(Method::code)
            .findFirst();
    if (code.isEmpty()) {
      return Optional.empty();
    }
    boolean isMaking = code.get().startsWith("<init>");
    Set<String> family = isMaking ? Set.of(type) : base.family(type);
    List<String> near = List.of(start.testClass(), scene.home(className).name());
    return uses.calling(family, code.get(), near)
        .or(() -> uses.making(Set.of(type), near))
        .filter(use -> use.line() > 0);
  }

  private static String place(Use use) {
    return use.file().isEmpty()
        ? use.testClass() + " line " + use.line()
        : use.file() + " line " + use.line();
  }
}
