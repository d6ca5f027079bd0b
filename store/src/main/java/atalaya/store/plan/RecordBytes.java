package atalaya.store.plan;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Records as bytes: what their components hold, one after the other. Who reads them has to have the
 * very records that were written.
 */
final class RecordBytes {
  private RecordBytes() {}

  /** Writes a value as what its type says it is. */
  static void write(Type type, Object value, DataOutput to) throws IOException {
    if (type instanceof ParameterizedType of) {
      writeSeveral(of, value, to);
    } else if (type == String.class) {
      byte[] text = ((String) value).getBytes(StandardCharsets.UTF_8);
      to.writeInt(text.length);
      to.write(text);
    } else if (type == int.class) {
      to.writeInt((Integer) value);
    } else if (type == double.class) {
      to.writeDouble((Double) value);
    } else if (type == boolean.class) {
      to.writeBoolean((Boolean) value);
    } else if (type == BitSet.class) {
      byte[] bits = ((BitSet) value).toByteArray();
      to.writeInt(bits.length);
      to.write(bits);
    } else if (((Class<?>) type).isEnum()) {
      to.writeInt(((Enum<?>) value).ordinal());
    } else {
      for (RecordComponent component : ((Class<?>) type).getRecordComponents()) {
        write(component.getGenericType(), held(component, value), to);
      }
    }
  }

  private static Object held(RecordComponent component, Object by) {
    try {
      return component.getAccessor().invoke(by);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component + " can't be read", e);
    }
  }

  private static void writeSeveral(ParameterizedType type, Object value, DataOutput to)
      throws IOException {
    Type[] of = type.getActualTypeArguments();
    if (value instanceof Map<?, ?> map) {
      to.writeInt(map.size());
      for (Map.Entry<?, ?> entry : map.entrySet()) {
        write(of[0], entry.getKey(), to);
        write(of[1], entry.getValue(), to);
      }
      return;
    }
    List<?> all = value instanceof Optional<?> one ? one.stream().toList() : (List<?>) value;
    to.writeInt(all.size());
    for (Object one : all) {
      write(of[0], one, to);
    }
  }

  /** Reads what was written as a value of this type. */
  static Object read(Type type, DataInput from) throws IOException {
    if (type instanceof ParameterizedType of) {
      return readSeveral(of, from);
    } else if (type == String.class) {
      return new String(bytes(from), StandardCharsets.UTF_8);
    } else if (type == int.class) {
      return from.readInt();
    } else if (type == double.class) {
      return from.readDouble();
    } else if (type == boolean.class) {
      return from.readBoolean();
    } else if (type == BitSet.class) {
      return BitSet.valueOf(bytes(from));
    } else if (((Class<?>) type).isEnum()) {
      return ((Class<?>) type).getEnumConstants()[from.readInt()];
    }
    return record((Class<?>) type, from);
  }

  private static byte[] bytes(DataInput from) throws IOException {
    byte[] bytes = new byte[from.readInt()];
    from.readFully(bytes);
    return bytes;
  }

  private static Object record(Class<?> type, DataInput from) throws IOException {
    RecordComponent[] components = type.getRecordComponents();
    Object[] held = new Object[components.length];
    for (int i = 0; i < held.length; i++) {
      held[i] = read(components[i].getGenericType(), from);
    }
    Class<?>[] types =
        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
    try {
      return type.getDeclaredConstructor(types).newInstance(held);
    } catch (ReflectiveOperationException e) {
      throw new UncheckedIOException(new IOException("no " + type, e));
    }
  }

  private static Object readSeveral(ParameterizedType type, DataInput from) throws IOException {
    Type[] of = type.getActualTypeArguments();
    int size = from.readInt();
    if (type.getRawType() == Map.class) {
      Map<Object, Object> map = new LinkedHashMap<>();
      for (int i = 0; i < size; i++) {
        map.put(read(of[0], from), read(of[1], from));
      }
      return map;
    }
    List<Object> all = new ArrayList<>();
    for (int i = 0; i < size; i++) {
      all.add(read(of[0], from));
    }
    return type.getRawType() == Optional.class ? all.stream().findFirst() : all;
  }
}
