import java.util.Arrays;

/**
 * Objects that get their state by calls that fill them. Each method has one place where it throws
 * Here; a way leads there.
 */
class Fillings {
  static class Here extends RuntimeException {}

  // ---- an array, and how much of it is filled ----

  static class Label {
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
      if (needed > letters.length) {
        letters = Arrays.copyOf(letters, needed * 2);
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
