package fairedge.server.exercise.http;

import fairedge.core.format.Meant;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.survey.Wanted;
import fairedge.json.CheckView;
import fairedge.json.CreditRuleView;
import fairedge.json.ProfileView;
import fairedge.server.exercise.Draft;
import fairedge.server.exercise.Editor;
import fairedge.server.exercise.EditorView;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Packing;
import fairedge.server.exercise.Reference;
import fairedge.server.exercise.SentMesh;
import fairedge.server.exercise.Shelf;
import fairedge.server.exercise.Shelf.ExerciseRow;
import fairedge.server.exercise.StarterOutlet;
import fairedge.server.exercise.StarterPictures;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Json;
import fairedge.server.platform.Packed;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Exercises over HTTP, for those whose they are and who teach with them. */
@RestController
@RequestMapping("/api/exercises")
class ExerciseController {
  private static final String MESH = "application/vnd.fair-edge.mesh";
  private static final String SURFACE = "application/vnd.fair-edge.surface";
  private static final String BENT = "application/vnd.fair-edge.bent";

  private final Editor editor;
  private final StarterOutlet starters;
  private final StarterPictures pictures;
  private final Packing packing;
  private final Shelf shelf;
  private final Json json;

  ExerciseController(
      Editor editor,
      StarterOutlet starters,
      StarterPictures pictures,
      Packing packing,
      Shelf shelf,
      Json json) {
    this.editor = editor;
    this.starters = starters;
    this.pictures = pictures;
    this.packing = packing;
    this.shelf = shelf;
    this.json = json;
  }

  /** Those of one's own, and those that are set in classes where one sees everybody. */
  @GetMapping
  List<ExerciseRow> all(@AuthenticationPrincipal SignedIn account) {
    return shelf.of(account);
  }

  record ExerciseBegun(UUID id) {}

  /** Begins an exercise as a draft. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  ExerciseBegun begin(@AuthenticationPrincipal SignedIn account) {
    return new ExerciseBegun(editor.begin(account));
  }

  @PostMapping("/{exercise}/copies")
  @ResponseStatus(HttpStatus.CREATED)
  ExerciseBegun copy(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return new ExerciseBegun(packing.copy(exercise, account));
  }

  /** Begins an exercise with what an export holds. */
  @PostMapping(value = "/imports", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  ExerciseBegun importZip(
      @RequestPart("file") MultipartFile file, @AuthenticationPrincipal SignedIn account)
      throws IOException {
    try (InputStream bytes = file.getInputStream()) {
      return new ExerciseBegun(packing.importFrom(bytes, account));
    }
  }

  /** All that is written of it and its starter, as a zip with nobody's name. */
  @GetMapping(value = "/{exercise}/export", produces = "application/zip")
  ResponseEntity<byte[]> export(
      @PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("exercise.zip").build().toString())
        .body(packing.export(exercise, account));
  }

  @GetMapping("/{exercise}")
  EditorView view(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return editor.view(exercise, account);
  }

  /**
   * What is left out at the end is as it was.
   *
   * @param revision of the draft that it was written on
   * @param sheet name of a picture; empty: none
   */
  record DraftRequest(
      @NotNull Long revision,
      @NotNull String title,
      @NotNull String summary,
      @NotNull String brief,
      @NotNull ProfileView profile,
      @NotNull Wanted wanted,
      Exercise.@NotNull Tells tells,
      @Nullable CreditRuleView rule,
      @Nullable List<Reference> references,
      Exercise.@Nullable Shows shows,
      @Nullable Boolean showsLines,
      @Nullable String sheet,
      Exercise.@Nullable Mends mends) {
    Draft over(Draft before) {
      return new Draft(
          title,
          summary,
          brief,
          profile,
          wanted,
          tells,
          rule,
          references == null ? before.references() : references,
          shows == null ? before.shows() : shows,
          showsLines == null ? before.showsLines() : showsLines,
          sheet == null ? before.sheet() : sheet.isEmpty() ? null : sheet,
          mends == null ? before.mends() : mends);
    }
  }

