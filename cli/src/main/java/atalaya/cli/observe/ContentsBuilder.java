package atalaya.cli.observe;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.ObservedJvm;
import atalaya.core.kept.RunContents;
import atalaya.core.leave.Nature;
import atalaya.core.naming.PathPatterns;
import atalaya.core.run.ClassReach;
import atalaya.core.run.NotObserved;
import atalaya.core.run.NotObserved.Reason;
import atalaya.core.run.RunInfo;
import atalaya.java.ProjectModel;
import atalaya.launch.parts.ClassVersion;
import atalaya.launch.parts.Collected;
import atalaya.launch.project.FoundClass;
import atalaya.launch.project.FoundSource;
import atalaya.launch.project.Project;
import atalaya.points.Hash;
import atalaya.points.Jvm;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Puts together what a run file holds: what was read of the project, and what was reached. */
final class ContentsBuilder {
  private final Project project;
  private final RunInfo info;
  private final Collected collected;
  private final Map<String, FoundClass> classes = new LinkedHashMap<>();
  private final Map<String, String> hashes;
  private final List<FoundClass> tests;
  private final List<FoundSource> sources;
  private final ProjectModel model;
  private final Set<String> loadedNames = new HashSet<>();
  private final List<NotObserved> notObserved = new ArrayList<>();
  private final PathPatterns only;
  private final PathPatterns leaveOut;

  ContentsBuilder(
      Project project,
      RunInfo info,
      Collected collected,
      ProjectCode code,
      ProjectModel model,
      List<FoundClass> tests) {
    this.project = project;
    this.info = info;
    this.collected = collected;
    this.tests = tests;
    this.model = model;
    this.sources = code.sources();
    this.only = PathPatterns.of(info.only());
    this.leaveOut = PathPatterns.of(Nature.without(info.leaveOut()));
    for (FoundClass found : code.classes()) {
      this.classes.putIfAbsent(found.name(), found);
    }
    this.hashes =
        this.classes.values().parallelStream()
            .collect(Collectors.toMap(FoundClass::name, found -> Hash.of(found.bytes())));
    collected.reach().keySet().forEach(version -> loadedNames.add(version.name()));
  }

  RunContents build() {
    CodeWithGaps code = CodeWithGaps.of(model, info, this::reach);
    Derived derived = Derived.of(code, info.detail(), this::reach, this::state, collected.tests());
    problems(code.model());
    return new RunContents(
        info,
        collected.jvms().stream().map(ContentsBuilder::jvm).toList(),
        keptClasses(),
        keptSources(),
        derived.reach(),
        derived.figures(),
        derived.tests(),
        code.leftOut(),
        notObserved,
        collected.uncaught());
  }

  private ClassReach reach(String name) {
    ClassVersion onDisk = new ClassVersion(name, hashes.get(name));
    return collected.reach().getOrDefault(onDisk, ClassReach.none());
  }

  private ClassState state(CodeClass code, ClassReach reach) {
    String path = code.path().isEmpty() ? code.name().replace('.', '/') : code.path();
    if (leaveOut.match(path) || !only.isEmpty() && !only.match(path)) {
      return ClassState.LEFT_OUT;
    }
    if (!loadedNames.contains(code.name())) {
      return ClassState.NEVER_LOADED;
    }
    return code.hasLineIn(reach.all()) ? ClassState.REACHED : ClassState.LOADED;
  }

  private void problems(ProjectModel model) {
    for (CodeClass code : model.classes()) {
      boolean loaded = loadedNames.contains(code.name());
      if (!loaded) {
        notObserved.add(new NotObserved(Reason.NEVER_LOADED, code.name(), ""));
      } else if (!collected
          .reach()
          .containsKey(new ClassVersion(code.name(), hashes.get(code.name())))) {
        notObserved.add(new NotObserved(Reason.OTHER_BYTES, code.name(), ""));
      }
    }
    notObserved.addAll(model.problems());
    Set<String> known = new HashSet<>();
    model.problems().forEach(problem -> known.add(problem.what()));
    collected.problems().stream()
        .filter(problem -> !known.contains(problem.what()))
        .forEach(notObserved::add);
    model
        .brokenSources()
        .forEach(path -> notObserved.add(new NotObserved(Reason.UNPARSED, path, "")));
    sourceProblems(model);
  }

  private void sourceProblems(ProjectModel model) {
    Map<String, Long> builtAt = new HashMap<>();
    model
        .pathOfClass()
        .forEach((name, path) -> builtAt.merge(path, classes.get(name).modified(), Math::min));
    Set<String> unreadable = new HashSet<>();
    model.problems().forEach(problem -> unreadable.add(problem.what()));
    Set<String> classless = new HashSet<>();
    for (FoundSource source : sources) {
      String path = project.relative(source.file());
      String name = source.file().getFileName().toString();
      if (!builtAt.containsKey(path)) {
        boolean codeless = name.equals("package-info.java") || name.equals("module-info.java");
        boolean built = unreadable.contains(className(source));
        if (!codeless && !built && classless.add(path)) {
          notObserved.add(new NotObserved(Reason.NO_CLASS, path, ""));
        }
      } else if (source.modified() > builtAt.get(path)) {
        notObserved.add(new NotObserved(Reason.STALE, path, ""));
      }
    }
  }

  private static String className(FoundSource source) {
    return source.packagePath().replaceAll("\\.java$", "").replace('/', '.');
  }

  private List<KeptClass> keptClasses() {
    List<KeptClass> kept = new ArrayList<>();
    classes.values().forEach(found -> kept.add(kept(found, hashes.get(found.name()), false)));
    kept.addAll(
        tests.parallelStream().map(found -> kept(found, Hash.of(found.bytes()), true)).toList());
    return kept;
  }

  private KeptClass kept(FoundClass found, String hash, boolean isTest) {
    return new KeptClass(
        found.module().name(),
        found.name(),
        project.relative(found.file()),
        found.modified(),
        hash,
        isTest,
        found.bytes());
  }

  private List<KeptSource> keptSources() {
    return sources.parallelStream()
        .map(
            s ->
                new KeptSource(
                    s.module().name(),
                    project.relative(s.file()),
                    s.modified(),
                    Hash.of(s.text().getBytes(StandardCharsets.UTF_8)),
                    s.text()))
        .toList();
  }

  static ObservedJvm jvm(Jvm jvm) {
    return new ObservedJvm(
        jvm.id,
        jvm.started,
        jvm.javaVersion,
        jvm.javaHome,
        jvm.mainCommand,
        jvm.workingDirectory,
        jvm.options,
        jvm.classPath,
        jvm.properties,
        jvm.environment);
  }
}
