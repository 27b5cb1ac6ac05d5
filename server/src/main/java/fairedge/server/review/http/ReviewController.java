package fairedge.server.review.http;

import fairedge.core.geometry.Vec3;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.json.FindingView.ElementView;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Inside;
import fairedge.server.platform.Json;
import fairedge.server.platform.Packed;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView;
import fairedge.server.review.AnswerView.CameraView;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.DeskView;
import fairedge.server.review.Homes;
import fairedge.server.review.MyWorkView;
import fairedge.server.review.ReviewView;
import fairedge.server.review.Reviews;
import fairedge.server.review.SubmissionOutlet;
import fairedge.server.submission.PictureSize;
import fairedge.server.submission.Submissions;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Desk, review, answer and the student's work over HTTP. */
@RestController
@RequestMapping("/api")
class ReviewController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String SURFACE = "application/vnd.fair-edge.surface";
  private static final String BENT = "application/vnd.fair-edge.bent";

  private final Homes homes;
  private final Reviews reviews;
  private final SubmissionOutlet outlet;
  private final Json json;

  ReviewController(Homes homes, Reviews reviews, SubmissionOutlet outlet, Json json) {
    this.json = json;
    this.outlet = outlet;
    this.homes = homes;
    this.reviews = reviews;
  }

  /**
   * @param finding number of the finding that it is about, in the report that the request names
   * @param key of that finding, by which it is found in a report of later
   */
  record NoteRequest(
      @NotNull @Size(max = 4000) String text,
      @Nullable Integer finding,
      @Nullable String key,
      @NotNull ElementView element,
      @NotNull Vec3 place,
      @Nullable CameraView camera) {
    Reviews.Drafted note() {
      return new Reviews.Drafted(new NoteView(text, finding, element, place, camera), key);
    }
  }

  /**
   * @param clientKey by which a request that is made again is known
   * @param report revision of the report that notes name findings of; null for the one that is
   */
  record AnswerRequest(
      long revision,
      @Nullable UUID clientKey,
      @Nullable Integer report,
      @NotNull @Size(max = 8000) String word,
      @Nullable Verdict verdict,
      @NotNull @Size(max = 500) List<@NotNull @Valid NoteRequest> notes) {}

  record ReturnRequest(long revision) {}

  /**
   * @param course the class; all that one reviews in where none is named
   */
  @GetMapping("/desk")
  DeskView desk(
      @RequestParam(required = false) @Nullable UUID course,
      @AuthenticationPrincipal SignedIn instructor) {
    return homes.desk(instructor, course);
  }

  @GetMapping("/my-work")
  MyWorkView myWork(@AuthenticationPrincipal SignedIn student) {
    return homes.myWork(student);
  }

  @GetMapping("/submissions/{id}/review")
  ReviewView review(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return reviews.review(id, instructor);
  }

  @GetMapping(value = "/submissions/{id}/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID id,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, outlet.mesh(id, account), accepted);
  }

  /**
   * The smooth surface of which the handed-in mesh is the cage.
   *
   * @param level of subdivision; as many as are quick to draw where none is named
   */
  /** A solution of its exercise, where whoever asks may see it. */
  @GetMapping(value = "/submissions/{id}/references/{hash}/mesh", produces = MESH)
  ResponseEntity<byte[]> reference(
      @PathVariable UUID id,
      @PathVariable String hash,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, outlet.reference(id, account, hash), accepted);
  }

  @GetMapping(value = "/submissions/{id}/smooth", produces = SURFACE)
  ResponseEntity<byte[]> smooth(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Integer level,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(SURFACE, outlet.smooth(id, account, level), accepted);
  }

  /** How it fares when it is bent, twisted or tapered. */
  @Inside(LensPicture.class)
  @GetMapping(value = "/submissions/{id}/bent", produces = BENT)
  ResponseEntity<byte[]> bend(
      @PathVariable UUID id,
      @ParameterObject BendAsked asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    Tried tried = outlet.bend(id, account, asked);
    return Packed.reply(BENT, json.bytes(tried.picture()), tried.mesh(), accepted);
  }

  @GetMapping("/submissions/{id}/lenses/{lens}")
  LensPicture look(
      @PathVariable UUID id, @PathVariable Lens lens, @AuthenticationPrincipal SignedIn account) {
    return outlet.look(id, account, lens);
  }

  /** The ring and the loop of an edge, and how they end. */
  @GetMapping("/submissions/{id}/along/{edge}")
  Along along(
      @PathVariable UUID id, @PathVariable int edge, @AuthenticationPrincipal SignedIn account) {
    return outlet.along(id, account, edge);
  }

  /**
   * May be kept, by this account only: for long where the address names the report whose marks it
   * shows, since another report has another address.
   *
   * @param report revision of the report
   */
  @GetMapping(value = "/submissions/{id}/picture", produces = "image/png")
  ResponseEntity<byte[]> picture(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "row") PictureSize size,
      @RequestParam(required = false) @Nullable Integer report,
      @AuthenticationPrincipal SignedIn account) {
    Submissions.Picture picture = reviews.picture(id, account, size);
    boolean named = report != null && report == picture.report();
    return ResponseEntity.ok()
        .header("Cache-Control", named ? "private, max-age=86400, immutable" : "private, no-cache")
        .body(picture.png());
  }

  @PutMapping("/submissions/{id}/draft")
  AnswerView keep(
      @PathVariable UUID id,
      @Valid @RequestBody AnswerRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    List<Reviews.Drafted> notes = asked.notes().stream().map(NoteRequest::note).toList();
    return reviews.keep(
        id,
        instructor,
        new Reviews.Draft(
            asked.revision(),
            asked.clientKey(),
            asked.report(),
            asked.word(),
            asked.verdict(),
            notes));
  }

  @PostMapping("/submissions/{id}/return")
  AnswerView giveBack(
      @PathVariable UUID id,
      @RequestBody ReturnRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviews.giveBack(id, instructor, asked.revision());
  }

  @GetMapping("/submissions/{id}/answer")
  ReviewView answer(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return reviews.answer(id, student);
  }
}
