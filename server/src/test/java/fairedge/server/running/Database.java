package fairedge.server.running;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import org.flywaydb.core.Flyway;

/**
 * A database of its own on the PostgreSQL that ./fair-edge verify started, with the demo class in
 * it: a copy of one that was made once, since a copy is made in no time.
 */
public final class Database implements AutoCloseable {
  private static final String SERVER = env("FAIR_EDGE_DB_URL");
  static final String USER = env("FAIR_EDGE_DB_USER");
  static final String PASSWORD = env("FAIR_EDGE_DB_PASSWORD");

  private final String name = "test_" + UUID.randomUUID().toString().replace("-", "");

  /** The first of them. */
  private static final class Pattern {
    private static final Database ONLY = made();

    private static Database made() {
      Database database = empty();
      Application.on(database).close();
      return database;
    }
  }

  public Database() {
    this(" template " + Pattern.ONLY.name);
  }

  private Database(String how) {
    run(SERVER, "create database " + name + how);
  }

  /** One without anything. */
  public static Database empty() {
    return new Database("");
  }

  /** Brings it to an earlier version, as it was then. */
  public void migrateTo(String version) {
    Flyway.configure().dataSource(url(), USER, PASSWORD).target(version).load().migrate();
  }

  String url() {
    return SERVER.replaceFirst("/[^/?]+(\\?.*)?$", "/" + name);
  }

  /** The rows of a query, columns in order, as text; null stays null. */
  public List<List<String>> rows(String sql) {
    try (Connection connection = DriverManager.getConnection(url(), USER, PASSWORD);
        Statement statement = connection.createStatement();
        ResultSet result = statement.executeQuery(sql)) {
      List<List<String>> rows = new ArrayList<>();
      while (result.next()) {
        List<String> row = new ArrayList<>();
        for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
          row.add(result.getString(i));
        }
        rows.add(row);
      }
      return rows;
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The only value of a query. */
  public String value(String sql) {
    return rows(sql).getFirst().getFirst();
  }

  /** Waits until a query has a value. */
  public void await(String sql, String wanted) {
    long patience = System.nanoTime() + 60_000_000_000L;
    while (!wanted.equals(value(sql))) {
      if (System.nanoTime() > patience) {
        throw new AssertionError("never %s: %s".formatted(wanted, sql));
      }
      LockSupport.parkNanos(20_000_000);
    }
  }

  /** Runs a statement that changes something. */
  public void run(String sql) {
    run(url(), sql);
  }

  /** Nobody gets to it, and whoever was there is sent away, until what comes back is closed. */
  public AutoCloseable away() {
    run(SERVER, "alter database " + name + " with allow_connections false");
    sendAway();
    return () -> run(SERVER, "alter database " + name + " with allow_connections true");
  }

  /**
   * Only who came from outside: PostgreSQL's own cleaning may be at work too, may not be ended by
   * us, and goes by itself when the database is dropped.
   */
  private void sendAway() {
    run(
        SERVER,
        "select pg_terminate_backend(pid) from pg_stat_activity where backend_type ="
            + " 'client backend' and datname = '%s'".formatted(name));
  }

  /** Runs a statement in a transaction that goes on, with its locks, until it is closed. */
  public AutoCloseable hold(String sql) {
    try {
      Connection connection = DriverManager.getConnection(url(), USER, PASSWORD);
      connection.setAutoCommit(false);
      try (Statement statement = connection.createStatement()) {
        statement.execute(sql);
      }
      return connection::close;
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void run(String url, String sql) {
    try (Connection connection = DriverManager.getConnection(url, USER, PASSWORD);
        Statement statement = connection.createStatement()) {
      statement.execute(sql);
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String env(String name) {
    String value = System.getenv(name);
    if (value == null) {
      throw new IllegalStateException(name + " is not set: run the tests by ./fair-edge verify");
    }
    return value;
  }

  @Override
  public void close() {
    sendAway();
    run(SERVER, "drop database " + name);
  }
}
