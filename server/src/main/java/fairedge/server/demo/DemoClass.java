package fairedge.server.demo;

import fairedge.server.account.Accounts;
import fairedge.server.course.Classes;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Role;
import fairedge.server.exercise.Exercises;
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
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
  private final ObjectProvider<DemoTerm> term;
  private final Clock clock;

  DemoClass(
      Accounts accounts,
      Classes classes,
      Exercises exercises,
      Timetable timetable,
      ObjectProvider<DemoWork> work,
      ObjectProvider<DemoSchool> school,
      ObjectProvider<DemoTerm> term,
      Clock clock) {
    this.accounts = accounts;
    this.classes = classes;
    this.exercises = exercises;
    this.timetable = timetable;
    this.work = work;
    this.school = school;
    this.term = term;
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
    UUID lid = timetable.set(made(marit, DemoExercises.lid()), course, dueIn(4));
    UUID bollard = timetable.set(made(marit, DemoExercises.bollard()), course, dueIn(11));
    UUID block = timetable.set(made(marit, DemoExercises.block()), course, dueIn(18));
    Map<String, UUID> others = new HashMap<>();
    DemoExercises.toBeSet()
        .forEach(sample -> others.put(sample.asked().title(), made(marit, sample)));
    DemoWork.Set set = new DemoWork.Set(lid, bollard, block);
    work.ifAvailable(w -> w.fill(signIn -> Objects.requireNonNull(people.get(signIn)), set));
    List<SignedIn> first =
        PEOPLE.stream()
            .filter(p -> p.role().equals("student"))
            .map(p -> Objects.requireNonNull(people.get(p.signIn())))
            .toList();
    school.ifAvailable(s -> s.fill(course, maker, first, set, PASSWORD));
    term.ifAvailable(t -> t.fill(course, maker, others));
  }

  /** Somebody with a mail address, which in the demonstration leads nowhere. */
  static SignedIn created(Accounts accounts, String name, String signIn, String password) {
    SignedIn account = accounts.create(name, signIn, password);
    accounts.setSelf(account, name, signIn + "@quay.example", null);
    return account;
  }

  private UUID made(UUID owner, DemoExercises.Sample sample) {
    return exercises.make(owner, sample.asked(), sample.starter(), List.of(sample.reference()));
  }
}
