package fairedge.server.review;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.inspect.Along;
import fairedge.core.inspect.Lens;
import fairedge.core.inspect.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.server.course.Courses;
import fairedge.server.course.Role;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Handed-in meshes to be looked at, by the instructors of their class and by whoever handed them
 * in. In no transaction: while it computes it shall hold no connection.
 */
@Service
public class HandedIn {
  private final Submissions submissions;
  private final Exercises exercises;
  private final Courses courses;
  private final Inspections inspections;

  HandedIn(Submissions submissions, Exercises exercises, Courses courses, Inspections inspections) {
    this.submissions = submissions;
    this.exercises = exercises;
    this.courses = courses;
    this.inspections = inspections;
  }

  private record Seen(Mesh mesh, Terms terms) {}

  public byte[] mesh(UUID id, SignedIn account) {
    Mesh mesh = seen(id, account).mesh();
    return WireMessage.whole(mesh, mesh.bounds().centre(), 0);
  }

  /** The smooth surface of which it is the cage. */
  public byte[] smooth(UUID id, SignedIn account, @Nullable Integer level) {
    Mesh mesh = seen(id, account).mesh();
    return inspections.smooth(mesh, mesh.bounds().centre(), level);
  }

  /** How it fares when it is bent. */
  public Tried bend(UUID id, SignedIn account, BendAsked asked) {
    Seen seen = seen(id, account);
    return Tried.of(inspections.bend(seen.mesh(), seen.terms(), asked), 0);
  }

  /** What a lens shows of it. */
  public LensPicture look(UUID id, SignedIn account, Lens lens) {
    Seen seen = seen(id, account);
    return inspections.look(seen.mesh(), seen.terms(), lens);
  }

  /** The ring and the loop of an edge of it. */
  public Along along(UUID id, SignedIn account, int edge) {
    return inspections.along(seen(id, account).mesh(), edge);
  }

  private Seen seen(UUID id, SignedIn account) {
    Submission submission = submissions.find(id).orElseThrow(() -> Problem.notFound("submission"));
    Exercise exercise = exercises.require(submission.exerciseId());
    Role role = courses.requireMember(account, exercise.courseId());
    if (role == Role.STUDENT && !submission.studentId().equals(account.id())) {
      throw Problem.notFound("submission");
    }
    return new Seen(submissions.mesh(submission), exercise.terms());
  }
}
