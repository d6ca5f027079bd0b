package atalaya.java.bytecode;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.objectweb.asm.Opcodes;

/** A resource is kept in local 2, what was thrown in local 3. */
class ClosingsTest {
  @ParameterizedTest
  @CsvSource({
    "2 ? 3 ? 2 close goto =7 3 7 addSuppressed goto 2 close, 0 and 1",
    // A person's condition stands before.
    "1 ? 2 ? 3 ? 2 close goto =7 3 7 addSuppressed, 1 and 2",
    // What another compiler, or a person, writes.
    "2 ? 4 3 ? 2 close goto =7 3 7 addSuppressed, none",
    "2 ? goto 3 ? 2 close goto =7 3 7 addSuppressed, none",
    "2 ? 3 ? 4 close goto =7 3 7 addSuppressed, none",
    "2 ? 3 ? 2 read goto =7 3 7 addSuppressed, none",
    "2 ? 3 ? 2 close goto =7 4 7 addSuppressed, none",
    "2 ? 3 ? 2 close goto =7 3 7 addSuppressed named:4, 0 and 1",
    "2 ? 3 ? 2 close goto =7 3 7 addSuppressed named:3, none"
  })
  void areTheJumpsThatNobodyWrote(String code, String found) {
    Closings closings = new Closings();
    int item = 0;
    for (String word : code.split(" ")) {
      if (word.equals("?")) {
        closings.jump(Opcodes.IFNULL, item++, 1);
      } else if (word.equals("goto")) {
        closings.other();
      } else if (word.startsWith("=")) {
        closings.local(Opcodes.ASTORE, Integer.parseInt(word.substring(1)));
      } else if (word.startsWith("named:")) {
        closings.named(Integer.parseInt(word.substring(6)), 0, 1);
      } else if (Character.isDigit(word.charAt(0))) {
        closings.local(Opcodes.ALOAD, Integer.parseInt(word));
      } else {
        closings.call(word);
      }
    }
    assertThat(closings.found().stream().map(c -> c.first() + " and " + c.second()))
        .isEqualTo(found.equals("none") ? List.of() : List.of(found));
  }
}
