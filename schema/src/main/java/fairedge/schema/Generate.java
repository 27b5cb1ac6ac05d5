package fairedge.schema;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Properties;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.jooq.codegen.GenerationTool;
import org.jooq.meta.jaxb.Configuration;
import org.jooq.meta.jaxb.Database;
import org.jooq.meta.jaxb.Generator;
import org.jooq.meta.jaxb.Jdbc;
import org.jooq.meta.jaxb.Logging;
import org.jooq.meta.jaxb.Target;

/**
 * Makes a database, runs the migrations in it, writes the jOOQ classes for them, drops it. The
 * server is the one that FAIR_EDGE_DB_URL (a JDBC address), FAIR_EDGE_DB_USER and
 * FAIR_EDGE_DB_PASSWORD name; its user must be allowed to make databases.
 */
public final class Generate {
  private Generate() {}

  /**
   * @param args the folder of the migrations, the folder for the classes
   */
  public static void main(String[] args) throws Exception {
    String url = env("FAIR_EDGE_DB_URL");
    Properties login = new Properties();
    login.setProperty("user", env("FAIR_EDGE_DB_USER"));
    login.setProperty("password", env("FAIR_EDGE_DB_PASSWORD"));
    String name = "schema_" + UUID.randomUUID().toString().replace("-", "");
    run(url, login, "create database " + name);
    try {
      generate(url.replaceFirst("/[^/?]+(\\?.*)?$", "/" + name), login, args[0], args[1]);
    } finally {
      run(url, login, "drop database " + name);
    }
  }

  private static void generate(String url, Properties login, String migrations, String target)
      throws Exception {
    String user = login.getProperty("user");
    String password = login.getProperty("password");
    Flyway.configure()
        .dataSource(url, user, password)
        .locations("filesystem:" + migrations)
        .load()
        .migrate();
    GenerationTool.generate(
        new Configuration()
            .withLogging(Logging.WARN)
            .withJdbc(new Jdbc().withUrl(url).withUser(user).withPassword(password))
            .withGenerator(
                new Generator()
                    .withDatabase(
                        new Database()
                            .withInputSchema("public")
                            .withExcludes(
                                "flyway_schema_history|spring_session.*|event_publication"))
                    .withGenerate(
                        new org.jooq.meta.jaxb.Generate()
                            .withRecords(true)
                            .withImplicitJoinPathsToMany(false)
                            .withPojos(false)
                            .withDaos(false)
                            .withJavaTimeTypes(true))
                    .withTarget(
                        new Target()
                            .withPackageName("fairedge.schema.generated")
                            .withDirectory(target))));
  }

  private static void run(String url, Properties login, String sql) throws SQLException {
    try (Connection connection = DriverManager.getConnection(url, login);
        Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  private static String env(String name) {
    String value = System.getenv(name);
    if (value == null || value.isBlank()) {
      throw new IllegalStateException(
          name + " is not set: build with ./fair-edge, which starts a PostgreSQL for it");
    }
    return value;
  }
}
