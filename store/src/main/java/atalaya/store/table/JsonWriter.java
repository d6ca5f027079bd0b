package atalaya.store.table;

import atalaya.core.table.Table;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import java.io.IOException;
import java.io.Writer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes JSON: one object, made of maps, lists, tables, strings, numbers and truth values. */
public final class JsonWriter {
  private JsonWriter() {}

  /** Writes an object. */
  public static void write(Map<String, ?> object, Writer to) throws IOException {
    JsonFactory factory =
        JsonFactory.builder().disable(StreamWriteFeature.AUTO_CLOSE_TARGET).build();
    try (JsonGenerator json = factory.createGenerator(to)) {
      json.setPrettyPrinter(new DefaultPrettyPrinter());
      value(object, json);
    }
    to.write('\n');
    to.flush();
  }

  private static void value(Object value, JsonGenerator json) throws IOException {
    if (value == null || value instanceof Double number && !Double.isFinite(number)) {
      json.writeNull();
    } else if (value instanceof Map<?, ?> map) {
      json.writeStartObject();
      for (var entry : map.entrySet()) {
        json.writeFieldName(entry.getKey().toString());
        value(entry.getValue(), json);
      }
      json.writeEndObject();
    } else if (value instanceof Table table) {
      rows(table, json);
    } else if (value instanceof List<?> list) {
      json.writeStartArray();
      for (Object element : list) {
        value(element, json);
      }
      json.writeEndArray();
    } else if (value instanceof Boolean truth) {
      json.writeBoolean(truth);
    } else if (value instanceof Integer number) {
      json.writeNumber(number);
    } else if (value instanceof Long number) {
      json.writeNumber(number);
    } else if (value instanceof Double number) {
      json.writeNumber(number);
    } else {
      json.writeString(value.toString());
    }
  }

  private static void rows(Table table, JsonGenerator json) throws IOException {
    List<String> keys = table.columns().stream().map(Table::key).toList();
    json.writeStartArray();
    for (List<Object> row : table.rows()) {
      Map<String, Object> object = new LinkedHashMap<>();
      for (int i = 0; i < keys.size(); i++) {
        object.put(keys.get(i), row.get(i));
      }
      value(object, json);
    }
    json.writeEndArray();
  }
}
