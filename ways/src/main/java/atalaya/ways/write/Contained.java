package atalaya.ways.write;

import atalaya.core.solve.Solution;
import atalaya.core.term.Term.Input;
import atalaya.core.term.Term.Source;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.Literals;
import atalaya.ways.code.TypeNames;
import atalaya.ways.follow.Builders;
import atalaya.ways.follow.Containers;
import atalaya.ways.follow.Holders;
import atalaya.ways.follow.Walked;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/** Code of what a way asks for its contents: lines, holders, texts under way, and collections. */
final class Contained {
  private static final String TEXT = "Ljava/lang/String;";
  private static final String OBJECT = "Ljava/lang/Object;";

  /** More elements are not written out. */
  private static final int MOST = 20;

  /** A larger array is not made by a test that a person would want. */
  private static final int LARGEST = 1_000_000;

  private final Walked.Needs needs;
  private final Solution.Found found;
  private final Map<Input, String> elementTypes;
  private final Made made;
  private final BiFunction<Input, Input, String> element;

  /**
   * For a way.
   *
   * @param elementTypes the descriptors of the elements of containers, where they are known
   * @param made is told what is made
   * @param element gives the code of an element of a container
   */
  Contained(
      Walked.Needs needs,
      Solution.Found found,
      Map<Input, String> elementTypes,
      Made made,
      BiFunction<Input, Input, String> element) {
    this.needs = needs;
    this.found = found;
    this.elementTypes = elementTypes;
    this.made = made;
    this.element = element;
  }

  /** Empty for what holds nothing, or is not asked for it. */
  Optional<String> of(Input input) {
    String type = TypeNames.internal(input.type());
    Optional<String> ofLines = GivenLines.making(input, found.inputs(), made);
    return ofLines.isPresent()
        ? ofLines
        : HoldingTypes.isHolder(type)
            ? Optional.of(ofHolder(input))
            : ofText(input).or(() -> ofSeveral(input));
  }

  private String ofHolder(Input of) {
    Input held = Holders.held(of);
    Object value = found.inputs().get(held);
    Optional<String> literal =
        found.inputs().containsKey(held) ? Literals.of(value, held.type()) : Optional.empty();
    literal.ifPresent(l -> made.along(held));
    made.lacks(literal.isPresent() && !HoldingTypes.isMadeOfValue(TypeNames.internal(of.type())));
    boolean isReference = held.type().length() > 1;
    String name = "new " + TypeNames.simple(of.type()) + (isReference ? "<>" : "");
    return name + "(" + literal.orElse("") + ")";
  }

  private Optional<String> ofText(Input of) {
    Input held = Builders.held(of);
    if (!(found.inputs().get(held) instanceof String text)) {
      return Optional.empty();
    }
    made.along(held);
    String literal = Literals.of(text, held.type()).orElseThrow();
    return Optional.of("new " + TypeNames.simple(of.type()) + "(" + literal + ")");
  }

  /** A collection or an array with as many elements as are needed. */
  private Optional<String> ofSeveral(Input of) {
    boolean isArray = of.type().startsWith("[");
    Input size = Containers.size(of, isArray ? ".length" : ".size()");
    boolean isContainer = isArray || HoldingTypes.isCollection(TypeNames.internal(of.type()));
    if (!isContainer || !(found.inputs().get(size) instanceof Integer many)) {
      return Optional.empty();
    }
    made.along(size);
    if (many > MOST) {
      boolean isAskedMore = found.inputs().keySet().stream().anyMatch(one -> isIn(of, one));
      made.lacks(!isArray || isAskedMore || many > LARGEST);
      return isArray ? Optional.of(empty(of.type(), many)) : Optional.empty();
    }
    List<String> elements = new ArrayList<>();
    for (int i = 0; i < many; i++) {
      String name = of.name() + "[" + i + "]";
      Optional<Input> asked = asked(name);
      int at = i;
      elements.add(
          asked
              .map(one -> element.apply(of, one))
              .orElseGet(() -> isArray ? usual(of, name) : usual(of, at)));
      asked.ifPresent(made::along);
    }
    return Optional.of(
        isArray
            ? "new " + TypeNames.simple(of.type()) + " {" + String.join(", ", elements) + "}"
            : ContainerCode.of(TypeNames.internal(of.type()), elements, isChanged(of)));
  }

  private static boolean isIn(Input array, Input one) {
    return one.name().startsWith(array.name() + "[");
  }

  /** An array of nothing but zeros. */
  private static String empty(String type, int many) {
    return "new " + TypeNames.simple(type).replaceFirst("\\[]", "[" + many + "]");
  }

  private Optional<Input> asked(String element) {
    return Stream.of(
            found.inputs().keySet(), needs.built().keySet(), needs.narrowings(), needs.handedOn())
        .flatMap(inputs -> inputs.stream().filter(one -> one.name().equals(element)).limit(1))
        .findFirst();
  }

  private boolean isChanged(Input container) {
    return needs.changed().stream().anyMatch(one -> one.name().equals(container.name()));
  }

  private String usual(Input array, String name) {
    String type = array.type().substring(1);
    return Literals.usual(type)
        .orElseGet(() -> element.apply(array, new Input(name, type, Source.ELEMENT, null)));
  }

  /** A letter, or what goes for an element of another type. */
  private String usual(Input of, int index) {
    String type = elementTypes.getOrDefault(of, TEXT);
    return type.equals(TEXT) || type.equals(OBJECT)
        ? "\"" + (char) ('a' + index) + "\""
        : Literals.usual(type).orElse(Writing.cast(type) + "null");
  }
}
