package fairedge.server.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class Clocks {
  @Bean
  Clock clock() {
    // No finer than the store keeps it: what is told at once is what is told later.
    return Clock.tick(Clock.systemUTC(), Duration.of(1, ChronoUnit.MICROS));
  }
}
