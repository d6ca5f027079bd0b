package atalaya.cli.again;

import atalaya.cli.observe.JavaVersions;
import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.Joiner;
import atalaya.core.figure.MethodEntries;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.TestFigures;
import atalaya.core.inspect.Inside;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.leave.Leaving;
import atalaya.core.leave.Nature;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectModel;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.java.source.Statements;
import atalaya.store.runfile.RunFile;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;

/** Makes the model of some classes of a run again, from the class files and sources it keeps. */
public final class ModelAgain {
  private final RunFile run;
  private final Detail detail;
  private final Set<Nature> natures;

  /** Null before they were asked for. */
  private List<TestFigures> tests;

  /**
   * Of a run.
   *
   * @throws atalaya.cli.observe.NeedsNewerJava when this Java can't read its code
   */
  public ModelAgain(RunFile run) {
    JavaVersions.check(run.jvms(), run.classFiles());
    this.run = run;
    this.detail = run.info().detail();
    this.natures = Nature.in(run.info().leaveOut());
  }

  /** The tests of the run. */
  public List<TestFigures> tests() {
    if (tests == null) {
      tests = run.tests();
    }
    return tests;
  }

  /**
   * The insides of classes.
   *
   * @param only when given, the number of the only test that counts
   */
  public List<Inside> insides(List<ClassSummary> classes, Optional<Integer> only) {
    List<Inside> insides = new ArrayList<>();
    bySource(classes)
        .forEach(
            of -> {
              CompletableFuture<Inside.Source> source = inside(of);
              List<CodeClass> codes = ofOneSource(of);
              codes.forEach(code -> insides.add(inside(code, source.join(), only)));
            });
    return insides;
  }

  /** The source with its statements, which is read while the model is made of the same text. */
  private CompletableFuture<Inside.Source> inside(List<ClassSummary> classes) {
    Optional<KeptSource> kept = source(classes);
    return CompletableFuture.supplyAsync(
        () ->
            kept.map(s -> new Inside.Source(s.text(), Statements.in(text(classes.get(0), s))))
                .orElse(Inside.Source.NONE));
  }

  private static List<List<ClassSummary>> bySource(List<ClassSummary> classes) {
    Map<String, List<ClassSummary>> bySource = new LinkedHashMap<>();
    for (ClassSummary type : classes) {
      String key = type.path().isEmpty() ? type.name() : type.path();
      bySource.computeIfAbsent(key, p -> new ArrayList<>()).add(type);
    }
    return List.copyOf(bySource.values());
  }

  /** The models of classes, all of them in memory at once. */
  public List<CodeClass> codeAtOnce(List<ClassSummary> classes) {
    return together(bySource(classes));
  }

  /** The models of classes. */
  public List<CodeClass> code(List<ClassSummary> classes) {
    return bySource(classes).stream().flatMap(of -> ofOneSource(of).stream()).toList();
  }

  private Optional<KeptSource> source(List<ClassSummary> classes) {
    String path = classes.get(0).path();
    return path.isEmpty() ? Optional.empty() : run.source(path);
  }

  private List<CodeClass> ofOneSource(List<ClassSummary> classes) {
    return together(List.of(classes));
  }

  /** The models of the classes of several sources, read at once. */
  private List<CodeClass> together(List<List<ClassSummary>> sources) {
    List<ClassBytes> files = new ArrayList<>();
    List<SourceText> texts = new ArrayList<>();
    Set<String> wanted = new LinkedHashSet<>();
    for (List<ClassSummary> classes : sources) {
      Set<String> outermost = new LinkedHashSet<>();
      classes.forEach(type -> outermost.add(type.name().replaceAll("\\$.*", "")));
      for (String name : outermost) {
        for (KeptClass file : run.classFiles(name)) {
          files.add(new ClassBytes(file.module(), file.name(), file.bytes()));
        }
      }
      source(classes).ifPresent(source -> texts.add(text(classes.get(0), source)));
      classes.forEach(type -> wanted.add(type.name()));
    }
    ProjectModel model = ProjectReader.read(files, texts);
    Leaving leaving = new Leaving(natures);
    return model.classes().stream()
        .filter(code -> wanted.contains(code.name()))
        .map(code -> detail == Detail.METHODS ? MethodEntries.of(code) : code)
        .map(code -> leaving.from(code, model.naturesOf(code), new BitSet()))
        .toList();
  }

  /** A source of a run as its reader wants it. */
  public static SourceText text(ClassSummary type, KeptSource source) {
    String file = source.path().substring(source.path().lastIndexOf('/') + 1);
    String folder = type.packageName().replace('.', '/');
    return new SourceText(
        source.module(),
        source.path(),
        folder.isEmpty() ? file : folder + "/" + file,
        source.text());
  }

  private Map<String, Mutants> mutants(String className) {
    Map<String, Mutants> mutants = new HashMap<>();
    run.methods(className).forEach(m -> mutants.put(m.qualifiedName(), m.mutants()));
    return mutants;
  }

  private Inside inside(CodeClass code, Inside.Source source, Optional<Integer> only) {
    ClassReach all = run.reach(code.name());
    ClassReach reach = only.map(all::of).orElse(all);
    ClassFigures figures =
        new Joiner(detail)
            .join(code, reach, ClassState.REACHED, run.gaps(code.name()))
            .with(mutants(code.name()));
    return new Inside(code, figures, reach, source, run.tests(reach.byTest().keySet()));
  }
}
