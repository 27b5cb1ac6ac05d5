package fairedge.server.account;

import fairedge.server.account.store.AccountStore;
import fairedge.server.platform.SignedIn;
import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;

/** Accounts and their passwords. */
@Service
public class Accounts {
  private static final Logger log = LoggerFactory.getLogger(Accounts.class);

  private final AccountStore store;
  private final PasswordEncoder passwords;
  private final FindByIndexNameSessionRepository<?> sessions;
  private final String nobody;
  private final Semaphore verifying =
      new Semaphore(Runtime.getRuntime().availableProcessors(), true);

  Accounts(
      AccountStore store, PasswordEncoder passwords, FindByIndexNameSessionRepository<?> sessions) {
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
    String hash = found.map(AccountStore.Stored::passwordHash).orElse(nobody);
    if (!isRight(password, hash)) {
      return Optional.empty();
    }
    Optional<SignedIn> account = found.map(AccountStore.Stored::account);
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

  public UUID create(String signIn, String name, String password) {
    UUID id = UUID.randomUUID();
    String hash = String.valueOf(passwords.encode(password));
    store.insert(new SignedIn(id, signIn.toLowerCase(Locale.ROOT), name), hash);
    return id;
  }

  public boolean isEmpty() {
    return store.isEmpty();
  }
}
