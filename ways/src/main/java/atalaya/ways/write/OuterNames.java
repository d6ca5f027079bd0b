package atalaya.ways.write;

import atalaya.ways.code.TypeNames;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The object around one of an inner class as source names it: the compiler has a field for it. */
final class OuterNames {
  private static final Pattern OUTER = Pattern.compile("(?<![\\w.)])(?:this\\.)?this\\$\\d+");

  private OuterNames() {}

  /** Whether it is the compiler's own name: source gives and sets it by making the object. */
  static boolean isOuter(String name) {
    return OUTER.matcher(name).matches();
  }

  /**
   * A name with {@code Pier.this} for the field.
   *
   * @param type the internal name of the class that {@code this} is of
   */
  static String inSource(String name, String type) {
    int end = type.lastIndexOf('$');
    if (end < 0) {
      return name;
    }
    String outer = TypeNames.simple("L" + type.substring(0, end) + ";");
    return OUTER.matcher(name).replaceAll(Matcher.quoteReplacement(outer + ".this"));
  }
}
