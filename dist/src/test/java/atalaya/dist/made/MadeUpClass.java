package atalaya.dist.made;

import atalaya.dist.made.Marks.Kind;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * The text of a class that a random generator makes up, with marks: conditions of any depth, loops,
 * switches, handlers, lambdas and inner classes, one in the other.
 */
final class MadeUpClass {
  private static final int METHODS = 4;

  /** From which depth on nothing is put into each other. */
  private static final int DEEP = 4;

  /**
   * What surrounds a statement.
   *
   * @param names of numbers that can be used
   * @param returns what a return gives: a number or nothing
   * @param labels of the loops around it, empty where they have none
   * @param canBreak whether a plain {@code break} leaves a loop
   */
  private record Scope(
      int depth,
      List<String> names,
      boolean hasX,
      boolean returns,
      List<String> labels,
      boolean canBreak) {
    Scope deeper() {
      return new Scope(depth + 1, names, hasX, returns, labels, canBreak);
    }

    Scope inSwitch() {
      return new Scope(depth + 1, names, hasX, returns, labels, false);
    }

    Scope inLoop(String name, String label) {
      return new Scope(depth + 1, with(names, name), hasX, returns, with(labels, label), true);
    }

    /** In a body of its own, which sees only what does not change. */
    Scope body(int deeper, boolean returns) {
      List<String> fixed =
          names.stream().filter(n -> n.length() == 1 || n.startsWith("v")).toList();
      return new Scope(depth + deeper, fixed, false, returns, List.of(), false);
    }

    private static List<String> with(List<String> all, String more) {
      List<String> longer = new ArrayList<>(all);
      if (more != null) {
        longer.add(more);
      }
      return longer;
    }

    String indent() {
      return "    " + "  ".repeat(depth);
    }
  }

  private final Random random;
  private final int release;
  private final List<Place> places = new ArrayList<>();
  private final int firstPlace;
  private int names;
  private int decisions;
  private final String text;

  /**
   * Makes one up.
   *
   * @param release whose constructs it may have
   * @param firstPlace the number of its first place
   */
  MadeUpClass(String name, Random random, int release, int firstPlace) {
    this.random = random;
    this.release = release;
    this.firstPlace = firstPlace;
    Scope body = new Scope(0, List.of("a", "b"), true, true, List.of(), false);
    String parameters = "(int a, int b, Object o, String s, boolean p)";
    StringBuilder all = new StringBuilder("package made;\n\npublic class " + name + " {\n");
    StringBuilder calls = new StringBuilder();
    for (int i = 0; i < METHODS; i++) {
      all.append("  static int m").append(i).append(parameters).append(" {\n");
      all.append("    ").append(here()).append("int x = ").append(number(body, 2)).append(";\n");
      all.append(block(body, 2 + random.nextInt(4)));
      all.append("    ").append(here()).append("return x;\n  }\n");
      calls
          .append("    try {\n      Quay.use(m")
          .append(i)
          .append("(a, b, o, s, p));\n    } catch (");
      calls.append("Throwable t) {").append(handler()).append("\n      Quay.use(t);\n    }\n");
    }
    all.append("  static void run").append(parameters).append(" {\n").append(calls);
    this.text = all.append("  }\n}\n").toString();
  }

  String text() {
    return text;
  }

  List<Place> places() {
    return places;
  }

  /** How many decisions its methods have. */
  int decisions() {
    return decisions;
  }

  // ---- marks ----

  private <P extends Place> int place(IntFunction<P> of) {
    int number = firstPlace + places.size();
    places.add(of.apply(number));
    return number;
  }

  private String here() {
    return Marks.of(Kind.HERE, place(Place.Statement::new), "");
  }

  private String handler() {
    decisions++;
    return Marks.of(Kind.HERE, place(Place.Handler::new), "");
  }

  private String condition(String text) {
    return Marks.of(Kind.CONDITION, place(Place.Condition::new), text);
  }

  private static String braces(String text) {
    return Marks.of(Kind.BRACES, 0, text);
  }

  // ---- chance ----

  private boolean chance(double share) {
    return random.nextDouble() < share;
  }

  private String one(String... of) {
    return of[random.nextInt(of.length)];
  }

  private String one(List<String> of) {
    return of.get(random.nextInt(of.size()));
  }

  private String name(String first) {
    return first + names++;
  }

