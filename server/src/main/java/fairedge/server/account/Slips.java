package fairedge.server.account;

import fairedge.server.account.store.TicketStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sign-in slips: a code with which somebody chooses a password, once, within 14 days. Only hashes
 * are kept, so a slip that is printed again is a new one, and the old one ends.
 */
@Service
public class Slips {
  private static final Duration LIFE = Duration.ofDays(14);

  private final TicketStore store;
  private final Accounts accounts;
  private final Clock clock;

  Slips(TicketStore store, Accounts accounts, Clock clock) {
    this.store = store;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * A slip as it is shown, once.
   *
   * @param code one-time
   * @param until it can be used
   */
  public record Slip(UUID account, String name, String signIn, String code, Instant until) {}

  /** Makes a slip for an account; the one before it ends. */
  @Transactional
  public Slip make(SignedIn account) {
    return made(store, account, clock.instant());
  }

  static Slip made(TicketStore store, SignedIn account, Instant now) {
    String code = Codes.made();
    store.end(account.id(), now);
    store.insert(UUID.randomUUID(), account.id(), Codes.hashOf(code), now, now.plus(LIFE));
    return new Slip(account.id(), account.name(), account.signIn(), code, now.plus(LIFE));
  }

  /** From now on only a new slip lets somebody in: nobody who is signed in stays so. */
  @Transactional
  public void lockOut(SignedIn account) {
    accounts.forgetPassword(account.id());
    store.end(account.id(), clock.instant());
  }

  /**
   * Whose a code is.
   *
   * @throws Problem if it is none, or used, or too old
   */
  public SignedIn require(String code) {
    return store
        .findOpen(Codes.hashOf(code), clock.instant())
        .flatMap(id -> Optional.ofNullable(accounts.people(List.of(id)).get(id)))
        .orElseThrow(Slips::unknown);
  }

  /**
   * Chooses a password with a slip, and ends it.
   *
   * @throws Problem if the code is none, or used, or too old
   */
  @Transactional
  public SignedIn use(String code, String password) {
    SignedIn account = require(code);
    if (!store.use(Codes.hashOf(code), clock.instant())) {
      throw unknown();
    }
    accounts.setPassword(account.id(), password);
    return account;
  }

  private static Problem unknown() {
    return Problem.of(
        Problem.Kind.NOT_ALLOWED,
        "This code is none that can be used: it is used already, or older than 14 days, or a letter"
            + " is wrong. Your instructor makes a new slip.");
  }

  /** Of several accounts those with a slip that can be used still, and until when. */
  public Map<UUID, Instant> open(Collection<UUID> ids) {
    return store.open(ids, clock.instant());
  }
}
