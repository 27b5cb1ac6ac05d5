package fairedge.server.platform;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration
class Clocks {
  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }
}
