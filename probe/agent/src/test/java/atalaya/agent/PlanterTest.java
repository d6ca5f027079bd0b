package atalaya.agent;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.boot.Reach;
import atalaya.boot.SharedCounts;
import atalaya.boot.SharedMarks;
import atalaya.points.AgentOptions.Detail;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.objectweb.asm.ClassWriter;
import org.objectweb.asm.Label;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;

class PlanterTest {
  private static final int INDEX = 3;
  private static final int BASE = 5;
  private static final int PLENTY = 200_000;

  @BeforeEach
  void makeRoomForMarks() {
    Reach.table = new boolean[8][];
    Reach.table[INDEX] = new boolean[PLENTY];
    Reach.counts = new long[8][];
    Reach.counts[INDEX] = new long[PLENTY];
  }

  private static final class Planting extends ClassLoader {
    final Set<String> own;
    final ClassLoader from;
    final Detail detail;

    Planting(ClassLoader from, Set<String> own, Detail detail) {
      super(from);
      this.detail = detail;
      this.from = from;
      this.own = own;
    }

    @Override
    protected Class<?> loadClass(String name, boolean resolve) throws ClassNotFoundException {
      synchronized (getClassLoadingLock(name)) {
        Class<?> loaded = findLoadedClass(name);
        if (loaded != null || !own.contains(name)) {
          return loaded != null ? loaded : super.loadClass(name, resolve);
        }
        try (InputStream in = from.getResourceAsStream(name.replace('.', '/') + ".class")) {
          return define(name, bytes(in));
        } catch (IOException e) {
          throw new ClassNotFoundException(name, e);
        }
      }
    }

    Class<?> define(String name, byte[] original) {
      byte[] planted = Planter.plant(original, detail).at(INDEX, BASE);
      return defineClass(name, planted, 0, planted.length);
    }
  }

