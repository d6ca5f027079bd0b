package atalaya.store.runfile;

import atalaya.core.code.Complexity;
import atalaya.core.figure.HandlerFigures;
import atalaya.core.figure.LineFigures;
import atalaya.core.figure.LoopFigures;
import atalaya.core.figure.MethodFigures;
import atalaya.core.figure.Mutants;
import atalaya.core.figure.OutcomeFigures;
import atalaya.core.figure.Share;
import atalaya.core.figure.TestFigures;
import atalaya.core.gap.Gap;
import atalaya.core.kept.KeptClass;
import atalaya.core.kept.KeptSource;
import atalaya.core.leave.LeftOut;
import atalaya.core.leave.Nature;
import atalaya.core.mutant.Fate;
import atalaya.core.mutant.Mutant;
import atalaya.core.mutant.Operator;
import atalaya.core.mutant.TriedMutant;
import atalaya.core.run.Counts;
import atalaya.core.run.NotObserved;
import atalaya.core.run.Recording;
import atalaya.core.run.Test;
import atalaya.core.run.UncaughtException;
import atalaya.core.run.Verdict;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.BitSet;
import java.util.Locale;
import java.util.OptionalLong;
import java.util.zip.InflaterInputStream;
import org.roaringbitmap.RoaringBitmap;

/** Makes values of the rows of a run file; the columns as {@link RunFile} asks for them. */
final class Rows {
  /** The format of class files allows no larger ones that a JVM loads in practice. */
  private static final int LARGEST_CLASS = 64 << 20;

  /** No class of that size has a point beyond this one. */
  private static final int LARGEST = LARGEST_CLASS;

  private Rows() {}

  static MethodFigures method(ResultSet row) throws SQLException {
    return new MethodFigures(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getInt(4),
        row.getInt(5),
        new Complexity(row.getInt(6), origin(row.getString(7))),
        new Share(row.getInt(8), row.getInt(9)),
        new Share(row.getInt(10), row.getInt(11)),
        row.getInt(12),
        new Mutants(row.getInt(14), row.getInt(15)));
  }

  private static Complexity.Origin origin(String label) {
    return Complexity.Origin.valueOf(label.toUpperCase(Locale.ROOT));
  }

  private static OptionalLong hits(ResultSet row, int column) throws SQLException {
    long hits = row.getLong(column);
    return row.wasNull() ? OptionalLong.empty() : OptionalLong.of(hits);
  }

  static Gap gap(ResultSet row) throws SQLException {
    return new Gap(
        row.getString(1),
        Gap.Kind.valueOf(row.getString(2).toUpperCase(Locale.ROOT)),
        row.getString(3),
        row.getString(4),
        row.getString(5),
        row.getInt(6),
        row.getString(7),
        row.getString(8),
        row.getBoolean(9),
        new Gap.Opens(row.getInt(10), row.getInt(11), row.getInt(12)),
        row.getString(13));
  }

  static TriedMutant mutant(ResultSet row) throws SQLException {
    return new TriedMutant(
        new Mutant(
            row.getString(1),
            row.getString(2),
            row.getString(3),
            row.getString(4),
            row.getInt(5),
            Operator.valueOf(row.getString(6)),
            row.getString(7),
            row.getString(8)),
        Fate.valueOf(row.getString(9).toUpperCase(Locale.ROOT)),
        row.getString(10),
        row.getString(11),
        row.getInt(12));
  }

  static KeptSource source(ResultSet row) throws SQLException {
    return new KeptSource(
        row.getString(1), row.getString(2), row.getLong(3), row.getString(4), row.getString(5));
  }

  static KeptClass classFile(ResultSet row) throws SQLException {
    return new KeptClass(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getLong(4),
        row.getString(5),
        row.getBoolean(6),
        inflated(row.getBytes(7)));
  }

  private static byte[] inflated(byte[] bytes) throws SQLException {
    try (InflaterInputStream from = new InflaterInputStream(new ByteArrayInputStream(bytes))) {
      byte[] whole = from.readNBytes(LARGEST_CLASS + 1);
      if (whole.length > LARGEST_CLASS) {
        throw new SQLException("a class file in it is too large");
      }
      return whole;
    } catch (IOException e) {
      throw new SQLException("a class file in it can't be inflated", e);
    }
  }

  static BitSet points(byte[] bits) throws SQLException {
    RoaringBitmap bitmap = new RoaringBitmap();
    try {
      bitmap.deserialize(ByteBuffer.wrap(bits));
    } catch (IOException | RuntimeException e) {
      throw new SQLException("a set of points in it can't be read", e);
    }
    if (!bitmap.isEmpty() && (bitmap.first() < 0 || bitmap.last() < 0 || bitmap.last() > LARGEST)) {
      throw new SQLException("a set of points in it can't be read");
    }
    BitSet points = new BitSet();
    bitmap.forEach((org.roaringbitmap.IntConsumer) points::set);
    return points;
  }

  static LineFigures line(ResultSet row) throws SQLException {
    return new LineFigures(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getInt(4),
        row.getBoolean(5),
        hits(row, 6),
        row.getInt(7));
  }

  static OutcomeFigures outcome(ResultSet row) throws SQLException {
    return new OutcomeFigures(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getInt(4),
        row.getString(5),
        row.getString(6),
        row.getBoolean(7),
        hits(row, 8),
        row.getInt(9));
  }

  static HandlerFigures handler(ResultSet row) throws SQLException {
    return new HandlerFigures(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getInt(4),
        row.getString(5),
        row.getBoolean(6),
        row.getInt(7));
  }

  static LoopFigures loop(ResultSet row) throws SQLException {
    return new LoopFigures(
        row.getString(1),
        row.getString(2),
        row.getString(3),
        row.getInt(4),
        row.getBoolean(5),
        row.getBoolean(6),
        row.getBoolean(7));
  }

  static LeftOut leftOut(ResultSet row) throws SQLException {
    return new LeftOut(
        Nature.valueOf(row.getString(1).toUpperCase(Locale.ROOT)),
        new LeftOut.Counts(
            row.getInt(2),
            new Share(row.getInt(3), row.getInt(4)),
            new Share(row.getInt(5), row.getInt(6))));
  }

  static TestFigures test(ResultSet row) throws SQLException {
    return new TestFigures(
        new Test(
            row.getInt(1),
            row.getString(2),
            row.getString(3),
            Verdict.valueOf(row.getString(4).toUpperCase(Locale.ROOT)),
            row.getLong(5),
            row.getBoolean(6)),
        row.getInt(7),
        row.getInt(8),
        row.getInt(9),
        row.getInt(10),
        row.getInt(11),
        row.getInt(12));
  }

  static Recording recording(ResultSet row) throws SQLException {
    return new Recording(
        row.getString(1), row.getString(2), Instant.ofEpochMilli(row.getLong(3)), row.getLong(4));
  }

  static UncaughtException uncaught(ResultSet row) throws SQLException {
    return new UncaughtException(
        row.getString(1), row.getString(2), row.getString(3), row.getString(4));
  }

  static NotObserved notObserved(ResultSet row) throws SQLException {
    return new NotObserved(
        NotObserved.Reason.valueOf(row.getString(1)), row.getString(2), row.getString(3));
  }

  static Counts.Count count(ResultSet row) throws SQLException {
    return new Counts.Count(row.getString(1), row.getString(2), row.getInt(3), row.getLong(4));
  }
}
