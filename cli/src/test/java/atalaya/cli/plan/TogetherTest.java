package atalaya.cli.plan;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.Complexity;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.Share;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TogetherTest {
  /**
   * Of each method its complexity, and whether it was entered, or is closed to tests; of a class
   * that is called new none was. In classes with many such methods they are about what is left of
   * {@code _} in their names.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Pier#a():1 Pier#b():1                              | a() b()",
        "Pier#a():2 Pier#b():1 Pier#c():3                   | a() b()",
        "NewPier#a():2 NewPier#b():1 NewPier#c():3          | a() b() c()",
        "Pier#a(int):5 Pier#b():3 Pier#a():9 Pier#a(long):2 | a(int) a() a(long)",
        "Pier#a():1 Crane#b():1                             | ''",
        "Pier#a():1 Pier#b():1,entered Pier#c():1,closed    | ''",
        "Pier#a():1 Pier#<init>():1 Pier#b():1              | a() b()",
        "Pier#a(int):1 Pier#a(long):1 Pier#b():1            | a(int) a(long) b()",
        "Pier#a(int):1 Pier#b():1 Pier#a():1 Pier#a(long):2 | a(int) a() a(long)",
        "Pier#a(int):1 Pier#b():1 Pier#a():1 Pier#a(long):2 Pier#c():1 | b() c(); a(int) a() a(long)",
        "Pier#a():1 Crane#b():1 Pier#c():1 Crane#d():1      | b() d(); a() c()",
        "Pier#x_a():1 Pier#x_b():1 Pier#y_a():1 Pier#y_b():1 Pier#a():1 Pier#b():1 Pier#c():1 "
            + "Pier#d():1 Pier#z_e():1 | x_a() x_b(); y_a() y_b(); a() b() c() d() z_e()",
        "Pier#x_a():1 Pier#x_b():1 Pier#x_c():1 Pier#x_d():1 Pier#x_e():1 Pier#x_f():1 Pier#x_g():1 "
            + "Pier#y_a():1 Pier#y_b():1 | y_a() y_b(); x_a() x_b() x_c() x_d() x_e() x_f() x_g()",
      })
  void methodsThatNothingEntered(String methods, String groups) {
    List<MethodFigures> lacking = Stream.of(methods.split(" ")).map(TogetherTest::method).toList();

    List<List<MethodFigures>> together =
        Together.of(
            lacking,
            type -> type.startsWith("New"),
            method -> !method.path().equals("closed"),
            m -> about(m.method()));

    assertThat(
            together.stream()
                .map(g -> g.stream().map(MethodFigures::method).collect(Collectors.joining(" ")))
                .collect(Collectors.joining("; ")))
        .isEqualTo(groups);
  }

  private static Set<String> about(String method) {
    return method.contains("_") ? Set.of(method.substring(0, method.indexOf('_'))) : Set.of();
  }

  private static MethodFigures method(String told) {
    String[] name = told.substring(0, told.lastIndexOf(':')).split("#");
    String[] is = told.substring(told.lastIndexOf(':') + 1).split(",");
    int reached = told.endsWith("entered") ? 1 : 0;
    return new MethodFigures(
        is.length > 1 ? is[1] : "",
        name[0],
        name[1],
        1,
        3,
        new Complexity(Integer.parseInt(is[0]), Complexity.Origin.SOURCE),
        new Share(reached, 3),
        Share.NONE,
        reached,
        Mutants.NOT_TRIED);
  }
}
