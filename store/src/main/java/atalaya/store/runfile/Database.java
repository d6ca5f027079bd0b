package atalaya.store.runfile;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** The database that a run file is, open for reading. */
final class Database implements AutoCloseable {
  private final Path path;
  private final Connection connection;

  Database(Path path, Connection connection) {
    this.path = path;
    this.connection = connection;
  }

  interface Reading<T> {
    T from(ResultSet row) throws SQLException;
  }

  /** All rows that a query gives, as values. */
  <T> List<T> read(String sql, Reading<T> reading, String... parameters) {
    List<T> all = new ArrayList<>();
    query(sql, row -> all.add(reading.from(row)), parameters);
    return all;
  }

  /** Reads each row that a query gives. */
  void query(String sql, Reading<?> reading, String... parameters) {
    try (PreparedStatement statement = connection.prepareStatement(sql)) {
      for (int i = 0; i < parameters.length; i++) {
        statement.setString(i + 1, parameters[i]);
      }
      try (ResultSet rows = statement.executeQuery()) {
        while (rows.next()) {
          reading.from(rows);
        }
      }
    } catch (SQLException | IllegalArgumentException e) {
      throw damaged(path, e);
    }
  }

  static UnreadableRun damaged(Path path, Exception cause) {
    return new UnreadableRun(path + " is damaged (" + cause.getMessage() + ")", cause);
  }

  @Override
  public void close() {
    try {
      connection.close();
    } catch (SQLException e) {
      throw damaged(path, e);
    }
  }
}
