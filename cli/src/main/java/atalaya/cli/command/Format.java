package atalaya.cli.command;

/** What a table can be printed as. */
enum Format {
  TEXT,
  JSON,
  CSV,
  MD;

  /** Takes them in lower case. */
  static final class Converter extends LowerCase<Format> {
    Converter() {
      super(Format.class);
    }
  }
}
