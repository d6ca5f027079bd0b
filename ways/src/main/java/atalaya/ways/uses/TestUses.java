package atalaya.ways.uses;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.Type;
import org.objectweb.asm.tree.AbstractInsnNode;
import org.objectweb.asm.tree.ClassNode;
import org.objectweb.asm.tree.LineNumberNode;
import org.objectweb.asm.tree.MethodInsnNode;
import org.objectweb.asm.tree.MethodNode;
import org.objectweb.asm.tree.analysis.Analyzer;
import org.objectweb.asm.tree.analysis.AnalyzerException;

/** The calls that tests make, by what is called; each test class is read when it is asked for. */
public final class TestUses {
  /** So many classes are read for one answer, those of tests that are near first. */
  private static final int MOST_CLASSES = 12;

  /** Code that begins with a class, and not with what a variable holds. */
  private static final Pattern BY_CLASS = Pattern.compile("^(new )?\\p{Lu}");

  /** In the constant pool (JVM specification, 4.4). */
  private static final int CLASS = 7;

  private final Map<String, byte[]> classFiles;
  private final Map<String, Set<String>> named = new HashMap<>();
  private final Map<String, List<Found>> read = new HashMap<>();

  /** A call with what it gives, by descriptor. */
  private record Found(String owner, String method, String type, Use use) {}

  /** Of test classes, by binary name. */
  public TestUses(Map<String, byte[]> classFiles) {
    this.classFiles = new TreeMap<>(classFiles);
  }

  /**
   * How a method is called.
   *
   * @param owners internal names of the class and of those above and below it
   * @param method its name and descriptor, one after the other
   * @param near binary names of test classes, which are looked into first
   */
  public Optional<Use> calling(Set<String> owners, String method, List<String> near) {
    return best(near, found -> isCalling(found, owners, method), owners);
  }

  /**
   * How an object is made, where it is made of something, and by what is not the test's own.
   *
   * @param types internal names of classes, any of which will do
   * @param near binary names of test classes, which are looked into first
   */
  public Optional<Use> making(Set<String> types, List<String> near) {
    return best(near, found -> isMaking(found, types), types);
  }

  private static boolean isCalling(Found found, Set<String> owners, String method) {
    return found.method().equals(method)
        && owners.contains(found.owner())
        && !found.use().code().startsWith("(" + Spoken.ANY);
  }

  private static boolean isMaking(Found found, Set<String> types) {
    boolean isConstructor = found.method().startsWith("<init>");
    boolean isOfTest = found.owner().equals(found.use().testClass().replace('.', '/'));
    boolean isOfVariable = !BY_CLASS.matcher(found.use().code()).find();
    return isConstructor
        ? types.contains(found.owner()) && !found.method().equals("<init>()V")
        : !isOfTest
            && !isOfVariable
            && found.type().startsWith("L")
            && types.contains(found.type().substring(1, found.type().length() - 1));
  }

  /** In the nearest class what leaves least out, then what is shortest. */
  private Optional<Use> best(List<String> near, Predicate<Found> isIt, Set<String> types) {
    for (String type : candidates(near, types)) {
      Optional<Use> best =
          read.computeIfAbsent(type, this::read).stream()
              .filter(isIt)
              .map(Found::use)
              .min(
                  Comparator.comparing((Use use) -> !use.isWhole())
                      .thenComparingInt(use -> use.code().length())
                      .thenComparingInt(Use::line));
      if (best.isPresent()) {
        return best;
      }
    }
    return Optional.empty();
  }

  /** Those that are near with what is inside of them, then others that name one of the classes. */
  private List<String> candidates(List<String> near, Set<String> types) {
    List<String> all = new ArrayList<>();
    for (String type : near) {
      classFiles.keySet().stream()
          .filter(name -> name.equals(type) || name.startsWith(type + "$"))
          .filter(name -> !all.contains(name))
          .forEach(all::add);
    }
    classFiles.keySet().stream()
        .filter(name -> !all.contains(name) && names(name, types))
        .limit(Math.max(0, MOST_CLASSES - all.size()))
        .toList()
        .forEach(all::add);
    return all;
  }

  private boolean names(String testClass, Set<String> types) {
    Set<String> all = named.computeIfAbsent(testClass, name -> named(classFiles.get(name)));
    return types.stream().anyMatch(all::contains);
  }

  /** The internal names of the classes that a class file names. */
  private static Set<String> named(byte[] classFile) {
    Set<String> named = new HashSet<>();
    try {
      ClassReader reader = new ClassReader(classFile);
      char[] buffer = new char[reader.getMaxStringLength()];
      for (int i = 1; i < reader.getItemCount(); i++) {
        int at = reader.getItem(i);
        boolean isClass = at > 0 && reader.readByte(at - 1) == CLASS;
        if (isClass) {
          named.add(reader.readUTF8(at, buffer));
        }
      }
    } catch (RuntimeException e) {
      return Set.of(); // A class file of an unknown version, or a damaged one, tells nothing.
    }
    return named;
  }

  private List<Found> read(String type) {
    ClassNode node = new ClassNode();
    try {
      new ClassReader(classFiles.get(type)).accept(node, ClassReader.SKIP_FRAMES);
    } catch (RuntimeException e) {
      return List.of(); // As above.
    }
    List<Found> found = new ArrayList<>();
    for (MethodNode method : node.methods) {
      found.addAll(in(node, method));
    }
    return found;
  }

  private static List<Found> in(ClassNode node, MethodNode method) {
    Speaking speaking = new Speaking(node.name, method);
    try {
      new Analyzer<>(speaking).analyze(node.name, method);
    } catch (AnalyzerException | RuntimeException e) {
      return List.of(); // Code that no compiler made so: nothing is told of it.
    }
    List<Found> found = new ArrayList<>();
    Set<String> known = new HashSet<>();
    int line = 0;
    for (AbstractInsnNode instruction : method.instructions) {
      line = instruction instanceof LineNumberNode number ? number.line : line;
      String code = instruction instanceof MethodInsnNode call ? speaking.calls().get(call) : null;
      if (code != null && known.add(code)) {
        MethodInsnNode call = (MethodInsnNode) instruction;
        String file = node.sourceFile == null ? "" : node.sourceFile;
        String name = node.name.replace('/', '.');
        Use use = new Use(code, !code.contains(Spoken.ANY), name, file, line);
        String gives = Type.getReturnType(call.desc).getDescriptor();
        found.add(new Found(call.owner, call.name + call.desc, gives, use));
      }
    }
    return found;
  }
}
