package fairedge.server.review.http;

import fairedge.core.geometry.Vec3;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.step.Change;
import fairedge.core.survey.EdgeChange;
import fairedge.json.CreditsView;
import fairedge.json.FindingView.ElementView;
import fairedge.server.bench.MendsView;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Inside;
import fairedge.server.platform.Json;
import fairedge.server.platform.Packed;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.review.AnswerView;
import fairedge.server.review.AnswerView.GivenView;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.Beside;
import fairedge.server.review.MyWork;
import fairedge.server.review.MyWorkView;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.NoteView.NoteMend;
import fairedge.server.review.ReviewView;
import fairedge.server.review.Reviewing;
import fairedge.server.review.Reviews;
import fairedge.server.review.SubmissionMends;
import fairedge.server.review.SubmissionOutlet;
import fairedge.server.review.Threads;
import fairedge.server.submission.PictureSize;
import fairedge.server.submission.Submissions;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
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

/** Review, answer and the student's work over HTTP. */
@RestController
@RequestMapping("/api")
class ReviewController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String SURFACE = "application/vnd.fair-edge.surface";
  private static final String BENT = "application/vnd.fair-edge.bent";

  private final MyWork work;
  private final Reviews reviews;
  private final Reviewing reviewing;
  private final Threads threads;
  private final SubmissionOutlet outlet;
  private final Beside beside;
  private final SubmissionMends mends;
  private final Json json;

  ReviewController(
      MyWork work,
      Reviews reviews,
      Reviewing reviewing,
      Threads threads,
      SubmissionOutlet outlet,
      Beside beside,
      SubmissionMends mends,
      Json json) {
    this.mends = mends;
    this.reviewing = reviewing;
    this.beside = beside;
    this.threads = threads;
    this.json = json;
    this.outlet = outlet;
    this.work = work;
    this.reviews = reviews;
  }

  /**
   * @param id by which the note is known from then on; a new one where none is named
   * @param finding number of the finding that it is about, in the report that the request names
   * @param key of that finding, by which it is found in a report of later
   * @param strokes lines on the surface
   * @param phrase which kept remark it was made of
   */
  record NoteRequest(
      @Nullable UUID id,
      @Nullable NoteKind kind,
      @NotNull @Size(max = 4000) String text,
      @Nullable Integer finding,
      @Nullable String key,
      @NotNull ElementView element,
      @NotNull Vec3 place,
      @Nullable CameraView camera,
      @Nullable List<@NotNull List<@NotNull Vec3>> strokes,
      @Nullable UUID phrase,
      @Nullable @Valid NoteMendRequest mend) {
    Reviewing.Drafted note() {
      return new Reviewing.Drafted(
          new NoteView(
              id == null ? UUID.randomUUID() : id,
              kind == null ? NoteKind.mend : kind,
              text,
              finding,
              element,
              place,
              camera,
              strokes == null ? List.of() : strokes,
              phrase,
              mend == null ? null : mend.mend(),
              null),
          key);
    }
  }

  /** What would cure what a note is about. */
  record NoteMendRequest(@NotNull @Size(max = 400) String does, @NotNull Change change) {
    NoteMend mend() {
      return new NoteMend(does, change);
    }
  }

  /**
   * @param finding its key
   */
  record CuredRequest(@NotNull @Size(max = 400) String finding) {}

  record TriedRequest(@NotNull Change change) {}

  record CopyRequest(@NotNull UUID clientKey) {}

  /**
   * @param workpiece a copy of the hand-in on which it was drawn
   * @param revision as whoever asks sees it
   */
  record DrawnRequest(@NotNull UUID workpiece, long revision) {}

  record GivenRequest(double credits, @NotNull @Size(max = 500) String reason) {}

  /**
   * @param clientKey by which a request that is made again is known
   * @param report revision of the report that notes name findings of; null for the one that is
   * @param seen of criteria by eye the word that was chosen, by name
   * @param byHand what criteria get by hand, by name
   */
  record AnswerRequest(
      long revision,
      @Nullable UUID clientKey,
      @Nullable Integer report,
      @NotNull @Size(max = 8000) String word,
      @Nullable Verdict verdict,
      @NotNull @Size(max = 500) List<@NotNull @Valid NoteRequest> notes,
      @Nullable @Size(max = 40)
          Map<@NotNull @Size(max = 200) String, @NotNull @Size(max = 200) String> seen,
      @Nullable @Size(max = 40)
          Map<@NotNull @Size(max = 200) String, @NotNull @Valid GivenRequest> byHand) {
    Reviewing.Draft draft() {
      Map<String, GivenView> given = new HashMap<>();
      if (byHand != null) {
        byHand.forEach((name, g) -> given.put(name, new GivenView(g.credits(), g.reason())));
      }
      return new Reviewing.Draft(
          revision,
          clientKey,
          report,
          word,
          verdict,
          notes.stream().map(NoteRequest::note).toList(),
          seen == null ? Map.of() : seen,
          given);
    }
  }

  /**
   * @param at when it goes out; as soon as it can't be called back any more where none is named
   */
  record ReturnRequest(long revision, @Nullable Instant at) {}

  record ReadyRequest(long revision, boolean ready) {}

  record WaveRequest(
      @NotNull @Size(min = 1, max = 1000) List<@NotNull String> findings,
      @NotNull @Size(max = 500) String reason) {}

  /**
   * @param takeOver also where somebody else has it open
   */
  record HoldRequest(boolean takeOver) {}

  record SeenRequest(boolean seen) {}

  record ReplyRequest(@NotNull @Size(max = 2000) String text) {}

  @GetMapping("/my-work")
  MyWorkView myWork(@AuthenticationPrincipal SignedIn student) {
    return work.view(student);
  }

  /**
   * @param ahead only to have it at hand: it can be taken back still
   */
  @GetMapping("/submissions/{id}/review")
  ReviewView review(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean ahead,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviews.review(id, instructor, ahead);
  }

  @GetMapping(value = "/submissions/{id}/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID id,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, outlet.mesh(id, account), accepted);
  }

  /**
   * What is laid beside it, to be seen.
   *
   * @param which the number of an attempt, the hash of a reference, the id of a step; of the
   *     starter whatever
   */
  @GetMapping(value = "/submissions/{id}/beside/{sort}/{which}/mesh", produces = MESH)
  ResponseEntity<byte[]> beside(
      @PathVariable UUID id,
      @PathVariable Beside.Laid sort,
      @PathVariable String which,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, beside.mesh(id, account, sort, which), accepted);
  }

  /** Which edges it has and what is laid beside it has not, and the other way round. */
  @GetMapping("/submissions/{id}/beside/{sort}/{which}/edges")
  EdgeChange edges(
      @PathVariable UUID id,
      @PathVariable Beside.Laid sort,
      @PathVariable String which,
      @AuthenticationPrincipal SignedIn account) {
    return beside.edges(id, account, sort, which);
  }

  /**
   * The smooth surface of which the handed-in mesh is the cage.
   *
   * @param level of subdivision; as many as are quick to draw where none is named
   */
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

  /** What would cure a finding of it; asked by POST, as it may be long. */
  @PostMapping("/submissions/{id}/mends")
  MendsView mends(
      @PathVariable UUID id,
      @Valid @RequestBody CuredRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return mends.of(id, instructor, asked.finding());
  }

  /** The hand-in as it would be after a change; asked by POST, as it may be long. */
  @PostMapping(value = "/submissions/{id}/tried/mesh", produces = MESH)
  ResponseEntity<byte[]> triedMesh(
      @PathVariable UUID id,
      @Valid @RequestBody TriedRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, mends.tried(id, account, asked.change()), accepted);
  }

  /** Which edges the hand-in has beside itself after a change, and which it has not. */
  @PostMapping("/submissions/{id}/tried/edges")
  EdgeChange triedEdges(
      @PathVariable UUID id,
      @Valid @RequestBody TriedRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return mends.triedEdges(id, account, asked.change());
  }

  /** A copy of it to cut on: a practice piece of whoever reviews. */
  @PostMapping("/submissions/{id}/copies")
  @ResponseStatus(HttpStatus.CREATED)
  PracticePiece copy(
      @PathVariable UUID id,
      @Valid @RequestBody CopyRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return mends.copy(id, instructor, asked.clientKey());
  }

  /** What was done on a copy becomes the mend of a note that is written. */
  @PutMapping("/submissions/{id}/notes/{note}/mend")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void drawn(
      @PathVariable UUID id,
      @PathVariable UUID note,
      @Valid @RequestBody DrawnRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    mends.drawn(id, note, instructor, asked.workpiece(), asked.revision());
  }

  @PutMapping("/submissions/{id}/draft")
  AnswerView keep(
      @PathVariable UUID id,
      @Valid @RequestBody AnswerRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.keep(id, instructor, asked.draft());
  }

  /** What the draft would give, as it is kept. */
  @GetMapping("/submissions/{id}/credits")
  Credited credits(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return new Credited(reviews.credits(id, instructor).orElse(null));
  }

  /**
   * @param credits null where the exercise gives none
   */
  record Credited(@Nullable CreditsView credits) {}

  @PostMapping("/submissions/{id}/return")
  AnswerView giveBack(
      @PathVariable UUID id,
      @RequestBody ReturnRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.giveBack(id, instructor, asked.revision(), asked.at());
  }

  /** Keeps an answer ready to go out with others, or takes it from those. */
  @PutMapping("/submissions/{id}/ready")
  AnswerView keepReady(
      @PathVariable UUID id,
      @RequestBody ReadyRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.keepReady(id, instructor, asked.revision(), asked.ready());
  }

  /** Calls back an answer that is not out yet. */
  @PostMapping("/submissions/{id}/call-back")
  AnswerView callBack(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.callBack(id, instructor);
  }

  /** Opens an answer that is out to be written again. */
  @PostMapping("/submissions/{id}/amendment")
  AnswerView amend(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.amend(id, instructor);
  }

  /** Leaves an answer that is out as it was. */
  @DeleteMapping("/submissions/{id}/amendment")
  AnswerView leaveAsItWas(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.leaveAsItWas(id, instructor);
  }

  /** Waves findings through. */
  @PostMapping("/submissions/{id}/wavings")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void wave(
      @PathVariable UUID id,
      @Valid @RequestBody WaveRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    reviewing.wave(id, instructor, asked.findings(), asked.reason());
  }

  /** Lets what was waved through count again. */
  @DeleteMapping("/submissions/{id}/wavings/{waving}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void countAgain(
      @PathVariable UUID id,
      @PathVariable UUID waving,
      @AuthenticationPrincipal SignedIn instructor) {
    reviewing.countAgain(id, instructor, waving);
  }

  /** Holds an answer for a minute, to write in it. */
  @PutMapping("/submissions/{id}/lease")
  Reviewing.Held hold(
      @PathVariable UUID id,
      @RequestBody HoldRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return reviewing.hold(id, instructor, asked.takeOver());
  }

  @DeleteMapping("/submissions/{id}/lease")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void letGo(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    reviewing.letGo(id, instructor);
  }

  @GetMapping("/submissions/{id}/answer")
  ReviewView answer(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return reviews.answer(id, student);
  }

  /** Ticks a note as seen, or not. */
  @PutMapping("/submissions/{id}/notes/{note}/seen")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void see(
      @PathVariable UUID id,
      @PathVariable UUID note,
      @RequestBody SeenRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    threads.see(id, student, note, asked.seen());
  }

  /** The one reply to a note. */
  @PostMapping("/submissions/{id}/notes/{note}/reply")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void reply(
      @PathVariable UUID id,
      @PathVariable UUID note,
      @Valid @RequestBody ReplyRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    threads.reply(id, student, note, asked.text());
  }
}
