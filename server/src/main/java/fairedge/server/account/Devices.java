package fairedge.server.account;

import fairedge.server.account.store.DeviceStore;
import fairedge.server.platform.Sha256;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Devices from which somebody has signed in, known by a token that only they have. A token opens
 * nothing: it only tells whose wrong tries are whose.
 */
@Service
public class Devices {
  private static final int MOST = 20;
  private static final int LONGEST_TOKEN = 100;
  private static final SecureRandom RANDOM = new SecureRandom();

  private final DeviceStore store;
  private final Clock clock;

  Devices(DeviceStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  /** Whether somebody with this sign-in has signed in from the device before. */
  public boolean isKnown(String signIn, String token) {
    return token.length() <= LONGEST_TOKEN
        && store.isKnown(Accounts.plain(signIn), Sha256.of(token));
  }

  /** A token for a device from which somebody signed in just now. */
  public String welcome(UUID account) {
    byte[] bytes = new byte[24];
    RANDOM.nextBytes(bytes);
    String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    store.add(account, Sha256.of(token), clock.instant(), MOST);
    return token;
  }
}
