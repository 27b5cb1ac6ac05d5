package fairedge.server.bench;

import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.exercise.Exercise.Tells;
import fairedge.server.exercise.Told;
import fairedge.server.inspection.Terms;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.Practice;
import fairedge.server.practice.Practices;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Free practice. */
@Component
class ForPractice implements Purpose {
  private static final String BRIEF =
      """
      Cut what you like: nothing is asked here and nothing is handed in. Every step is kept, and \
      you can come back to any of them.

      The check runs after every step as in an exercise.\
      """;

  private final Practices practices;

  ForPractice(Practices practices) {
    this.practices = practices;
  }

  @Override
  public Owner.Type type() {
    return Owner.Type.practice;
  }

  @Override
  public Task task(UUID owner, UUID account) {
    Practice p = practices.require(owner);
    return new Task(
        new TaskView(
            Owner.practice(owner),
            p.title(),
            "Free practice",
            BRIEF,
            p.unit(),
            p.profile(),
            null,
            null,
            Tells.all,
            false,
            null,
            true),
        new Terms(
            Profile.named(p.profile()), Wanted.NOTHING, p.tolerance(), p.starter(), List.of()),
        Told.ALL,
        false);
  }

  @Override
  public void requireToOpen(UUID owner, SignedIn account) {
    practices.requireOf(account, owner);
  }

  /** Whose workpiece it is, his is the piece: there is nothing more to ask. */
  @Override
  public void requireToCut(UUID owner, SignedIn account) {}
}
