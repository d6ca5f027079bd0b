package atalaya.cli.command;

import java.util.Locale;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/** What a table can be printed as. */
enum Format {
  TEXT,
  JSON,
  CSV,
  MD;

  /** Takes them in lower case. */
  static final class Converter implements ITypeConverter<Format> {
    @Override
    public Format convert(String value) {
      for (Format format : values()) {
        if (format.name().toLowerCase(Locale.ROOT).equals(value)) {
          return format;
        }
      }
      throw new TypeConversionException("must be text, json, csv or md (got " + value + ")");
    }
  }
}
