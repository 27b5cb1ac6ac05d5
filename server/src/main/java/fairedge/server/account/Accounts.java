package fairedge.server.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.server.account.store.AccountStore;
import fairedge.server.account.store.TicketStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;

/** Accounts and their passwords. */
@Service
public class Accounts {
  private static final Logger log = LoggerFactory.getLogger(Accounts.class);

  private static final Pattern SIGN_IN = Pattern.compile("[a-z][a-z0-9._-]{1,59}");
  private static final Pattern ADDRESS = Pattern.compile("[^\\s@]+@[^\\s@]+\\.[^\\s@.]+");
  private static final int LONGEST_NAME = 200;

  /** Letters of a mail address; the open standard has it so. */
  public static final int LONGEST_ADDRESS = 254;

  private static final int LEAST_PASSWORD = 10;

  private final AccountStore store;
  private final PasswordEncoder passwords;
  private final FindByIndexNameSessionRepository<?> sessions;
  private final TicketStore tickets;
  private final Clock clock;
  private final String nobody;
  private final Cache<UUID, Boolean> seen =
      Caffeine.newBuilder().expireAfterWrite(Duration.ofMinutes(1)).maximumSize(10_000).build();
  private final Semaphore verifying =
      new Semaphore(Runtime.getRuntime().availableProcessors(), true);

  Accounts(
      AccountStore store,
      PasswordEncoder passwords,
      FindByIndexNameSessionRepository<?> sessions,
      TicketStore tickets,
      Clock clock) {
    this.tickets = tickets;
    this.clock = clock;
    this.sessions = sessions;
    this.store = store;
    this.passwords = passwords;
    this.nobody = String.valueOf(passwords.encode(UUID.randomUUID().toString()));
  }

  /**
   * The account, if sign-in and password fit; a wrong sign-in takes as long as a wrong password.
   */
  public Optional<SignedIn> authenticate(String signIn, String password) {
    var found = store.findBySignIn(plain(signIn));
    // Who has not chosen a password yet has none that could fit.
    String hash = found.flatMap(f -> Optional.ofNullable(f.passwordHash())).orElse(nobody);
    if (!isRight(password, hash)) {
      return Optional.empty();
    }
    Optional<SignedIn> account =
        found.filter(f -> f.passwordHash() != null).map(AccountStore.Stored::account);
    if (passwords.upgradeEncoding(hash)) {
      account.ifPresent(a -> store.setPassword(a.id(), String.valueOf(passwords.encode(password))));
    }
    return account;
  }

  /** Whose a sign-in is, by id. */
  public Optional<UUID> find(String signIn) {
    return store.findBySignIn(plain(signIn)).map(found -> found.account().id());
  }

  /** People by their ids; who is not there any more is left out. */
  public Map<UUID, SignedIn> people(Collection<UUID> ids) {
    return store.findAll(ids);
  }

  /** Each takes many megabytes and much of a processor, on purpose: so few at once. */
  private boolean isRight(String password, String hash) {
    verifying.acquireUninterruptibly();
    try {
      return passwords.matches(password, hash);
    } finally {
      verifying.release();
    }
  }

  /** A sign-in as it is kept. */
  static String plain(String signIn) {
    return signIn.strip().toLowerCase(Locale.ROOT);
  }

  /** Gives somebody another password, and ends all their sessions. */
  public void setPassword(UUID account, String password) {
    requireGood(password);
    store.setPassword(account, String.valueOf(passwords.encode(password)));
    endSessions(account);
  }

  /** Ends all sessions of somebody, wherever they are signed in. */
  public void endSessions(UUID account) {
    Set<String> open = sessions.findByPrincipalName(account.toString()).keySet();
    open.forEach(sessions::deleteById);
    log.atInfo()
        .addKeyValue("event", "sessions-ended")
        .addKeyValue("of", account)
        .addKeyValue("count", open.size())
        .log("sessions ended");
  }

  /**
   * Makes an account whose owner chose sign-in and password.
   *
   * @throws Problem if the sign-in is taken, or can't be one
   */
  public SignedIn create(String name, String signIn, String password) {
    requireGood(password);
    SignedIn account = new SignedIn(UUID.randomUUID(), requireFree(signIn), requireName(name));
    store.insert(account, String.valueOf(passwords.encode(password)), null);
    return account;
  }

