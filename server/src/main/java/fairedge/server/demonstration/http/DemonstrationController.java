package fairedge.server.demonstration.http;

import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.json.CheckView;
import fairedge.server.bench.PreviewView;
import fairedge.server.demonstration.DemonstrationOutlet;
import fairedge.server.demonstration.DemonstrationView;
import fairedge.server.demonstration.DemonstrationView.DemonstrationList;
import fairedge.server.demonstration.DemonstrationView.DemonstrationRow;
import fairedge.server.demonstration.Demonstrations;
import fairedge.server.demonstration.Demonstrations.Words;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Inside;
import fairedge.server.platform.Json;
import fairedge.server.platform.Packed;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.review.NoteView.CameraView;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
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

/** Demonstrations over HTTP; their states by the hashes of their meshes, which never change. */
@RestController
@RequestMapping("/api")
class DemonstrationController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String SURFACE = "application/vnd.fair-edge.surface";
  private static final String BENT = "application/vnd.fair-edge.bent";

  private final Demonstrations demonstrations;
  private final DemonstrationOutlet outlet;
  private final Json json;

  DemonstrationController(Demonstrations demonstrations, DemonstrationOutlet outlet, Json json) {
    this.demonstrations = demonstrations;
    this.outlet = outlet;
    this.json = json;
  }

  /**
   * @param whole also what was taken back, as it was done
   * @param title empty: that of what was cut
   */
  record RecordRequest(
      @NotNull UUID workpiece,
      boolean whole,
      @NotNull @Size(max = 200) String title,
      @NotNull UUID clientKey) {}

  /**
   * What is said of a step.
   *
   * @param camera null: as whoever made it saw it
   * @param lens null: as before
   */
  record StepWords(
      boolean leftOut,
      @NotNull @Size(max = 1000) String caption,
      @NotNull @Size(max = 400) String question,
      @NotNull @Size(max = 1500) String answer,
      @Nullable CameraView camera,
      @Nullable @Size(max = 20) String lens) {
    Words words() {
      return new Words(leftOut, caption, question, answer, camera, lens);
    }
  }

  /**
   * @param steps of every step, in their order
   */
  record TellRequest(
      long revision,
      @NotNull @Size(max = 200) String title,
      @NotNull @Size(max = 600) String about,
      @NotNull @Size(max = 200) List<@NotNull @Valid StepWords> steps) {}

  record RetellRequest(@NotNull UUID clientKey) {}

  /**
   * @param inSight false puts it away, true brings it back
   */
  record SightRequest(boolean inSight) {}

  /**
   * @param frame its number among the frames
   */
  record BranchRequest(int frame, @NotNull UUID clientKey) {}

  @GetMapping("/demonstrations")
  DemonstrationList list(@AuthenticationPrincipal SignedIn account) {
    return demonstrations.list(account);
  }

  /** Keeps what was done on a workpiece of one's own. */
  @PostMapping("/demonstrations")
  @ResponseStatus(HttpStatus.CREATED)
  DemonstrationView keep(
      @Valid @RequestBody RecordRequest asked, @AuthenticationPrincipal SignedIn account) {
    return demonstrations.record(
        asked.workpiece(), asked.whole(), asked.title(), asked.clientKey(), account);
  }

  @GetMapping("/demonstrations/{id}")
  DemonstrationView view(@PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    return demonstrations.view(id, account);
  }

  @PutMapping("/demonstrations/{id}")
  DemonstrationView tell(
      @PathVariable UUID id,
      @Valid @RequestBody TellRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.edit(
        id,
        asked.revision(),
        asked.title(),
        asked.about(),
        asked.steps().stream().map(StepWords::words).toList(),
        account);
  }

  /** One of one's own, to be told otherwise. */
  @PostMapping("/demonstrations/{id}/copies")
  @ResponseStatus(HttpStatus.CREATED)
  DemonstrationView copy(
      @PathVariable UUID id,
      @Valid @RequestBody RetellRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.copy(id, asked.clientKey(), account);
  }

  @PutMapping("/demonstrations/{id}/kept")
  DemonstrationView putAway(
      @PathVariable UUID id,
      @RequestBody SightRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.keep(id, asked.inSight(), account);
  }

  /** Shows it to a class. */
  @PutMapping("/demonstrations/{id}/classes/{course}")
  DemonstrationView set(
      @PathVariable UUID id, @PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return demonstrations.set(id, course, true, account);
  }

  @DeleteMapping("/demonstrations/{id}/classes/{course}")
  DemonstrationView unset(
      @PathVariable UUID id, @PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return demonstrations.set(id, course, false, account);
  }

  /** Lays it beside the brief of an exercise. */
  @PutMapping("/demonstrations/{id}/exercises/{exercise}")
  DemonstrationView link(
      @PathVariable UUID id,
      @PathVariable UUID exercise,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.link(id, exercise, true, account);
  }

  @DeleteMapping("/demonstrations/{id}/exercises/{exercise}")
  DemonstrationView unlink(
      @PathVariable UUID id,
      @PathVariable UUID exercise,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.link(id, exercise, false, account);
  }

  /** Those beside the brief of what is set. */
  @GetMapping("/assignments/{assignment}/demonstrations")
  List<DemonstrationRow> besideBrief(
      @PathVariable UUID assignment, @AuthenticationPrincipal SignedIn account) {
    return demonstrations.besideBrief(assignment, account);
  }

  /** A practice piece that begins with one of its states. */
  @PostMapping("/demonstrations/{id}/tries")
  @ResponseStatus(HttpStatus.CREATED)
  PracticePiece branch(
      @PathVariable UUID id,
      @Valid @RequestBody BranchRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return demonstrations.tryFrom(id, asked.frame(), asked.clientKey(), account);
  }

  /** What a step that is asked about would do. */
  @GetMapping("/demonstrations/{id}/steps/{step}/pending")
  PreviewView pending(
      @PathVariable UUID id, @PathVariable int step, @AuthenticationPrincipal SignedIn account) {
    return outlet.pending(id, step, account);
  }

  @GetMapping(value = "/demonstrations/{id}/states/{mesh}/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID id,
      @PathVariable String mesh,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, outlet.mesh(id, mesh, account), accepted);
  }

  @GetMapping(
      value = "/demonstrations/{id}/states/{mesh}/picture",
      produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(
      @PathVariable UUID id, @PathVariable String mesh, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, max-age=86400")
        .body(outlet.picture(id, mesh, account));
  }

  @GetMapping("/demonstrations/{id}/states/{mesh}/check")
  CheckView check(
      @PathVariable UUID id, @PathVariable String mesh, @AuthenticationPrincipal SignedIn account) {
    return outlet.check(id, mesh, account);
  }

  /**
   * @param level of subdivision; as many as are quick to draw where none is named
   */
  @GetMapping(value = "/demonstrations/{id}/states/{mesh}/smooth", produces = SURFACE)
  ResponseEntity<byte[]> smooth(
      @PathVariable UUID id,
      @PathVariable String mesh,
      @RequestParam(required = false) @Nullable Integer level,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(SURFACE, outlet.smooth(id, mesh, level, account), accepted);
  }

  @Inside(LensPicture.class)
  @GetMapping(value = "/demonstrations/{id}/states/{mesh}/bent", produces = BENT)
  ResponseEntity<byte[]> bend(
      @PathVariable UUID id,
      @PathVariable String mesh,
      @ParameterObject BendAsked asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    Tried tried = outlet.bend(id, mesh, asked, account);
    return Packed.reply(BENT, json.bytes(tried.picture()), tried.mesh(), accepted);
  }

  @GetMapping("/demonstrations/{id}/states/{mesh}/lenses/{lens}")
  LensPicture look(
      @PathVariable UUID id,
      @PathVariable String mesh,
      @PathVariable Lens lens,
      @AuthenticationPrincipal SignedIn account) {
    return outlet.look(id, mesh, lens, account);
  }

  @GetMapping("/demonstrations/{id}/states/{mesh}/along/{edge}")
  Along along(
      @PathVariable UUID id,
      @PathVariable String mesh,
      @PathVariable int edge,
      @AuthenticationPrincipal SignedIn account) {
    return outlet.along(id, mesh, edge, account);
  }
}
