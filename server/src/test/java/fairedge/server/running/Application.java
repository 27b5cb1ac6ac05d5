package fairedge.server.running;

import fairedge.server.FairEdge;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.logging.LoggingApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port, with the demo class in its database. */
public final class Application implements AutoCloseable {
  /** Whether the log was set up: it is one for the whole process, and stays as the first had it. */
  private static final AtomicBoolean LOGS = new AtomicBoolean();

  private final ConfigurableApplicationContext context;

  private Application(ConfigurableApplicationContext context) {
    this.context = context;
  }

  /** Starts one more on a database; several may run on the same. */
  public static Application on(Database database) {
    return on(database, 0);
  }

  /** The same at a port, as after a restart. */
  public static Application on(Database database, int port, String... settings) {
    SpringApplication application = new SpringApplication(FairEdge.class);
    application.setRegisterShutdownHook(false);
    if (!LOGS.compareAndSet(false, true)) {
      application.setListeners(
          application.getListeners().stream()
              .filter(listener -> !(listener instanceof LoggingApplicationListener))
              .toList());
    }
    List<String> all =
        new ArrayList<>(
            List.of(
                "--server.port=" + port,
                "--spring.datasource.url=" + database.url(),
                "--spring.datasource.username=" + Database.USER,
                "--spring.datasource.password=" + Database.PASSWORD,
                "--spring.main.banner-mode=off",
                "--logging.level.root=warn",
                "--fair-edge.demo=true"));
    all.addAll(List.of(settings));
    // Named twice, a setting would have two values.
    if (all.stream().noneMatch(setting -> setting.startsWith("--fair-edge.demo-work="))) {
      all.add("--fair-edge.demo-work=false");
    }
    // What is given back is out at once, but where a test is about calling it back.
    if (all.stream().noneMatch(setting -> setting.startsWith("--fair-edge.call-back="))) {
      all.add("--fair-edge.call-back=0s");
    }
    return new Application(application.run(all.toArray(String[]::new)));
  }

  /** Where health and metrics are told. */
  public int managementPort() {
    return context.getEnvironment().getRequiredProperty("local.management.port", Integer.class);
  }

  public int port() {
    return context.getEnvironment().getRequiredProperty("local.server.port", Integer.class);
  }

  public String address() {
    return "http://127.0.0.1:" + port();
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
