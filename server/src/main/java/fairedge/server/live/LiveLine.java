package fairedge.server.live;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One open line to a browser, for several subjects. It has a thread of its own that sleeps until it
 * is woken, reads on from the last number that was sent, and sends: who reads slowly keeps nobody
 * else waiting, and nothing piles up for them.
 */
final class LiveLine implements Runnable {
  private static final long REST_NANOS = 10_000_000_000L;
  private static final int AT_ONCE = 200;

  /** So soon a browser comes back that lost its line. */
  private static final long AGAIN_MS = 1000;

  /** What is asked for on. */
  interface Reading {
    List<LiveEvent> after(String subject, long number, int most);
  }

  private final SseEmitter emitter;
  private final Reading reading;
  private final Runnable stays;
  private final Map<String, Long> sent;

  /** What is to be sent in passing. */
  private final Map<String, Passing> byKind = new LinkedHashMap<>();

  private final AtomicBoolean isWoken = new AtomicBoolean(true);
  private volatile boolean isOver;
  private volatile Thread thread = Thread.currentThread();

  /**
   * @param from by subject, the last number that the browser has
   * @param stays called each time the line is found open; throws to end it
   */
  LiveLine(SseEmitter emitter, Reading reading, Map<String, Long> from, Runnable stays) {
    this.emitter = emitter;
    this.reading = reading;
    this.stays = stays;
    this.sent = new LinkedHashMap<>(from);
  }

  boolean isOf(String subject) {
    return sent.containsKey(subject);
  }

  /** Sends what passes by, once it comes to it; of a kind only the last. */
  void pass(Passing passing) {
    synchronized (byKind) {
      byKind.put(passing.kind(), passing);
    }
    wake();
  }

  void wake() {
    isWoken.set(true);
    LockSupport.unpark(thread);
  }

  void end() {
    isOver = true;
    LockSupport.unpark(thread);
  }

  @Override
  public void run() {
    thread = Thread.currentThread();
    try {
      // First: who finds the line open is known to be there, and what happens is told from then on.
      stays.run();
      emitter.send(SseEmitter.event().reconnectTime(AGAIN_MS).comment("open"));
      while (!isOver) {
        stays.run();
        if (isWoken.getAndSet(false)) {
          sendNew();
          sendPassing();
        } else {
          emitter.send(SseEmitter.event().comment("here"));
        }
        if (!isWoken.get() && !isOver) {
          LockSupport.parkNanos(REST_NANOS);
        }
      }
      emitter.complete();
    } catch (IOException | IllegalStateException gone) {
      // The browser went away: it reads on from its last number when it comes back.
      emitter.complete();
    } catch (RuntimeException refused) {
      emitter.completeWithError(refused);
    } finally {
      isOver = true;
    }
  }

  private void sendNew() throws IOException {
    for (Map.Entry<String, Long> subject : sent.entrySet()) {
      boolean isMore = true;
      while (isMore && !isOver) {
        List<LiveEvent> events = reading.after(subject.getKey(), subject.getValue(), AT_ONCE);
        for (LiveEvent event : events) {
          send(event);
          subject.setValue(event.number());
        }
        isMore = events.size() == AT_ONCE;
      }
    }
  }

  /** Without a number: nobody asks for it again. */
  private void sendPassing() throws IOException {
    List<Passing> now;
    synchronized (byKind) {
      now = List.copyOf(byKind.values());
      byKind.clear();
    }
    for (Passing passing : now) {
      emitter.send(
          SseEmitter.event()
              .name(passing.kind())
              .data(passing.content(), MediaType.APPLICATION_JSON));
    }
  }

  private void send(LiveEvent event) throws IOException {
    emitter.send(
        SseEmitter.event()
            .id(numbers(event))
            .name(event.kind())
            .data(event.content(), MediaType.APPLICATION_JSON));
  }

  /** All numbers once this one is there, in the order of the subjects. */
  private String numbers(LiveEvent event) {
    StringBuilder all = new StringBuilder();
    sent.forEach((subject, number) -> {
      long now = subject.equals(event.subject()) ? event.number() : number;
      all.append(all.isEmpty() ? "" : ".").append(now);
    });
    return all.toString();
  }
}
