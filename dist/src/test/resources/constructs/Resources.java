import java.io.StringReader;

public class Resources {
  static class Door implements AutoCloseable {
    final boolean jams; //:

    Door(boolean jams) { //+
      this.jams = jams; //+
    }

    @Override
    public void close() {
      if (jams) { //+ jams: true+ false+
        throw new IllegalStateException("jammed"); //+
      }
    }
  }

  static int one(int n) throws Exception {
    try (StringReader reader = new StringReader("abc")) { //+
      if (n > 1) { //+ n > 1: true+ false+
        return reader.read(); //+
      }
      n++; //+
    }
    return n; //+
  }

  static int two(boolean a, boolean b) {
    try (Door first = new Door(a); //+
        Door second = open(b)) { //+
      if (second == null) { //+ second == null: true- false+
        return 0; //-
      }
    } catch (IllegalStateException e) { //+
      return e.getSuppressed().length; //+
    } finally {
      count++; //+
    }
    return 1; //+
  }

  static int closedInOrder(int n) {
    try (StringReader reader = new StringReader("abc")) { //+
      return reader.read(); //+
    } catch (java.io.IOException | IllegalStateException e) { //-
      return n; //-
    } catch (RuntimeException e) { //-
      return -1; //-
    }
  }

  static int count; //:

  static Door open(boolean jams) {
    return new Door(jams); //+
  }

  static void drive() throws Exception {
    one(1); //+
    one(2); //+
    two(false, false); //+
    two(false, true); //+
    closedInOrder(1); //+
  }
}
