package atalaya.cli.plan;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.kept.ObservedJvm;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Class files come from the jars that are still there, the first on the class path first. */
class LibrariesTest {
  @TempDir Path folder;

  private void jar(String name, String... classes) throws IOException {
    try (ZipOutputStream jar = new ZipOutputStream(Files.newOutputStream(folder.resolve(name)))) {
      for (String type : classes) {
        jar.putNextEntry(new ZipEntry(type + ".class"));
        jar.write((name + " " + type).getBytes());
      }
    }
  }

  private ObservedJvm jvm(String... classPath) {
    return new ObservedJvm(
        "1",
        0,
        "17",
        "",
        "",
        folder.toString(),
        List.of(),
        List.of(classPath),
        List.of(),
        List.of());
  }

  @Test
  void areReadAsTheProgramsSawThem() throws IOException {
    jar("checks.jar", "quay/Checks");
    jar("more.jar", "quay/Checks", "quay/More");
    Files.writeString(folder.resolve("broken.jar"), "no zip at all");
    Files.createDirectories(folder.resolve("classes/quay"));
    Files.writeString(folder.resolve("classes/quay/Own.class"), "the project's own");
    List<ObservedJvm> jvms =
        List.of(
            jvm("classes", "broken.jar", "gone.jar", "checks.jar"),
            jvm(folder.resolve("more.jar").toString()));
    try (Libraries libraries = new Libraries(jvms)) {
      assertThat(text(libraries.classFile("quay/Checks"))).isEqualTo("checks.jar quay/Checks");
      assertThat(text(libraries.classFile("quay/More"))).isEqualTo("more.jar quay/More");
      assertThat(libraries.classFile("quay/Own")).isEmpty();
      assertThat(libraries.classFile("java/lang/String")).isEmpty();
    }
  }

  private static String text(Optional<byte[]> file) {
    return new String(file.orElseThrow());
  }
}
