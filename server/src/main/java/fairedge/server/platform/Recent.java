package fairedge.server.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;

/**
 * Values made at the first question and kept while there is room: what was used last stays, however
 * often an older one was used before. For few large values, of which the newest is the one at work;
 * a cache that weighs how often each was used would turn that one away at the door.
 */
public final class Recent<K, V> {
  private static final Duration LONGEST = Duration.ofHours(2);
  private static final int MOST_VALUES = 10_000;

  /** Keeps its books on the thread of whoever asks: later, and it may forget who asked last. */
  private final Cache<K, V> values =
      Caffeine.newBuilder().expireAfterAccess(LONGEST).executor(Runnable::run).build();

  private final long room;
  private final ToLongFunction<V> weight;

  /**
   * @param room for values of so much weight together; one alone may weigh more
   */
  public Recent(long room, ToLongFunction<V> weight) {
    this.room = room;
    this.weight = weight;
  }

  /** The value of a key; made if it is not held. Others wait who ask for the same meanwhile. */
  public V get(K key, Function<K, V> make) {
    V held = values.getIfPresent(key);
    if (held != null) {
      return held;
    }
    V made = values.get(key, make);
    tidy();
    return made;
  }

  public @Nullable V getIfPresent(K key) {
    return values.getIfPresent(key);
  }

  public void put(K key, V value) {
    values.put(key, value);
    tidy();
  }

  public void drop(K key) {
    values.invalidate(key);
  }

  /** Lets go of what was used longest ago, until the rest has room. */
  private synchronized void tidy() {
    values.cleanUp();
    Map<K, V> newestFirst = values.policy().expireAfterAccess().orElseThrow().youngest(MOST_VALUES);
    long weighs = 0;
    for (Map.Entry<K, V> entry : newestFirst.entrySet()) {
      boolean first = weighs == 0;
      weighs += weight.applyAsLong(entry.getValue());
      if (weighs > room && !first) {
        values.asMap().remove(entry.getKey(), entry.getValue());
      }
    }
  }
}
