package fairedge.server.review;

import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Reference;
import fairedge.server.platform.Problem;
import fairedge.server.submission.Submission;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import org.springframework.stereotype.Component;

/** The references of an exercise beside a hand-in: to reviewers always, to its student in time. */
@Component
class Solutions {
  private final Allowances allowances;
  private final Clock clock;

  Solutions(Allowances allowances, Clock clock) {
    this.allowances = allowances;
    this.clock = clock;
  }

  /** Hashes of their meshes, those that may be seen now. */
  List<String> of(Submission submission, Assignment assignment, boolean reviews) {
    Exercise exercise = assignment.exercise();
    boolean shows =
        reviews
            || switch (exercise.shows()) {
              case never -> false;
              case withAnswer -> submission.quoted() != null;
              case afterDue -> isPast(submission, assignment);
            };
    return shows ? exercise.references().stream().map(Reference::hash).toList() : List.of();
  }

  private boolean isPast(Submission submission, Assignment assignment) {
    Instant due = allowances.of(assignment, submission.studentId()).due();
    return due != null && clock.instant().isAfter(due);
  }

  /**
   * @throws Problem as not found, where it may not be seen
   */
  byte[] require(Submission submission, Assignment assignment, boolean reviews, String hash) {
    if (!of(submission, assignment, reviews).contains(hash)) {
      throw Problem.notFound("reference");
    }
    return HexFormat.of().parseHex(hash);
  }
}
