package atalaya.cli.observe;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.Method;
import atalaya.java.ProjectModel;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadAheadTest {
  @TempDir Path folder;
  private Path parts;
  private Project project;
  private List<ProjectModule> modules;

  @BeforeEach
  void write() throws IOException {
    parts = Files.createDirectories(folder.resolve("parts"));
    modules =
        List.of(
            new ProjectModule(
                "harbour",
                List.of(folder.resolve("out")),
                List.of(),
                List.of(folder.resolve("src"))));
    project = Project.at(folder);
    source("class Buoy { int lights(int times) { return times > 2 ? 1 : 0; } }");
    compile();
  }

  private void source(String text) throws IOException {
    Files.createDirectories(folder.resolve("src"));
    Files.writeString(folder.resolve("src/Buoy.java"), text);
  }

  private void compile() {
    String out = folder.resolve("out").toString();
    int failed =
        ToolProvider.getSystemJavaCompiler()
            .run(null, null, null, "-g", "-d", out, folder.resolve("src/Buoy.java").toString());
    assertThat(failed).isZero();
  }

  private ReadAhead ahead(boolean isAside, double idle) {
    return new ReadAhead(project, modules, parts, () -> isAside, now -> idle);
  }

  private ReadAhead done(ReadAhead ahead) throws InterruptedException {
    long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
    while (!ahead.isDone() && System.nanoTime() < until) {
      Thread.sleep(50);
    }
    assertThat(ahead.isDone()).isTrue();
    return ahead;
  }

  private ProjectModel model(ReadAhead ahead) throws IOException {
    ProjectModel model = ahead.model(ProjectCode.of(modules));
    ProjectModel afterwards = ProjectCode.of(modules).read(project, new HashMap<>());
    assertThat(plain(model)).isEqualTo(plain(afterwards));
    return model;
  }

  private static String plain(ProjectModel model) {
    return model.classes().toString().replaceAll("@\\w+", "");
  }

  private static List<String> methods(ProjectModel model) {
    return model.classes().stream()
        .flatMap(code -> code.methods().stream())
        .map(Method::name)
        .filter(name -> !name.startsWith("<"))
        .toList();
  }

  @ParameterizedTest
  @CsvSource({"true, 0.6", "false, 4"})
  void whatStayedTheSameIsReadOnce(boolean isAside, double idle) throws Exception {
    Files.createFile(parts.resolve("one.part"));
    ReadAhead ahead = done(ahead(isAside, idle));
    ProjectModel model = model(ahead);
    assertThat(model(ahead)).isSameAs(model);
    assertThat(methods(model)).containsExactly("lights(int)");
  }

  @Test
  void whatChangedMeanwhileIsReadAgain() throws Exception {
    Files.createFile(parts.resolve("one.part"));
    ReadAhead ahead = done(ahead(true, 4));
    source("class Buoy { int lights(int times) { return times; } void drifts() {} }");
    assertThat(model(ahead)).isNotSameAs(model(ahead));
    compile();
    assertThat(methods(model(ahead))).containsExactly("lights(int)", "drifts()");
    Files.delete(folder.resolve("out/Buoy.class"));
    assertThat(model(ahead).classes()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"true, 0.4", "false, 1"})
  void aBusyMachineIsLeftAlone(boolean isAside, double idle) throws Exception {
    Files.createFile(parts.resolve("one.part"));
    isNotDoneBeforeTheEnd(ahead(isAside, idle));
  }

  @Test
  void classFilesAreReadOnceAJvmHasLoadedThem() throws Exception {
    isNotDoneBeforeTheEnd(ahead(true, 4));
    ReadAhead waiting = ahead(true, 4);
    Files.createFile(parts.resolve("one.part"));
    assertThat(model(done(waiting))).isSameAs(model(waiting));
  }

  private void isNotDoneBeforeTheEnd(ReadAhead ahead) throws Exception {
    Thread.sleep(TimeUnit.SECONDS.toMillis(1));
    assertThat(ahead.isDone()).isFalse();
    ProjectModel model = model(ahead);
    assertThat(methods(model)).containsExactly("lights(int)");
    assertThat(model(ahead)).isNotSameAs(model);
    assertThat(ahead.isDone()).isTrue();
  }
}
