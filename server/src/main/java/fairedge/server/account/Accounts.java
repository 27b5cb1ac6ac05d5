package fairedge.server.account;

import fairedge.server.account.store.AccountStore;
import fairedge.server.platform.SignedIn;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** Accounts and their passwords. */
@Service
public class Accounts {
  private final AccountStore store;
  private final PasswordEncoder passwords;
  private final String nobody;

  Accounts(AccountStore store, PasswordEncoder passwords) {
    this.store = store;
    this.passwords = passwords;
    this.nobody = String.valueOf(passwords.encode(UUID.randomUUID().toString()));
  }

  /**
   * The account, if sign-in and password fit; a wrong sign-in takes as long as a wrong password.
   */
  public Optional<SignedIn> authenticate(String signIn, String password) {
    var found = store.findBySignIn(signIn.strip().toLowerCase(Locale.ROOT));
    String hash = found.map(AccountStore.Stored::passwordHash).orElse(nobody);
    boolean fits = passwords.matches(password, hash);
    return fits ? found.map(AccountStore.Stored::account) : Optional.empty();
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
