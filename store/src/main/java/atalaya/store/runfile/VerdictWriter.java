package atalaya.store.runfile;

import atalaya.core.mutant.BasedVerdict;
import atalaya.core.mutant.TriedMutant;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashMap;
import java.util.Map;

/**
 * The verdicts of a challenge, as they are written into the run file of the run that is challenged.
 * What was written stays when we are killed.
 */
public final class VerdictWriter implements AutoCloseable {
  private static final long WRITE_EVERY_NANOS = 500_000_000L;

  private final Path path;
  private final Connection database;
  private final Map<String, Integer> methods = new HashMap<>();
  private long written = System.nanoTime();

  private VerdictWriter(Path path, Connection database) {
    this.path = path;
    this.database = database;
  }

  /**
   * Opens the run file for writing.
   *
   * @throws UnreadableRun when that can't be
   */
  public static VerdictWriter open(Path path) {
    RunFileHeader.check(path);
    DatabaseLibrary.prepare();
    try {
      VerdictWriter writer =
          new VerdictWriter(path, DriverManager.getConnection("jdbc:sqlite:" + path));
      writer.begin();
      return writer;
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  private void begin() throws SQLException {
    try (Statement statement = database.createStatement()) {
      statement.execute("PRAGMA busy_timeout = " + RunFile.BUSY_MILLIS);
      statement.execute("PRAGMA synchronous = OFF");
      try (ResultSet rows =
          statement.executeQuery(
              "SELECT class.name || '#' || method.name, method.id FROM method"
                  + " JOIN class ON class.id = method.class")) {
        while (rows.next()) {
          methods.put(rows.getString(1), rows.getInt(2));
        }
      }
    }
    database.setAutoCommit(false);
  }

  /** Removes the verdicts about some methods, by their qualified names. */
  public void forget(Iterable<String> qualifiedMethods) {
    try (PreparedStatement delete =
        database.prepareStatement("DELETE FROM mutant WHERE method = ?")) {
      for (String method : qualifiedMethods) {
        delete.setInt(1, methods.get(method));
        delete.addBatch();
      }
      delete.executeBatch();
      database.commit();
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  /** Keeps facts about the challenge. */
  public void about(Map<String, String> facts) {
    try (PreparedStatement insert =
        database.prepareStatement("INSERT OR REPLACE INTO challenge VALUES (?, ?)")) {
      for (Map.Entry<String, String> fact : facts.entrySet()) {
        insert.setString(1, fact.getKey());
        insert.setString(2, fact.getValue());
        insert.addBatch();
      }
      insert.executeBatch();
      database.commit();
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  /** Keeps why tests take no part, by their number. */
  public void unfit(Map<Integer, String> reasons) {
    try (PreparedStatement insert =
        database.prepareStatement("INSERT OR REPLACE INTO unfit_test VALUES (?, ?)")) {
      for (Map.Entry<Integer, String> reason : reasons.entrySet()) {
        insert.setInt(1, reason.getKey());
        insert.setString(2, reason.getValue());
        insert.addBatch();
      }
      insert.executeBatch();
      database.commit();
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  /**
   * Keeps a verdict.
   *
   * @param noticedBy the number of the test that noticed the mutant, or 0
   */
  public void add(BasedVerdict based, int noticedBy) {
    TriedMutant tried = based.tried();
    try (PreparedStatement insert =
        database.prepareStatement(
            "INSERT OR REPLACE INTO mutant VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")) {
      insert.setString(1, tried.mutant().name());
      insert.setInt(2, methods.get(tried.mutant().qualifiedName()));
      insert.setInt(3, tried.mutant().line());
      insert.setString(4, tried.mutant().operator().name());
      insert.setString(5, tried.mutant().original());
      insert.setString(6, tried.mutant().mutated());
      insert.setString(7, tried.fate().label());
      insert.setInt(8, noticedBy);
      insert.setString(9, tried.noticedWith());
      insert.setInt(10, tried.testsRun());
      insert.setString(11, based.basis());
      insert.executeUpdate();
      if (System.nanoTime() - written > WRITE_EVERY_NANOS) {
        flush();
      }
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  /** Makes sure that all verdicts so far are in the file. */
  public void flush() {
    try {
      database.commit();
      written = System.nanoTime();
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }

  private static UnreadableRun failed(Path path, SQLException cause) {
    return new UnreadableRun("can't write to " + path + ": " + cause.getMessage(), cause);
  }

  @Override
  public void close() {
    try {
      database.commit();
      database.close();
    } catch (SQLException e) {
      throw failed(path, e);
    }
  }
}
