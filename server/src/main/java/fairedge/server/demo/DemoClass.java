package fairedge.server.demo;

import fairedge.core.credit.CreditRule;
import fairedge.core.credit.CreditRule.Counts;
import fairedge.core.credit.Criterion;
import fairedge.core.credit.Criterion.ByEye;
import fairedge.core.credit.Criterion.ByFindings;
import fairedge.core.credit.Criterion.ByMeasure;
import fairedge.core.credit.Criterion.Word;
import fairedge.core.credit.Measure;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.props.HarbourProps;
import fairedge.core.survey.Wanted;
import fairedge.server.account.Accounts;
import fairedge.server.course.Classes;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Role;
import fairedge.server.exercise.Exercises;
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.SignedIn;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Makes the class Harbour Props in an empty database, and tells its sign-ins. */
@Component
@ConditionalOnProperty(name = "fair-edge.demo", havingValue = "true")
@RestController
class DemoClass implements ApplicationRunner {
  private static final String PASSWORD = "harbour-props";

  static final String ZONE = "Europe/Oslo";

  private static final CreditRule QUADS_EVERYWHERE =
      rule(
          new ByFindings(
              "Quads everywhere",
              BigDecimal.valueOf(4),
              BigDecimal.ONE,
              BigDecimal.valueOf(0.5),
              kindsOf(Kind.Family.SIDES)),
          new ByFindings(
              "Nothing left over",
              BigDecimal.valueOf(2),
              BigDecimal.valueOf(0.5),
              BigDecimal.valueOf(0.5),
              kindsOf(Kind.Family.VERTICES)));

  private static final CreditRule LOOPS_RUN_ON =
      rule(
          new ByMeasure("Loops run on", BigDecimal.valueOf(3), Measure.COMPLETE_LOOPS, 60, 96),
          new ByEye(
              "The waist holds its form",
              BigDecimal.valueOf(2),
              List.of(
                  new Word("slack", BigDecimal.ZERO),
                  new Word("in places", BigDecimal.ONE),
                  new Word("crisp", BigDecimal.valueOf(2)))));

  private static CreditRule rule(Criterion... criteria) {
    return new CreditRule(
        List.of(criteria), BigDecimal.valueOf(0.5), BigDecimal.valueOf(0.5), Counts.BEST);
  }

  private static Set<Kind> kindsOf(Kind.Family family) {
    return Arrays.stream(Kind.values())
        .filter(k -> k.family() == family)
        .collect(Collectors.toSet());
  }

  /** Who there is in the demonstration. */
  record Person(String signIn, String name, String role, String password) {}

  private static final List<Person> PEOPLE =
      List.of(
          new Person("marit", "Marit Tangen", "instructor", PASSWORD),
          new Person("rune", "Rune Osterholm", "student", PASSWORD),
          new Person("ines", "Ines Varga-Lund", "student", PASSWORD),
          new Person("tobias", "Tobias Achterberg", "student", PASSWORD),
          new Person("solveig", "Solveig Aune", "student", PASSWORD),
          new Person("bastian", "Bastian Kerrigan", "student", PASSWORD),
          new Person("amara", "Amara Lindqvist", "student", PASSWORD));

  private final Accounts accounts;
  private final Classes classes;
  private final Exercises exercises;
  private final Timetable timetable;
  private final ObjectProvider<DemoWork> work;
  private final ObjectProvider<DemoSchool> school;
  private final Clock clock;

  DemoClass(
      Accounts accounts,
      Classes classes,
      Exercises exercises,
      Timetable timetable,
      ObjectProvider<DemoWork> work,
      ObjectProvider<DemoSchool> school,
      Clock clock) {
    this.accounts = accounts;
    this.classes = classes;
    this.exercises = exercises;
    this.timetable = timetable;
    this.work = work;
    this.school = school;
    this.clock = clock;
  }

