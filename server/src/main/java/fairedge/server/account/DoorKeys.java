package fairedge.server.account;

import fairedge.server.account.store.AccountStore;
import fairedge.server.account.store.TicketStore;
import fairedge.server.platform.SignedIn;
import java.io.PrintStream;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.jdbc.autoconfigure.DataSourceAutoConfiguration;
import org.springframework.boot.jdbc.autoconfigure.DataSourceTransactionManagerAutoConfiguration;
import org.springframework.boot.jooq.autoconfigure.JooqAutoConfiguration;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Import;

/**
 * Codes for who may start programs on the server, told on its console: the set-up code, and a slip
 * for whoever is locked out. Needs the database and nothing else of the application.
 */
public final class DoorKeys {
  private DoorKeys() {}

  @Configuration(proxyBeanMethods = false)
  @ImportAutoConfiguration({
    DataSourceAutoConfiguration.class,
    DataSourceTransactionManagerAutoConfiguration.class,
    JooqAutoConfiguration.class
  })
  @Import({AccountStore.class, TicketStore.class})
  static class Stores {}

  /** Whether a word asks for a code. */
  public static boolean isAsked(String word) {
    return word.equals("code") || word.equals("ticket");
  }

  /**
   * Tells what is asked for on the console.
   *
   * @return the status to end with
   */
  public static int tell(String[] args) {
    try (ConfigurableApplicationContext context =
        new SpringApplicationBuilder(Stores.class)
            .web(WebApplicationType.NONE)
            .logStartupInfo(false)
            .properties("logging.level.root=error", "spring.main.banner-mode=off")
            .run()) {
      AccountStore accounts = context.getBean(AccountStore.class);
      TicketStore tickets = context.getBean(TicketStore.class);
      Instant now = Clock.systemUTC().instant();
      return args[0].equals("code")
          ? code(accounts, tickets, now, System.out)
          : ticket(args, accounts, tickets, now, System.out);
    }
  }

  private static int code(
      AccountStore accounts, TicketStore tickets, Instant now, PrintStream out) {
    out.println(
        SetUp.code(accounts, tickets, now)
            .map(code -> "Set-up code, good for an hour: " + code)
            .orElse("There is an instructor already: no set-up code is needed."));
    return 0;
  }

  private static int ticket(
      String[] args, AccountStore accounts, TicketStore tickets, Instant now, PrintStream out) {
    if (args.length != 2) {
      out.println("Say whose: ticket SIGN-IN");
      return 2;
    }
    Optional<SignedIn> account =
        accounts.findBySignIn(Accounts.plain(args[1])).map(AccountStore.Stored::account);
    if (account.isEmpty()) {
      out.println("Nobody signs in as " + args[1] + ".");
      return 1;
    }
    Slips.Slip slip = Slips.made(tickets, account.get(), now);
    out.println(
        "Sign-in slip of %s, good once, for 14 days: %s".formatted(slip.name(), slip.code()));
    out.println("It is used at the address of the server, followed by /slip.");
    return 0;
  }
}
