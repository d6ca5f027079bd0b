package atalaya.java.source;

import atalaya.java.SourceText;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.Trees;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import javax.tools.Diagnostic;
import javax.tools.JavaCompiler;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;

/** Parses sources with the compiler of the JDK that runs Atalaya. */
public final class SourceParser {
  /** For each processor the trees of so many files are in memory at once. */
  private static final int AT_ONCE = 50;

  /** Fewer files than this are not worth a compiler of their own. */
  private static final int WORTH_ONE = 6;

  /** The newest Java there is, then the oldest that still has names that were taken since. */
  private static final List<List<String>> LEVELS =
      List.of(List.of("-proc:none"), List.of("-proc:none", "-source", "8"));

  private SourceParser() {}

  /**
   * Parses source files.
   *
   * @return those that could be parsed
   * @throws IllegalStateException when this Java has no compiler
   */
  public static Map<SourceText, SourceFile> parse(List<SourceText> sources) {
    return parse(sources, places -> new ClassReader(places).read());
  }

  /** The same, with all that computes, calls, assigns, returns or throws. */
  public static Map<SourceText, SourceFile> parseWithOperations(List<SourceText> sources) {
    return parse(sources, true, places -> new ClassReader(places).read());
  }

  /** What is read of each source that can be parsed. */
  static <T> Map<SourceText, T> parse(List<SourceText> sources, Function<Places, T> read) {
    return parse(sources, false, read);
  }

  private static <T> Map<SourceText, T> parse(
      List<SourceText> sources, boolean withOperations, Function<Places, T> read) {
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    if (compiler == null) {
      throw new IllegalStateException("this Java has no compiler: run Atalaya with a JDK");
    }
    int processors = Runtime.getRuntime().availableProcessors();
    int few = Math.min(processors, sources.size() / WORTH_ONE);
    int parts = Math.max(few, (sources.size() + AT_ONCE - 1) / AT_ONCE);
    Map<SourceText, T> parsed = new HashMap<>();
    IntStream.range(0, parts)
        .parallel()
        .mapToObj(
            part -> {
              int from = part * sources.size() / parts;
              int to = (part + 1) * sources.size() / parts;
              return parseAll(compiler, sources.subList(from, to), withOperations, read);
            })
        .toList()
        .forEach(parsed::putAll);
    return parsed;
  }

  private static <T> Map<SourceText, T> parseAll(
      JavaCompiler compiler,
      List<SourceText> sources,
      boolean withOperations,
      Function<Places, T> read) {
    Map<SourceText, T> parsed = new HashMap<>();
    for (List<String> level : LEVELS) {
      List<SourceText> left = sources.stream().filter(s -> !parsed.containsKey(s)).toList();
      if (!left.isEmpty()) {
        parsed.putAll(parse(compiler, level, left, withOperations, read));
      }
    }
    return parsed;
  }

  private static <T> Map<SourceText, T> parse(
      JavaCompiler compiler,
      List<String> level,
      List<SourceText> sources,
      boolean withOperations,
      Function<Places, T> read) {
    Map<SourceText, T> parsed = new HashMap<>();
    Map<URI, SourceText> byUri = new HashMap<>();
    List<JavaFileObject> files = new ArrayList<>();
    for (SourceText source : sources) {
      URI uri = URI.create("text:///" + files.size() + "/Source.java");
      byUri.put(uri, source);
      files.add(new Text(uri, source.text()));
    }
    Set<URI> broken = new HashSet<>();
    JavacTask task =
        (JavacTask)
            compiler.getTask(
                null,
                null,
                problem -> {
                  if (problem.getKind() == Diagnostic.Kind.ERROR && problem.getSource() != null) {
                    broken.add(problem.getSource().toUri());
                  }
                },
                level,
                null,
                files);
    SourcePositions positions = Trees.instance(task).getSourcePositions();
    for (CompilationUnitTree unit : parse(task)) {
      URI uri = unit.getSourceFile().toUri();
      if (!broken.contains(uri)) {
        SourceText source = byUri.get(uri);
        parsed.put(
            source,
            read.apply(
                new Places(unit, positions, source.text(), Constants.in(unit), withOperations)));
      }
    }
    return parsed;
  }

  private static Iterable<? extends CompilationUnitTree> parse(JavacTask task) {
    try {
      return task.parse();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static final class Text extends SimpleJavaFileObject {
    private final String text;

    Text(URI uri, String text) {
      super(uri, Kind.SOURCE);
      this.text = withoutDocumentation(text);
    }

    /**
     * Comments of documentation as other comments, which the compiler skips: it spends a quarter of
     * its time on what they say. Lines of a text block may look like them.
     */
    private static String withoutDocumentation(String text) {
      if (text.contains("\"\"\"")) {
        return text;
      }
      char[] plain = text.toCharArray();
      for (int at = text.indexOf("/**"); at >= 0; at = text.indexOf("/**", at + 3)) {
        if (beginsLine(text, at) && !text.startsWith("/", at + 3)) {
          plain[at + 2] = ' ';
        }
      }
      return new String(plain);
    }

    private static boolean beginsLine(String text, int at) {
      int before = at - 1;
      while (before >= 0 && (text.charAt(before) == ' ' || text.charAt(before) == '\t')) {
        before--;
      }
      return before < 0 || text.charAt(before) == '\n' || text.charAt(before) == '\r';
    }

    @Override
    public CharSequence getCharContent(boolean ignoreEncodingErrors) {
      return text;
    }
  }
}
