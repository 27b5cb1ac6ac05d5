package fairedge.server.account;

import fairedge.server.account.store.AccountStore;
import fairedge.server.account.store.TicketStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The first instructor of a server: made by who can read what the server says at its start. */
@Service
public class SetUp {
  private static final Duration LIFE = Duration.ofHours(1);

  private final AccountStore accountStore;
  private final TicketStore tickets;
  private final Accounts accounts;
  private final Clock clock;

  SetUp(AccountStore accountStore, TicketStore tickets, Accounts accounts, Clock clock) {
    this.accountStore = accountStore;
    this.tickets = tickets;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** Whether there is no instructor yet. */
  public boolean isOpen() {
    return !accountStore.hasTeacher();
  }

  /** A code for an hour; the last one counts. None where there is an instructor. */
  @Transactional
  public Optional<String> code() {
    return code(accountStore, tickets, clock.instant());
  }

  static Optional<String> code(AccountStore accounts, TicketStore tickets, Instant now) {
    if (accounts.hasTeacher()) {
      return Optional.empty();
    }
    String code = Codes.made();
    tickets.setUpBy(Codes.hashOf(code), now.plus(LIFE));
    return Optional.of(code);
  }

  /**
   * Makes the first instructor.
   *
   * @throws Problem if there is one, or the code is another or too old
   */
  @Transactional
  public SignedIn begin(String code, String name, String signIn, String password) {
    if (!isOpen() || !tickets.takeSetUp(Codes.hashOf(code), clock.instant())) {
      throw Problem.of(
          Problem.Kind.NOT_ALLOWED,
          "This is not the set-up code that was told last, or it is older than an hour. Start the"
              + " server again, or let it tell a new one: docs/running.md says how.");
    }
    SignedIn made = accounts.create(name, signIn, password);
    accountStore.letTeach(made.id());
    return made;
  }
}
