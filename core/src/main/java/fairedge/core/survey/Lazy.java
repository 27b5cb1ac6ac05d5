package fairedge.core.survey;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** A value that is made when it is first asked for, once, whoever asks. */
public final class Lazy<T> {
  private final Supplier<T> maker;
  private @Nullable T value;

  public Lazy(Supplier<T> maker) {
    this.maker = maker;
  }

  public synchronized boolean isMade() {
    return value != null;
  }

  public synchronized T get() {
    T made = value;
    if (made == null) {
      made = maker.get();
      value = made;
    }
    return made;
  }
}
