package fairedge.server.submission;

import fairedge.server.platform.Cleaning;
import fairedge.server.submission.store.BundleStore;
import fairedge.server.submission.store.UploadStore;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;

/**
 * Files of which nobody said whose they are, and such as were too dear to inspect, are kept for 30
 * days; what was told of uploads that came to nothing for 90.
 */
@Component
class OldFiles implements Cleaning {
  private static final Duration FILES = Duration.ofDays(30);
  private static final Duration WORDS = Duration.ofDays(90);

  private final BundleStore bundles;
  private final UploadStore uploads;

  OldFiles(BundleStore bundles, UploadStore uploads) {
    this.bundles = bundles;
    this.uploads = uploads;
  }

  @Override
  public String what() {
    return "files that nobody took up";
  }

  @Override
  public int clean(Instant now) {
    return bundles.forgetBefore(now.minus(FILES))
        + uploads.forgetBytesBefore(now.minus(FILES))
        + uploads.forgetFailedBefore(now.minus(WORDS));
  }
}
