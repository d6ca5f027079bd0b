package atalaya.agent;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Reach;
import atalaya.points.AgentOptions.Detail;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

/** Planted classes that one JVM keeps for the next, where their marks stand somewhere else. */
class KeptClassesTest {
  /** A number of the class itself, in the middle of where the numbers of marks would be. */
  private static final int OWN = 0x6A000001;

  private static final int INDEX = 3;
  private static final int BASE = 50;

  @TempDir File folder;
  private final AtomicInteger planted = new AtomicInteger();

  @BeforeEach
  void makeRoomForMarks() {
    Reach.table[INDEX] = new boolean[BASE + 10];
  }

  private static byte[] buoy() {
    ClassWriter writer = new ClassWriter(0);
    writer.visit(Opcodes.V1_8, Opcodes.ACC_PUBLIC, "Buoy", null, "java/lang/Object", null);
    MethodVisitor code =
        writer.visitMethod(Opcodes.ACC_PUBLIC | Opcodes.ACC_STATIC, "own", "()I", null, null);
    code.visitCode();
    for (int line = 1; line <= 3; line++) {
      Label label = new Label();
      code.visitLabel(label);
      code.visitLineNumber(line, label);
      code.visitInsn(Opcodes.NOP);
    }
    code.visitLdcInsn(OWN);
    code.visitInsn(Opcodes.IRETURN);
    code.visitMaxs(1, 0);
    code.visitEnd();
    return writer.toByteArray();
  }

  private Planted get() {
    return new KeptClasses(folder, "points")
        .get(
            "hash",
            () -> {
              planted.incrementAndGet();
              return Planter.plant(buoy(), Detail.POINTS);
            });
  }

  private void checkRuns(Planted buoy) throws Exception {
    byte[] bytes = buoy.at(INDEX, BASE);
    Class<?> type =
        new ClassLoader(getClass().getClassLoader()) {
          Class<?> define() {
            return defineClass("Buoy", bytes, 0, bytes.length);
          }
        }.define();
    assertThat(type.getMethod("own").invoke(null)).isEqualTo(OWN);
    assertThat(Reach.table[INDEX][BASE + 2]).isTrue();
    assertThat(buoy.type.points()).isEqualTo(3);
  }

  @Test
  void areReadAgainAndMarkWhereTheyAreTold() throws Exception {
    checkRuns(get());
    makeRoomForMarks();
    checkRuns(get());
    assertThat(planted).hasValue(1);
    assertThat(folder.list()).hasSize(1);
  }

  @ParameterizedTest
  @ValueSource(strings = {"cut", "changed", "empty", "foreign"})
  void arePlantedAnewWhenTheFileIsNotWhole(String how) throws Exception {
    get();
    Path file = folder.listFiles()[0].toPath();
    byte[] whole = Files.readAllBytes(file);
    byte[] damaged = whole.clone();
    damaged[whole.length / 2] ^= 1;
    Files.write(
        file,
        how.equals("cut")
            ? java.util.Arrays.copyOf(whole, whole.length - 9)
            : how.equals("changed")
                ? damaged
                : how.equals("empty")
                    ? new byte[0]
                    : "not a planted class at all".getBytes("UTF-8"));
    checkRuns(get());
    assertThat(planted).hasValue(2);
    get();
    assertThat(planted).as("kept again").hasValue(2);
  }

  @Test
  void areDoneWithoutWhereTheFolderCannotBe() throws Exception {
    File taken = new File(folder, "taken");
    Files.write(taken.toPath(), new byte[1]);
    checkRuns(
        new KeptClasses(new File(taken, "below"), "points")
            .get("hash", () -> Planter.plant(buoy(), Detail.POINTS)));
    checkRuns(
        new KeptClasses(null, "points").get("hash", () -> Planter.plant(buoy(), Detail.POINTS)));
  }
}
