package fairedge.server.exercise.http;

import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import fairedge.server.course.Role;
import fairedge.server.exercise.ExerciseView;
import fairedge.server.exercise.Exercises;
import fairedge.server.exercise.StarterPictures;
import fairedge.server.exercise.TermsView;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Exercises over HTTP: mostly for those who set them. */
@RestController
@RequestMapping("/api/exercises")
class ExerciseController {
  private final Exercises exercises;
  private final StarterPictures pictures;

  ExerciseController(Exercises exercises, StarterPictures pictures) {
    this.exercises = exercises;
    this.pictures = pictures;
  }

  /**
   * @param revision of the terms that are replaced
   * @param wanted what is asked of the shape
   */
  record TermsRequest(
      @NotNull Integer revision, @NotNull ProfileView profile, @NotNull Wanted wanted) {}

  @GetMapping
  List<ExerciseView> all(@AuthenticationPrincipal SignedIn account) {
    return exercises.of(account, Role.INSTRUCTOR).stream().map(ExerciseView::of).toList();
  }

  @GetMapping("/{exercise}/terms")
  TermsView terms(@PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return exercises.terms(exercise, account);
  }

  @PutMapping("/{exercise}/terms")
  TermsView setTerms(
      @PathVariable UUID exercise,
      @Valid @RequestBody TermsRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return exercises.setTerms(exercise, account, asked.revision(), asked.profile(), asked.wanted());
  }

  /** The starter, as large as a row of a list has room for. */
  @GetMapping(value = "/{exercise}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(
      @PathVariable UUID exercise, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, max-age=3600")
        .body(pictures.picture(exercise, account));
  }
}
