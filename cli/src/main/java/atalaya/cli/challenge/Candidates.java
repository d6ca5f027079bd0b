package atalaya.cli.challenge;

import atalaya.cli.again.ModelAgain;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassSummary;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.TestFigures;
import atalaya.core.kept.KeptClass;
import atalaya.core.mutant.Reaching;
import atalaya.core.run.TestId;
import atalaya.java.ClassBytes;
import atalaya.java.SourceText;
import atalaya.points.Hash;
import atalaya.store.runfile.RunFile;
import atalaya.trial.find.PlantableMutant;
import atalaya.trial.find.ProjectMutants;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Finds the mutants of some methods of a run, and who reaches them. */
final class Candidates {
  private final RunFile run;
  private static final int HEXADECIMAL = 16;
  private static final int HASH_DIGITS = 64;
  private static final int LONG_DIGITS = 16;

  private final List<KeptClass> classFiles;
  private final Map<Integer, long[]> testBasis = new HashMap<>();

  Candidates(RunFile run, List<KeptClass> classFiles, List<TestFigures> tests) {
    this.run = run;
    this.classFiles = classFiles;
    Map<String, StringBuilder> byOutermost = new TreeMap<>();
    for (KeptClass file : classFiles) {
      if (file.isTest()) {
        String outermost = file.name().replaceAll("\\$.*", "");
        byOutermost.computeIfAbsent(outermost, o -> new StringBuilder()).append(file.hash());
      }
    }
    for (TestFigures test : tests) {
      String id = test.test().id();
      String type = TestId.of(id).topClass().replaceAll("\\$.*", "");
      String whole = id + byOutermost.getOrDefault(type, new StringBuilder());
      testBasis.put(test.test().number(), numbers(Hash.of(whole.getBytes(StandardCharsets.UTF_8))));
    }
  }

  /** Those of the methods given, class by class in the order of the source. */
  List<Candidate> of(List<MethodFigures> methods) {
    Set<String> wanted = new HashSet<>();
    Set<String> classNames = new HashSet<>();
    Set<String> paths = new HashSet<>();
    for (MethodFigures method : methods) {
      wanted.add(method.qualifiedName());
      classNames.add(method.className());
      paths.add(method.path());
    }
    List<ClassSummary> classes = run.someClasses(classNames::contains);
    List<SourceText> sources = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (ClassSummary type : classes) {
      if (paths.contains(type.path()) && !type.path().isEmpty() && seen.add(type.path())) {
        run.source(type.path()).ifPresent(source -> sources.add(ModelAgain.text(type, source)));
      }
    }
    List<ClassBytes> bytes =
        classFiles.stream()
            .filter(file -> !file.isTest())
            .map(file -> new ClassBytes(file.module(), file.name(), file.bytes()))
            .toList();
    Map<String, List<PlantableMutant>> found = ProjectMutants.find(bytes, sources);
    List<Candidate> candidates = new ArrayList<>();
    for (CodeClass code : new ModelAgain(run).code(classes)) {
      Reaching reaching = new Reaching(code, run.reach(code.name()));
      for (PlantableMutant mutant : found.getOrDefault(code.name(), List.of())) {
        if (wanted.contains(mutant.mutant().qualifiedName())) {
          candidates.add(candidate(mutant, reaching));
        }
      }
    }
    return candidates;
  }

  private Candidate candidate(PlantableMutant mutant, Reaching reaching) {
    String method = mutant.mutant().method();
    BitSet tests = new BitSet();
    boolean bySome = false;
    boolean outside = false;
    for (PlantableMutant.Place place : mutant.places()) {
      int line = place.line() == 0 ? mutant.mutant().line() : place.line();
      Reaching.Reached at = reaching.line(method, line);
      tests.or(at.tests());
      bySome |= at.bySome();
      outside |= at.outside();
    }
    Reaching.Reached reached = new Reaching.Reached(tests, bySome, outside);
    return new Candidate(mutant, reached, reaching.anyOf(method), basis(mutant, reached));
  }

  private String basis(PlantableMutant mutant, Reaching.Reached reached) {
    long[] tests = new long[HASH_DIGITS / LONG_DIGITS];
    reached.tests().stream()
        .mapToObj(testBasis::get)
        .forEach(one -> Arrays.setAll(tests, k -> tests[k] + one[k]));
    String all = mutant.codeHash() + Arrays.toString(tests) + reached.bySome() + reached.outside();
    return Hash.of(all.getBytes(StandardCharsets.UTF_8)).substring(0, 16);
  }

  /** A hash as numbers; their sums stand for a set of tests in any order. */
  private static long[] numbers(String hash) {
    long[] numbers = new long[HASH_DIGITS / LONG_DIGITS];
    Arrays.setAll(
        numbers,
        k ->
            Long.parseUnsignedLong(
                hash.substring(k * LONG_DIGITS, (k + 1) * LONG_DIGITS), HEXADECIMAL));
    return numbers;
  }
}
