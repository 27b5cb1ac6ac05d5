package fairedge.server.notice.http;

import fairedge.server.notice.About;
import fairedge.server.notice.Letters;
import fairedge.server.notice.Letters.MailView;
import fairedge.server.notice.Switches;
import fairedge.server.notice.Switches.SwitchesView;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Mail, over HTTP. */
@RestController
class MailController {
  private final Letters letters;
  private final Switches switches;

  MailController(Letters letters, Switches switches) {
    this.letters = letters;
    this.switches = switches;
  }

  record SlipsByMailRequest(@NotNull @Size(min = 1, max = 500) List<@NotNull UUID> people) {}

  /** Sends new sign-in slips to the addresses of the roster. Slips of before end. */
  @PostMapping("/api/classes/{course}/slips/mail")
  @ResponseStatus(HttpStatus.ACCEPTED)
  void sendSlips(
      @PathVariable UUID course,
      @Valid @RequestBody SlipsByMailRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    letters.sendSlips(course, asked.people(), account);
  }

  /** Which mail to a class did not arrive, or not for sure. */
  @GetMapping("/api/classes/{course}/mail")
  MailView mail(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return letters.of(course, account);
  }

  @GetMapping("/api/account/mail")
  SwitchesView switches(@AuthenticationPrincipal SignedIn account) {
    return switches.of(account);
  }

  /** What mail can be about. */
  enum AboutName {
    answer,
    opened,
    due
  }

  record SwitchesRequest(@NotNull List<@NotNull AboutName> about) {}

  /** Chooses what one gets mail about. */
  @PutMapping("/api/account/mail")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void set(@Valid @RequestBody SwitchesRequest asked, @AuthenticationPrincipal SignedIn account) {
    Set<About> wanted =
        asked.about().stream().map(a -> About.named(a.name())).collect(Collectors.toSet());
    switches.set(account, wanted);
  }
}