  /** At six in the evening on the wall of the class, so that it looks like a time someone set. */
  private Setting dueIn(int days) {
    LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.of(ZONE));
    return Setting.AT_ONCE.dueOn(today.plusDays(days).atTime(18, 0));
  }

  @GetMapping("/api/demo")
  List<Person> people() {
    return school.getIfAvailable() == null
        ? PEOPLE
        : Stream.concat(PEOPLE.stream(), DemoSchool.others(PASSWORD).stream()).toList();
  }

  @Override
  @Transactional
  public void run(ApplicationArguments args) {
    if (!accounts.isEmpty()) {
      return;
    }
    Map<String, SignedIn> people = new HashMap<>();
    for (Person p : PEOPLE) {
      people.put(p.signIn(), created(accounts, p.name(), p.signIn(), p.password()));
    }
    SignedIn maker = Objects.requireNonNull(people.get("marit"));
    UUID marit = maker.id();
    accounts.letTeach(marit);
    UUID course = classes.make(new CourseInfo("Harbour Props", ZONE, "mm", "Z", null, null), maker);
    for (Person p : PEOPLE) {
      if (p.role().equals("student")) {
        classes.enrol(course, Objects.requireNonNull(people.get(p.signIn())).id(), Role.STUDENT);
      }
    }
    UUID lid = timetable.set(lid(marit), course, dueIn(4));
    UUID bollard = timetable.set(bollard(marit), course, dueIn(11));
    UUID block = timetable.set(block(marit), course, dueIn(18));
    DemoWork.Set set = new DemoWork.Set(lid, bollard, block);
    work.ifAvailable(w -> w.fill(signIn -> Objects.requireNonNull(people.get(signIn)), set));
    List<SignedIn> first =
        PEOPLE.stream()
            .filter(p -> p.role().equals("student"))
            .map(p -> Objects.requireNonNull(people.get(p.signIn())))
            .toList();
    school.ifAvailable(s -> s.fill(course, maker, first, set, PASSWORD));
  }

  /** Somebody with a mail address, which in the demonstration leads nowhere. */
  static SignedIn created(Accounts accounts, String name, String signIn, String password) {
    SignedIn account = accounts.create(name, signIn, password);
    accounts.setSelf(account, name, signIn + "@quay.example", null);
    return account;
  }

  private UUID lid(UUID owner) {
    return exercises.make(
        owner,
        new Exercises.Asked(
            "Hatch lid",
            "Cut the 16-sided top into quads",
            """
            The lid of a deck hatch: a short cylinder whose top is one face with 16 sides. \
            Nothing can run across such a face: every ring that climbs the wall stops at it.

            Cut the top into quads with Trace. Sixteen corners fit a grid: choose four of them \
            as its corners and run straight lines from side to side. Do the same below, or leave \
            the bottom for a second attempt and see what the check says.\
            """,
            "mm",
            Profile.ALL_QUADS,
            Wanted.NOTHING,
            QUADS_EVERYWHERE),
        HarbourProps.hatchLid(),
        List.of());
  }

  private UUID bollard(UUID owner) {
    return exercises.make(
        owner,
        new Exercises.Asked(
            "Mooring bollard",
            "Insert a loop at the middle of the waist",
            """
            The waist of this bollard is one long row of quads. A rope that bends it needs an \
            edge to bend at.

            Insert one loop at mid-height of the waist with Loops. Point at an upright edge of \
            the waist: the ring that lights up is what the loop will cross. Everything stays \
            quads.\
            """,
            "mm",
            Profile.OPEN_SHEET,
            Wanted.NOTHING,
            LOOPS_RUN_ON),
        HarbourProps.mooringBollard(),
        List.of());
  }

  private UUID block(UUID owner) {
    return exercises.make(
        owner,
        new Exercises.Asked(
            "Fairlead block",
            "Trace a line from corner to corner round two sides",
            """
            This block guides a rope over the rail. Left and back have their line at half height \
            already; the front and the right side are one face of six sides each, and the ring that \
            comes round from behind stops at both.

            Close it with one Trace: from the corner at the left, round the front edge, to the \
            corner at the back right. Take the corners that are there: an end beside one would \
            leave a vertex that shapes nothing.\
            """,
            "mm",
            Profile.ALL_QUADS,
            Wanted.NOTHING,
            CreditRule.NONE),
        HarbourProps.fairleadBlock(),
        List.of());
  }
}
