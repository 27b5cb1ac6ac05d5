package fairedge.server.exercise.http;

import fairedge.server.course.Right;
import fairedge.server.exercise.AssignmentView;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.StarterPictures;
import fairedge.server.platform.SignedIn;
import java.util.List;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is set, over HTTP. */
@RestController
@RequestMapping("/api/assignments")
class AssignmentController {
  private final Assignments assignments;
  private final StarterPictures pictures;

  AssignmentController(Assignments assignments, StarterPictures pictures) {
    this.assignments = assignments;
    this.pictures = pictures;
  }

  /** All that is set in the classes where one sees everybody. */
  @GetMapping
  List<AssignmentView> all(@AuthenticationPrincipal SignedIn account) {
    return assignments.of(account, Right.READ_ALL).stream().map(AssignmentView::of).toList();
  }

  /** The starter, as large as a row of a list has room for. */
  @GetMapping(value = "/{assignment}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(
      @PathVariable UUID assignment, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, max-age=3600")
        .body(pictures.picture(assignment, account));
  }
}
