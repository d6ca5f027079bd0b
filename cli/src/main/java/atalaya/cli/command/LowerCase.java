package atalaya.cli.command;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/** Takes the values of an enum in lower case. */
abstract class LowerCase<E extends Enum<E>> implements ITypeConverter<E> {
  private final Class<E> type;

  LowerCase(Class<E> type) {
    this.type = type;
  }

  static String of(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT);
  }

  @Override
  public final E convert(String value) {
    for (E constant : type.getEnumConstants()) {
      if (of(constant).equals(value)) {
        return constant;
      }
    }
    List<String> all = Arrays.stream(type.getEnumConstants()).map(LowerCase::of).toList();
    int last = all.size() - 1;
    throw new TypeConversionException(
        "must be "
            + String.join(", ", all.subList(0, last))
            + " or "
            + all.get(last)
            + " (got "
            + value
            + ")");
  }
}
