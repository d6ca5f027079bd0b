package atalaya.ways.uses;

import atalaya.ways.code.TypeNames;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.objectweb.asm.tree.analysis.Value;

/** A value as the code that gives it reads. Those of objects and arrays grow as they are made. */
final class Spoken implements Value {
  /** In place of what can't be told, or would be too long. */
  static final String ANY = "..";

  private static final int LONGEST = 70;

  private final int size;
  private String code;
  private boolean isOfAnyType;
  private String elementType = "";
  private List<String> elements;

  private Spoken(int size, String code) {
    this.size = size;
    this.code = code;
  }

  static Spoken of(int size, String code) {
    return new Spoken(size, code);
  }

  static Spoken unknown(int size) {
    return new Spoken(size, ANY);
  }

  /**
   * An array of so many elements, none of which is known yet.
   *
   * @param type the descriptor of an element
   */
  static Spoken array(String type, int length) {
    Spoken array = new Spoken(1, "new " + TypeNames.simple(type) + "[]");
    array.elementType = type;
    array.elements = new ArrayList<>();
    for (int i = 0; i < length; i++) {
      array.elements.add(ANY);
    }
    return array;
  }

  /** What a call gives that says nothing of its type, as one that verifies a double does. */
  static Spoken ofAnyType(String code) {
    Spoken given = new Spoken(1, code);
    given.isOfAnyType = true;
    return given;
  }

  boolean isOfAnyType() {
    return isOfAnyType;
  }

  /** An object is made, or something else is known of it now. */
  void become(String known) {
    code = known;
  }

  /** The descriptor of an element of an array; empty for what is none, or of no known length. */
  String elementType() {
    return elementType;
  }

  void put(int index, String element) {
    if (elements != null && index < elements.size()) {
      elements.set(index, element);
    }
  }

  String code() {
    return elements == null
        ? code
        : code + elements.stream().collect(Collectors.joining(", ", " {", "}"));
  }

  /** The code as a part of other code. */
  String part() {
    String all = code();
    return all.length() > LONGEST ? ANY : all;
  }

  @Override
  public int getSize() {
    return size;
  }

  @Override
  public boolean equals(Object other) {
    return this == other
        || other instanceof Spoken spoken && spoken.size == size && spoken.code().equals(code());
  }

  @Override
  public int hashCode() {
    return size;
  }
}
