package harbour.cargo;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.Reader;
import java.util.Locale;

/**
 * Reads manifests as agents send them, a line for each lot:
 *
 * <pre>
 * # mark; kind; weight; hazard class; note
 * KX-104; container; 18.4 t; 3; paint
 * KX-105; bulk; 120000 kg
 * </pre>
 */
public final class ManifestReader {
  private static final int MARK = 0;
  private static final int KIND = 1;
  private static final int WEIGHT = 2;
  private static final int HAZARD = 3;
  private static final int NOTE = 4;

  public Manifest read(Reader text) throws IOException {
    Manifest manifest = new Manifest();
    BufferedReader reader = new BufferedReader(text);
    String line = reader.readLine();
    for (int number = 1; line != null; number++, line = reader.readLine()) {
      String trimmed = line.trim();
      if (trimmed.isEmpty() || trimmed.startsWith("#")) {
        continue;
      }
      readLine(trimmed, number, manifest);
    }
    return manifest;
  }

  private void readLine(String line, int number, Manifest manifest) {
    String[] fields = line.split(";");
    if (fields.length <= WEIGHT) {
      manifest.problem("line " + number + ": no weight for " + fields[KIND].trim());
      return;
    }
    String mark = fields[MARK].trim();
    if (mark.isEmpty()) {
      if (manifest.lines().isEmpty()) {
        manifest.problem("line " + number + ": the first lot has no mark");
        return;
      }
      // An empty mark goes on with the lot above.
      mark = manifest.lines().get(manifest.lines().size() - 1).mark();
    }
    CargoKind kind;
    try {
      kind = CargoKind.parse(fields[KIND]);
    } catch (IllegalArgumentException e) {
      manifest.problem("line " + number + ": " + e.getMessage());
      return;
    }
    long kilograms = weight(fields[WEIGHT]);
    if (kilograms < 0) {
      manifest.problem("line " + number + ": no weight: " + fields[WEIGHT].trim());
      return;
    }
    int hazard = 0;
    if (fields.length > HAZARD && !fields[HAZARD].isBlank()) {
      String text = fields[HAZARD].trim();
      if (text.equals("-") || text.equalsIgnoreCase("none")) {
        hazard = 0;
      } else if (text.length() == 1 && Character.isDigit(text.charAt(0))) {
        hazard = text.charAt(0) - '0';
      } else if (text.length() == 3 && text.charAt(1) == '.') {
        hazard = text.charAt(0) - '0';
        if (kind == CargoKind.FISH) {
          manifest.problem("line " + number + ": fish of hazard class " + text);
        }
      } else {
        manifest.problem("line " + number + ": hazard class: " + text);
        return;
      }
    }
    String note = fields.length > NOTE ? fields[NOTE].trim() : "";
    manifest.add(new CargoLine(mark, kind, kilograms, hazard, note));
  }

  /** In kilograms; -1 when it can't be read. */
  static long weight(String field) {
    String text = field.trim().toLowerCase(Locale.ROOT);
    double factor = 1;
    if (text.endsWith("kg")) {
      text = text.substring(0, text.length() - 2);
    } else if (text.endsWith("t")) {
      text = text.substring(0, text.length() - 1);
      factor = 1000;
    } else if (text.endsWith("lb")) {
      text = text.substring(0, text.length() - 2);
      factor = 0.45359237;
    }
    try {
      double number = Double.parseDouble(text.trim());
      return number < 0 ? -1 : Math.round(number * factor);
    } catch (NumberFormatException e) {
      return -1;
    }
  }
}
