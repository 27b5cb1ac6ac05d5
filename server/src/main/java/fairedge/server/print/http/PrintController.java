package fairedge.server.print.http;

import fairedge.server.platform.SignedIn;
import fairedge.server.print.Handouts;
import fairedge.server.print.PrintView;
import fairedge.server.print.Prints;
import fairedge.server.print.Sheet;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
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
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Answers on paper over HTTP. */
@RestController
@RequestMapping("/api")
class PrintController {
  private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

  private final Prints prints;
  private final Handouts handouts;

  PrintController(Prints prints, Handouts handouts) {
    this.prints = prints;
    this.handouts = handouts;
  }

  /** One answer that is out. */
  @GetMapping(value = "/submissions/{id}/paper", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> answer(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "a4") Sheet sheet,
      @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header(HttpHeaders.CONTENT_DISPOSITION, named("answer.pdf"))
        .body(prints.answer(id, sheet, account));
  }

  /** A demonstration, a picture and a caption a step. */
  @GetMapping(value = "/demonstrations/{id}/paper", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> handout(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "a4") Sheet sheet,
      @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header(HttpHeaders.CONTENT_DISPOSITION, named("handout.pdf"))
        .body(handouts.of(id, sheet, account));
  }

  record PrintRequest(@NotNull Sheet sheet, PrintView.@NotNull PrintForm form) {}

  /** All answers of an exercise. */
  @PostMapping("/assignments/{assignment}/prints")
  @ResponseStatus(HttpStatus.ACCEPTED)
  PrintView all(
      @PathVariable UUID assignment,
      @Valid @RequestBody PrintRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return prints.all(assignment, asked.sheet(), asked.form(), account);
  }

  /** A student's term. */
  @PostMapping("/classes/{course}/students/{student}/prints")
  @ResponseStatus(HttpStatus.ACCEPTED)
  PrintView term(
      @PathVariable UUID course,
      @PathVariable UUID student,
      @Valid @RequestBody PrintRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return prints.term(course, student, asked.sheet(), asked.form(), account);
  }

  @GetMapping("/prints/{print}")
  PrintView print(@PathVariable UUID print, @AuthenticationPrincipal SignedIn account) {
    return prints.view(print, account);
  }

  @GetMapping("/prints/{print}/file")
  ResponseEntity<InputStreamResource> file(
      @PathVariable UUID print, @AuthenticationPrincipal SignedIn account) {
    Prints.Made made = prints.made(print, account);
    boolean isZip = made.form() == PrintView.PrintForm.zip;
    return ResponseEntity.ok()
        .contentType(isZip ? ZIP : MediaType.APPLICATION_PDF)
        .header(HttpHeaders.CONTENT_DISPOSITION, named(isZip ? "answers.zip" : "answers.pdf"))
        .body(new InputStreamResource(made.bytes()));
  }

  @DeleteMapping("/prints/{print}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void cancel(@PathVariable UUID print, @AuthenticationPrincipal SignedIn account) {
    prints.cancel(print, account);
  }

  private static String named(String file) {
    return ContentDisposition.inline().filename(file).build().toString();
  }
}
