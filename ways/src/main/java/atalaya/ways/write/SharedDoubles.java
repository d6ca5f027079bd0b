package atalaya.ways.write;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Names doubles that several ways of one test make alike. They hold nothing, so that one serves
 * all; but one way may need two that are not the same.
 */
final class SharedDoubles {
  private static final Pattern PROXY =
      Pattern.compile("\\(([\\w.]+)\\) Proxy\\.newProxyInstance\\(");

  private SharedDoubles() {}

  /**
   * The statements, with those in front of them that make what they share.
   *
   * @param ways the statements of each way by themselves
   */
  static List<String> named(List<String> statements, List<List<String>> ways) {
    List<String> code = new ArrayList<>(statements);
    List<String> proxies = new ArrayList<>(proxies(statements));
    proxies.removeIf(proxy -> ways.stream().anyMatch(way -> times(proxy, way) > 1));
    proxies.sort(Comparator.comparingInt(proxy -> -proxy.length()));
    for (String proxy : proxies) {
      if (times(proxy, code) > 1) {
        String type = proxy.substring(1, proxy.indexOf(')'));
        String name = name(type, code);
        code.replaceAll(line -> line.replace(proxy, name));
        code.add(0, type + " " + name + " = " + proxy + ";");
      }
    }
    return code;
  }

  private static int times(String proxy, List<String> code) {
    return code.stream().mapToInt(line -> line.split(Pattern.quote(proxy), -1).length - 1).sum();
  }

  private static Set<String> proxies(List<String> statements) {
    Set<String> proxies = new LinkedHashSet<>();
    for (String statement : statements) {
      Matcher begin = PROXY.matcher(statement);
      for (int from = 0; begin.find(from); from = begin.end()) {
        proxies.add(statement.substring(begin.start(), end(statement, begin.end())));
      }
    }
    return proxies;
  }

  /** Behind the parenthesis that closes the one in front of a place. */
  private static int end(String code, int begin) {
    int open = 1;
    int at = begin;
    while (open > 0) {
      char here = code.charAt(at);
      if (here == '"' || here == '\'') {
        at = literalEnd(code, at);
      }
      open += here == '(' ? 1 : here == ')' ? -1 : 0;
      at++;
    }
    return at;
  }

  private static int literalEnd(String code, int begin) {
    int at = begin + 1;
    while (code.charAt(at) != code.charAt(begin)) {
      at += code.charAt(at) == '\\' ? 2 : 1;
    }
    return at;
  }

  private static String name(String type, List<String> code) {
    String plain = Statements.variable(type);
    String name = plain;
    for (int i = 2; isThere(name, code); i++) {
      name = plain + i;
    }
    return name;
  }

  private static boolean isThere(String name, List<String> code) {
    Pattern word = Pattern.compile("\\b" + Pattern.quote(name) + "\\b");
    return code.stream().anyMatch(line -> word.matcher(line).find());
  }
}
