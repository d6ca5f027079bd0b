package atalaya.boot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How an observed program starts others. A JVM takes options from its environment, but says so on
 * its error output, which the program may read: so a JVM that is started as such gets ours as
 * arguments, and a variable of our own for what it starts in its turn.
 */
public final class Children {
  /** Where every JVM looks for options. */
  static final String ANNOUNCED = "JAVA_TOOL_OPTIONS";

  /** Where ours wait in a JVM that has them as arguments. */
  public static final String WAITING = "ATALAYA_JVM_OPTIONS";

  private static final String AGENT = "atalaya-agent.jar=";

  private static final Set<String> JVMS = new HashSet<>(Arrays.asList("java", "javaw"));
  private static final Set<String> TOOLS =
      new HashSet<>(Arrays.asList("jar", "javac", "javadoc", "javap", "jdeps"));

  private Children() {}

  /**
   * The command of a process that is about to start.
   *
   * @param environment its own; null for ours
   */
  public static String[] command(String[] command, Map<String, String> environment) {
    String prefix = prefix(command);
    String options = prefix == null ? null : options(of(environment));
    if (options == null) {
      return command; // No JVM, or none that is to be observed.
    }
    List<String> words = new ArrayList<>(Arrays.asList(command));
    int at = 1;
    for (String option : words(options)) {
      words.add(at++, prefix + option);
    }
    return words.toArray(new String[0]);
  }

  /** The environment of a process that is about to start; what is given stays as it is. */
  public static Map<String, String> environment(String[] command, Map<String, String> environment) {
    Map<String, String> before = of(environment);
    String options = options(before);
    boolean isJvm = prefix(command) != null;
    if (options == null || !isJvm && !before.containsKey(WAITING)) {
      return environment; // As it has to be already.
    }
    String announced = before.get(ANNOUNCED);
    int begin = announced == null ? -1 : begin(announced);
    String others = announced == null ? "" : begin < 0 ? announced : announced.substring(0, begin);
    Map<String, String> now = new ProcessBuilder(command).environment();
    now.clear();
    now.putAll(before);
    put(now, ANNOUNCED, isJvm ? others.trim() : (others.trim() + " " + options).trim());
    put(now, WAITING, isJvm ? options : "");
    return now;
  }

  private static void put(Map<String, String> to, String variable, String value) {
    if (value.isEmpty()) {
      to.remove(variable);
    } else {
      to.put(variable, value);
    }
  }

  /** The environment that is given, else ours; none where the program may not read its own. */
  private static Map<String, String> of(Map<String, String> environment) {
    try {
      return environment == null ? System.getenv() : environment;
    } catch (SecurityException e) {
      return Collections.emptyMap();
    }
  }

  /** What stands before an option for the JVM in a command; null where it starts none. */
  private static String prefix(String[] command) {
    String program = command.length == 0 ? "" : command[0].replace('\\', '/');
    String name = program.substring(program.lastIndexOf('/') + 1);
    String plain = name.endsWith(".exe") ? name.substring(0, name.length() - 4) : name;
    return JVMS.contains(plain) ? "" : TOOLS.contains(plain) ? "-J" : null;
  }

  /** Ours, with what was added behind them; null where there are none. */
  private static String options(Map<String, String> environment) {
    String announced = environment.get(ANNOUNCED);
    int begin = announced == null ? -1 : begin(announced);
    return begin < 0 ? environment.get(WAITING) : announced.substring(begin);
  }

  /** Where ours begin; below zero where they don't. */
  private static int begin(String announced) {
    int agent = announced.indexOf(AGENT);
    int at = agent < 0 ? -1 : announced.lastIndexOf("-javaagent:", agent);
    boolean isQuoted = at > 0 && "\"'".indexOf(announced.charAt(at - 1)) >= 0;
    return isQuoted ? at - 1 : at;
  }

  /** As the JVM takes them apart: by white space, except between quotes. */
  private static List<String> words(String options) {
    List<String> words = new ArrayList<>();
    StringBuilder word = new StringBuilder();
    char quote = 0;
    for (char letter : (options + " ").toCharArray()) {
      if (quote == 0 && Character.isWhitespace(letter)) {
        if (word.length() > 0) {
          words.add(word.toString());
        }
        word.setLength(0);
      } else if (letter == quote) {
        quote = 0;
      } else if (quote == 0 && (letter == '"' || letter == '\'')) {
        quote = letter;
      } else {
        word.append(letter);
      }
    }
    return words;
  }
}
