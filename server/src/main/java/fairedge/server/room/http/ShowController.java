package fairedge.server.room.http;

import fairedge.server.platform.Packed;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.room.ShowView;
import fairedge.server.room.ShowView.SightView;
import fairedge.server.room.Shows;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** A bench that is shown to a class, over HTTP. */
@RestController
@RequestMapping("/api/classes/{course}/show")
class ShowController {
  private static final String MESH = "application/vnd.fair-edge.mesh";

  private final Shows shows;

  ShowController(Shows shows) {
    this.shows = shows;
  }

  record ShowRequest(@NotNull UUID workpiece) {}

  record LookRequest(
      @Nullable CameraView camera,
      @NotNull @Size(max = 20) String lens,
      @NotNull @Size(max = 300) String caption) {}

  record FromShowRequest(@NotNull UUID clientKey) {}

  @GetMapping
  ShowView show(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return shows.view(course, account);
  }

  @PutMapping
  ShowView begin(
      @PathVariable UUID course,
      @Valid @RequestBody ShowRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return shows.begin(course, asked.workpiece(), account);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    shows.end(course, account);
  }

  /** From where it is seen now. */
  @PutMapping("/sight")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void see(
      @PathVariable UUID course,
      @Valid @RequestBody LookRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    shows.see(
        course, new SightView(asked.camera(), asked.lens(), asked.caption().strip()), account);
  }

  @GetMapping(value = "/mesh", produces = MESH)
  ResponseEntity<byte[]> shownMesh(
      @PathVariable UUID course,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, shows.mesh(course, account), accepted);
  }

  @PostMapping("/tries")
  @ResponseStatus(HttpStatus.CREATED)
  PracticePiece branchOff(
      @PathVariable UUID course,
      @Valid @RequestBody FromShowRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return shows.branch(course, asked.clientKey(), account);
  }

  @Hidden
  @GetMapping(value = "/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter showLine(
      @PathVariable UUID course,
      @RequestParam(required = false) @Nullable Long after,
      @RequestHeader(name = "Last-Event-ID", required = false) @Nullable String last,
      @AuthenticationPrincipal SignedIn account) {
    return shows.line(course, RoomController.number(last, after), account);
  }
}
