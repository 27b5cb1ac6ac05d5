package fairedge.server.notice.http;

import fairedge.server.notice.Outbox;
import fairedge.server.notice.Outbox.OutboxMail;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The mail of the demo, which nobody gets: for anybody who looks at it. */
@RestController
@ConditionalOnProperty(name = "fair-edge.demo", havingValue = "true")
class OutboxController {
  private final Outbox outbox;

  OutboxController(Outbox outbox) {
    this.outbox = outbox;
  }

  @GetMapping("/api/outbox")
  List<OutboxMail> outbox() {
    return outbox.newest();
  }
}
