package fairedge.server.review.http;

import fairedge.server.platform.SignedIn;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Phrase;
import fairedge.server.review.Phrases;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Remarks that are kept, over HTTP. */
@RestController
@RequestMapping("/api/phrases")
class PhraseController {
  private final Phrases phrases;

  PhraseController(Phrases phrases) {
    this.phrases = phrases;
  }

  /**
   * @param kind of findings that it speaks of; null: of any
   * @param course the class that it is shared in
   */
  record PhraseRequest(
      @NotNull @Size(max = 2000) String text,
      @NotNull NoteKind noteKind,
      @Nullable String kind,
      @Nullable UUID course,
      boolean putAway) {
    Phrases.Asked asked() {
      return new Phrases.Asked(text, noteKind, kind, course, putAway);
    }
  }

  record MergeRequest(@NotNull UUID into) {}

  @GetMapping
  List<Phrase> all(@AuthenticationPrincipal SignedIn account) {
    return phrases.of(account);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  Phrase keep(@Valid @RequestBody PhraseRequest asked, @AuthenticationPrincipal SignedIn account) {
    return phrases.keep(account, asked.asked());
  }

  @PutMapping("/{id}")
  Phrase change(
      @PathVariable UUID id,
      @Valid @RequestBody PhraseRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return phrases.change(id, account, asked.asked());
  }

  /** Makes one of two that say the same. */
  @PostMapping("/{id}/merge")
  Phrase merge(
      @PathVariable UUID id,
      @Valid @RequestBody MergeRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return phrases.merge(id, account, asked.into());
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeAway(@PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    phrases.takeAway(id, account);
  }
}
