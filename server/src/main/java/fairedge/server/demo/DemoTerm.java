package fairedge.server.demo;

import fairedge.core.credit.Criterion;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import fairedge.json.FindingView;
import fairedge.server.bench.Bench;
import fairedge.server.bench.Owner;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.Clocks;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Phrase;
import fairedge.server.review.Phrases;
import fairedge.server.review.Reviewing;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/**
 * The weeks before today of the class Harbour Props: four exercises that everybody had, with their
 * attempts and answers, so that the board has something to tell. Who does how well is drawn by lot,
 * the same lot each time; on the whole they get better.
 */
@Component
@ConditionalOnExpression("${fair-edge.demo-work:true} and ${fair-edge.demo-term:true}")
class DemoTerm {
  private static final View FRONT = new View.Perspective(new Vec3(900, -1400, 700));

  private final Courses courses;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Bench bench;
  private final Submissions submissions;
  private final Reviewing reviews;
  private final Phrases phrases;
  private final Clock clock;

  DemoTerm(
      Courses courses,
      Assignments assignments,
      Timetable timetable,
      Bench bench,
      Submissions submissions,
      Reviewing reviews,
      Phrases phrases,
      Clock clock) {
    this.courses = courses;
    this.assignments = assignments;
    this.timetable = timetable;
    this.bench = bench;
    this.submissions = submissions;
    this.reviews = reviews;
    this.phrases = phrases;
    this.clock = clock;
  }

  /**
   * What everybody had.
   *
   * @param daysAgo when it was due
   */
  private record Past(
      String title, String week, int daysAgo, Mesh starter, List<Function<Mesh, Change>> steps) {}

  private static List<Past> past() {
    return List.of(
        new Past("Pontoon", "Week 1", 34, HarbourProps.pontoon(), DemoSolutions.sectionSteps()),
        new Past(
            "Channel buoy, waterline",
            "Week 2",
            27,
            HarbourProps.channelBuoy(),
            DemoSolutions.lineSteps()),
        new Past(
            "Porthole ring", "Week 3", 20, HarbourProps.portholeRing(), DemoSolutions.rimSteps()),
        new Past("Capstan", "Week 4", 9, HarbourProps.capstan(), DemoSolutions.budgetSteps()));
  }

  /** What becomes of an attempt. */
  private enum Turn {
    CLEAN,
    /** The last step was not made. */
    UNFINISHED,
    /** A vertex that shapes nothing. */
    IDLE,
    /** A quad cut from corner to corner. */
    DIAGONAL
  }

