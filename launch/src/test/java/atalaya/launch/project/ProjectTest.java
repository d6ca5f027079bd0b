package atalaya.launch.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectTest {
  @TempDir Path temporary;
  private Path root;

  @BeforeEach
  void realRoot() throws IOException {
    root = temporary.toRealPath();
  }

  private void pom(String folder, String inside) throws IOException {
    Path file = root.resolve(folder).resolve("pom.xml");
    Files.createDirectories(file.getParent());
    Files.writeString(file, "<project><artifactId>a</artifactId>" + inside + "</project>");
  }

  @Test
  void isTheTopmostBuildThatHoldsTheFolder() throws IOException {
    pom("all", "<modules><module>core</module><module>deep/web</module></modules>");
    pom("all/core", "");
    pom("all/deep/web", "");
    pom("all/other", "");
    Files.createDirectories(root.resolve("all/deep/web/src"));
    assertThat(Project.around(root.resolve("all/deep/web/src")).root())
        .isEqualTo(root.resolve("all"));
    assertThat(Project.around(root.resolve("all/other")).root())
        .isEqualTo(root.resolve("all/other"));
    Files.writeString(root.resolve("all/core/atalaya.yaml"), "");
    assertThat(Project.around(root.resolve("all/core")).root()).isEqualTo(root.resolve("all/core"));
    assertThatThrownBy(() -> Project.around(root)).isInstanceOf(NoProject.class);
  }

  @Test
  void findsTheFoldersOfEveryMavenModule() throws IOException {
    pom(
        ".",
        "<properties><out>build</out></properties>"
            + "<modules><module>core</module></modules>"
            + "<profiles><profile><modules><module>extra</module></modules></profile></profiles>"
            + "<build><directory>${project.basedir}/${out}</directory></build>");
    pom("core", "<build><sourceDirectory>java</sourceDirectory></build>");
    pom("extra", "<build><outputDirectory>${project.build.directory}/x</outputDirectory></build>");
    Files.createDirectories(root.resolve("core/build/generated-sources/annotations"));
    List<ProjectModule> modules = Project.around(root).modules();
    assertThat(modules).hasSize(3);
    assertThat(modules.get(1).name()).isEqualTo("core");
    assertThat(modules.get(1).sources())
        .contains(
            root.resolve("core/java"), root.resolve("core/build/generated-sources/annotations"));
    assertThat(modules.get(2).classes()).containsExactly(root.resolve("extra/build/x"));
    assertThat(modules.get(2).testClasses())
        .containsExactly(root.resolve("extra/build/test-classes"));
  }

  @Test
  void knowsItsTestCommand() throws IOException {
    pom(".", "");
    Project maven = Project.around(root);
    assertThat(maven.testCommand(Optional.of("BuoyTest")))
        .hasValue(
            List.of("mvn", "test", "-Dtest=BuoyTest", "-Dsurefire.failIfNoSpecifiedTests=false"));
    Path wrapper = Files.writeString(root.resolve("mvnw"), "");
    assertThat(wrapper.toFile().setExecutable(true)).isTrue();
    assertThat(maven.testCommand(Optional.empty())).hasValue(List.of(wrapper.toString(), "test"));
    Files.writeString(root.resolve("pom.xml"), "<project");
    assertThatThrownBy(maven::modules)
        .isInstanceOf(NoProject.class)
        .hasMessageContaining("can't read " + root.resolve("pom.xml"));
  }

  @Test
  void findsGradleModulesByTheirUsualLayout() throws IOException {
    Files.writeString(root.resolve("settings.gradle.kts"), "");
    Files.createDirectories(root.resolve("app"));
    Files.writeString(root.resolve("app/build.gradle"), "");
    Project gradle = Project.around(root.resolve("app"));
    assertThat(gradle.root()).isEqualTo(root);
    assertThat(gradle.testCommand(Optional.empty())).isEmpty();
    assertThat(gradle.modules().get(1).classes())
        .contains(root.resolve("app/build/classes/java/main"));
  }
}
