package atalaya.store.runfile;

import java.util.List;

/** The tables of a run file; {@code docs/run-file.md} describes them. */
final class Schema {
  static final List<String> STATEMENTS =
      List.of(
          "PRAGMA application_id = " + RunFileHeader.APPLICATION_ID,
          "PRAGMA user_version = " + RunFileHeader.FORMAT,
          "CREATE TABLE about (key TEXT PRIMARY KEY, value TEXT NOT NULL) WITHOUT ROWID",
          "CREATE TABLE word (list TEXT NOT NULL, position INTEGER NOT NULL, value TEXT NOT NULL,"
              + " PRIMARY KEY (list, position)) WITHOUT ROWID",
          "CREATE TABLE jvm (id TEXT PRIMARY KEY, started INTEGER NOT NULL,"
              + " java_version TEXT NOT NULL, java_home TEXT NOT NULL, main_command TEXT NOT NULL,"
              + " working_directory TEXT NOT NULL)",
          "CREATE TABLE jvm_word (jvm TEXT NOT NULL REFERENCES jvm (id), list TEXT NOT NULL,"
              + " position INTEGER NOT NULL, value TEXT NOT NULL)",
          "CREATE TABLE source (path TEXT PRIMARY KEY, module TEXT NOT NULL,"
              + " modified INTEGER NOT NULL, hash TEXT NOT NULL, text TEXT NOT NULL)",
          "CREATE TABLE class_file (id INTEGER PRIMARY KEY, module TEXT NOT NULL,"
              + " name TEXT NOT NULL, file TEXT NOT NULL, modified INTEGER NOT NULL,"
              + " hash TEXT NOT NULL, is_test INTEGER NOT NULL, bytes BLOB NOT NULL)",
          "CREATE TABLE pattern (id INTEGER PRIMARY KEY, bits BLOB NOT NULL)",
          "CREATE TABLE reach (class INTEGER NOT NULL REFERENCES class (id), test INTEGER NOT NULL,"
              + " pattern INTEGER NOT NULL REFERENCES pattern (id),"
              + " PRIMARY KEY (class, test)) WITHOUT ROWID",
          "CREATE TABLE hit (class INTEGER NOT NULL REFERENCES class (id),"
              + " point INTEGER NOT NULL, recording TEXT NOT NULL, times INTEGER NOT NULL,"
              + " PRIMARY KEY (class, point, recording)) WITHOUT ROWID",
          "CREATE TABLE recording (id TEXT PRIMARY KEY, name TEXT NOT NULL,"
              + " started INTEGER NOT NULL, milliseconds INTEGER NOT NULL) WITHOUT ROWID",
          "CREATE TABLE recorded_test (number INTEGER PRIMARY KEY, recording TEXT NOT NULL,"
              + " id TEXT NOT NULL)",
          "CREATE TABLE not_observed (reason TEXT NOT NULL, what TEXT NOT NULL,"
              + " detail TEXT NOT NULL)",
          "CREATE TABLE uncaught (thread TEXT NOT NULL, type TEXT NOT NULL,"
              + " message TEXT NOT NULL, place TEXT NOT NULL)",
          "CREATE TABLE test (number INTEGER PRIMARY KEY, id TEXT NOT NULL, name TEXT NOT NULL,"
              + " verdict TEXT NOT NULL, milliseconds INTEGER NOT NULL,"
              + " overlapped INTEGER NOT NULL, methods INTEGER NOT NULL, lines INTEGER NOT NULL,"
              + " outcomes INTEGER NOT NULL, lines_only_here INTEGER NOT NULL,"
              + " outcomes_only_here INTEGER NOT NULL)",
          "CREATE TABLE class (id INTEGER PRIMARY KEY, name TEXT NOT NULL, module TEXT NOT NULL,"
              + " path TEXT NOT NULL, state TEXT NOT NULL, jumps INTEGER NOT NULL,"
              + " jumps_matched INTEGER NOT NULL)",
          "CREATE TABLE method (id INTEGER PRIMARY KEY,"
              + " class INTEGER NOT NULL REFERENCES class (id), name TEXT NOT NULL,"
              + " first_line INTEGER NOT NULL, last_line INTEGER NOT NULL,"
              + " complexity INTEGER NOT NULL, complexity_from TEXT NOT NULL,"
              + " lines INTEGER NOT NULL, lines_reached INTEGER NOT NULL,"
              + " outcomes INTEGER NOT NULL, outcomes_reached INTEGER NOT NULL,"
              + " tests INTEGER NOT NULL)",
          "CREATE TABLE line (method INTEGER NOT NULL REFERENCES method (id),"
              + " line INTEGER NOT NULL, reached INTEGER NOT NULL, hits INTEGER,"
              + " tests INTEGER NOT NULL)",
          "CREATE TABLE outcome (method INTEGER NOT NULL REFERENCES method (id),"
              + " line INTEGER NOT NULL, condition TEXT NOT NULL,"
              + " outcome TEXT NOT NULL, reached INTEGER NOT NULL, hits INTEGER,"
              + " tests INTEGER NOT NULL)",
          "CREATE TABLE left_out (nature TEXT NOT NULL, methods INTEGER NOT NULL,"
              + " lines INTEGER NOT NULL, lines_reached INTEGER NOT NULL,"
              + " outcomes INTEGER NOT NULL, outcomes_reached INTEGER NOT NULL)",
          "CREATE TABLE handler (method INTEGER NOT NULL REFERENCES method (id),"
              + " line INTEGER NOT NULL, handler TEXT NOT NULL, reached INTEGER NOT NULL,"
              + " tests INTEGER NOT NULL)",
          "CREATE TABLE loop (method INTEGER NOT NULL REFERENCES method (id),"
              + " line INTEGER NOT NULL, zero INTEGER NOT NULL,"
              + " once INTEGER NOT NULL, more INTEGER NOT NULL)",
          "CREATE TABLE gap (method INTEGER NOT NULL REFERENCES method (id), name TEXT NOT NULL,"
              + " kind TEXT NOT NULL, line INTEGER NOT NULL, condition TEXT NOT NULL,"
              + " outcome TEXT NOT NULL, evaluated INTEGER NOT NULL, opens_lines INTEGER NOT NULL,"
              + " opens_outcomes INTEGER NOT NULL, opens_methods INTEGER NOT NULL,"
              + " behind TEXT NOT NULL)",
          "CREATE TABLE mutant (name TEXT PRIMARY KEY,"
              + " method INTEGER NOT NULL REFERENCES method (id), line INTEGER NOT NULL,"
              + " operator TEXT NOT NULL, original TEXT NOT NULL, mutated TEXT NOT NULL,"
              + " fate TEXT NOT NULL, noticed_by INTEGER NOT NULL, noticed_with TEXT NOT NULL,"
              + " tests_run INTEGER NOT NULL, basis TEXT NOT NULL)",
          "CREATE INDEX mutant_method ON mutant (method, fate)",
          "CREATE TABLE challenge (key TEXT PRIMARY KEY, value TEXT NOT NULL) WITHOUT ROWID",
          "CREATE TABLE unfit_test (test INTEGER PRIMARY KEY, reason TEXT NOT NULL)");

  private Schema() {}
}
