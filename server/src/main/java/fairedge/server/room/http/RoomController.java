package fairedge.server.room.http;

import fairedge.core.geometry.Vec3;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.platform.Packed;
import fairedge.server.platform.SignedIn;
import fairedge.server.room.CompanyView;
import fairedge.server.room.CompanyView.HintView;
import fairedge.server.room.Presence;
import fairedge.server.room.RoomView;
import fairedge.server.room.Rooms;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
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

/**
 * The room over HTTP. Lines of events are told of in docs/formats.md, as they never end: a browser
 * that lost one says the last number that it has.
 */
@RestController
@RequestMapping("/api")
class RoomController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String LAST = "Last-Event-ID";

  private final Rooms rooms;
  private final Presence presence;

  RoomController(Rooms rooms, Presence presence) {
    this.rooms = rooms;
    this.presence = presence;
  }

  /**
   * @param id a repeated request is known by it
   * @param place on the model; null: about the whole
   * @param revision of the workpiece that it is about
   */
  record HintRequest(
      @NotNull UUID id,
      @NotNull @Size(max = 600) String text,
      @Nullable Vec3 place,
      long revision) {}

  record HelpRequest(boolean asks) {}

  static long number(@Nullable String last, @Nullable Long after) {
    if (last != null && last.matches("\\d{1,18}")) {
      return Long.parseLong(last);
    }
    return after == null ? -1 : after;
  }

  @GetMapping("/classes/{course}/room")
  RoomView room(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return rooms.view(course, account);
  }

  @Hidden
  @GetMapping(value = "/classes/{course}/room/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter roomLine(
      @PathVariable UUID course,
      @RequestParam(required = false) @Nullable UUID follows,
      @RequestParam(required = false) @Nullable Long after,
      @RequestHeader(name = LAST, required = false) @Nullable String last,
      @AuthenticationPrincipal SignedIn account) {
    return presence.inRoom(course, follows, number(last, after), account);
  }

  /** Somebody else's bench, to be read. */
  @GetMapping("/room/{bench}")
  WorkpieceView lookOn(@PathVariable UUID bench, @AuthenticationPrincipal SignedIn account) {
    return rooms.lookOn(bench, account);
  }

  @GetMapping(value = "/room/{bench}/mesh", produces = MESH)
  ResponseEntity<byte[]> benchMesh(
      @PathVariable UUID bench,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, rooms.mesh(bench, account), accepted);
  }

  @GetMapping(value = "/room/{bench}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> benchPicture(
      @PathVariable UUID bench, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, max-age=5")
        .body(rooms.picture(bench, account));
  }

  /** Pins a word to a bench. */
  @PostMapping("/room/{bench}/hints")
  @ResponseStatus(HttpStatus.CREATED)
  HintView hint(
      @PathVariable UUID bench,
      @Valid @RequestBody HintRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return rooms.hint(bench, asked.id(), asked.text(), asked.place(), asked.revision(), account);
  }

  /** That who asks for help was helped. */
  @DeleteMapping("/room/{bench}/help")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void helped(@PathVariable UUID bench, @AuthenticationPrincipal SignedIn account) {
    rooms.helped(bench, account);
  }

  /** Who looks on at one's own bench, and what was said. */
  @GetMapping("/workpieces/{id}/company")
  CompanyView company(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return rooms.company(id, student);
  }

  @Hidden
  @GetMapping(value = "/workpieces/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter benchLine(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Long after,
      @RequestHeader(name = LAST, required = false) @Nullable String last,
      @AuthenticationPrincipal SignedIn student) {
    return presence.atBench(id, number(last, after), student);
  }

  @PutMapping("/workpieces/{id}/help")
  CompanyView ask(
      @PathVariable UUID id,
      @RequestBody HelpRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return rooms.ask(id, asked.asks(), student);
  }

  /** What was said to oneself lately. */
  @GetMapping("/hints")
  List<HintView> hints(@AuthenticationPrincipal SignedIn student) {
    return rooms.hintsTo(student);
  }

  @PutMapping("/hints/{hint}/seen")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void seen(@PathVariable UUID hint, @AuthenticationPrincipal SignedIn student) {
    rooms.seen(hint, student);
  }
}
