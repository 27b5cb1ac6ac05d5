package fairedge.server.account;

import fairedge.server.account.store.AccountStore;
import fairedge.server.platform.SignedIn;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;

/** Accounts and their passwords. */
@Service
public class Accounts {
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
    sessions.findByPrincipalName(account.toString()).keySet().forEach(sessions::deleteById);
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
