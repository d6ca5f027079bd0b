package atalaya.ways.write;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
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
      List<String> names = names(way);
      Map<String, String> others = new HashMap<>();
      for (String name : names) {
        String other = name;
        for (int i = 2;
            taken.contains(other) || !other.equals(name) && names.contains(other);
            i++) {
          other = name + i;
        }
        others.put(name, other);
        taken.add(other);
      }
      own.replaceAll(statement -> renamed(statement, others));
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

  /** Neither in texts, nor where a field or a method has such a name. */
  private static String renamed(String statement, Map<String, String> others) {
    return Pattern.compile(TEXT + "|(?<![\\w.])[A-Za-z_]\\w*\\b(?!\\()")
        .matcher(statement)
        .replaceAll(
            found -> Matcher.quoteReplacement(others.getOrDefault(found.group(), found.group())));
  }
}
