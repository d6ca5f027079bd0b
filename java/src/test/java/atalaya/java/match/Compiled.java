package atalaya.java.match;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.CodeClass;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectModel;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.tools.ToolProvider;

/** Classes of one source file, compiled and read again. */
final class Compiled {
  private Compiled() {}

  /**
   * Compiles a file without a package.
   *
   * @param told the source that the reader gets; null for none
   */
  static List<CodeClass> read(Path folder, String name, String source, String told)
      throws IOException {
    return model(folder, name, source, told).classes();
  }

  /** The same as a whole project. */
  static ProjectModel model(Path folder, String name, String source, String told)
      throws IOException {
    Path file = Files.writeString(folder.resolve(name), source);
    assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, "-g", file.toString()))
        .isZero();
    List<ClassBytes> classes = new ArrayList<>();
    try (var files = Files.list(folder)) {
      for (Path at : files.filter(f -> f.toString().endsWith(".class")).sorted().toList()) {
        String type = at.getFileName().toString().replace(".class", "");
        classes.add(new ClassBytes("m", type, Files.readAllBytes(at)));
      }
    }
    List<SourceText> sources =
        told == null ? List.of() : List.of(new SourceText("m", name, name, told));
    return ProjectReader.read(classes, sources);
  }
}
