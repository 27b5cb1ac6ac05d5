package fairedge.server.exercise.http;

import fairedge.core.format.Meant;
import fairedge.core.survey.Marking;
import fairedge.json.CheckView;
import fairedge.server.exercise.EditorView;
import fairedge.server.exercise.ReferenceOutlet;
import fairedge.server.exercise.SentMesh;
import fairedge.server.platform.Packed;
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
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What an exercise marks on its starter, and the solutions that it knows, over HTTP. */
@RestController
@RequestMapping("/api/exercises/{exercise}")
class ReferenceController {
  private static final String MESH = "application/vnd.fair-edge.mesh";

  private final ReferenceOutlet references;

  ReferenceController(ReferenceOutlet references) {
    this.references = references;
  }

  /**
   * @param revision of the draft
   * @param reference hash of the reference on which a line is chosen; null: on the starter
   * @param ids of edges, vertices or faces; marked ones lose their mark where all of them are
   */
  record MarkRequest(
      @NotNull Long revision,
      Marking.@NotNull Sort sort,
      @Nullable String reference,
      @NotNull @Size(min = 1, max = 10_000) List<@NotNull Integer> ids) {}

  /** Marks elements of the starter, or takes their marks off. */
  @PutMapping("/marks")
  EditorView mark(
      @PathVariable UUID exercise,
      @Valid @RequestBody MarkRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return references.mark(
        exercise, account, asked.revision(), asked.sort(), asked.reference(), asked.ids());
  }

  /** What of the starter is marked by the draft, by its ids. */
  @GetMapping("/marks")
  Marking.Marks marks(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return references.marks(exercise, account);
  }

  record ReferenceRequest(@NotNull UUID workpiece) {}

  /** Adds a workpiece of one's own, as it stands, as a solution. */
  @PostMapping("/references")
  EditorView add(
      @PathVariable UUID exercise,
      @Valid @RequestBody ReferenceRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return references.add(exercise, account, asked.workpiece());
  }

  @PostMapping(value = "/references/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  EditorView addFile(
      @PathVariable UUID exercise,
      @RequestPart("file") MultipartFile file,
      @RequestParam("unit") String unit,
      @RequestParam(name = "up", defaultValue = "z") Meant.Up up,
      @AuthenticationPrincipal SignedIn account)
      throws IOException {
    String name = Optional.ofNullable(file.getOriginalFilename()).orElse("");
    try (InputStream bytes = file.getInputStream()) {
      return references.add(exercise, account, new SentMesh(name, unit, up, bytes));
    }
  }

  @GetMapping(value = "/references/{hash}/mesh", produces = MESH)
  ResponseEntity<byte[]> mesh(
      @PathVariable UUID exercise,
      @PathVariable String hash,
      @RequestHeader(value = "Accept-Encoding", defaultValue = "") String accepted,
      @AuthenticationPrincipal SignedIn account) {
    return Packed.reply(MESH, references.mesh(exercise, account, hash), accepted);
  }

  /** What the check says of a solution, by the draft. */
  @GetMapping("/references/{hash}/check")
  CheckView check(
      @PathVariable UUID exercise,
      @PathVariable String hash,
      @AuthenticationPrincipal SignedIn account) {
    return references.check(exercise, account, hash);
  }
}
