package atalaya.java.way.write;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Puts the statements of several ways into one test: what they name gets names of its own. */
public final class JoinedCode {
  private static final Pattern NAMED = Pattern.compile("[\\w.]+(?:<.*>)?(?:\\[])* (\\w+) = ");
  private static final String TEXT = "\"(?:\\\\.|[^\"\\\\])*\"|'(?:\\\\.|[^'\\\\])*'";

  private JoinedCode() {}

  /** The statements of all, one way after the other; what is the same for several stands once. */
  public static List<String> of(List<List<String>> ways) {
    List<String> all = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    for (List<String> way : ways) {
      List<String> own = new ArrayList<>(way);
      for (String name : names(way)) {
        String other = name;
        for (int i = 2; !taken.add(other); i++) {
          other = name + i;
        }
        String free = other;
        own.replaceAll(statement -> renamed(statement, name, free));
      }
      boolean isThere = own.size() == 1 && all.contains(own.get(0));
      all.addAll(isThere ? List.of() : own);
    }
    return SharedDoubles.named(all, ways);
  }

  private static List<String> names(List<String> statements) {
    List<String> names = new ArrayList<>();
    for (String statement : statements) {
      Matcher named = NAMED.matcher(statement);
      if (named.lookingAt()) {
        names.add(named.group(1));
      }
    }
    return names;
  }

  /** Neither in texts, nor where a field or a method has that name. */
  private static String renamed(String statement, String name, String other) {
    return Pattern.compile(TEXT + "|(?<![\\w.])" + name + "\\b(?!\\()")
        .matcher(statement)
        .replaceAll(
            found -> Matcher.quoteReplacement(found.group().equals(name) ? other : found.group()));
  }
}
