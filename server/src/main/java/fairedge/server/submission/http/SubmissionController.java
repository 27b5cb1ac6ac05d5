package fairedge.server.submission.http;

import fairedge.server.platform.SignedIn;
import fairedge.server.submission.HandedIn;
import fairedge.server.submission.Rechecks;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.UploadView;
import fairedge.server.submission.Uploads;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
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
  private final Rechecks rechecks;

  SubmissionController(Submissions submissions, Uploads uploads, Rechecks rechecks) {
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
      value = "/exercises/{exercise}/uploads",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.ACCEPTED)
  UploadView receive(
      @PathVariable UUID exercise,
      @RequestPart("file") MultipartFile file,
      @RequestParam("clientKey") UUID clientKey,
      @AuthenticationPrincipal SignedIn student)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    return uploads.receive(exercise, student, name, file.getBytes(), clientKey);
  }

  /** How far it is with inspecting anew what was handed in, after the terms changed. */
  @GetMapping("/exercises/{exercise}/recheck")
  Rechecks.Progress recheck(
      @PathVariable UUID exercise, @AuthenticationPrincipal SignedIn instructor) {
    return rechecks.progress(exercise, instructor);
  }

  @GetMapping("/uploads/{id}")
  UploadView upload(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return uploads.state(id, student);
  }

  @DeleteMapping("/uploads/{id}")
  UploadView cancel(@PathVariable UUID id, @AuthenticationPrincipal SignedIn student) {
    return uploads.cancel(id, student);
  }
}
