package atalaya.dist;

import static org.assertj.core.api.Assertions.assertThat;

import atalaya.core.code.ClassState;
import atalaya.core.code.CodeClass;
import atalaya.core.figure.ClassFigures;
import atalaya.core.figure.Joiner;
import atalaya.core.run.ClassReach;
import atalaya.core.run.Detail;
import atalaya.java.ClassBytes;
import atalaya.java.ProjectModel;
import atalaya.java.ProjectReader;
import atalaya.java.SourceText;
import atalaya.store.runfile.RunFile;
import java.io.ByteArrayInputStream;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.InflaterInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;

/** Every figure can be computed again from the run file alone. */
class RecomputedTest {
  @TempDir Path folder;

  @Test
  void figuresComeOutAsTheyAreStored() throws Exception {
    Constructs constructs = Constructs.compiledIn(folder);
    assertThat(constructs.observe().exitCode()).isZero();
    Path file;
    try (var runs = java.nio.file.Files.list(folder.resolve(".atalaya/runs"))) {
      file = runs.findFirst().orElseThrow();
    }
    List<ClassBytes> classes = new ArrayList<>();
    List<SourceText> sources = new ArrayList<>();
    Map<String, Map<Integer, BitSet>> reach = new HashMap<>();
    try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + file)) {
      ResultSet row = query(database, "SELECT module, name, bytes FROM class_file");
      while (row.next()) {
        classes.add(new ClassBytes(row.getString(1), row.getString(2), inflated(row.getBytes(3))));
      }
      row = query(database, "SELECT module, path, text FROM source");
      while (row.next()) {
        String path = row.getString(2);
        String inPackage = path.substring(path.lastIndexOf('/') + 1);
        sources.add(new SourceText(row.getString(1), path, inPackage, row.getString(3)));
      }
      row =
          query(
              database,
              "SELECT name, test, bits FROM reach JOIN pattern ON pattern.id = pattern"
                  + " JOIN class ON class.id = class");
      while (row.next()) {
        RoaringBitmap bits = new RoaringBitmap();
        bits.deserialize(ByteBuffer.wrap(row.getBytes(3)));
        BitSet points = new BitSet();
        bits.forEach((int point) -> points.set(point));
        reach.computeIfAbsent(row.getString(1), c -> new HashMap<>()).put(row.getInt(2), points);
      }
    }
    List<ClassFigures> again = new ArrayList<>();
    Joiner joiner = new Joiner(Detail.LINES);
    ProjectModel model = ProjectReader.read(classes, sources);
    for (CodeClass code : model.classes()) {
      ClassReach of = new ClassReach(reach.getOrDefault(code.name(), Map.of()), Map.of());
      again.add(joiner.join(code, of, ClassState.REACHED, List.of()));
    }
    try (RunFile run = RunFile.open(file)) {
      assertThat(again.stream().flatMap(c -> c.methods().stream()).toList())
          .hasSizeGreaterThan(60)
          .isEqualTo(run.methods());
      assertThat(again.stream().flatMap(c -> c.lines().stream()).toList()).isEqualTo(run.lines());
      assertThat(again.stream().flatMap(c -> c.outcomes().stream()).toList())
          .hasSizeGreaterThan(150)
          .isEqualTo(run.outcomes());
      assertThat(again.stream().flatMap(c -> c.handlers().stream()).toList())
          .isNotEmpty()
          .isEqualTo(run.handlers());
    }
  }

  private static byte[] inflated(byte[] deflated) throws Exception {
    try (var from = new InflaterInputStream(new ByteArrayInputStream(deflated))) {
      return from.readAllBytes();
    }
  }

  private static ResultSet query(Connection database, String sql) throws Exception {
    return database.createStatement().executeQuery(sql);
  }
}
