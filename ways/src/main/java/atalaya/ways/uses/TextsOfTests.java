package atalaya.ways.uses;

import atalaya.core.term.Term;
import atalaya.points.PointVisitor;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.Type;

/**
 * The texts that tests pass to methods of the project, by the name of the parameter: where any text
 * will do, such a one does better than others.
 */
public final class TextsOfTests {
  private static final String TEXT = "Ljava/lang/String;";

  /** So many test classes are read, the first by name. */
  private static final int MOST_CLASSES = 400;

  private static final int MOST = 3;

  private static final Pattern SHORT_LINE = Pattern.compile("[ -~]{1,30}");

  /** What the name of one of several has behind that of a single one: {@code emails[0]}. */
  private static final Pattern OF_SEVERAL = Pattern.compile("s?(\\[\\d+\\])?$");

  private final Map<String, byte[]> testClasses;
  private final Function<String, Optional<byte[]>> classFiles;
  private volatile Map<String, List<String>> byName;

  /**
   * Of a project; nothing is read before something is asked for.
   *
   * @param testClasses by binary name
   * @param classFiles of classes of the project, by internal name
   */
  public TextsOfTests(
      Map<String, byte[]> testClasses, Function<String, Optional<byte[]>> classFiles) {
    this.testClasses = new TreeMap<>(testClasses);
    this.classFiles = classFiles;
  }

  /** For an input, those that are passed most often, the shortest first; mostly none. */
  public List<String> of(Term.Input input) {
    if (!input.isForTests() || !input.type().equals(TEXT)) {
      return List.of();
    }
    if (byName == null) {
      byName = read();
    }
    String name = input.name().substring(1 + input.name().lastIndexOf('.'));
    List<String> exactly = byName.getOrDefault(name, List.of());
    return exactly.isEmpty()
        ? byName.getOrDefault(OF_SEVERAL.matcher(name).replaceFirst(""), List.of())
        : exactly;
  }

  private Map<String, List<String>> read() {
    Map<String, Map<String, Map<Integer, List<String>>>> passed = new HashMap<>();
    testClasses.values().stream().limit(MOST_CLASSES).toList().parallelStream()
        .map(PassedTexts::in)
        .flatMap(List::stream)
        .filter(text -> SHORT_LINE.matcher(text.text()).matches())
        .toList()
        .forEach(
            text ->
                passed
                    .computeIfAbsent(text.type(), type -> new HashMap<>())
                    .computeIfAbsent(text.method(), method -> new HashMap<>())
                    .computeIfAbsent(text.slot(), slot -> new ArrayList<>())
                    .add(text.text()));
    Map<String, Map<String, Integer>> counted = new HashMap<>();
    passed.forEach(
        (type, methods) ->
            classFiles.apply(type).ifPresent(file -> addNamed(file, methods, counted)));
    Map<String, List<String>> best = new HashMap<>();
    counted.forEach((name, texts) -> best.put(name, best(texts)));
    return best;
  }

  private static List<String> best(Map<String, Integer> texts) {
    return texts.entrySet().stream()
        .sorted(
            Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder())
                .thenComparing(entry -> entry.getKey().length())
                .thenComparing(Map.Entry.comparingByKey()))
        .limit(MOST)
        .map(Map.Entry::getKey)
        .toList();
  }

  /** Adds the texts that are passed to methods of a class by the names of their parameters. */
  private static void addNamed(
      byte[] classFile,
      Map<String, Map<Integer, List<String>>> methods,
      Map<String, Map<String, Integer>> counted) {
    ClassVisitor names =
        new ClassVisitor(PointVisitor.ASM) {
          @Override
          public MethodVisitor visitMethod(
              int access, String name, String descriptor, String signature, String[] thrown) {
            Map<Integer, List<String>> passed = methods.get(name + descriptor);
            int end =
                (Type.getArgumentsAndReturnSizes(descriptor) >> 2)
                    - ((access & Opcodes.ACC_STATIC) == 0 ? 0 : 1);
            return passed == null
                ? null
                : new MethodVisitor(PointVisitor.ASM) {
                  @Override
                  public void visitLocalVariable(
                      String name, String type, String signature, Label from, Label to, int slot) {
                    if (slot < end && passed.containsKey(slot)) {
                      Map<String, Integer> texts =
                          counted.computeIfAbsent(name, n -> new HashMap<>());
                      passed.get(slot).forEach(text -> texts.merge(text, 1, Integer::sum));
                    }
                  }
                };
          }
        };
    new ClassReader(classFile).accept(names, ClassReader.SKIP_FRAMES);
  }
}
