package fairedge.server.exercise.http;

import fairedge.server.exercise.Pictures;
import fairedge.server.platform.SignedIn;
import java.io.IOException;
import java.time.Duration;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures of briefs over HTTP. */
@RestController
class PictureController {
  private final Pictures pictures;

  PictureController(Pictures pictures) {
    this.pictures = pictures;
  }

  /** Keeps a picture, drawn anew; the brief names it. */
  @PostMapping(
      value = "/api/exercises/{exercise}/pictures",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  Pictures.Added add(
      @PathVariable UUID exercise,
      @RequestPart("file") MultipartFile file,
      @AuthenticationPrincipal SignedIn account)
      throws IOException {
    return pictures.add(exercise, account, file.getBytes());
  }

  @GetMapping(
      value = "/api/exercises/{exercise}/pictures/{name}",
      produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> ofExercise(
      @PathVariable UUID exercise,
      @PathVariable String name,
      @AuthenticationPrincipal SignedIn account) {
    return kept(pictures.ofExercise(exercise, account, name));
  }

  @GetMapping(
      value = "/api/assignments/{assignment}/pictures/{name}",
      produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> ofAssignment(
      @PathVariable UUID assignment,
      @PathVariable String name,
      @AuthenticationPrincipal SignedIn account) {
    return kept(pictures.ofAssignment(assignment, account, name));
  }

  /** A picture is named after what it is: it never changes. */
  private static ResponseEntity<byte[]> kept(byte[] png) {
    return ResponseEntity.ok()
        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate().immutable())
        .body(png);
  }
}
