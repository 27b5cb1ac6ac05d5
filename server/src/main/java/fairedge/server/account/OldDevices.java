package fairedge.server.account;

import fairedge.server.account.store.DeviceStore;
import fairedge.server.platform.Cleaning;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** A device from which nobody signed in for 400 days is known no more. */
@Component
class OldDevices implements Cleaning {
  private static final Duration KNOWN = Duration.ofDays(400);

  private final DeviceStore store;

  OldDevices(DeviceStore store) {
    this.store = store;
  }

  @Override
  public String what() {
    return "devices that were not seen for long";
  }

  @Override
  public int clean(Instant now) {
    return store.forgetBefore(now.minus(KNOWN));
  }
}