  /** Makes an account for somebody who chooses the password later, by a slip. */
  public SignedIn createFor(String name, @Nullable String address) {
    return createAllFor(List.of(new Newcomer(name, address))).getFirst();
  }

  /** Somebody who is to have an account. */
  public record Newcomer(String name, @Nullable String address) {}

  /** The same for many; sign-ins are made of their names, each another. */
  public List<SignedIn> createAllFor(List<Newcomer> newcomers) {
    SignIns free = new SignIns(store::isTaken);
    return newcomers.stream()
        .map(n -> {
          SignedIn account =
              new SignedIn(UUID.randomUUID(), free.of(n.name()), requireName(n.name()));
          store.insert(account, null, n.address());
          return account;
        })
        .toList();
  }

  private String requireFree(String signIn) {
    String plain = plain(signIn);
    if (!SIGN_IN.matcher(plain).matches()) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A sign-in has 2 to 60 letters, digits, dots, dashes and underscores, and begins with a"
              + " letter.");
    }
    if (store.isTaken(plain)) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "This sign-in is taken by somebody else: choose another.");
    }
    return plain;
  }

  private static String requireName(String name) {
    String stripped = name.strip();
    if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "A name has 1 to %d letters.".formatted(LONGEST_NAME));
    }
    return stripped;
  }

  private static void requireGood(String password) {
    if (password.length() < LEAST_PASSWORD || password.length() > LONGEST_NAME) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A password has at least %d letters: a few words that you remember are a good one."
              .formatted(LEAST_PASSWORD));
    }
  }

  /** What is told of somebody beside the name. */
  public record Self(
      SignedIn account,
      @Nullable String address,
      @Nullable String zone,
      boolean mayTeach,
      @Nullable Instant seenAt) {}

  /** Several at once, by their ids. */
  public Map<UUID, Self> selves(Collection<UUID> ids) {
    return store.selves(ids).entrySet().stream()
        .collect(
            Collectors.toMap(
                Map.Entry::getKey,
                e -> {
                  AccountStore.Self s = e.getValue();
                  return new Self(s.account(), s.address(), s.zone(), s.mayTeach(), s.seenAt());
                }));
  }

  public Self self(SignedIn account) {
    return Objects.requireNonNull(selves(List.of(account.id())).get(account.id()));
  }

  /** Says something else of oneself. */
  public void setSelf(
      SignedIn account, String name, @Nullable String address, @Nullable String zone) {
    store.setSelf(account.id(), requireName(name), requireAddress(address), requireZone(zone));
  }

  /** An address that mail can go to, as far as that can be seen; null for none. */
  public static @Nullable String requireAddress(@Nullable String address) {
    if (address == null || address.isBlank()) {
      return null;
    }
    String stripped = address.strip();
    if (!isAddress(stripped)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "This is no mail address: " + stripped);
    }
    return stripped;
  }

  /** Whether mail could go there, as far as that can be seen. */
  public static boolean isAddress(String text) {
    return text.length() <= LONGEST_ADDRESS && ADDRESS.matcher(text).matches();
  }

  private static @Nullable String requireZone(@Nullable String zone) {
    if (zone != null && !ZoneId.getAvailableZoneIds().contains(zone)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no time zone of that name.");
    }
    return zone;
  }

  /** Changes one's own password, and ends all other sessions. */
  public void changePassword(SignedIn account, String old, String password) {
    requireGood(password);
    if (authenticate(account.signIn(), old).isEmpty()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The old password is another.");
    }
    setPassword(account.id(), password);
  }

  /** From now on only a slip lets them in. */
  void forgetPassword(UUID account) {
    store.forgetPassword(account);
    endSessions(account);
  }

  /** Somebody may make classes. */
  public void letTeach(UUID account) {
    store.letTeach(account);
  }

  /** Somebody was here; told at most once a minute. */
  public void seen(SignedIn account) {
    if (seen.getIfPresent(account.id()) == null) {
      seen.put(account.id(), true);
      store.seen(account.id(), clock.instant());
    }
  }

  /** Leaves a stub without a name. */
  public void erase(UUID account) {
    endSessions(account);
    tickets.forget(account);
    store.erase(account, clock.instant());
  }

  public boolean isEmpty() {
    return store.isEmpty();
  }
}
