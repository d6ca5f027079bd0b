import java.util.Arrays;

/**
 * Objects that get their state by calls that fill them. Each method has one place where it throws
 * Here; a way leads there.
 */
class Fillings {
  static class Here extends RuntimeException {}

  // ---- an array, and how much of it is filled ----

  static class Label {
    private static final int LARGEST = Integer.MAX_VALUE - 8;

    private char[] letters;
    private int size;

    Label() {
      this(32);
    }

    Label(int room) {
      letters = new char[room <= 0 ? 32 : room];
    }

    Label append(char letter) {
      ensureRoom(size + 1);
      letters[size++] = letter;
      return this;
    }

    Label append(String text) {
      if (text == null) {
        return this;
      }
      int length = text.length();
      if (length > 0) {
        ensureRoom(size + length);
        text.getChars(0, length, letters, size);
        size += length;
      }
      return this;
    }

    Label clear() {
      size = 0;
      return this;
    }

    private void ensureRoom(int needed) {
      if (needed - letters.length > 0) {
        int room = letters.length * 2;
        if (Integer.compareUnsigned(room, needed) < 0) {
          room = needed;
        }
        if (Integer.compareUnsigned(room, LARGEST) > 0) {
          if (needed < 0) {
            throw new OutOfMemoryError("too many letters");
          }
          room = Math.max(needed, LARGEST);
        }
        letters = Arrays.copyOf(letters, room);
      }
    }

    int length() {
      return size;
    }

    void begins(String text) {
      int length = text.length();
      if (length > 0 && length <= size) {
        for (int i = 0; i < length; i++) {
          if (letters[i] != text.charAt(i)) {
            return;
          }
        }
        throw new Here();
      }
    }

    void differs(String text) {
      int length = text.length();
      if (length > 0 && length <= size) {
        for (int i = 0; i < length; i++) {
          if (letters[i] != text.charAt(i)) {
            throw new Here();
          }
        }
      }
    }

    void has(char letter) {
      for (int i = 0; i < size; i++) {
        if (letters[i] == letter) {
          throw new Here();
        }
      }
    }

    void endsInSpace() {
      if (size > 0 && letters[size - 1] <= ' ') {
        throw new Here();
      }
    }

    void trimmed() {
      int begin = 0;
      int end = size;
      while (begin < end && letters[begin] <= ' ') {
        begin++;
      }
      while (begin < end && letters[end - 1] <= ' ') {
        end--;
      }
      if (begin > 0 && end < size && begin < end) {
        throw new Here();
      }
    }

    void same(Label other) {
      if (size != other.size || size == 0) {
        return;
      }
      for (int i = size - 1; i >= 0; i--) {
        if (letters[i] != other.letters[i]) {
          throw new Here();
        }
      }
    }

    int indexOf(char letter, int from) {
      for (int i = Math.max(from, 0); i < size; i++) {
        if (letters[i] == letter) {
          return i;
        }
      }
      return -1;
    }

    void second(char letter) {
      int at = indexOf(letter, 0);
      if (at > 0 && indexOf(letter, at + 1) < 0) {
        throw new Here();
      }
    }

    void without(char letter) {
      int before = size;
      for (int i = 0; i < size; i++) {
        if (letters[i] == letter) {
          System.arraycopy(letters, i + 1, letters, i, size - i - 1);
          size--;
          i--;
        }
      }
      if (size == before - 2 && letters[0] != letter && size > 0) {
        throw new Here();
      }
    }

    void inserted(int index, char[] others, int from, int many) {
      if (index < 0 || index >= size || others == null || from < 0 || from > others.length) {
        throw new IllegalArgumentException();
      }
      if (many < 0 || from + many > others.length) {
        throw new IllegalArgumentException();
      }
      if (many > 0) {
        ensureRoom(size + many);
        System.arraycopy(letters, index, letters, index + many, size - index);
        System.arraycopy(others, from, letters, index, many);
        throw new Here();
      }
    }

    void doubled() {
      if (size == 2 && letters[0] == letters[1]) {
        throw new Here();
      }
    }
  }

  static void labelled(Label label, int tons) {
    if (tons > 4 && label.length() == 2) {
      throw new Here();
    }
  }

  static class Stack {
    private final int[] depths = new int[8];
    private int count;

    void push(int depth) {
      if (count == depths.length) {
        throw new IllegalStateException("full");
      }
      depths[count++] = depth;
    }

    void deeper(int depth) {
      if (count > 1 && depths[count - 1] > depth && depths[0] == 3) {
        throw new Here();
      }
    }
  }

  static class Register {
    private final String[] ships = new String[4];
    private int used;

    boolean add(String ship) {
      if (ship == null || used == ships.length) {
        return false;
      }
      ships[used] = ship;
      used++;
      return true;
    }

    void listed(String ship) {
      for (int i = 0; i < used; i++) {
        if (ships[i].equals(ship)) {
          throw new Here();
        }
      }
    }
  }

  /** What its constructor leaves there is not known. */
  static class Sign {
    private char[] letters;
    private int size;

    Sign(int room) {
      letters = new char[room <= 0 ? 16 : room];
    }

    Sign(CharSequence text) {
      this(lengthOf(text) + 16);
      if (text != null) {
        write(text);
      }
    }

    private static int lengthOf(CharSequence text) {
      return text == null ? 0 : text.length();
    }

    Sign write(CharSequence text) {
      if (text instanceof String) {
        String letters = (String) text;
        letters.getChars(0, letters.length(), this.letters, size);
        size += letters.length();
      } else {
        write(String.valueOf(text));
      }
      return this;
    }

    Sign write(char letter) {
      letters[size++] = letter;
      return this;
    }

    void dotted() {
      if (size > 1 && letters[size - 1] == '.' && letters[0] != '.') {
        throw new Here();
      }
    }
  }

  // ---- a number that goes up ----

  static class Turnstile {
    private int passed;

    void pass() {
      passed++;
    }

    void thrice() {
      if (passed == 3) {
        throw new Here();
      }
    }
  }
}
