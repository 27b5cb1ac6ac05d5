package fairedge.server.course.http;

import fairedge.server.course.Erasing;
import fairedge.server.platform.SignedIn;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** One's own work, to take along. */
@RestController
class OwnController {
  private final Erasing erasing;

  OwnController(Erasing erasing) {
    this.erasing = erasing;
  }

  @GetMapping(value = "/api/account/everything", produces = "application/zip")
  ResponseEntity<byte[]> everything(@AuthenticationPrincipal SignedIn account) {
    return PeopleController.zip(erasing.everythingOf(account));
  }
}