  private String perhapsNewLine(Scope scope) {
    return chance(0.12) ? "\n    " + scope.indent() : " ";
  }

  // ---- expressions ----

  private String number(Scope scope, int depth) {
    int kind = random.nextInt(depth > 2 ? 35 : 100);
    if (kind < 35) {
      return chance(0.7) ? one(scope.names()) : String.valueOf(random.nextInt(7));
    } else if (kind < 60) {
      return number(scope, depth + 1) + one(" + ", " - ", " * ") + one(scope.names());
    } else if (kind < 75) {
      decisions++;
      String yes = number(scope, depth + 1) + perhapsNewLine(scope);
      return "(" + test(scope, depth + 1) + " ? " + yes + ": " + number(scope, depth + 1) + ")";
    } else if (kind < 85) {
      return "Quay.take(" + value(scope, depth + 1) + ")";
    } else if (kind < 92) {
      return one("Quay.length(s)", "Quay.fail(" + one(scope.names()) + ")");
    } else {
      return "Quay.get(() -> " + number(scope.body(1, true), depth + 1) + ")";
    }
  }

  private String comparison(Scope scope, int depth) {
    String name = one(scope.names());
    return switch (random.nextInt(6)) {
      case 0, 1 -> name + " + " + number(scope, depth + 2) + one(" < ", " >= ", " == ", " != ") + 2;
      case 2 -> one("o == null", "s != null", "o != s");
      case 3 -> "Quay.half(" + name + ")" + one(" < ", " > ", " <= ", " >= ") + "1.5";
      case 4 -> "Quay.wide(" + name + ")" + one(" < ", " > ", " == ") + "2L";
      default -> name + one(" < ", " >= ", " != ", " == ") + "0";
    };
  }

  /** A boolean that is there without a jump. */
  private String flag(Scope scope) {
    String odd = "Quay.odd(" + one(scope.names()) + ")";
    return one(
        odd,
        "p",
        "Quay.open",
        "\"two\".equals(s)",
        "o instanceof Integer",
        odd + " ^ p",
        "p & Quay.open");
  }

  /** Something that steers, taken apart into conditions. */
  private String test(Scope scope, int depth) {
    int kind = random.nextInt(depth > 3 ? 50 : 100);
    if (kind < 30) {
      return condition(comparison(scope, depth));
    } else if (kind < 46) {
      return condition(flag(scope));
    } else if (kind < 50) {
      return "!" + condition(one("p", "Quay.odd(a)", "Quay.open"));
    } else if (kind < 58) {
      return "!(" + test(scope, depth + 1) + ")";
    } else if (kind < 86) {
      return "(" + several(scope, depth, one("&&", "||")) + ")";
    } else if (kind < 92) {
      decisions++;
      String yes = test(scope, depth + 1) + perhapsNewLine(scope);
      return "(" + test(scope, depth + 1) + " ? " + yes + ": " + test(scope, depth + 1) + ")";
    } else if (release < 16) {
      return condition(comparison(scope, depth));
    } else {
      decisions++;
      String name = name("q");
      String typed =
          Marks.of(Kind.PATTERN, place(Place.Condition::new), "o instanceof String " + name);
      return "(" + typed + " && " + condition(name + ".length() > " + random.nextInt(5)) + ")";
    }
  }

  private String several(Scope scope, int depth, String operator) {
    int count = 2 + random.nextInt(3);
    decisions += count - 1;
    return IntStream.range(0, count)
        .mapToObj(i -> test(scope, depth + 1))
        .collect(Collectors.joining(perhapsNewLine(scope) + operator + " "));
  }

  /** A boolean as a value: only what is computed by jumps is a condition. */
  private String value(Scope scope, int depth) {
    switch (random.nextInt(5)) {
      case 0:
        return condition(comparison(scope, depth));
      case 1:
        return "!" + condition(one("p", "Quay.odd(b)", "Quay.open"));
      case 2:
        return several(scope, depth + 1, one("&&", "||"));
      case 3:
        if (depth < 3) {
          decisions++;
          String ways = value(scope, depth + 1) + " : " + value(scope, depth + 1);
          return "(" + test(scope, depth + 1) + " ? " + ways + ")";
        }
        return flag(scope);
      default:
        return flag(scope);
    }
  }

  // ---- statements ----

