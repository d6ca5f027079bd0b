package atalaya.ways.follow;

import atalaya.core.term.Term;
import atalaya.ways.code.ChangedFields;
import atalaya.ways.code.HoldingTypes;
import atalaya.ways.code.MethodCode;
import atalaya.ways.code.TypeNames;
import java.util.List;
import org.objectweb.asm.tree.FieldInsnNode;

/** What calls that were not followed may have changed. */
final class Changes {
  private final Walker walker;
  private final Containers containers;
  private final Holders holders;

  Changes(Walker walker, Containers containers, Holders holders) {
    this.walker = walker;
    this.containers = containers;
    this.holders = holders;
  }

  /** A method was called, which may have gone any way; without an object it can change none. */
  void by(MethodCode code, List<Term> arguments) {
    walker.state.matchings.keySet().removeAll(arguments);
    boolean isGivenSome = arguments.stream().anyMatch(this::mayBeChanged);
    if (!isGivenSome) {
      return;
    }
    if (walker.base.mayWrite(code)) {
      ofAny(arguments);
    }
    ChangedFields changed = walker.base.changed(code);
    if (!changed.isEmpty()) {
      walker.state.fields.replaceAll(
          (known, value) ->
              changed.named(known.name()).stream()
                  .filter(field -> isOf(field.owner(), known))
                  .findFirst()
                  .map(Changes::unknown)
                  .orElse(value));
      walker.state.changed.add(changed);
    }
  }

  /** What something nobody knows was given is changed. */
  void ofAny(List<Term> arguments) {
    walker.state.matchings.keySet().removeAll(arguments);
    containers.mayHaveChanged(arguments);
    holders.mayHaveChanged(arguments);
  }

  /** Something that nobody follows may put something else into arrays, or read lines. */
  void ofArrays(List<Term> arguments) {
    for (Term argument : arguments) {
      walker.lines.lose(argument);
      boolean isArray = argument.type().startsWith("[");
      if (isArray && walker.state.elements.containsKey(argument)) {
        walker.state.elements.get(argument).replaceAll(was -> Term.unknown("element", was.type()));
      }
    }
  }

  private boolean mayBeChanged(Term argument) {
    String type = TypeNames.internal(argument.type());
    return walker.base.has(type)
        || HoldingTypes.holdsSeveral(type)
        || HoldingTypes.isHolder(type)
        || type.equals("java/lang/Object");
  }

  private boolean isOf(String owner, State.Field known) {
    return walker.base.isA(TypeNames.internal(known.object().type()), owner);
  }

  private static Term unknown(ChangedFields.Field field) {
    return Term.lost(field.name(), field.descriptor());
  }

  /** Whether a field that nothing is known of yet may have been changed. */
  boolean mayBe(FieldInsnNode field) {
    return walker.state.changed.stream().anyMatch(all -> all.has(field.owner, field.name));
  }
}
