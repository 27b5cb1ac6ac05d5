package fairedge.server.bench;

import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Exercise;
import fairedge.server.platform.SignedIn;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What is set in a class. */
@Component
class ForAssignments implements Purpose {
  private final Assignments assignments;
  private final Courses courses;

  ForAssignments(Assignments assignments, Courses courses) {
    this.assignments = assignments;
    this.courses = courses;
  }

  @Override
  public Owner.Type type() {
    return Owner.Type.assignment;
  }

  @Override
  public Task task(UUID owner) {
    Assignment assignment = assignments.require(owner);
    Exercise e = assignment.exercise();
    return new Task(
        new TaskView(
            Owner.assignment(owner),
            e.title(),
            e.summary(),
            e.brief(),
            e.unit(),
            e.profile().name(),
            assignment.dueAt(),
            courses.info(assignment.courseId()).zone()),
        e.terms());
  }

  @Override
  public void requireToOpen(UUID owner, SignedIn account) {
    requireToCut(owner, account);
  }

  /** Who left the class has lost it, though it is kept. */
  @Override
  public void requireToCut(UUID owner, SignedIn account) {
    assignments.requireTo(Right.WORK, owner, account);
  }
}
