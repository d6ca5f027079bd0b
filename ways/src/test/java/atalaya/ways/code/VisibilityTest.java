package atalaya.ways.code;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.ways.code.CodeBase.Ref;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VisibilityTest {
  private static final String SOURCE =
      """
      public class Harbour {
        public interface Light { int shine(); }
        public enum Colour {
          RED {
            @Override public int hue() { return own(); }
            public int own() { return 2; }
          };
          public abstract int hue();
        }
        private static class Beacon implements Light {
          public int shine() { return 1; }
          public int hidden() { return 2; }
        }
        private static class Lamp extends Beacon {
          @Override public int shine() { return 3; }
          @Override public int hidden() { return 4; }
        }
        int closed() { return 5; }
        protected int open() { return 6; }
      }
      """;

  @TempDir static Path folder;
  private static CodeBase base;

  @BeforeAll
  static void compile() throws IOException {
    Path file = Files.writeString(folder.resolve("Harbour.java"), SOURCE);
    String[] arguments = {"-d", folder.toString(), file.toString()};
    assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, arguments)).isZero();
    Map<String, byte[]> classes = new HashMap<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path at : files.filter(f -> f.toString().endsWith(".class")).toList()) {
        classes.put(at.getFileName().toString().replace(".class", ""), Files.readAllBytes(at));
      }
    }
    base = CodeBase.of(classes, type -> Optional.empty());
  }

  @ParameterizedTest
  @CsvSource({
    "Harbour,          open()I,   true",
    "Harbour,          closed()I, false",
    "Harbour$Light,    shine()I,  true",
    "Harbour$Beacon,   shine()I,  true",
    "Harbour$Beacon,   hidden()I, false",
    "Harbour$Lamp,     shine()I,  true",
    "Harbour$Lamp,     hidden()I, false",
    "Harbour$Colour$1, hue()I,    true",
    "Harbour$Colour$1, own()I,    false",
  })
  void isOfferedToOthersToo(String type, String method, boolean isOffered) {
    assertThat(Visibility.isOffered(base, new Ref(type, method))).isEqualTo(isOffered);
  }
}
