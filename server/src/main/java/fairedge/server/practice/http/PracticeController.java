package fairedge.server.practice.http;

import fairedge.core.format.Meant;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.Practices;
import fairedge.server.practice.Practices.Beginning;
import fairedge.server.practice.Practices.MeshFile;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
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

/** Free practice over HTTP. */
@RestController
@RequestMapping("/api/practice")
class PracticeController {
  private final Practices practices;

  PracticeController(Practices practices) {
    this.practices = practices;
  }

  record BeginRequest(@NotNull String form, @NotNull String profile, @NotNull UUID clientKey) {}

  /**
   * @param inSight false puts the piece away, true brings it back
   */
  record KeepRequest(boolean inSight) {}

  @GetMapping
  PracticeView view(@AuthenticationPrincipal SignedIn account) {
    return practices.view(account);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  PracticePiece begin(
      @Valid @RequestBody BeginRequest asked, @AuthenticationPrincipal SignedIn account) {
    return practices.beginWith(
        asked.form(), account, new Beginning(asked.profile(), asked.clientKey()));
  }

  @PostMapping(value = "/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  @ResponseStatus(HttpStatus.CREATED)
  PracticePiece receive(
      @RequestPart("file") MultipartFile file,
      @RequestParam("unit") String unit,
      @RequestParam(name = "up", defaultValue = "z") Meant.Up up,
      @RequestParam("profile") String profile,
      @RequestParam("clientKey") UUID clientKey,
      @AuthenticationPrincipal SignedIn account)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    try (InputStream bytes = file.getInputStream()) {
      return practices.beginWith(
          new MeshFile(name, unit, up, bytes), account, new Beginning(profile, clientKey));
    }
  }

  /** A piece; asked again while its file is being read. */
  @GetMapping("/{id}")
  PracticePiece piece(@PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    return practices.piece(id, account);
  }

  @PutMapping("/{id}/kept")
  PracticePiece keep(
      @PathVariable UUID id,
      @RequestBody KeepRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return practices.keep(id, account, asked.inSight());
  }

  @GetMapping(value = "/{id}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(@PathVariable UUID id, @AuthenticationPrincipal SignedIn account) {
    return kept(practices.picture(id, account));
  }

  @GetMapping(value = "/forms/{form}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> formPicture(@PathVariable String form) {
    return kept(practices.formPicture(form));
  }

  private static ResponseEntity<byte[]> kept(byte[] png) {
    return ResponseEntity.ok().header("Cache-Control", "private, max-age=86400").body(png);
  }
}
