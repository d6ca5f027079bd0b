package atalaya.ways.write;

import java.util.List;
import java.util.Map;
import java.util.Set;

/** How a test makes collections of the platform. */
final class ContainerCode {
  private static final Set<String> LISTS =
      Set.of("java/util/List", "java/util/Collection", "java/lang/Iterable");

  /** What a test makes where a type is asked for that is not one of the plain ones. */
  private static final Map<String, String> MADE =
      Map.of(
          "java/lang/Iterable", "ArrayList",
          "java/util/Collection", "ArrayList",
          "java/util/List", "ArrayList",
          "java/util/Set", "HashSet",
          "java/util/SortedSet", "TreeSet",
          "java/util/NavigableSet", "TreeSet",
          "java/util/Queue", "ArrayDeque",
          "java/util/Deque", "ArrayDeque");

  private ContainerCode() {}

  /**
   * Code that makes a container of some elements.
   *
   * @param isChanged whether others are put there later
   */
  static String of(String type, List<String> elements, boolean isChanged) {
    // One that is null, or an array, would be taken for all elements.
    boolean isOne = elements.size() == 1 && elements.get(0).matches("null|new [^(]*\\[.*");
    String list =
        (isOne ? "Collections.singletonList(" : "Arrays.asList(")
            + String.join(", ", elements)
            + ")";
    return LISTS.contains(type) && !isChanged
        ? list
        : "new "
            + MADE.getOrDefault(type, type.substring(type.lastIndexOf('/') + 1))
            + "<>("
            + list
            + ")";
  }
}
