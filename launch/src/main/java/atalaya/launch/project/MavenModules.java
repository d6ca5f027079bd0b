package atalaya.launch.project;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.stream.Stream;
import org.apache.maven.model.Build;
import org.apache.maven.model.Model;
import org.apache.maven.model.Profile;
import org.apache.maven.model.io.xpp3.MavenXpp3Reader;
import org.codehaus.plexus.util.xml.pull.XmlPullParserException;

/** Reads the modules of a Maven build, without running Maven. */
final class MavenModules {
  private static final int DEEPEST_REFERENCE = 8;

  private MavenModules() {}

  static List<ProjectModule> of(Project project) {
    List<ProjectModule> modules = new ArrayList<>();
    poms(project.root()).forEach((folder, model) -> modules.add(module(project, folder, model)));
    return modules;
  }

  /** The folders of all modules below a folder. */
  static List<Path> under(Path root) {
    return List.copyOf(poms(root).keySet());
  }

  private static Map<Path, Model> poms(Path root) {
    Map<Path, Model> poms = new LinkedHashMap<>();
    collect(root, null, poms);
    return poms;
  }

  private static void collect(Path folder, Model parent, Map<Path, Model> poms) {
    Path file = Files.isDirectory(folder) ? folder.resolve("pom.xml") : folder;
    if (!Files.isRegularFile(file) || poms.containsKey(file.getParent())) {
      return;
    }
    Model model = read(file);
    inherit(model, parent);
    poms.put(file.getParent(), model);
    List<String> modules = new ArrayList<>(model.getModules());
    for (Profile profile : model.getProfiles()) {
      modules.addAll(profile.getModules());
    }
    for (String module : modules) {
      collect(folder.resolve(module).normalize(), model, poms);
    }
  }

  private static Model read(Path file) {
    try (InputStream in = Files.newInputStream(file)) {
      return new MavenXpp3Reader().read(in, false);
    } catch (XmlPullParserException | IOException e) {
      throw new NoProject("can't read " + file + ": " + e.getMessage());
    }
  }

  private static void inherit(Model model, Model parent) {
    if (parent == null) {
      return;
    }
    Properties properties = new Properties();
    properties.putAll(parent.getProperties());
    properties.putAll(model.getProperties());
    model.setProperties(properties);
    Build from = parent.getBuild();
    if (from == null) {
      return;
    }
    Build to = model.getBuild() == null ? new Build() : model.getBuild();
    model.setBuild(to);
    to.setDirectory(or(to.getDirectory(), from.getDirectory()));
    to.setOutputDirectory(or(to.getOutputDirectory(), from.getOutputDirectory()));
    to.setTestOutputDirectory(or(to.getTestOutputDirectory(), from.getTestOutputDirectory()));
    to.setSourceDirectory(or(to.getSourceDirectory(), from.getSourceDirectory()));
  }

  private static String or(String value, String otherwise) {
    return value == null ? otherwise : value;
  }

  private static ProjectModule module(Project project, Path folder, Model model) {
    Build build = model.getBuild() == null ? new Build() : model.getBuild();
    Path target = path(folder, model, or(build.getDirectory(), "target"));
    Path classes = path(folder, model, or(build.getOutputDirectory(), target + "/classes"));
    Path tests = path(folder, model, or(build.getTestOutputDirectory(), target + "/test-classes"));
    List<Path> sources = new ArrayList<>();
    sources.add(path(folder, model, or(build.getSourceDirectory(), "src/main/java")));
    for (Path other : foldersIn(folder.resolve("src/main"))) {
      if (!sources.contains(other)) {
        sources.add(other);
      }
    }
    sources.addAll(foldersIn(target.resolve("generated-sources")));
    String name = folder.equals(project.root()) ? project.name() : project.relative(folder);
    return new ProjectModule(name, List.of(classes), List.of(tests), sources);
  }

  private static List<Path> foldersIn(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> inside = Files.list(folder)) {
      return inside.filter(Files::isDirectory).filter(f -> !isResources(f)).sorted().toList();
    } catch (IOException e) {
      throw new NoProject("can't read " + folder + ": " + e.getMessage());
    }
  }

  private static boolean isResources(Path folder) {
    String name = folder.getFileName().toString();
    return name.equals("resources") || name.equals("webapp");
  }

  private static Path path(Path folder, Model model, String text) {
    String value = text;
    for (int i = 0; i < DEEPEST_REFERENCE && value.contains("${"); i++) {
      int start = value.indexOf("${");
      int end = value.indexOf('}', start);
      if (end < 0) {
        break;
      }
      String key = value.substring(start + 2, end);
      value = value.substring(0, start) + value(folder, model, key) + value.substring(end + 1);
    }
    return folder.resolve(value).normalize();
  }

  private static String value(Path folder, Model model, String key) {
    return switch (key) {
      case "basedir", "project.basedir" -> folder.toString();
      case "project.build.directory" -> {
        Build build = model.getBuild();
        yield build == null || build.getDirectory() == null
            ? folder.resolve("target").toString()
            : build.getDirectory();
      }
      case "project.artifactId" -> model.getArtifactId();
      default -> model.getProperties().getProperty(key, "");
    };
  }
}
