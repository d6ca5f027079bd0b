package atalaya.ways.code;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The fields that a method, and what it calls, may change. */
public final class ChangedFields {
  /**
   * A field that code sets, or of which it changes what it holds.
   *
   * @param owner the internal name of its class
   */
  public record Field(String owner, String name, String descriptor) {}

  private final Map<String, List<Field>> byName = new HashMap<>();

  ChangedFields(Collection<Field> fields) {
    fields.forEach(
        field -> byName.computeIfAbsent(field.name(), name -> new ArrayList<>(1)).add(field));
  }

  public boolean isEmpty() {
    return byName.isEmpty();
  }

  /** Those of a name, of whichever class. */
  public List<Field> named(String name) {
    return byName.getOrDefault(name, List.of());
  }

  /**
   * Whether a field is one of them.
   *
   * @param owner the internal name of its class
   */
  public boolean has(String owner, String name) {
    return named(name).stream().anyMatch(field -> field.owner().equals(owner));
  }
}
