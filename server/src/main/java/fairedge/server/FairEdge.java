package fairedge.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The application. */
@SpringBootApplication
public class FairEdge {
  public static void main(String[] args) {
    SpringApplication.run(FairEdge.class, args);
  }
}
