package fairedge.server.bench.http;

import fairedge.core.form.FoldMotions;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.core.geometry.Vec3;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.step.Change;
import fairedge.core.work.View;
import fairedge.server.bench.Bench;
import fairedge.server.bench.ChosenView;
import fairedge.server.bench.HingesView;
import fairedge.server.bench.Incoming;
import fairedge.server.bench.MadeView;
import fairedge.server.bench.MarksView;
import fairedge.server.bench.Mends;
import fairedge.server.bench.MendsView;
import fairedge.server.bench.MeshOutlet;
import fairedge.server.bench.Owner;
import fairedge.server.bench.PartsView;
import fairedge.server.bench.PreviewView;
import fairedge.server.bench.Rehearsals;
import fairedge.server.bench.Shapes;
import fairedge.server.bench.Trials;
import fairedge.server.bench.WentView;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.exercise.SentMesh;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Inside;
import fairedge.server.platform.Json;
import fairedge.server.platform.Packed;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
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
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The bench over HTTP. Meshes and steps are answered in binary; see docs/wire.md. */
@RestController
@RequestMapping("/api")
class BenchController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String SURFACE = "application/vnd.fair-edge.surface";
  private static final String BENT = "application/vnd.fair-edge.bent";
  private static final String STEP = "application/vnd.fair-edge.step";

  /** A step that is seen from nowhere is told as from here. */
  private static final View FROM_ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  private final Bench bench;
  private final Incoming incoming;
  private final Rehearsals rehearsals;
  private final Trials trials;
  private final Mends mends;
  private final MeshOutlet outlet;
  private final Shapes shapes;
  private final Json json;

  BenchController(
      Bench bench,
      Incoming incoming,
      Trials trials,
      Mends mends,
      MeshOutlet outlet,
      Shapes shapes,
      Json json,
      Rehearsals rehearsals) {
    this.rehearsals = rehearsals;
    this.bench = bench;
    this.incoming = incoming;
    this.trials = trials;
    this.mends = mends;
    this.outlet = outlet;
    this.shapes = shapes;
    this.json = json;
  }

  /**
   * @param hidden faces that whoever asks does not see: refused where one would be altered
   * @param findings whether to tell what the check would say, which takes longer
   */
  record PreviewRequest(
      long revision,
      @NotNull Change change,
      @NotNull View view,
      @Nullable List<@NotNull Integer> hidden,
      boolean findings) {}

  /**
   * @param level of subdivision; as many as are quick to draw where none is named
   */
  record SmoothRequest(long revision, @NotNull Change change, @Nullable Integer level) {}

  /**
   * What would mend a finding.
   *
   * @param finding its key
   */
  record MendsRequest(
      long revision, @NotNull String finding, @Nullable List<@NotNull Integer> hidden) {}

  /**
   * What would mend all of some kinds.
   *
   * @param kinds none: all that must and should be mended
   */
  record AllMendsRequest(
      long revision,
      @Nullable @Size(max = 80) List<@NotNull @Size(max = 60) String> kinds,
      @Nullable List<@NotNull Integer> hidden) {}

  record MotionsRequest(long revision, @NotNull Change change) {}

  /** What is chosen, and how to go on from it. */
  record ChooseRequest(long revision, ChosenView.@NotNull Way way, @NotNull ChosenView from) {}

  /**
   * @param hidden faces that whoever asks does not see: refused where one would be altered
   */
  record StepRequest(
      long revision,
      @NotNull UUID clientKey,
      @NotNull Change change,
      @NotNull View view,
      @Nullable List<@NotNull Integer> hidden) {}

  private static <T> List<T> orNone(@Nullable List<T> ids) {
    return ids == null ? List.of() : ids;
  }

  /** From the shelf, or from a workpiece of one's own. */
  record BringRequest(
      long revision,
      @NotNull UUID clientKey,
      @NotNull View view,
      @Nullable String form,
      @Nullable UUID workpiece) {}

  record MoveRequest(long revision, @NotNull UUID clientKey) {
    Bench.Asked asked() {
      return new Bench.Asked(revision, clientKey);
    }
  }

  @PutMapping("/assignments/{assignment}/workpiece")
  WorkpieceView open(@PathVariable UUID assignment, @AuthenticationPrincipal SignedIn student) {
    return bench.open(Owner.assignment(assignment), student);
  }

  @PutMapping("/practice/{id}/workpiece")
  WorkpieceView openPractice(@PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    return bench.open(Owner.practice(id), account);
  }

  /** Tries an exercise as a student would. */
  @PutMapping("/exercises/{exercise}/workpiece")
  WorkpieceView rehearse(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return rehearsals.open(exercise, account);
  }

  /** Lets go of that, so that the next try begins with the starter. */
  @DeleteMapping("/exercises/{exercise}/workpiece")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forgetRehearsal(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    rehearsals.forget(exercise, account);
  }

  @GetMapping("/workpieces/{id}")
  WorkpieceView state(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return bench.state(id, student);
  }

  @GetMapping(value = "/workpieces/{id}/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID id,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return Packed.reply(MESH, bench.mesh(id, student), accepted);
  }

  /**
   * The smooth surface of which the mesh is the cage.
   *
   * @param level of subdivision; as many as are quick to draw where none is named
   */
  @GetMapping(value = "/workpieces/{id}/smooth", produces = SURFACE)
  ResponseEntity<byte[]> smooth(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Integer level,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return Packed.reply(SURFACE, outlet.smooth(id, student, level), accepted);
  }

  /** The same as it would be after a change; asked by POST, as it may be long. */
  @PostMapping(value = "/workpieces/{id}/previews/smooth", produces = SURFACE)
  ResponseEntity<byte[]> smoothAfter(
      @PathVariable UUID id,
      @Valid @RequestBody SmoothRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return Packed.reply(
        SURFACE,
        outlet.smoothAfter(id, student, asked.revision(), asked.change(), asked.level()),
        accepted);
  }

  /** How it fares when it is bent, twisted or tapered. */
  @Inside(LensPicture.class)
  @GetMapping(value = "/workpieces/{id}/bent", produces = BENT)
  ResponseEntity<byte[]> bend(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Long revision,
      @ParameterObject BendAsked asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    Tried tried = outlet.bend(id, student, revision, asked);
    return Packed.reply(BENT, json.bytes(tried.picture()), tried.mesh(), accepted);
  }

  @GetMapping("/workpieces/{id}/lenses/{lens}")
  LensPicture look(
      @PathVariable UUID id,
      @PathVariable Lens lens,
      @RequestParam(required = false) @Nullable Long revision,
      @AuthenticationPrincipal SignedIn student) {
    return outlet.look(id, student, revision, lens);
  }

  /** The ring and the loop of an edge, and how they end. */
  @GetMapping("/workpieces/{id}/along/{edge}")
  Along along(
      @PathVariable UUID id,
      @PathVariable int edge,
      @RequestParam(required = false) @Nullable Long revision,
      @AuthenticationPrincipal SignedIn student) {
    return outlet.along(id, student, revision, edge);
  }

  /** The state and the mesh, if the workpiece went on from a revision; else nothing. */
  @GetMapping("/workpieces/{id}/since/{revision}")
  ResponseEntity<byte[]> since(
      @PathVariable UUID id,
      @PathVariable long revision,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return bench
        .since(id, student, revision)
        .map(stepped -> reply(stepped, accepted))
        .orElseGet(() -> ResponseEntity.noContent().build());
  }

  @PostMapping("/workpieces/{id}/previews")
  PreviewView preview(
      @PathVariable UUID id,
      @Valid @RequestBody PreviewRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return trials.preview(
        id,
        student,
        new Trials.Trial(
            asked.revision(),
            asked.change(),
            asked.view(),
            orNone(asked.hidden()),
            asked.findings()));
  }

  /** What would mend a finding; asked by POST, as it may be long. */
  @PostMapping("/workpieces/{id}/mends")
  MendsView mends(
      @PathVariable UUID id,
      @Valid @RequestBody MendsRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return mends.of(id, student, asked.revision(), asked.finding(), orNone(asked.hidden()));
  }

  /** What would mend all of some kinds, as one step; asked for until it is there. */
  @PostMapping("/workpieces/{id}/mends/all")
  MendsView.AllView allMends(
      @PathVariable UUID id,
      @Valid @RequestBody AllMendsRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return mends.all(id, student, asked.revision(), orNone(asked.kinds()), orNone(asked.hidden()));
  }

  /** Ends what is under way of that. */
  @DeleteMapping("/workpieces/{id}/mends/all")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endAllMends(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    mends.stop(id, student);
  }

  /** How panels move on the way to a fold; asked by POST, since it may be long. */
  @PostMapping("/workpieces/{id}/motions")
  FoldMotions motions(
      @PathVariable UUID id,
      @Valid @RequestBody MotionsRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return trials.motions(id, student, asked.revision(), asked.change());
  }

  /** The hinges of the last fold in force. */
  @GetMapping("/workpieces/{id}/hinges")
  HingesView hinges(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return outlet.hinges(id, student);
  }

  /** What hangs together by itself, with names. */
  @GetMapping("/workpieces/{id}/parts")
  PartsView parts(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Long revision,
      @AuthenticationPrincipal SignedIn student) {
    return outlet.parts(id, student, revision);
  }

  /** What its exercise marks on it. */
  @GetMapping("/workpieces/{id}/marks")
  MarksView marks(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return outlet.marks(id, student);
  }

  /** Asked by POST, since what is chosen may be long; it changes nothing. */
  @PostMapping("/workpieces/{id}/choices")
  ChosenView choose(
      @PathVariable UUID id,
      @Valid @RequestBody ChooseRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return bench.choose(id, student, asked.revision(), asked.way(), asked.from());
  }

  /**
   * @param step null for the starter
   */
  record GoRequest(long revision, @NotNull UUID clientKey, @Nullable Long step) {}

  record NameRequest(@NotNull String name) {}

  @PostMapping("/workpieces/{id}/head")
  ResponseEntity<byte[]> goTo(
      @PathVariable UUID id,
      @Valid @RequestBody GoRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    Bench.Asked by = new Bench.Asked(asked.revision(), asked.clientKey());
    return reply(bench.goTo(id, student, by, asked.step()), accepted);
  }

  @PutMapping("/workpieces/{id}/steps/{step}/name")
  WorkpieceView name(
      @PathVariable UUID id,
      @PathVariable long step,
      @Valid @RequestBody NameRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return bench.name(id, student, step, asked.name());
  }

  /**
   * The mesh as a file, of the state in force or after any step.
   *
   * @param format obj, ply, off or glb
   */
  @GetMapping(value = "/workpieces/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<byte[]> file(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable Long step,
      @RequestParam(defaultValue = "obj") String format,
      @AuthenticationPrincipal SignedIn student) {
    MeshFormat written =
        MeshFormat.writtenTo("." + format)
            .orElseThrow(
                () -> Problem.of(Problem.Kind.BAD_INPUT, "Files are OBJ, PLY, OFF or GLB."));
    return ResponseEntity.ok()
        .header(
            "Content-Disposition", "attachment; filename=\"workpiece." + written.ending() + "\"")
        .body(outlet.file(id, student, step, written));
  }

  /** The text of an SVG file. */
  record ShapeRequest(@NotNull String svg) {}

  /** Reads the lines of a drawing; nothing is kept. */
  @PostMapping("/shapes")
  Shapes.ShapeView shape(@Valid @RequestBody ShapeRequest asked) {
    return shapes.read(asked.svg());
  }

  @Inside(MadeView.class)
  @PostMapping("/workpieces/{id}/steps")
  ResponseEntity<byte[]> step(
      @PathVariable UUID id,
      @Valid @RequestBody StepRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    Bench.Asked by = new Bench.Asked(asked.revision(), asked.clientKey());
    Bench.Stepped stepped =
        bench.step(id, student, by, asked.change(), asked.view(), orNone(asked.hidden()));
    return reply(stepped, accepted);
  }

  /** Brings a part in, from the shelf or from another workpiece: a step like others. */
  @Inside(MadeView.class)
  @PostMapping("/workpieces/{id}/parts")
  ResponseEntity<byte[]> bring(
      @PathVariable UUID id,
      @Valid @RequestBody BringRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    Bench.Asked by = new Bench.Asked(asked.revision(), asked.clientKey());
    if (asked.form() != null) {
      return reply(incoming.form(id, student, by, asked.view(), asked.form()), accepted);
    }
    if (asked.workpiece() != null) {
      return reply(incoming.workpiece(id, student, by, asked.view(), asked.workpiece()), accepted);
    }
    throw Problem.of(Problem.Kind.BAD_INPUT, "Say which form or which workpiece.");
  }

  /** Brings a part in from a mesh file. */
  @Inside(MadeView.class)
  @PostMapping(
      value = "/workpieces/{id}/parts/file",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  ResponseEntity<byte[]> bringFile(
      @PathVariable UUID id,
      @RequestPart("file") MultipartFile file,
      @RequestParam("revision") long revision,
      @RequestParam("clientKey") UUID clientKey,
      @RequestParam("unit") String unit,
      @RequestParam(name = "up", defaultValue = "z") Meant.Up up,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    Bench.Asked by = new Bench.Asked(revision, clientKey);
    try (InputStream bytes = file.getInputStream()) {
      return reply(
          incoming.file(id, student, by, FROM_ABOVE, new SentMesh(name, unit, up, bytes)),
          accepted);
    }
  }

  @Inside(WentView.class)
  @PostMapping("/workpieces/{id}/undo")
  ResponseEntity<byte[]> undo(
      @PathVariable UUID id,
      @Valid @RequestBody MoveRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return reply(bench.undo(id, student, asked.asked()), accepted);
  }

  @Inside(WentView.class)
  @PostMapping("/workpieces/{id}/redo")
  ResponseEntity<byte[]> redo(
      @PathVariable UUID id,
      @Valid @RequestBody MoveRequest asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn student) {
    return reply(bench.redo(id, student, asked.asked()), accepted);
  }

  private ResponseEntity<byte[]> reply(Bench.Stepped stepped, String accepted) {
    return Packed.reply(STEP, json.bytes(stepped.state()), stepped.mesh(), accepted);
  }
}