  /**
   * @param ready exercises that nobody has set yet, by their titles
   */
  void fill(UUID course, SignedIn marit, Map<String, UUID> ready) {
    List<Past> all = past();
    List<UUID> order = new ArrayList<>();
    LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.of(DemoClass.ZONE));
    Map<Kind, Phrase> kept = new HashMap<>();
    phrases.of(marit).stream()
        .filter(p -> p.kind() != null)
        .forEach(p -> kept.put(Kind.named(Objects.requireNonNull(p.kind())), p));
    List<Member> students = courses.students(course);
    for (int week = 0; week < all.size(); week++) {
      Past past = all.get(week);
      Setting due =
          new Setting(
              past.week(),
              null,
              today.minusDays(past.daysAgo()).atTime(18, 0),
              Setting.Late.taken,
              null,
              Setting.HandInBy.both,
              null);
      UUID id = timetable.set(Objects.requireNonNull(ready.get(past.title())), course, due);
      order.add(id);
      Week of = new Week(past, id, week, turns(past), marit, kept);
      for (int i = 0; i < students.size(); i++) {
        new Doing(of, students.get(i), new Random(31L * i + 7L * week)).go(i);
      }
    }
    int next = all.size() + 1;
    for (Assignment a : assignments.ofCourse(course)) {
      if (!order.contains(a.id())) {
        order.add(a.id());
        timetable.change(a.id(), headed(a.setting(), "Week " + next++), marit);
      }
    }
    timetable.order(course, order, marit);
  }

  private static Setting headed(Setting s, String heading) {
    return new Setting(
        heading, s.opens(), s.due(), s.late(), s.attempts(), s.handIn(), s.overruled());
  }

  /** The steps by which each turn comes about. */
  private static Map<Turn, List<Change>> turns(Past past) {
    List<Function<Mesh, Change>> steps = past.steps();
    Map<Turn, List<Change>> turns = new HashMap<>();
    turns.put(Turn.CLEAN, DemoSolutions.changes(past.starter().copy(), steps));
    turns.put(
        Turn.UNFINISHED,
        DemoSolutions.changes(past.starter().copy(), steps.subList(0, steps.size() - 1)));
    turns.put(Turn.IDLE, DemoSolutions.changes(past.starter().copy(), with(steps, DemoTerm::idle)));
    turns.put(
        Turn.DIAGONAL, DemoSolutions.changes(past.starter().copy(), with(steps, DemoTerm::across)));
    return turns;
  }

  private static List<Function<Mesh, Change>> with(
      List<Function<Mesh, Change>> steps, Function<Mesh, Change> more) {
    List<Function<Mesh, Change>> all = new ArrayList<>(steps);
    all.add(more);
    return all;
  }

  private static Change idle(Mesh mesh) {
    return new Tidying.SplitChange(List.of(mesh.edgeOf(mesh.firstCorner(quad(mesh)))), 0.3);
  }

  private static Change across(Mesh mesh) {
    int[] corners = mesh.vertices(quad(mesh));
    return new Tidying.ConnectChange(List.of(corners[0], corners[2]), Scope.WHOLE);
  }

  /** One in the middle of the list: mostly on the outside, and to be seen. */
  private static int quad(Mesh mesh) {
    int[] quads =
        IntStream.range(0, mesh.faceEnd())
            .filter(f -> mesh.hasFace(f) && mesh.size(f) == 4)
            .toArray();
    return quads[quads.length / 3];
  }

  /** A week, as all who do it know it. */
  private record Week(
      Past past,
      UUID assignment,
      int number,
      Map<Turn, List<Change>> turns,
      SignedIn marit,
      Map<Kind, Phrase> kept) {}

  /** A student at what a week asks. */
  private final class Doing {
    private final Week week;
    private final SignedIn student;
    private final Random lot;

    Doing(Week week, Member student, Random lot) {
      this.week = week;
      this.student = new SignedIn(student.id(), student.signIn(), student.name());
      this.lot = lot;
    }

    /**
     * @param number of the student: some are better than others
     */
    void go(int number) {
      double skill = 0.05 + 0.03 * (number * 7 % 18) + 0.09 * week.number();
      boolean isLast = week.number() == past().size() - 1;
      if (lot.nextDouble() > 0.98 - (isLast ? 0.12 : 0)) {
        return;
      }
      double daysEarly = 3 + lot.nextDouble() * 3 - (lot.nextDouble() < 0.1 ? 4 : 0);
      Turn first = turn(skill);
      UUID attempt = handIn(first, ago(daysEarly));
      if (isLast && lot.nextDouble() < 0.12) {
        return;
      }
      answer(attempt, first, ago(daysEarly - 1));
      if (first != Turn.CLEAN && lot.nextDouble() < (isLast ? 0.55 : 0.9)) {
        Turn second = lot.nextDouble() < 0.35 ? turn(skill + 0.2) : Turn.CLEAN;
        UUID again = handIn(second, ago(daysEarly - 3));
        if (!isLast || lot.nextDouble() < 0.5) {
          answer(again, second, ago(daysEarly - 4));
        }
      }
    }

    private Turn turn(double skill) {
      if (lot.nextDouble() < skill) {
        return Turn.CLEAN;
      }
      return switch (lot.nextInt(3)) {
        case 0 -> Turn.UNFINISHED;
        case 1 -> Turn.IDLE;
        default -> Turn.DIAGONAL;
      };
    }

    private Duration ago(double daysBeforeDue) {
      double days = Math.max(0.2, week.past().daysAgo() + daysBeforeDue);
      return Duration.ofMinutes((long) (days * 24 * 60));
    }

    private UUID handIn(Turn turn, Duration ago) {
      return Clocks.ago(
          ago,
          () -> {
            WorkpieceView open = bench.open(Owner.assignment(week.assignment()), student);
            long revision = open.revision();
            if (revision > 0) {
              // Begun anew: what was wrong with it is easier made again than mended.
              bench.goTo(open.id(), student, new Bench.Asked(revision++, UUID.randomUUID()), null);
            }
            for (Change change : Objects.requireNonNull(week.turns().get(turn))) {
              bench.step(
                  open.id(),
                  student,
                  new Bench.Asked(revision++, UUID.randomUUID()),
                  change,
                  FRONT);
            }
            return submissions.fromBench(open.id(), student, revision, UUID.randomUUID()).id();
          });
    }

    private void answer(UUID submission, Turn turn, Duration ago) {
      Clocks.ago(
          ago,
          () -> {
            Verdict verdict = turn == Turn.CLEAN ? Verdict.accepted : Verdict.tryAgain;
            List<Reviewing.Drafted> notes = note(submission).map(List::of).orElse(List.of());
            reviews.keep(
                submission,
                week.marit(),
                new Reviewing.Draft(
                    0,
                    null,
                    null,
                    Objects.requireNonNull(WORDS.get(turn)),
                    verdict,
                    verdict == Verdict.accepted ? List.of() : notes,
                    seen(turn),
                    Map.of()));
            return reviews.giveBackAtOnce(submission, week.marit(), 1);
          });
    }

    /** What looks clean gets the best word of each criterion by eye, else the one before it. */
    private Map<String, String> seen(Turn turn) {
      Map<String, String> seen = new HashMap<>();
      for (Criterion c : assignments.require(week.assignment()).exercise().rule().criteria()) {
        if (c instanceof Criterion.ByEye eye) {
          int best = eye.words().size() - 1;
          int chosen = turn == Turn.CLEAN && lot.nextDouble() < 0.7 ? best : Math.max(0, best - 1);
          seen.put(eye.name(), eye.words().get(chosen).word());
        }
      }
      return seen;
    }

    /** About the first finding of which a phrase speaks; else about the first there is. */
    private Optional<Reviewing.Drafted> note(UUID submission) {
      List<FindingView> findings = submissions.newest(submissions.require(submission)).findings();
      return IntStream.range(0, findings.size())
          .boxed()
          .filter(i -> week.kept().containsKey(Kind.named(findings.get(i).kind())))
          .findFirst()
          .map(i -> note(i, findings.get(i), week.kept().get(Kind.named(findings.get(i).kind()))));
    }

    private Reviewing.Drafted note(int number, FindingView about, @Nullable Phrase phrase) {
      Vec3 place = about.place();
      NoteView note =
          new NoteView(
              UUID.randomUUID(),
              NoteKind.mend,
              phrase == null ? "Look here." : filled(phrase.text(), about),
              number,
              about.elements().getFirst(),
              place,
              new CameraView(place.plus(new Vec3(260, -400, 240)), place),
              List.of(),
              phrase == null ? null : phrase.id(),
              null,
              null);
      return new Reviewing.Drafted(note, about.key());
    }

    private static String filled(String text, FindingView about) {
      String filled = text;
      for (Map.Entry<String, Double> number : about.numbers().entrySet()) {
        filled =
            filled.replace(
                "{" + number.getKey() + "}", String.valueOf(number.getValue().longValue()));
      }
      return filled;
    }
  }

  private static final Map<Turn, String> WORDS =
      Map.of(
          Turn.CLEAN,
          "This is how it is meant: nothing left over, and every ring runs on.",
          Turn.UNFINISHED,
          "The beginning is right; the last cut is missing.",
          Turn.IDLE,
          "The cuts are right. One vertex shapes nothing: take it out again.",
          Turn.DIAGONAL,
          "The loops are right, and then one cut too many: a diagonal that no one needs.");
}
