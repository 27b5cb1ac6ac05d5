package fairedge.server.review.http;

import fairedge.server.platform.SignedIn;
import fairedge.server.review.Desk;
import fairedge.server.review.DeskView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Together;
import fairedge.server.review.Together.Came;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The desk, and what is done on it to several hand-ins at once, over HTTP. */
@RestController
@RequestMapping("/api/desk")
class DeskController {
  private final Desk desk;
  private final Together together;

  DeskController(Desk desk, Together together) {
    this.desk = desk;
    this.together = together;
  }

  /**
   * @param course the class; all that one reviews in where none is named
   * @param kind of finding that counts in a hand-in
   * @param mine only what nobody else writes
   */
  @GetMapping
  DeskView view(
      @RequestParam(required = false) @Nullable UUID course,
      @RequestParam(required = false) @Nullable UUID group,
      @RequestParam(required = false) @Nullable UUID assignment,
      @RequestParam(required = false) @Nullable String kind,
      @RequestParam(defaultValue = "false") boolean mine,
      @AuthenticationPrincipal SignedIn instructor) {
    return desk.view(instructor, new Desk.Filter(course, group, assignment, kind, mine));
  }

  /**
   * @param seen by the hand-ins the words of criteria by eye, by name
   * @param ready to keep them ready only
   */
  record AcceptRequest(
      @NotNull @Size(max = 400) List<@NotNull UUID> submissions,
      @NotNull @Size(max = 8000) String word,
      @Nullable Map<@NotNull UUID, @NotNull Map<@NotNull String, @NotNull String>> seen,
      boolean ready) {}

  /** Accepts hand-ins that are clean. */
  @PostMapping("/accept")
  Came accept(
      @Valid @RequestBody AcceptRequest asked, @AuthenticationPrincipal SignedIn instructor) {
    return together.accept(
        asked.submissions(),
        instructor,
        asked.word(),
        asked.seen() == null ? Map.of() : asked.seen(),
        asked.ready());
  }

  record SayRequest(
      @NotNull @Size(max = 400) List<@NotNull UUID> submissions,
      @NotNull String kind,
      @NotNull @Size(max = 4000) String text,
      @Nullable NoteKind noteKind) {}

  /** Says the same of the same fault in several drafts. */
  @PostMapping("/say")
  Came say(@Valid @RequestBody SayRequest asked, @AuthenticationPrincipal SignedIn instructor) {
    NoteKind kind = asked.noteKind() == null ? NoteKind.mend : asked.noteKind();
    return together.say(asked.submissions(), instructor, asked.kind(), asked.text(), kind);
  }

  /**
   * @param at when they go out; as soon as they can't be called back any more where none is named
   */
  record ReturnAllRequest(
      @NotNull @Size(max = 400) List<@NotNull UUID> submissions, @Nullable Instant at) {}

  /** Lets answers go out together. */
  @PostMapping("/return")
  Came giveBack(
      @Valid @RequestBody ReturnAllRequest asked, @AuthenticationPrincipal SignedIn instructor) {
    return together.giveBack(asked.submissions(), instructor, asked.at());
  }

  record CallBackRequest(@NotNull @Size(max = 400) List<@NotNull UUID> submissions) {}

  /** Calls back what is not out yet. */
  @PostMapping("/call-back")
  Came callBack(
      @Valid @RequestBody CallBackRequest asked, @AuthenticationPrincipal SignedIn instructor) {
    return together.callBack(asked.submissions(), instructor);
  }
}
