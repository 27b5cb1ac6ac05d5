package fairedge.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** The application. */
// Accounts are our own: no user with a generated password.
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class FairEdge {
  public static void main(String[] args) {
    SpringApplication.run(FairEdge.class, args);
  }
}
