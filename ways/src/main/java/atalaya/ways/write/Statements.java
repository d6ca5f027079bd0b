package atalaya.ways.write;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.lang.model.SourceVersion;

/**
 * The statements of a way's code: a call, before it those that set fields of objects, which get
 * names for that.
 */
final class Statements {
  /** What a call is given in place of the object that it is called on; that one is named last. */
  static final String ITSELF = "the object itself";

  /** Around the number by which objects are told apart that are made in the same way. */
  private static final String MARK = "\u0001";

  /** The names that doubles have for what they are asked. */
  private static final Pattern OF_DOUBLES = Pattern.compile("(proxy|method|values|[a-z])\\d*");

  private static final Pattern BEGIN = Pattern.compile("^([A-Z]+(?![a-z])|[A-Z])");

  private static final Pattern NAME = Pattern.compile("[a-z]\\w*");

  /**
   * An object, and what is called on it before it is used.
   *
   * @param name that it should have
   */
  private record Named(String name, String type, String making, List<String> calls) {}

  private final List<Named> named = new ArrayList<>();

  /** The code that makes an object, other than that of any other object. */
  String told(String making) {
    return making + MARK + named.size() + MARK;
  }

  /** Code as it is written. */
  static String plain(String told) {
    return told.replaceAll(MARK + "\\d+" + MARK, "");
  }

  /**
   * An object on which methods are called first; one that it is made of comes before it.
   *
   * @param type simple
   * @param making the code that makes it
   * @param calls without the object in front
   */
  void call(String type, String making, List<String> calls) {
    boolean isNamed = !named.isEmpty() && named.get(named.size() - 1).making().equals(making);
    if (!isNamed) {
      String name = variable(type);
      named.add(new Named(usable(name) ? name : "the" + last(type), type, making, calls));
    }
  }

  /**
   * An object that is looked at in the end.
   *
   * @param name of the parameter that it is given for
   */
  String named(String name, String type, String making) {
    return named(name, type, making, List.of());
  }

  /** The same, and methods are called on it first. */
  String named(String name, String type, String making, List<String> calls) {
    String told = told(making);
    call(type, told, calls);
    if (NAME.matcher(name).matches() && usable(name)) {
      named.set(named.size() - 1, new Named(name, type, told, calls));
    }
    return told;
  }

  /** All of them; empty where it can't be told which of two objects is meant. */
  Optional<List<String>> with(String call) {
    List<String> texts = new ArrayList<>();
    for (Named one : named) {
      texts.add(one.making());
      texts.addAll(one.calls());
    }
    texts.add(call);
    List<String> statements = new ArrayList<>();
    List<String> names = new ArrayList<>();
    int at = 0;
    for (Named one : named) {
      String making = texts.get(at);
      List<String> others = texts.subList(at + 1, texts.size());
      if (others.stream().mapToInt(text -> count(text, making)).sum() != 1) {
        return Optional.empty();
      }
      String name = names.contains(one.name()) ? one.name() + (names.size() + 1) : one.name();
      names.add(name);
      others.replaceAll(text -> text.replace(making, name));
      statements.add(one.type() + " " + name + " = " + plain(making) + ";");
      others.subList(0, one.calls().size()).forEach(c -> statements.add(name + "." + c + ";"));
      at += 1 + one.calls().size();
    }
    String last = texts.get(at);
    statements.add(names.isEmpty() ? last : last.replace(ITSELF, names.get(names.size() - 1)));
    return statements.stream().anyMatch(statement -> statement.contains(ITSELF))
        ? Optional.empty()
        : Optional.of(statements);
  }

  private static int count(String text, String part) {
    int count = 0;
    for (int at = text.indexOf(part); at >= 0; at = text.indexOf(part, at + 1)) {
      count++;
    }
    return count;
  }

  /** What a variable of a class is called, which may begin with an abbreviation. */
  static String variable(String type) {
    return BEGIN.matcher(last(type)).replaceFirst(begin -> begin.group().toLowerCase(Locale.ROOT));
  }

  /** The last name of a type, without what it holds. */
  private static String last(String type) {
    String plain = type.replaceFirst("<.*", "");
    return plain.substring(plain.lastIndexOf('.') + 1);
  }

  private static boolean usable(String name) {
    return !SourceVersion.isKeyword(name) && !OF_DOUBLES.matcher(name).matches();
  }
}