  private static byte[] bytes(InputStream in) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    byte[] buffer = new byte[8192];
    for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
      bytes.write(buffer, 0, read);
    }
    return bytes.toByteArray();
  }

  /** A whole library, so that the verifier sees constructs that nobody thought of. */
  @ParameterizedTest
  @EnumSource(Detail.class)
  void leavesEveryClassOfALibraryVerifiable(Detail detail) throws Exception {
    File jar =
        new File(
            org.assertj.core.api.Assertions.class
                .getProtectionDomain()
                .getCodeSource()
                .getLocation()
                .toURI());
    Set<String> names = new HashSet<>();
    try (JarFile file = new JarFile(jar)) {
      for (JarEntry entry : Collections.list(file.entries())) {
        String path = entry.getName();
        if (path.startsWith("org/assertj/core/") && path.endsWith(".class")) {
          names.add(path.substring(0, path.length() - 6).replace('/', '.'));
        }
      }
    }
    Planting loader = new Planting(getClass().getClassLoader(), names, detail);
    List<String> broken = new ArrayList<>();
    for (String name : names) {
      try {
        Class.forName(name, true, loader);
      } catch (VerifyError | ClassFormatError e) {
        broken.add(name + ": " + e.getMessage());
      } catch (NoClassDefFoundError | ExceptionInInitializerError e) {
        // It wants a library that is not here: nothing to verify.
        assertThat(e).hasMessageNotContaining("Reach");
      }
    }
    assertThat(names).hasSizeGreaterThan(700);
    assertThat(broken).isEmpty();
    if (detail == Detail.HITS) {
      assertThat(Arrays.stream(Reach.counts[INDEX]).sum()).isGreaterThan(1_000);
    } else {
      assertThat(Reach.table[INDEX]).contains(true);
    }
  }

  @Test
  void leavesAMethodAloneThatWouldGrowTooLarge() throws Exception {
    ClassWriter writer = new ClassWriter(0);
    writer.visit(Opcodes.V1_8, Opcodes.ACC_PUBLIC, "Huge", null, "java/lang/Object", null);
    MethodVisitor code =
        writer.visitMethod(Opcodes.ACC_PUBLIC | Opcodes.ACC_STATIC, "huge", "(I)I", null, null);
    code.visitCode();
    for (int line = 1; line <= 9_000; line++) {
      Label label = new Label();
      code.visitLabel(label);
      code.visitLineNumber(line, label);
      code.visitVarInsn(Opcodes.ILOAD, 0);
      code.visitInsn(Opcodes.ICONST_1);
      code.visitInsn(Opcodes.IDIV);
      code.visitVarInsn(Opcodes.ISTORE, 0);
    }
    code.visitVarInsn(Opcodes.ILOAD, 0);
    code.visitInsn(Opcodes.IRETURN);
    code.visitMaxs(2, 1);
    code.visitEnd();
    MethodVisitor small =
        writer.visitMethod(Opcodes.ACC_PUBLIC | Opcodes.ACC_STATIC, "small", "()I", null, null);
    small.visitCode();
    Label label = new Label();
    small.visitLabel(label);
    small.visitLineNumber(20_000, label);
    small.visitInsn(Opcodes.ICONST_1);
    small.visitInsn(Opcodes.IRETURN);
    small.visitMaxs(1, 0);
    small.visitEnd();

    Planted planted = Planter.plant(writer.toByteArray(), Detail.POINTS);
    assertThat(planted.leftAlone).containsExactly("huge(I)I");
    assertThat(planted.type.points()).isEqualTo(9_001);
    Class<?> huge =
        new Planting(getClass().getClassLoader(), Collections.emptySet(), Detail.POINTS)
            .define("Huge", writer.toByteArray());
    assertThat(huge.getMethod("huge", int.class).invoke(null, 7)).isEqualTo(7);
    assertThat(Reach.table[INDEX]).doesNotContain(true);
    assertThat(huge.getMethod("small").invoke(null)).isEqualTo(1);
    assertThat(Reach.table[INDEX][BASE + 9_000]).isTrue();
  }

  /** Many a jump back from beyond what a short one reaches. */
  @Test
  void plantsMethodsThatAreTooLongForShortJumps() throws Exception {
    int lines = 2400;
    ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_FRAMES);
    writer.visit(Opcodes.V1_8, Opcodes.ACC_PUBLIC, "Long", null, "java/lang/Object", null);
    MethodVisitor code =
        writer.visitMethod(Opcodes.ACC_PUBLIC | Opcodes.ACC_STATIC, "turns", "(II)I", null, null);
    Label head = new Label();
    Label end = new Label();
    code.visitCode();
    code.visitLabel(head);
    code.visitVarInsn(Opcodes.ILOAD, 0);
    code.visitJumpInsn(Opcodes.IFLE, end);
    code.visitIincInsn(0, -1);
    for (int line = 1; line <= lines; line++) {
      line(code, line);
      code.visitVarInsn(Opcodes.ILOAD, 1);
      code.visitJumpInsn(Opcodes.IFEQ, head);
    }
    code.visitJumpInsn(Opcodes.GOTO, head);
    code.visitLabel(end);
    code.visitVarInsn(Opcodes.ILOAD, 0);
    code.visitInsn(Opcodes.IRETURN);
    code.visitMaxs(0, 0);
    code.visitEnd();

    Planted planted = Planter.plant(writer.toByteArray(), Detail.POINTS);
    assertThat(planted.leftAlone).isEmpty();
    Class<?> type =
        new Planting(getClass().getClassLoader(), Collections.emptySet(), Detail.POINTS)
            .define("Long", writer.toByteArray());
    assertThat(type.getMethod("turns", int.class, int.class).invoke(null, 5, 1)).isEqualTo(0);
    assertThat(Reach.table[INDEX]).contains(true);
  }

  /**
   * As programs do that rewrite classes; no person can write it. Class files of Java 6 have no
   * constant that could be their marks.
   */
  @ParameterizedTest
  @ValueSource(ints = {Opcodes.V1_6, Opcodes.V1_8})
  void constructorsMayGoToOthersOnOneOfTheirWays(int version) throws Exception {
    if (version == Opcodes.V1_6) {
      Reach.table[INDEX] = SharedMarks.ALL;
      Reach.counts[INDEX] = SharedCounts.ALL;
    }
    ClassWriter writer = new ClassWriter(ClassWriter.COMPUTE_FRAMES);
    writer.visit(version, Opcodes.ACC_PUBLIC, "Forked", null, "java/lang/Object", null);
    MethodVisitor plain = writer.visitMethod(Opcodes.ACC_PUBLIC, "<init>", "()V", null, null);
    plain.visitCode();
    plain.visitVarInsn(Opcodes.ALOAD, 0);
    plain.visitMethodInsn(Opcodes.INVOKESPECIAL, "java/lang/Object", "<init>", "()V", false);
    plain.visitInsn(Opcodes.RETURN);
    plain.visitMaxs(0, 0);
    plain.visitEnd();
    MethodVisitor forked = writer.visitMethod(Opcodes.ACC_PUBLIC, "<init>", "(I)V", null, null);
    forked.visitCode();
    Label other = new Label();
    line(forked, 1);
    forked.visitVarInsn(Opcodes.ILOAD, 1);
    forked.visitJumpInsn(Opcodes.IFLT, other);
    forked.visitVarInsn(Opcodes.ALOAD, 0);
    forked.visitMethodInsn(Opcodes.INVOKESPECIAL, "java/lang/Object", "<init>", "()V", false);
    Label turn = new Label();
    forked.visitLabel(turn);
    line(forked, 2);
    forked.visitIincInsn(1, -1);
    forked.visitVarInsn(Opcodes.ILOAD, 1);
    forked.visitMethodInsn(
        Opcodes.INVOKESTATIC, "java/lang/String", "valueOf", "(I)Ljava/lang/String;", false);
    forked.visitInsn(Opcodes.POP);
    forked.visitVarInsn(Opcodes.ILOAD, 1);
    forked.visitJumpInsn(Opcodes.IFGT, turn);
    forked.visitInsn(Opcodes.RETURN);
    forked.visitLabel(other);
    line(forked, 3);
    forked.visitVarInsn(Opcodes.ALOAD, 0);
    forked.visitMethodInsn(Opcodes.INVOKESPECIAL, "Forked", "<init>", "()V", false);
    line(forked, 4);
    forked.visitInsn(Opcodes.RETURN);
    forked.visitMaxs(0, 0);
    forked.visitEnd();

    for (Detail detail : Detail.values()) {
      Class<?> type =
          new Planting(getClass().getClassLoader(), Collections.emptySet(), detail)
              .define("Forked", writer.toByteArray());
      assertThat(type.getConstructor(int.class).newInstance(3)).isNotNull();
      assertThat(type.getConstructor(int.class).newInstance(-3)).isNotNull();
    }
    // Lines 1 to 4 and both outcomes of each jump; each is a point, the jumps after their lines.
    assertThat(Arrays.copyOfRange(Reach.table[INDEX], BASE, BASE + 8)).containsOnly(true);
    assertThat(Reach.counts[INDEX][BASE]).isEqualTo(2);
  }

  private static void line(MethodVisitor code, int line) {
    Label label = new Label();
    code.visitLabel(label);
    code.visitLineNumber(line, label);
  }

  @Test
  void addsNothingThatReflectionSees() throws Exception {
    Class<?> plain = org.assertj.core.util.Lists.class;
    Class<?> planted =
        new Planting(
                getClass().getClassLoader(), Collections.singleton(plain.getName()), Detail.POINTS)
            .loadClass(plain.getName());
    assertThat(planted).isNotSameAs(plain);
    assertThat(planted.getDeclaredFields()).hasSameSizeAs(plain.getDeclaredFields());
    assertThat(planted.getDeclaredMethods()).hasSameSizeAs(plain.getDeclaredMethods());
    assertThat(planted.getModifiers()).isEqualTo(plain.getModifiers());
  }
}
