package fairedge.server.platform;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.unit.DataSize;

/** What holds for every request before the application sees it, and where it never does. */
@Configuration
class Container {

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> valves(
      @Value("${fair-edge.limits.slow-after}") Duration grace,
      @Value("${fair-edge.limits.slowest}") DataSize perSecond) {
    return factory ->
        factory.addEngineValves(new PlainHeaders(), new BodyPace(grace, perSecond.toBytes()));
  }
}
