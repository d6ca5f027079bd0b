package atalaya.java.match;

import atalaya.java.bytecode.CodeItem;
import atalaya.java.source.SourceItem;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/** Which point of a switch is which of its label groups. */
final class SwitchMatch {
  private static final String DEFAULT = "default";

  private SwitchMatch() {}

  /** Whether the switch of the code may be the one of the source. */
  static boolean mayBe(SourceItem.Selection source, CodeItem.Choice code) {
    int ofDefault = 0;
    for (int target : code.targets()) {
      ofDefault += target == code.target() ? 1 : 0;
    }
    int labels = source.labels();
    if (source.ofTypes() && !code.byNumber()) {
      return false;
    }
    return code.keys().length - ofDefault <= labels && labels <= code.keys().length;
  }

  /**
   * The points by outcome; empty when that can't be said for certain.
   *
   * @param enumConstants by key, for a switch on an enum; may be empty
   */
  static Optional<Map<String, BitSet>> points(
      SourceItem.Selection source, CodeItem.Choice code, Map<Integer, String> enumConstants) {
    Map<SourceItem.Label, Integer> keys = keys(source, code, enumConstants);
    if (source.ofTypes() && keys.size() != source.labels()) {
      return Optional.empty();
    }
    return keys.size() == source.labels()
        ? Optional.of(byKey(source, code, keys))
        : byPlace(source, code);
  }

  private static Map<SourceItem.Label, Integer> keys(
      SourceItem.Selection source, CodeItem.Choice code, Map<Integer, String> enumConstants) {
    Map<String, Integer> keyOfConstant = new HashMap<>();
    enumConstants.forEach((key, constant) -> keyOfConstant.put(constant, key));
    Set<Integer> known = new HashSet<>();
    for (int key : code.keys()) {
      known.add(key);
    }
    Map<SourceItem.Label, Integer> keys = new HashMap<>();
    for (SourceItem.Label label : labels(source)) {
      Integer key =
          code.byNumber()
              ? Integer.valueOf(label.number())
              : label.key() != null
                  ? label.key()
                  : keyOfConstant.get(label.text().substring(label.text().lastIndexOf('.') + 1));
      if (key != null && known.contains(key)) {
        keys.put(label, key);
      }
    }
    return keys;
  }

  private static List<SourceItem.Label> labels(SourceItem.Selection source) {
    List<SourceItem.Label> labels = new java.util.ArrayList<>(source.defaultLabels());
    source.groups().forEach(group -> labels.addAll(group.labels()));
    return labels;
  }

  private static Map<String, BitSet> byKey(
      SourceItem.Selection source, CodeItem.Choice code, Map<SourceItem.Label, Integer> keys) {
    Map<Integer, String> outcomeOfKey = new HashMap<>();
    for (SourceItem.Group group : source.groups()) {
      group.labels().forEach(label -> outcomeOfKey.put(keys.get(label), group.outcome()));
    }
    Map<String, BitSet> points = empty(source);
    for (int i = 0; i < code.keys().length; i++) {
      String outcome = outcomeOfKey.getOrDefault(code.keys()[i], DEFAULT);
      BitSet passed = code.passed().get(code.keys()[i]);
      if (passed == null) {
        set(points, outcome, code.point() + i);
      } else {
        passed.stream().forEach(point -> set(points, outcome, point));
      }
    }
    set(points, DEFAULT, code.point() + code.keys().length);
    return points;
  }

  /** By the order of the targets, where each group has one of its own. */
  private static Optional<Map<String, BitSet>> byPlace(
      SourceItem.Selection source, CodeItem.Choice code) {
    TreeMap<Integer, BitSet> byTarget = new TreeMap<>();
    BitSet ofDefault = new BitSet();
    ofDefault.set(code.point() + code.keys().length);
    for (int i = 0; i < code.keys().length; i++) {
      BitSet of =
          code.targets()[i] == code.target()
              ? ofDefault
              : byTarget.computeIfAbsent(code.targets()[i], t -> new BitSet());
      of.set(code.point() + i);
    }
    if (byTarget.size() != source.groups().size()) {
      return Optional.empty();
    }
    Map<String, BitSet> points = empty(source);
    int group = 0;
    for (BitSet of : byTarget.values()) {
      SourceItem.Group at = source.groups().get(group++);
      if (at.labels().size() != of.cardinality()) {
        return Optional.empty();
      }
      points.get(at.outcome()).or(of);
    }
    points.computeIfPresent(
        DEFAULT,
        (name, bits) -> {
          bits.or(ofDefault);
          return bits;
        });
    return Optional.of(points);
  }

  private static Map<String, BitSet> empty(SourceItem.Selection source) {
    Map<String, BitSet> points = new LinkedHashMap<>();
    source.condition().outcomes().forEach(outcome -> points.put(outcome, new BitSet()));
    return points;
  }

  private static void set(Map<String, BitSet> points, String outcome, int point) {
    BitSet of = points.get(outcome);
    if (of != null) {
      of.set(point);
    }
  }
}