  private String block(Scope scope, int statements) {
    return IntStream.range(0, statements)
        .mapToObj(i -> statement(scope))
        .collect(Collectors.joining());
  }

  private String block(Scope scope) {
    return block(scope, 1 + random.nextInt(scope.depth() < 2 ? 3 : 2));
  }

  private String simple(Scope scope) {
    boolean assigns = scope.hasX() && chance(0.5);
    String number = number(scope, 0);
    return here() + (assigns ? "x = " + number : "Quay.use(" + number + ")") + ";";
  }

  /** What leaves the place, so that nothing may follow. */
  private String jump(Scope scope) {
    List<String> ways =
        new ArrayList<>(List.of("throw new IllegalStateException(\"x\")", "return"));
    if (!scope.labels().isEmpty()) {
      ways.add("continue");
    }
    if (scope.canBreak()) {
      ways.add("break");
    }
    for (String label : scope.labels()) {
      if (!label.isEmpty()) {
        ways.addAll(List.of("break " + label, "continue " + label));
      }
    }
    String way = one(ways);
    String value = way.equals("return") && scope.returns() ? " " + number(scope, 2) : "";
    return here() + way + value + ";";
  }

  private String statement(Scope scope) {
    String indent = scope.indent();
    int kind =
        random.nextInt(scope.depth() >= DEEP || scope.depth() == 3 && chance(0.4) ? 40 : 100);
    if (kind < 18) {
      return indent + simple(scope) + (chance(0.2) ? " " + simple(scope) : "") + "\n";
    } else if (kind < 24) {
      String name = name("f");
      String made = indent + here() + "boolean " + name + " = " + value(scope, 0) + ";\n";
      return made + indent + here() + "Quay.use(" + name + ");\n";
    } else if (kind < 31) {
      decisions++;
      return indent + here() + "if (" + test(scope, 0) + ") " + braces(jump(scope)) + "\n";
    } else if (kind < 35) {
      return indent + here() + "assert " + several(scope, 0, one("&&", "||")) + " : \"no\";\n";
    } else if (kind < 40) {
      decisions++;
      String yes = braces(here() + "Quay.use(1);");
      String no = braces(here() + "Quay.use(2);");
      return indent + here() + "if (" + test(scope, 0) + ") " + yes + " else " + no + "\n";
    } else if (kind < 53) {
      return ifElse(scope);
    } else if (kind < 70) {
      return loop(scope);
    } else if (kind < 80) {
      return release >= 21 && chance(0.3) ? typeSwitch(scope) : valueSwitch(scope);
    } else if (kind < 89) {
      return handled(scope);
    } else if (kind < 91) {
      String locked = block(scope.deeper());
      return indent + here() + "synchronized (Quay.LOCK) {\n" + locked + indent + "}\n";
    } else if (release >= 14 && kind < 94) {
      return switchExpression(scope);
    } else {
      return body(scope);
    }
  }

  private String ifElse(Scope scope) {
    String indent = scope.indent();
    decisions++;
    StringBuilder all = new StringBuilder(indent + here() + "if (" + test(scope, 0) + ") {\n");
    all.append(block(scope.deeper()));
    if (chance(0.2)) {
      all.append(indent).append("  ").append(jump(scope.deeper())).append("\n");
    }
    all.append(indent).append("}");
    while (chance(0.3)) {
      decisions++;
      all.append(" else if (").append(test(scope, 0)).append(") {\n");
      all.append(block(scope.deeper())).append(indent).append("}");
    }
    if (chance(0.4)) {
      all.append(" else {\n").append(block(scope.deeper())).append(indent).append("}");
    }
    return all.append("\n").toString();
  }

