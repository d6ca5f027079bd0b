package atalaya.cli.observe;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.Method;
import atalaya.java.ProjectModel;
import atalaya.launch.project.Project;
import atalaya.launch.project.ProjectModule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

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

  private ReadAhead ahead(Path parts, double idle) {
    return new ReadAhead(project, modules, parts, now -> idle);
  }

  /** As when a JVM has begun, on a machine that has nothing else to do. */
  private ReadAhead readAhead() throws IOException, InterruptedException {
    Files.createFile(parts.resolve("one.part"));
    ReadAhead ahead = ahead(parts, 4);
    long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
    while (!ahead.isDone() && System.nanoTime() < until) {
      Thread.sleep(50);
    }
    assertThat(ahead.isDone()).isTrue();
    return ahead;
  }

  private ProjectModel model(ReadAhead ahead) throws IOException {
    return ahead.model(ProjectCode.of(modules));
  }

  private static List<String> methods(ProjectModel model) {
    return model.classes().stream()
        .flatMap(code -> code.methods().stream())
        .map(Method::name)
        .filter(name -> !name.startsWith("<"))
        .toList();
  }

  @Test
  void whatStayedTheSameIsReadOnce() throws Exception {
    ReadAhead ahead = readAhead();
    ProjectModel model = model(ahead);
    assertThat(model(ahead)).isSameAs(model);
    assertThat(methods(model)).containsExactly("lights(int)");
    assertThat(model.classes().toString().replaceAll("@\\w+", ""))
        .isEqualTo(
            ProjectCode.of(modules).read(project).classes().toString().replaceAll("@\\w+", ""));
  }

  @Test
  void whatChangedMeanwhileIsReadAgain() throws Exception {
    ReadAhead ahead = readAhead();
    source("class Buoy { int lights(int times) { return times; } void drifts() {} }");
    ProjectModel newSource = model(ahead);
    assertThat(newSource).isNotSameAs(model(ahead));
    compile();
    assertThat(methods(model(ahead))).containsExactly("lights(int)", "drifts()");
    Files.delete(folder.resolve("out/Buoy.class"));
    assertThat(model(ahead).classes()).isEmpty();
  }

  @Test
  void aBusyMachineIsLeftAloneAndSoIsCodeThatNoJvmHasLoaded() throws Exception {
    ReadAhead tooEarly = ahead(folder.resolve("none"), 4);
    Files.createFile(parts.resolve("one.part"));
    ReadAhead busy = ahead(parts, 1);
    Thread.sleep(TimeUnit.SECONDS.toMillis(1));
    assertThat(tooEarly.isDone()).isFalse();
    assertThat(busy.isDone()).isFalse();
    for (ReadAhead ahead : List.of(tooEarly, busy)) {
      assertThat(methods(model(ahead))).containsExactly("lights(int)");
      assertThat(ahead.isDone()).isTrue();
    }
  }
}
