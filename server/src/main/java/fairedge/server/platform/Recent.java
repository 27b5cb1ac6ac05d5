package fairedge.server.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
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

  /**
   * What is held or on its way. A value is made outside of the map: there, who makes one would hold
   * a few other keys, too, as long as it takes; and one may wait for its turn. Keeps its books on
   * the thread of whoever asks: later, and it may forget who asked last.
   */
  private final Cache<K, CompletableFuture<V>> values =
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

  /**
   * The value of a key; made if it is not held. Others wait who ask for the same meanwhile, and
   * make it themselves if it could not be made; nobody waits who asks for another.
   */
  public V get(K key, Function<K, V> make) {
    CompletableFuture<V> mine = new CompletableFuture<>();
    while (true) {
      CompletableFuture<V> held = values.getIfPresent(key);
      if (held == null) {
        held = values.asMap().putIfAbsent(key, mine);
      }
      if (held == null) {
        return made(key, make, mine);
      }
      try {
        return held.join();
      } catch (CompletionException e) {
        // Whoever made it was told why; the next one tries by their own right and time.
        values.asMap().remove(key, held);
      }
    }
  }

  private V made(K key, Function<K, V> make, CompletableFuture<V> place) {
    try {
      V value = make.apply(key);
      place.complete(value);
      // It is used now, and not when it was begun. Told by a write: while many ask, the cache may
      // lose a read from its books, and what was just made would go as the oldest.
      values.asMap().replace(key, place, CompletableFuture.completedFuture(value));
      tidy();
      return value;
    } catch (RuntimeException | Error e) {
      values.asMap().remove(key, place);
      place.completeExceptionally(e);
      throw e;
    }
  }

  public @Nullable V getIfPresent(K key) {
    CompletableFuture<V> held = values.getIfPresent(key);
    return held == null ? null : valueOf(held);
  }

  /** Null while it is on its way, or when it did not come. */
  private static <V> @Nullable V valueOf(CompletableFuture<V> held) {
    return held.isDone() && !held.isCompletedExceptionally() ? held.join() : null;
  }

  public void put(K key, V value) {
    values.put(key, CompletableFuture.completedFuture(value));
    tidy();
  }

  public void drop(K key) {
    values.invalidate(key);
  }

  /** Lets go of what was used longest ago, until the rest has room. */
  private synchronized void tidy() {
    values.cleanUp();
    Map<K, CompletableFuture<V>> newestFirst =
        values.policy().expireAfterAccess().orElseThrow().youngest(MOST_VALUES);
    long weighs = 0;
    for (Map.Entry<K, CompletableFuture<V>> entry : newestFirst.entrySet()) {
      V value = valueOf(entry.getValue());
      if (value == null) {
        continue;
      }
      boolean first = weighs == 0;
      weighs += weight.applyAsLong(value);
      if (weighs > room && !first) {
        values.asMap().remove(entry.getKey(), entry.getValue());
      }
    }
  }
}