  /** Keeps what was written; nothing of it holds yet. */
  @PutMapping("/{exercise}/draft")
  EditorView keep(
      @PathVariable UUID exercise,
      @Valid @RequestBody DraftRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return editor.keep(exercise, account, asked.revision(), asked::over);
  }

  record RevisionRequest(@NotNull Long revision) {}

  /** Writes again what holds. */
  @PostMapping("/{exercise}/draft/back")
  EditorView takeBack(
      @PathVariable UUID exercise,
      @Valid @RequestBody RevisionRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return editor.takeBack(exercise, account, asked.revision());
  }

  /** Lets the draft hold, wherever the exercise is set. */
  @PostMapping("/{exercise}/ready")
  EditorView makeReady(
      @PathVariable UUID exercise,
      @Valid @RequestBody RevisionRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return editor.makeReady(exercise, account, asked.revision());
  }

  record ExerciseAwayRequest(boolean away) {}

  @PutMapping("/{exercise}/away")
  EditorView putAway(
      @PathVariable UUID exercise,
      @RequestBody ExerciseAwayRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return editor.putAway(exercise, account, asked.away());
  }

  /** One of three. */
  record StarterRequest(@Nullable String form, @Nullable UUID workpiece, @Nullable UUID exercise) {}

  /** Chooses what students begin with: a form, a workpiece of one's own, another's starter. */
  @PutMapping("/{exercise}/starter")
  EditorView useStarter(
      @PathVariable UUID exercise,
      @RequestBody StarterRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    if (asked.form() != null) {
      return starters.useForm(exercise, account, asked.form());
    }
    if (asked.workpiece() != null) {
      return starters.useWorkpiece(exercise, account, asked.workpiece());
    }
    if (asked.exercise() != null) {
      return starters.useExercise(exercise, account, asked.exercise());
    }
    throw Problem.of(Problem.Kind.BAD_INPUT, "Say which form, which workpiece or which exercise.");
  }

  @PostMapping(value = "/{exercise}/starter/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  EditorView useFile(
      @PathVariable UUID exercise,
      @RequestPart("file") MultipartFile file,
      @RequestParam("unit") String unit,
      @RequestParam(name = "up", defaultValue = "z") Meant.Up up,
      @AuthenticationPrincipal SignedIn account)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    try (InputStream bytes = file.getInputStream()) {
      return starters.useFile(exercise, account, new SentMesh(name, unit, up, bytes));
    }
  }

  /** The starter, as large as a row of a list has room for. */
  @GetMapping(value = "/{exercise}/starter/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(
      @PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, no-cache")
        .body(pictures.picture(starters.starter(exercise, account), account));
  }

  @GetMapping(value = "/{exercise}/starter/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID exercise,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, starters.mesh(exercise, account), accepted);
  }

  /** What the check says of the starter, by the draft. */
  @GetMapping("/{exercise}/starter/check")
  CheckView check(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return starters.check(exercise, account);
  }

  @GetMapping(value = "/{exercise}/starter/smooth", produces = SURFACE)
  ResponseEntity<byte[]> smooth(
      @PathVariable UUID exercise,
      @RequestParam(required = false) @Nullable Integer level,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(SURFACE, starters.smooth(exercise, account, level), accepted);
  }

  @GetMapping(value = "/{exercise}/starter/bent", produces = BENT)
  ResponseEntity<byte[]> bend(
      @PathVariable UUID exercise,
      @ParameterObject BendAsked asked,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    Tried tried = starters.bend(exercise, account, asked);
    return Packed.reply(BENT, json.bytes(tried.picture()), tried.mesh(), accepted);
  }

  @GetMapping("/{exercise}/starter/lenses/{lens}")
  LensPicture look(
      @PathVariable UUID exercise,
      @PathVariable Lens lens,
      @AuthenticationPrincipal SignedIn account) {
    return starters.look(exercise, account, lens);
  }

  @GetMapping("/{exercise}/starter/along/{edge}")
  Along along(
      @PathVariable UUID exercise,
      @PathVariable int edge,
      @AuthenticationPrincipal SignedIn account) {
    return starters.along(exercise, account, edge);
  }
}
