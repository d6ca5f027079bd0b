import java.io.IOException;
import java.io.OutputStream;
import java.io.Writer;

/** What is to be seen at the end of a way through each of the marked lines. */
class Shows {
  private int pier;

  static String flag(int draught) {
    if (draught > 3) {
      return "blue"; // seen: the result of flag, now "blue"
    }
    return "red";
  }

  void moor(int berth) {
    if (berth > 2) {
      pier = berth; // seen: `pier` is set to 3
    }
  }

  static void sounded(StringBuilder log, int depth) {
    log.append("depth ");
    if (depth > 9) {
      log.append(depth); // seen: what `log` holds, now "depth 10"
    }
  }

  static StringBuilder emptied(StringBuilder log, int depth) {
    log.append("depth ");
    if (depth > 9) {
      log.setLength(0); // seen: the result of emptied; what `log` holds, now ""
    }
    return log;
  }

  static void posted(Appendable board, String notice) throws IOException {
    if (notice.startsWith("storm")) {
      board.append(notice); // seen: what `board` holds
    }
  }

  static void hailed(Writer radio, int channel) throws IOException {
    if (channel == 16) {
      radio.write("all ships"); // seen: what `radio` holds
    }
  }

  static void signalled(OutputStream lamp, int flashes) throws IOException {
    if (flashes > 5) {
      lamp.write(flashes); // seen: what `lamp` holds
    }
  }

  /** What others did to it afterwards is not known. */
  static void turned(StringBuilder log, int depth) {
    log.append(depth);
    if (depth > 9) {
      log.reverse(); // seen: what `log` holds
    }
  }

  static void headed(StringBuilder log, int depth) {
    if (depth > 9) {
      log.insert(0, depth); // seen: what `log` holds
    }
  }
}
