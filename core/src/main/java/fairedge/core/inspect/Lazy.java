package fairedge.core.inspect;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** A value that is made when it is first asked for, once, whoever asks. */
final class Lazy<T> {
  private final Supplier<T> maker;
  private @Nullable T value;

  Lazy(Supplier<T> maker) {
    this.maker = maker;
  }

  synchronized boolean isMade() {
    return value != null;
  }

  synchronized T get() {
    T made = value;
    if (made == null) {
      made = maker.get();
      value = made;
    }
    return made;
  }
}
