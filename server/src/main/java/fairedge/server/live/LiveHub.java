package fairedge.server.live;

import fairedge.server.live.store.LiveStore;
import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * The open lines of this node, and the one connection on which it hears of events, its own and
 * those of other nodes: beside the pool, so that nobody waits for it. When it was lost, every line
 * reads on once it is there again.
 */
@Service
public class LiveHub implements SmartLifecycle {
  private static final Logger log = LoggerFactory.getLogger(LiveHub.class);
  private static final int LISTEN_MS = 10_000;
  private static final long AGAIN_NANOS = 1_000_000_000L;

  /** A browser opens its line again after that: rights are looked at anew then. */
  private static final long LONGEST_MS = 30 * 60_000L;

  /** So many lines a node keeps open. */
  private static final int MOST_LINES = 2_000;

  private final LiveStore store;
  private final String url;
  private final String user;
  private final String password;
  private final Set<LiveLine> lines = ConcurrentHashMap.newKeySet();
  private volatile boolean isRunning;
  private volatile @Nullable Thread listener;

  LiveHub(
      LiveStore store,
      @Value("${spring.datasource.url}") String url,
      @Value("${spring.datasource.username}") String user,
      @Value("${spring.datasource.password}") String password) {
    this.store = store;
    this.url = url;
    this.user = user;
    this.password = password;
  }

  /**
   * Opens a line to a browser.
   *
   * @param from by subject, the number after which it goes on; negative: from now
   * @param stays called again and again while it is open
   * @param over called once, when it is not any more
   */
  public SseEmitter open(Map<String, Long> from, Runnable stays, Runnable over) {
    SseEmitter emitter = new SseEmitter(LONGEST_MS);
    Map<String, Long> numbers = new LinkedHashMap<>();
    from.forEach(
        (subject, number) -> numbers.put(subject, number < 0 ? store.last(subject) : number));
    LiveLine line = new LiveLine(emitter, store::after, numbers, stays);
    emitter.onTimeout(line::end);
    emitter.onError(gone -> line.end());
    emitter.onCompletion(line::end);
    if (lines.size() >= MOST_LINES) {
      emitter.complete();
      return emitter;
    }
    lines.add(line);
    Thread.ofVirtual()
        .name("live")
        .start(() -> {
          try {
            line.run();
          } finally {
            lines.remove(line);
            over.run();
          }
        });
    return emitter;
  }

  @Override
  public void start() {
    isRunning = true;
    listener = Thread.ofVirtual().name("live-listener").start(this::listen);
  }

  private void listen() {
    while (isRunning) {
      try (Connection connection = DriverManager.getConnection(url, user, password);
          Statement statement = connection.createStatement()) {
        statement.execute("listen " + LiveStore.CHANNEL);
        // What happened while nobody listened.
        lines.forEach(LiveLine::wake);
        hear(connection.unwrap(PGConnection.class));
      } catch (SQLException lost) {
        if (isRunning) {
          log.warn("the line on which events are heard of is lost: {}", lost.getMessage());
          LockSupport.parkNanos(AGAIN_NANOS);
        }
      }
    }
  }

  private void hear(PGConnection connection) throws SQLException {
    while (isRunning) {
      PGNotification[] heard = connection.getNotifications(LISTEN_MS);
      for (PGNotification one : heard == null ? new PGNotification[0] : heard) {
        String told = one.getParameter();
        if (Passing.isOne(told)) {
          Passing passing = Passing.read(told);
          lines.stream()
              .filter(line -> line.isOf(passing.subject()))
              .forEach(line -> line.pass(passing));
          continue;
        }
        String subject = told.substring(0, Math.max(0, told.lastIndexOf(' ')));
        lines.stream().filter(line -> line.isOf(subject)).forEach(LiveLine::wake);
      }
    }
  }

  /** Lines end before the requests that they are wait for the end of the server. */
  @Override
  public void stop() {
    isRunning = false;
    List.copyOf(lines).forEach(LiveLine::end);
    Thread now = listener;
    if (now != null) {
      now.interrupt();
    }
  }

  @PreDestroy
  void close() {
    stop();
  }

  @Override
  public boolean isRunning() {
    return isRunning;
  }

  /** After the web server, so that it is stopped before it. */
  @Override
  public int getPhase() {
    return Integer.MAX_VALUE;
  }
}
