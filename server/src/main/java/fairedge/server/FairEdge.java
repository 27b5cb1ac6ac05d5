package fairedge.server;

import fairedge.server.account.DoorKeys;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** The application; or, with a word after it, one of the codes that let people in. */
// Accounts are our own: no user with a generated password.
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class FairEdge {
  /**
   * @param args settings; or {@code code} for the set-up code, or {@code ticket} and a sign-in for
   *     a slip of somebody who is locked out
   */
  public static void main(String[] args) {
    if (args.length > 0 && DoorKeys.isAsked(args[0])) {
      System.exit(DoorKeys.tell(args));
    }
    SpringApplication.run(FairEdge.class, args);
  }
}
