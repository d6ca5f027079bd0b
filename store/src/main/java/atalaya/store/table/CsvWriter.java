package atalaya.store.table;

import atalaya.core.table.Table;
import java.io.IOException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes tables as CSV (RFC 4180) with a header; what is not known is an empty cell. */
public final class CsvWriter {
  private CsvWriter() {}

  /** Writes a table. */
  public static void write(Table table, Appendable to) throws IOException {
    CSVPrinter printer = new CSVPrinter(to, CSVFormat.RFC4180);
    printer.printRecord(table.columns());
    for (Iterable<Object> row : table.rows()) {
      printer.printRecord(row);
    }
    printer.flush();
  }
}
