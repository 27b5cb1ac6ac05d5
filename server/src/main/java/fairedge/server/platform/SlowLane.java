package fairedge.server.platform;

import java.util.concurrent.Semaphore;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Where jobs wait that are known to take long: on each node one thread fewer than there are, so
 * that what is soon done always finds one.
 */
@Component
public class SlowLane {
  private final Semaphore places;

  SlowLane(@Value("${fair-edge.jobs.threads}") int threads) {
    places = new Semaphore(Math.max(1, threads - 1));
  }

  /** Whether there was room; then {@link #leave} must follow. */
  public boolean enter() {
    return places.tryAcquire();
  }

  public void leave() {
    places.release();
  }
}
