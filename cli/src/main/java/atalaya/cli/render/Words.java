package atalaya.cli.render;

import atalaya.core.figure.Share;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** Numbers and names as people read them. */
public final class Words {
  private Words() {}

  /** {@code 12/31}. */
  public static String count(Share share) {
    return share.part() + "/" + share.whole();
  }

  /** {@code 38.7 %}; {@code no code} of nothing. */
  public static String percent(Share share) {
    return share.whole() == 0 ? "no code" : percent(share.value());
  }

  /** {@code 38.7 %} of a share from 0 to 1. */
  public static String percent(double share) {
    return fixed(100 * share, 1) + " %";
  }

  /** Unwatched paths, with two decimals. */
  public static String paths(double unwatched) {
    return fixed(unwatched, 2);
  }

  /** A change of unwatched paths, always with its sign. */
  public static String change(double paths) {
    String text = paths(paths);
    return text.startsWith("-") ? text : "+" + text;
  }

  /** A change of a count, always with its sign. */
  public static String change(int count) {
    return count < 0 ? String.valueOf(count) : "+" + count;
  }

  /** Rounded half up. The formatter of the JDK would cost each start more than all numbers. */
  private static String fixed(double value, int decimals) {
    long scale = decimals == 1 ? 10 : 100;
    long scaled = Math.round(Math.abs(value) * scale);
    String fraction = String.valueOf(scale + scaled % scale).substring(1);
    return (value < 0 && scaled > 0 ? "-" : "") + scaled / scale + "." + fraction;
  }

  /** {@code 1 test}, {@code 2 tests}. */
  public static String count(int number, String one, String many) {
    return number + " " + (number == 1 ? one : many);
  }

  /** {@code a moment ago}, {@code 3 minutes ago}. */
  public static String age(Instant then, Instant now) {
    Duration age = Duration.between(then, now);
    if (age.toMinutes() < 1) {
      return "a moment ago";
    }
    if (age.toHours() < 1) {
      return count((int) age.toMinutes(), "minute", "minutes") + " ago";
    }
    return age.toDays() < 1
        ? count((int) age.toHours(), "hour", "hours") + " ago"
        : count((int) age.toDays(), "day", "days") + " ago";
  }

  /** {@code 840 ms}, {@code 12.3 s}. */
  public static String time(long milliseconds) {
    return milliseconds < 1000 ? milliseconds + " ms" : fixed(milliseconds / 1000.0, 1) + " s";
  }

  /** The class and the method without the package. */
  static String shortMethod(String qualified) {
    int hash = qualified.indexOf('#');
    return qualified.substring(qualified.lastIndexOf('.', hash) + 1);
  }

  /** Lines of a text that begin with an indent and fit a width, where words are short enough. */
  static List<String> wrapped(String text, String indent, int width) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ")) {
      boolean isFull =
          line.length() > 0 && indent.length() + line.length() + word.length() >= width;
      if (isFull) {
        lines.add(indent + line);
        line.setLength(0);
        line.append("  ");
      }
      line.append(line.toString().isBlank() ? "" : " ").append(word);
    }
    lines.add(indent + line);
    return lines;
  }

  /** The first few of many. */
  public static String some(List<String> names, int shown) {
    List<String> first = names.subList(0, Math.min(shown, names.size()));
    int more = names.size() - first.size();
    return String.join(", ", first) + (more > 0 ? " and " + more + " more" : "");
  }

  /** A command, cut to so many letters where it is longer; a run file has all of it. */
  public static String command(String line, int most) {
    String whole = plain(line);
    return whole.length() <= most ? whole : whole.substring(0, most - 4).stripTrailing() + " ...";
  }

  /** A name that came out of a file, without anything that a terminal would obey. */
  public static String plain(String text) {
    return text.replaceAll("\\p{Cntrl}", "?");
  }
}
