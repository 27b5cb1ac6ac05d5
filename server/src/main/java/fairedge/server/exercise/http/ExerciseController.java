package fairedge.server.exercise.http;

import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import fairedge.server.exercise.Exercises;
import fairedge.server.exercise.TermsView;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Exercises over HTTP, for those whose they are. */
@RestController
@RequestMapping("/api/exercises")
class ExerciseController {
  private final Exercises exercises;

  ExerciseController(Exercises exercises) {
    this.exercises = exercises;
  }

  /**
   * @param revision the version that is replaced
   * @param wanted what is asked of the shape
   */
  record TermsRequest(
      @NotNull Integer revision, @NotNull ProfileView profile, @NotNull Wanted wanted) {}

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
}