  private String loop(Scope scope) {
    int form = random.nextInt(5);
    int place = place(number -> new Place.Loop(number, form == 4));
    decisions++;
    String indent = scope.indent();
    String begins = " {" + Marks.of(Kind.TURN, place, "") + "\n";
    String label = chance(0.25) ? name("out") : "";
    String name = name(form == 0 ? "v" : "i");
    String head =
        form > 1
            ? indent + here() + "int " + name + " = Quay.small(" + one("a", "b") + ");\n"
            : label.isEmpty() ? here() : label + ": ";
    switch (form) {
      case 0:
        int each = place(Place.Each::new);
        String all = Marks.of(Kind.EACH, each, one("Quay.array(a)", "Quay.list(b)"));
        head += "for (int " + name + " : " + all + ")" + begins;
        return indent + around(place, head + block(scope.inLoop(name, label)) + indent + "}");
      case 1:
        String limit = one("1", "2", "Quay.small(a)", "Quay.small(b)");
        head += "for (int " + name + " = 0; " + condition(name + " < " + limit);
        if (chance(0.3)) {
          decisions++;
          head += " && " + test(scope, 2);
        }
        head += "; " + name + "++)" + begins;
        return indent + around(place, head + block(scope.inLoop(name, label)) + indent + "}");
      case 2:
        decisions++;
        String leaves = indent + "  " + here() + "if (" + condition(name + "-- < 1") + ") ";
        String turn = leaves + braces(here() + "break;") + "\n" + block(scope.inLoop(null, ""));
        return head + indent + around(place, "while (true)" + begins + turn + indent + "}");
      case 3:
        decisions++;
        String asked = condition(name + "-- > 0") + " && " + test(scope, 1);
        String whole = "while (" + asked + ")" + begins + block(scope.inLoop(null, ""));
        return head + indent + around(place, whole + indent + "}");
      default:
        decisions++;
        String body = "do" + begins + block(scope.inLoop(null, "")) + indent;
        String again = condition(name + "-- > 0") + " && " + test(scope, 1);
        return head + indent + around(place, body + "} while (" + again + ");");
    }
  }

  private static String around(int loop, String text) {
    return Marks.of(Kind.LOOP, loop, text) + "\n";
  }

  /** What a switch chooses by, with labels for it, some of which may come. */
  private List<String> choice(Scope scope, boolean plain) {
    String name = one(scope.names());
    return switch (random.nextInt(plain ? 5 : 3)) {
      case 0 -> List.of(name, "0", "1", "2", "3");
      case 1 -> List.of("Quay.text(s)", "\"one\"", "\"two\"", "\"Aa\"", "\"BB\"");
      case 2 -> List.of("Quay.wind(" + name + ")", "NORTH", "EAST", "SOUTH");
      case 3 -> List.of("Quay.letter(" + name + ")", "'a'", "'b'", "'c'");
      default -> List.of("Quay.far(" + name + ")", "-100", "2", "5000");
    };
  }

  private List<List<String>> groups(List<String> choice, boolean all) {
    List<String> labels = new ArrayList<>(choice.subList(1, choice.size()));
    Collections.shuffle(labels, random);
    List<List<String>> groups = new ArrayList<>();
    int left = all ? labels.size() : 1 + random.nextInt(labels.size());
    for (int from = 0; from < left; ) {
      int to = Math.min(left, from + (chance(0.25) ? 2 : 1));
      groups.add(List.copyOf(labels.subList(from, to)));
      from = to;
    }
    decisions += groups.size();
    return groups;
  }

  private String chosen(String selector, List<List<String>> groups, boolean hasDefault) {
    List<List<String>> plain =
        groups.stream().map(g -> g.stream().map(l -> l.replaceAll("['\"]", "")).toList()).toList();
    int place = place(number -> new Place.Choice(number, plain, hasDefault));
    return Marks.of(Kind.CHOICE, place, selector);
  }

  private String valueSwitch(Scope scope) {
    String indent = scope.indent();
    List<String> choice = choice(scope, true);
    List<List<String>> groups = groups(choice, false);
    int ofDefault = random.nextInt(groups.size() + 2) - 1;
    String head = "switch (" + chosen(choice.get(0), groups, true) + ") {\n";
    StringBuilder all = new StringBuilder(indent + here() + head);
    for (int i = 0; i <= groups.size(); i++) {
      if (i == ofDefault) {
        all.append(indent).append("  default:\n").append(cased(scope));
      }
      if (i < groups.size()) {
        groups.get(i).forEach(l -> all.append(indent).append("  case ").append(l).append(":\n"));
        all.append(cased(scope));
      }
    }
    return all.append(indent).append("}\n").toString();
  }

  private String cased(Scope scope) {
    String last = chance(0.7) ? scope.indent() + "    " + here() + "break;\n" : "";
    return block(scope.deeper().inSwitch()) + last;
  }

