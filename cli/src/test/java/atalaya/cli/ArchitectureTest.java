package atalaya.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** Who may know whom: {@code docs/architecture.md}. */
class ArchitectureTest {
  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("atalaya");

  @Test
  void modulesKnowOnlyThoseBelowThem() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("core")
        .definedBy("atalaya.core..")
        .layer("points")
        .definedBy("atalaya.points..")
        .layer("boot")
        .definedBy("atalaya.boot..")
        .layer("java")
        .definedBy("atalaya.java..")
        .layer("ways")
        .definedBy("atalaya.ways..")
        .layer("trial")
        .definedBy("atalaya.trial..")
        .layer("worker")
        .definedBy("atalaya.worker..")
        .layer("launch")
        .definedBy("atalaya.launch..")
        .layer("store")
        .definedBy("atalaya.store..")
        .layer("cli")
        .definedBy("atalaya.cli..")
        .whereLayer("cli")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("store")
        .mayOnlyBeAccessedByLayers("cli")
        .whereLayer("launch")
        .mayOnlyBeAccessedByLayers("cli")
        .whereLayer("trial")
        .mayOnlyBeAccessedByLayers("cli")
        .whereLayer("worker")
        .mayOnlyBeAccessedByLayers("trial")
        .whereLayer("ways")
        .mayOnlyBeAccessedByLayers("cli")
        .whereLayer("java")
        .mayOnlyBeAccessedByLayers("ways", "trial", "cli")
        .whereLayer("boot")
        .mayOnlyBeAccessedByLayers("worker", "launch")
        .whereLayer("points")
        .mayOnlyBeAccessedByLayers("java", "ways", "trial", "launch", "cli")
        .whereLayer("core")
        .mayOnlyBeAccessedByLayers("java", "ways", "trial", "launch", "store", "cli")
        .check(CLASSES);
  }

  @Test
  void theCoreIsFreeOfTheOutsideWorld() {
    noClasses()
        .that()
        .resideInAPackage("atalaya.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "picocli..", "com.fasterxml..", "org.objectweb..", "java.io..", "java.sql..")
        .orShould()
        .dependOnClassesThat()
        .haveFullyQualifiedName("java.nio.file.Files")
        .orShould()
        .dependOnClassesThat()
        .haveFullyQualifiedName("java.lang.Process")
        .check(CLASSES);
  }

  @Test
  void onlyTheCommandsKnowPicocli() {
    noClasses()
        .that()
        .resideOutsideOfPackages("atalaya.cli.command..", "atalaya.cli")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("picocli..")
        .check(CLASSES);
  }

  @Test
  void onlyMainEndsTheProgram() {
    noClasses()
        .that()
        .doNotHaveFullyQualifiedName("atalaya.cli.Main")
        .should()
        .callMethod(System.class, "exit", int.class)
        .check(CLASSES);
  }

  @Test
  void packagesOfAModuleHaveNoCycles() {
    slices().matching("atalaya.core.(*)..").should().beFreeOfCycles().check(CLASSES);
    slices().matching("atalaya.java.(*)..").should().beFreeOfCycles().check(CLASSES);
    slices().matching("atalaya.ways.(*)..").should().beFreeOfCycles().check(CLASSES);
    slices().matching("atalaya.launch.(*)..").should().beFreeOfCycles().check(CLASSES);
  }

  @Test
  void theVersionIsThatOfTheBuild() throws IOException {
    assertThat(Files.readString(Path.of("../pom.xml")))
        .contains("<artifactId>atalaya</artifactId>\n  <version>" + Version.TEXT + "</version>");
  }
}
