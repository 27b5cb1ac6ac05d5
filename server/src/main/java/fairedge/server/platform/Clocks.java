package fairedge.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.function.Supplier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The time of the house. */
@Configuration
public class Clocks {
  private static final ScopedValue<Duration> AGO = ScopedValue.newInstance();

  @Bean
  Clock clock() {
    // No finer than the store keeps it: what is told at once is what is told later.
    Clock ticks = Clock.tick(Clock.systemUTC(), Duration.ofNanos(1000));
    InstantSource source = () -> shifted(ticks.instant());
    return source.withZone(ZoneOffset.UTC);
  }

  private static Instant shifted(Instant now) {
    return AGO.isBound() ? now.minus(AGO.get()) : now;
  }

  /** Lets something be done as if some time ago, as a demonstration needs it. */
  public static <T> T ago(Duration time, Supplier<T> work) {
    return ScopedValue.where(AGO, time).call(work::get);
  }
}
