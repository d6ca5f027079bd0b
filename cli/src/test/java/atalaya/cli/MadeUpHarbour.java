package atalaya.cli;

import atalaya.cli.observe.MadeUpRun;
import atalaya.core.code.CodeClass;
import atalaya.core.code.Method;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.kept.RunContents;
import atalaya.core.mutant.BasedVerdict;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Counts;
import atalaya.core.run.Detail;
import atalaya.core.run.RunInfo;
import atalaya.core.run.Test;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.points.Hash;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.ToolProvider;

/** A small project that is compiled, and runs of it of which is said what they reached. */
final class MadeUpHarbour {
  static final String BUOY =
      """
      package harbour;

      public class Buoy {
        private int charge = 3;

        public int light(int depth, boolean fog) {
          int flashes = 0;
          if (depth > 9 && !fog) {
            flashes = 2;
          }
          for (int i = 0; i < depth; i++) {
            flashes += charge;
          }
          try {
            return flashes / (depth - 4);
          } catch (ArithmeticException e) {
            return -1;
          }
        }

        public String bell(String name) {
          return name.isEmpty() ? "ding" : name;
        }

        private void drain() {
          charge = 0;
        }
      }
      """;

  static final String QUAY =
      """
      package harbour;

      public class Quay {
        public static int fee(int metres) {
          if (metres < 0) {
            throw new IllegalArgumentException("metres");
          }
          return metres > 20 ? metres * 3 : metres * 2;
        }

        public static int berths(Buoy buoy, String name) {
          return buoy.bell(name).length() == 4 ? 1 : 2;
        }
      }
      """;

  /** A line, with the outcome of its condition, or what its loop did, or its handler. */
  private static final Pattern PLACE =
      Pattern.compile("(\\w+):(\\d+)(?: (handler|never|once|more|(.+) (true|false)))?");

  private final List<KeptClass> classes = new ArrayList<>();
  private final List<KeptSource> sources = new ArrayList<>();
  private final Map<String, CodeClass> models = new TreeMap<>();

  /** Compiles it into the folder of a project, where its sources are too. */
  MadeUpHarbour(Path project) throws IOException {
    Path out = project.resolve("target/classes");
    List<SourceText> texts = new ArrayList<>();
    for (String text : List.of(BUOY, QUAY)) {
      String path = "harbour/" + (text.equals(BUOY) ? "Buoy" : "Quay") + ".java";
      Path file = project.resolve(path);
      Files.createDirectories(file.getParent());
      Files.writeString(file, text);
      String hash = Hash.of(text.getBytes(StandardCharsets.UTF_8));
      sources.add(new KeptSource("m", path, 0, hash, text));
      texts.add(new SourceText("m", path, path, text));
    }
    List<String> arguments = new ArrayList<>(List.of("-g", "-d", out.toString()));
    sources.forEach(source -> arguments.add(project.resolve(source.path()).toString()));
    ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments.toArray(String[]::new));
    try (Stream<Path> files = Files.list(out.resolve("harbour"))) {
      for (Path file : files.sorted().toList()) {
        String name = "harbour." + file.getFileName().toString().replace(".class", "");
        byte[] bytes = Files.readAllBytes(file);
        classes.add(
            new KeptClass(
                "m", name, project.relativize(file).toString(), 0, Hash.of(bytes), false, bytes));
      }
    }
    ProjectReader.read(
            classes.stream().map(c -> new ClassBytes("m", c.name(), c.bytes())).toList(), texts)
        .classes()
        .forEach(model -> models.put(model.name(), model));
  }

  /**
   * A run.
   *
   * @param places what each test reached, by its number; 0 for what ran outside of tests
   */
  RunContents run(
      String name,
      int minutesAgo,
      List<Test> tests,
      Map<Integer, List<String>> places,
      List<BasedVerdict> verdicts) {
    RunInfo info =
        new RunInfo(
            name,
            "id-" + name,
            "harbour",
            Terminal.NOON.minusSeconds(60L * minutesAgo),
            5_000,
            List.of("mvn", "test"),
            0,
            "17",
            List.of(),
            List.of(),
            Optional.empty(),
            Detail.LINES,
            true);
    Map<String, Map<Integer, BitSet>> reached = new TreeMap<>();
    places.forEach(
        (test, of) ->
            of.forEach(
                place ->
                    reached
                        .computeIfAbsent(
                            "harbour." + place.replaceAll(":.*", ""), c -> new TreeMap<>())
                        .computeIfAbsent(test, t -> new BitSet())
                        .or(points(place))));
    Map<String, ClassReach> reach = new TreeMap<>();
    reached.forEach((type, of) -> reach.put(type, new ClassReach(of, Map.of())));
    RunContents plain = MadeUpRun.of(info, List.of(), classes, sources, tests, reach);
    return new RunContents(
        info,
        plain.jvms(),
        classes,
        sources,
        plain.reach(),
        plain.figures(),
        plain.tests(),
        plain.leftOut(),
        plain.notObserved(),
        plain.uncaught(),
        List.of(),
        List.of(),
        Counts.of(info.id(), reach),
        verdicts);
  }

  private BitSet points(String place) {
    Matcher parts = PLACE.matcher(place);
    if (!parts.matches()) {
      throw new IllegalArgumentException(place);
    }
    int line = Integer.parseInt(parts.group(2));
    List<Method> methods = models.get("harbour." + parts.group(1)).methods();
    Stream<BitSet> found;
    if (parts.group(3) == null) {
      found =
          methods.stream()
              .flatMap(m -> m.lines().stream())
              .filter(l -> l.number() == line)
              .map(l -> l.points());
    } else if (parts.group(4) != null) {
      found =
          methods.stream()
              .flatMap(m -> m.conditions().stream())
              .filter(c -> c.line() == line && c.text().equals(parts.group(4)))
              .flatMap(c -> c.outcomes().stream())
              .filter(o -> o.name().equals(parts.group(5)))
              .map(o -> o.points());
    } else if (parts.group(3).equals("handler")) {
      found =
          methods.stream()
              .flatMap(m -> m.handlers().stream())
              .filter(h -> h.line() == line)
              .map(h -> h.points());
    } else {
      found =
          methods.stream()
              .flatMap(m -> m.loops().stream())
              .filter(l -> l.line() == line)
              .map(
                  l ->
                      switch (parts.group(3)) {
                        case "never" -> l.zero();
                        case "once" -> l.once();
                        default -> l.more();
                      });
    }
    BitSet points = new BitSet();
    found.forEach(points::or);
    if (points.isEmpty()) {
      throw new IllegalArgumentException(place + " is not in the code");
    }
    return points;
  }
}
