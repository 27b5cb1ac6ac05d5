package fairedge.server.demo;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.TracePoint;
import fairedge.core.geometry.Vec3;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.work.View;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Bench;
import fairedge.server.bench.Owner;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.course.Classes;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Joining;
import fairedge.server.course.People;
import fairedge.server.course.PeopleView.GroupView;
import fairedge.server.course.Role;
import fairedge.server.demonstration.DemonstrationView.DemonstrationRow;
import fairedge.server.demonstration.Demonstrations;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.Clocks;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.Reviewing;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * The rest of a living school: more students in the class Harbour Props, in two groups, with an
 * assistant; and the class of last spring, whose hand-ins are all answered.
 */
@Component
@ConditionalOnProperty(name = "fair-edge.demo-work", havingValue = "true", matchIfMissing = true)
class DemoSchool {
  private static final View FRONT = new View.Perspective(new Vec3(900, -1400, 700));
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));
  private static final Duration SEEN = Duration.ofHours(5);
  private static final Duration SPRING = Duration.ofDays(190);

  private static final List<String> AUTUMN =
      List.of(
          "Lea Brandvik",
          "Kasimir Doyle",
          "Jonah Estey",
          "Noor Haverkamp",
          "Petra Lindqvist",
          "Yusuf Marlowe",
          "Søren Pike",
          "Mirela Quist",
          "Tilde Rasmusson",
          "Emil Sorley",
          "Bram Vestergate",
          "Hanno Wirtz");

  private static final List<String> OF_SPRING =
      List.of(
          "Maren Tollak",
          "Pelle Ockerby",
          "Juno Ashgrove",
          "Wanda Kestrel",
          "Ilja Brookfeldt",
          "Odile Marran",
          "Sixten Holloway",
          "Ada Lunde",
          "Bo Vik",
          "Cato Ferrey",
          "Runa Delahaye",
          "Ivo Castellan");

  private final Accounts accounts;
  private final Classes classes;
  private final People people;
  private final Joining joining;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Bench bench;
  private final Submissions submissions;
  private final Reviewing reviews;
  private final Demonstrations demonstrations;
  private final Clock clock;

  DemoSchool(
      Accounts accounts,
      Classes classes,
      People people,
      Joining joining,
      Assignments assignments,
      Timetable timetable,
      Bench bench,
      Submissions submissions,
      Reviewing reviews,
      Demonstrations demonstrations,
      Clock clock) {
    this.accounts = accounts;
    this.classes = classes;
    this.people = people;
    this.joining = joining;
    this.assignments = assignments;
    this.timetable = timetable;
    this.bench = bench;
    this.submissions = submissions;
    this.reviews = reviews;
    this.demonstrations = demonstrations;
    this.clock = clock;
  }

  /** What came along is shown to the class, and one of it beside the brief of the lid. */
  private void show(UUID course, DemoWork.Set set, SignedIn marit) {
    UUID lid = assignments.require(set.lid()).exercise().id();
    for (DemonstrationRow row : demonstrations.list(marit).demonstrations()) {
      demonstrations.set(row.id(), course, true, marit);
      if (row.title().startsWith("A round lid")) {
        demonstrations.link(row.id(), lid, true, marit);
      }
    }
  }

  /** Who signs in how, beside those whom the class has in any case. */
  static List<DemoClass.Person> others(String password) {
    List<DemoClass.Person> all = new ArrayList<>();
    all.add(new DemoClass.Person("ottoline", "Ottoline Brandt", "assistant", password));
    all.add(new DemoClass.Person("dagny", "Dagny Prell", "assistant", password));
    for (List<String> students : List.of(AUTUMN, OF_SPRING)) {
      students.forEach(
          name -> all.add(new DemoClass.Person(signIn(name), name, "student", password)));
    }
    return all;
  }

  private static String signIn(String name) {
    return name.toLowerCase(Locale.ROOT).replace("ø", "o").replace(' ', '.');
  }

  /**
   * Fills the school.
   *
   * @param autumn the class that is there
   * @param first its first students, who have work in it
   * @param set what is set in it
   */
  void fill(UUID autumn, SignedIn marit, List<SignedIn> first, DemoWork.Set set, String password) {
    classes.enrol(
        autumn,
        DemoClass.created(accounts, "Ottoline Brandt", "ottoline", password).id(),
        Role.ASSISTANT);
    List<SignedIn> all = new ArrayList<>(first);
    for (String name : AUTUMN) {
      SignedIn student = DemoClass.created(accounts, name, signIn(name), password);
      classes.enrol(autumn, student.id(), Role.STUDENT);
      all.add(student);
    }
    show(autumn, set, marit);
    GroupView tuesday = people.addGroup(autumn, "Tuesday", marit);
    GroupView thursday = people.addGroup(autumn, "Thursday", marit);
    for (int i = 0; i < all.size(); i++) {
      SignedIn student = all.get(i);
      Clocks.ago(
          SEEN.multipliedBy(i + 1L),
          () -> {
            accounts.seen(student);
            return student;
          });
      people.setGroup(autumn, all.get(i).id(), (i % 2 == 0 ? tuesday : thursday).id(), marit);
    }
    joining.renew(autumn, today().plusDays(40), 24, marit);
    lastSpring(marit, set, password);
  }

  private LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
  }

  private void lastSpring(SignedIn marit, DemoWork.Set set, String password) {
    LocalDate begun = today().minusDays(250);
    UUID spring =
        classes.make(
            new CourseInfo(
                "Harbour Props, spring", "Europe/Oslo", "mm", "Z", begun, begun.plusDays(100)),
            marit);
    classes.enrol(
        spring, DemoClass.created(accounts, "Dagny Prell", "dagny", password).id(), Role.ASSISTANT);
    LocalDateTime due = today().minusDays(SPRING.toDays()).atTime(18, 0);
    Setting first = Setting.AT_ONCE.dueOn(due);
    UUID bollard = timetable.set(exerciseOf(set.bollard()), spring, first);
    UUID lid = timetable.set(exerciseOf(set.lid()), spring, first.dueOn(due.plusDays(14)));
    int number = 0;
    for (String name : OF_SPRING) {
      SignedIn student = DemoClass.created(accounts, name, signIn(name), password);
      classes.enrol(spring, student.id(), Role.STUDENT);
      Duration ago = SPRING.plusDays(2).plusHours(number++);
      answered(student, bollard, marit, ago, List.of(loop(0.5)), Verdict.accepted);
      if (number % 3 == 0) {
        answered(student, lid, marit, ago.minusDays(14), List.of(line(2)), Verdict.tryAgain);
      }
    }
  }

  private UUID exerciseOf(UUID assignment) {
    Assignment there = assignments.require(assignment);
    return there.exercise().id();
  }

  private static Change loop(double fraction) {
    return Change.LoopsChange.of(HarbourProps.mooringBollard().findEdge(36, 48), fraction);
  }

  /** Over the top of the lid, from corner to corner. */
  private static Change line(int k) {
    return Change.TraceChange.of(
        List.of(
            new TracePoint(new Anchor.OnVertex(16 + k), ABOVE),
            new TracePoint(new Anchor.OnVertex(28 - k), ABOVE)));
  }

  private void answered(
      SignedIn student,
      UUID assignment,
      SignedIn marit,
      Duration ago,
      List<Change> changes,
      @Nullable Verdict verdict) {
    Clocks.ago(
        ago,
        () -> {
          WorkpieceView open = bench.open(Owner.assignment(assignment), student);
          long revision = open.revision();
          for (Change change : changes) {
            bench.step(
                open.id(), student, new Bench.Asked(revision++, UUID.randomUUID()), change, FRONT);
          }
          UUID submission =
              submissions.fromBench(open.id(), student, revision, UUID.randomUUID()).id();
          reviews.keep(
              submission,
              marit,
              new Reviewing.Draft(
                  0,
                  null,
                  null,
                  WORDS.getOrDefault(verdict, ""),
                  verdict,
                  List.of(),
                  Map.of(),
                  Map.of()));
          return reviews.giveBackAtOnce(submission, marit, 1);
        });
  }

  private static final Map<Verdict, String> WORDS =
      Map.of(
          Verdict.accepted,
          "One loop, right round, where it belongs.",
          Verdict.tryAgain,
          "One line is a beginning: go on until no face has more than four sides.");
}