  private String switchExpression(Scope scope) {
    String indent = scope.indent();
    List<String> choice = choice(scope, false);
    boolean isExhaustive = choice.contains("NORTH") && chance(0.5);
    List<List<String>> groups = groups(choice, isExhaustive);
    String chosen = chosen(choice.get(0), groups, !isExhaustive);
    StringBuilder all = new StringBuilder(indent + here() + "Quay.use(switch (" + chosen + ") {\n");
    Scope within = scope.body(1, true);
    for (List<String> group : groups) {
      all.append(indent).append("  case ").append(String.join(", ", group)).append(" -> ");
      all.append(number(within, 1)).append(";\n");
    }
    if (!isExhaustive) {
      all.append(indent).append("  default -> {\n").append(indent).append("    ").append(here());
      all.append("yield ").append(number(within, 1)).append(";\n").append(indent).append("  }\n");
    }
    return all.append(indent).append("});\n").toString();
  }

  private String typeSwitch(Scope scope) {
    String indent = scope.indent();
    List<String> types = new ArrayList<>(Arrays.asList("Integer", "String", "Long"));
    Collections.shuffle(types, random);
    List<String> labels = new ArrayList<>();
    for (String type : types.subList(0, 1 + random.nextInt(3))) {
      if (chance(0.4)) {
        decisions++;
        labels.add("case " + type + " " + name("z") + " when " + test(scope.body(0, true), 1));
      }
      labels.add("case " + type + " " + name("z"));
    }
    if (chance(0.3)) {
      labels.add("case null");
    }
    decisions += labels.size();
    labels.add("default");
    int place = place(number -> new Place.Types(number, labels.size()));
    boolean areRules = chance(0.6);
    StringBuilder all = new StringBuilder(indent + here() + "switch (");
    all.append(Marks.of(Kind.TYPED, place, "o")).append(") {\n");
    for (int i = 0; i < labels.size(); i++) {
      String logged = Marks.of(Kind.LABEL, place, String.valueOf(i));
      all.append(indent).append("  ").append(labels.get(i)).append(areRules ? " -> {" : ":");
      all.append(logged).append("\n").append(block(scope.deeper().inSwitch()));
      all.append(indent).append(areRules ? "  }" : "    break;").append("\n");
    }
    return all.append(indent).append("}\n").toString();
  }

  private String handled(Scope scope) {
    String indent = scope.indent();
    boolean hasResource = chance(0.3);
    String two = chance(0.3) ? "; Quay.Rope " + name("r") + " = Quay.rope(1)" : "";
    String opened = "(Quay.Rope " + name("r") + " = Quay.rope(" + one("a", "b") + ")" + two + ") ";
    StringBuilder all = new StringBuilder(indent + "try " + (hasResource ? opened : "") + "{\n");
    all.append(block(scope.deeper())).append(indent).append("}");
    List<String> types =
        chance(0.5)
            ? List.of("IllegalStateException | ArithmeticException", "RuntimeException")
            : List.of("IllegalArgumentException", "RuntimeException");
    // Each way out of a block has a copy of its finally, so that few stand in each other.
    boolean isOuter = scope.depth() < 2;
    int handlers = isOuter ? random.nextInt(3) : 1 + random.nextInt(2);
    for (String type : types.subList(0, handlers)) {
      all.append(" catch (").append(type).append(" ").append(name("e")).append(") {");
      all.append(handler()).append("\n").append(block(scope.deeper())).append(indent).append("}");
    }
    if (handlers == 0 && !hasResource || chance(isOuter ? 0.4 : 0.1)) {
      all.append(" finally {\n").append(block(scope.deeper())).append(indent).append("}");
    }
    return all.append("\n").toString();
  }

  /** A lambda or an inner class. */
  private String body(Scope scope) {
    String indent = scope.indent();
    int form = random.nextInt(3);
    Scope within = scope.body(form == 2 ? 2 : 1, form != 0);
    String all = block(within);
    if (form != 0) {
      all += within.indent() + here() + "return " + number(within, 1) + ";\n";
    }
    return switch (form) {
      case 0 -> indent + here() + "Quay.run(() -> {\n" + all + indent + "});\n";
      case 1 -> indent + here() + "Quay.use(Quay.get(() -> {\n" + all + indent + "}));\n";
      default ->
          indent
              + here()
              + "Quay.use(new Quay.Task() {\n"
              + indent
              + "  @Override\n"
              + indent
              + "  public int run() {\n"
              + all
              + indent
              + "  }\n"
              + indent
              + "}.run());\n";
    };
  }
}
