package atalaya.points;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** What the agent is to observe: the file that its option names, a key and a value on each line. */
public final class AgentOptions {
  /** The folder for part files. */
  public final File parts;

  /** The project's root: jars below it are looked through for classes of the class folders. */
  public final File root;

  /** Class folders and jars whose classes are observed; they need not exist yet. */
  public final List<File> classes;

  /** What is observed of a class. */
  public enum Detail {
    /** Which points were reached. */
    POINTS,
    /** How often each was. */
    HITS,
    /** Which methods were entered. */
    METHODS
  }

  /** What is observed of each class. */
  public final Detail detail;

  /** The folder for planted classes, for other JVMs to load; null to keep none. */
  public final File kept;

  /**
   * The hashes of the environment variables that Atalaya has itself, each as {@code key=value}:
   * only others are told. Empty to tell of none.
   */
  public final Set<String> environment;

  /** All of it as given; every path is absolute. */
  public AgentOptions(
      File parts,
      File root,
      List<File> classes,
      Detail detail,
      File kept,
      Set<String> environment) {
    this.environment = new TreeSet<>(environment);
    this.detail = detail;
    this.kept = kept;
    this.parts = parts;
    this.root = root;
    this.classes = new ArrayList<>(classes);
  }

  /** Writes them into a file. */
  public void write(File file) throws IOException {
    List<String> lines = new ArrayList<>();
    lines.add("parts=" + parts.getPath());
    lines.add("root=" + root.getPath());
    lines.add("detail=" + detail);
    if (kept != null) {
      lines.add("kept=" + kept.getPath());
    }
    for (File place : classes) {
      lines.add("classes=" + place.getPath());
    }
    for (String hash : environment) {
      lines.add("environment=" + hash);
    }
    Files.write(file.toPath(), lines, StandardCharsets.UTF_8);
  }

  /** Reads them from a file. */
  public static AgentOptions read(File file) throws IOException {
    File parts = null;
    File root = null;
    File kept = null;
    Detail detail = Detail.POINTS;
    List<File> classes = new ArrayList<>();
    Set<String> environment = new TreeSet<>();
    for (String line : Files.readAllLines(file.toPath(), StandardCharsets.UTF_8)) {
      int equals = line.indexOf('=');
      String key = line.substring(0, Math.max(equals, 0));
      File value = new File(line.substring(equals + 1));
      if (key.equals("parts")) {
        parts = value;
      } else if (key.equals("detail")) {
        detail = Detail.valueOf(value.getPath());
      } else if (key.equals("kept")) {
        kept = value;
      } else if (key.equals("root")) {
        root = value;
      } else if (key.equals("environment")) {
        environment.add(value.getPath());
      } else if (key.equals("classes")) {
        classes.add(value);
      } else {
        throw new IOException(file + ": unknown key in \"" + line + "\"");
      }
    }
    if (parts == null || root == null) {
      throw new IOException(file + ": parts and root must be given");
    }
    return new AgentOptions(parts, root, classes, detail, kept, environment);
  }
}
