package fairedge.server.bench;

import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercise.Tells;
import fairedge.server.exercise.Told;
import fairedge.server.platform.SignedIn;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What is set in a class. */
@Component
class ForAssignments implements Purpose {
  private final Assignments assignments;
  private final Courses courses;
  private final Answered answered;

  ForAssignments(Assignments assignments, Courses courses, Answered answered) {
    this.answered = answered;
    this.assignments = assignments;
    this.courses = courses;
  }

  @Override
  public Owner.Type type() {
    return Owner.Type.assignment;
  }

  @Override
  public Task task(UUID owner, UUID account) {
    Assignment assignment = assignments.require(owner);
    Exercise e = assignment.exercise();
    boolean asks = e.tells() != Tells.all || e.mends() == Exercise.Mends.withAnswer;
    boolean isAnswered = asks && answered.isAnswered(owner, account);
    Told told = Told.of(e, isAnswered);
    return new Task(
        new TaskView(
            Owner.assignment(owner),
            e.title(),
            e.summary(),
            e.brief(),
            e.unit(),
            e.profile().name(),
            assignment.dueAt(),
            courses.info(assignment.courseId()).zone(),
            told.tells(),
            TaskView.isMarked(e.wanted(), e.showsLines()),
            e.sheet(),
            told.isAll() && e.shows(isAnswered)),
        e.terms(),
        told,
        e.showsLines());
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
