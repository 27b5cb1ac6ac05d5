package fairedge.server.submission.http;

import fairedge.core.format.LengthUnit;
import fairedge.core.format.Meant;
import fairedge.json.CreditRuleView;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.BundleView;
import fairedge.server.submission.Bundles;
import fairedge.server.submission.Crediting;
import fairedge.server.submission.HandedIn;
import fairedge.server.submission.Rechecks;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.UploadView;
import fairedge.server.submission.Uploads;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.InputStreamResource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Handing in over HTTP. */
@RestController
@RequestMapping("/api")
class SubmissionController {
  private final Submissions submissions;
  private final Uploads uploads;
  private final Bundles bundles;
  private final Rechecks rechecks;
  private final Crediting crediting;

  SubmissionController(
      Submissions submissions,
      Uploads uploads,
      Bundles bundles,
      Rechecks rechecks,
      Crediting crediting) {
    this.crediting = crediting;
    this.bundles = bundles;
    this.rechecks = rechecks;
    this.submissions = submissions;
    this.uploads = uploads;
  }

  record HandInRequest(long revision, @NotNull UUID clientKey) {}

  @PostMapping("/workpieces/{id}/submissions")
  @ResponseStatus(HttpStatus.CREATED)
  HandedIn fromBench(
      @PathVariable UUID id,
      @Valid @RequestBody HandInRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return submissions.fromBench(id, student, asked.revision(), asked.clientKey());
  }

  @PostMapping(
      value = "/assignments/{assignment}/uploads",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.ACCEPTED)
  UploadView receive(
      @PathVariable UUID assignment,
      @RequestPart("file") MultipartFile file,
      @RequestParam("clientKey") UUID clientKey,
      @RequestParam(required = false) @Nullable String unit,
      @RequestParam(required = false) Meant.@Nullable Up up,
      @AuthenticationPrincipal SignedIn student)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    Meant meant = unit == null ? null : meant(unit, up);
    try (InputStream bytes = file.getInputStream()) {
      return uploads.receive(assignment, student, name, bytes, clientKey, meant);
    }
  }

  /**
   * @param unit of the file's lengths: mm, cm, m or in
   * @param up which of its axes points upwards
   */
  record MeantRequest(@NotNull String unit, Meant.@NotNull Up up) {}

  /** Says how the numbers of a file are meant that waits for it. */
  @PutMapping("/uploads/{id}/meant")
  UploadView answer(
      @PathVariable UUID id,
      @Valid @RequestBody MeantRequest asked,
      @AuthenticationPrincipal SignedIn student) {
    return uploads.answer(id, student, meant(asked.unit(), asked.up()));
  }

  private static Meant meant(String unit, Meant.@Nullable Up up) {
    LengthUnit known =
        LengthUnit.named(unit)
            .orElseThrow(() -> Problem.of(Problem.Kind.BAD_INPUT, "The unit is mm, cm, m or in."));
    return new Meant(known, up == null ? Meant.Up.Z : up);
  }

  /**
   * Files of a class at once, matched to the students by their names.
   *
   * @param files mesh files with their paths in a folder, or a zip of them
   */
  @PostMapping(
      value = "/assignments/{assignment}/bundles",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  BundleView receiveAll(
      @PathVariable UUID assignment,
      @RequestPart("file") List<MultipartFile> files,
      @RequestParam("clientKey") UUID clientKey,
      @AuthenticationPrincipal SignedIn instructor) {
    List<Bundles.Brought> brought =
        files.stream()
            .map(f ->
                new Bundles.Brought(
                    Optional.ofNullable(f.getOriginalFilename()).orElse(""), f::getInputStream))
            .toList();
    return bundles.receive(assignment, instructor, brought, clientKey);
  }

  @GetMapping("/bundles/{id}")
  BundleView bundle(@PathVariable UUID id, @AuthenticationPrincipal SignedIn instructor) {
    return bundles.view(id, instructor);
  }

  /**
   * @param students whose each file is, by its number
   */
  record BundleRequest(@NotNull Map<Integer, UUID> students) {}

  /** Hands files in for students. */
  @PostMapping("/bundles/{id}/submissions")
  @ResponseStatus(HttpStatus.ACCEPTED)
  BundleView handInAll(
      @PathVariable UUID id,
      @Valid @RequestBody BundleRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return bundles.handIn(id, instructor, asked.students());
  }

  /** How far it is with inspecting anew what was handed in, after the terms changed. */
  @GetMapping("/exercises/{exercise}/recheck")
  Rechecks.Progress recheck(
      @PathVariable UUID exercise, @AuthenticationPrincipal SignedIn instructor) {
    return rechecks.progress(exercise, instructor);
  }

  record CreditsRequest(@NotNull CreditRuleView rule) {}

  /** What starter and hand-ins would get by another rule; nothing of it is kept. */
  @PostMapping("/exercises/{exercise}/credits")
  List<Crediting.WouldGet> credits(
      @PathVariable UUID exercise,
      @Valid @RequestBody CreditsRequest asked,
      @AuthenticationPrincipal SignedIn instructor) {
    return crediting.tryOut(exercise, asked.rule(), instructor);
  }

  @GetMapping("/uploads/{id}")
  UploadView upload(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return uploads.state(id, student);
  }

  /** The file of an upload that failed, while it is kept. */
  @GetMapping(value = "/uploads/{id}/file", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<InputStreamResource> file(
      @PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    Uploads.KeptFile file = uploads.kept(id, account);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(file.name(), StandardCharsets.UTF_8)
                .build()
                .toString())
        .contentLength(file.size())
        .body(new InputStreamResource(file.bytes()));
  }

  /** Takes back what was handed in, while nobody has opened it. */
  @DeleteMapping("/submissions/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    submissions.takeBack(id, student);
  }

  @DeleteMapping("/uploads/{id}")
  UploadView cancel(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return uploads.cancel(id, student);
  }
}
