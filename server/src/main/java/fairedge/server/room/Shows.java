package fairedge.server.room;

import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.bench.OverShoulder;
import fairedge.server.bench.OverShoulder.Glance;
import fairedge.server.bench.StepView;
import fairedge.server.bench.TaskView;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.live.LiveEvents;
import fairedge.server.live.LiveHub;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.Practices;
import fairedge.server.room.ShowView.ShownStep;
import fairedge.server.room.ShowView.SightView;
import fairedge.server.room.store.ShowStore;
import fairedge.server.room.store.ShowStore.Show;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * An instructor's bench, shown to the class as it is cut: steps are events that none misses, views
 * are fleeting. It goes on when a line or a server is lost, until somebody ends it.
 */
@Service
public class Shows {
  private final ShowStore store;
  private final OverShoulder benches;
  private final Bench bench;
  private final Courses courses;
  private final Accounts accounts;
  private final Practices practices;
  private final LiveEvents events;
  private final LiveHub hub;
  private final Clock clock;

  Shows(
      ShowStore store,
      OverShoulder benches,
      Bench bench,
      Courses courses,
      Accounts accounts,
      Practices practices,
      LiveEvents events,
      LiveHub hub,
      Clock clock) {
    this.store = store;
    this.benches = benches;
    this.bench = bench;
    this.courses = courses;
    this.accounts = accounts;
    this.practices = practices;
    this.events = events;
    this.hub = hub;
    this.clock = clock;
  }

  private static String subject(UUID course) {
    return "show " + course;
  }

  /** Shows a workpiece of one's own, in place of what was shown before. */
  public ShowView begin(UUID course, UUID workpiece, SignedIn account) {
    courses.require(account, course, Right.REVIEW);
    // Only its owner may: anybody else finds none.
    bench.requireMine(workpiece, account);
    store.begin(
        new Show(
            course, workpiece, account.id(), clock.instant(), new SightView(null, "clay", "")));
    events.tell(subject(course), "begun", Map.of());
    return view(course, account);
  }

  /** Ends what is shown to a class. */
  public void end(UUID course, SignedIn account) {
    courses.require(account, course, Right.REVIEW);
    if (store.end(course)) {
      events.tell(subject(course), "ended", Map.of());
    }
  }

  /** From where it is seen now; told at once and kept nowhere but as the last. */
  public void see(UUID course, SightView sight, SignedIn account) {
    courses.require(account, course, Right.REVIEW);
    if (sight.camera() != null
        && !(sight.camera().eye().isFinite() && sight.camera().target().isFinite())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The view is nowhere.");
    }
    if (!store.see(course, account.id(), sight)) {
      throw Problem.of(Problem.Kind.STALE, "You show nothing to this class any more.");
    }
    events.pass(subject(course), "sight", sight);
  }

  private Show require(UUID course, SignedIn account) {
    courses.require(account, course, Right.SEE);
    return store.of(course).orElseThrow(() -> Problem.notFound("show"));
  }

  public ShowView view(UUID course, SignedIn account) {
    courses.require(account, course, Right.SEE);
    long last = events.last(subject(course));
    Show show = require(course, account);
    Glance glance = glance(show);
    TaskView task = benches.task(show.workpiece());
    StepView step = glance.last();
    SignedIn by = accounts.people(List.of(show.account())).get(show.account());
    return new ShowView(
        show.workpiece(),
        by == null ? "" : by.name(),
        task.title(),
        task.unit(),
        show.begunAt(),
        glance.revision(),
        step == null ? 0 : step.number(),
        step == null ? null : step.tool(),
        step == null ? null : step.brief(),
        show.sight().camera(),
        show.sight().lens(),
        show.sight().caption(),
        last);
  }

  private Glance glance(Show show) {
    return benches.glance(show.workpiece()).orElseThrow(() -> Problem.notFound("show"));
  }

  public byte[] mesh(UUID course, SignedIn account) {
    return benches.mesh(require(course, account).workpiece(), account);
  }

  /** A practice piece that begins with what is shown now. */
  public PracticePiece branch(UUID course, UUID clientKey, SignedIn account) {
    Show show = require(course, account);
    TaskView task = benches.task(show.workpiece());
    return practices.beginWith(
        benches.copy(show.workpiece()),
        task.title() + ", as it was shown",
        task.unit(),
        account,
        new Practices.Beginning(benches.profile(show.workpiece()), clientKey));
  }

  /** A line to what is shown to a class, whatever that is meanwhile. */
  public SseEmitter line(UUID course, long after, SignedIn account) {
    courses.require(account, course, Right.SEE);
    return hub.open(
        Map.of(subject(course), after),
        () -> {
          if (!courses.may(account, course, Right.SEE)) {
            throw Problem.notFound("place");
          }
        },
        () -> {});
  }

  /** Whoever follows is told of a step. */
  void tellMoved(UUID workpiece) {
    List<Show> shows = store.ofWorkpiece(workpiece);
    if (shows.isEmpty()) {
      return;
    }
    Optional<Glance> glance = benches.glance(workpiece);
    glance.ifPresent(g -> {
      StepView step = g.last();
      ShownStep told =
          new ShownStep(
              g.revision(),
              step == null ? 0 : step.number(),
              step == null ? null : step.tool(),
              step == null ? null : step.brief());
      shows.forEach(show -> events.tell(subject(show.course()), "step", told));
    });
  }
}
