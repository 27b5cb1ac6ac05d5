package fairedge.server.running;

import fairedge.server.FairEdge;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port, with the demo class in its database. */
public final class Application implements AutoCloseable {
  private final ConfigurableApplicationContext context;

  private Application(ConfigurableApplicationContext context) {
    this.context = context;
  }

  /** Starts one more on a database; several may run on the same. */
  public static Application on(Database database) {
    SpringApplication application = new SpringApplication(FairEdge.class);
    application.setRegisterShutdownHook(false);
    return new Application(
        application.run(
            "--server.port=0",
            "--spring.datasource.url=" + database.url(),
            "--spring.datasource.username=" + Database.USER,
            "--spring.datasource.password=" + Database.PASSWORD,
            "--spring.main.banner-mode=off",
            "--logging.level.root=warn",
            "--fair-edge.demo=true"));
  }

  public String address() {
    return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
  }

  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  public <T> T bean(String name, Class<T> type) {
    return context.getBean(name, type);
  }

  @Override
  public void close() {
    context.close();
  }
}
