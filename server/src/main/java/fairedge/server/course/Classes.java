package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.store.CourseStore;
import fairedge.server.course.store.CourseStore.Course;
import fairedge.server.course.store.CourseStore.Member;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Reach;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Classes: made, described, put away and brought back by their instructors. */
@Service
public class Classes {
  private static final int LONGEST_NAME = 120;

  private final CourseStore store;
  private final Courses courses;
  private final Accounts accounts;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Classes(
      CourseStore store,
      Courses courses,
      Accounts accounts,
      Audit audit,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.store = store;
    this.courses = courses;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * Makes a class, with its maker as its instructor.
   *
   * @throws Problem if the account is no instructor's
   */
  @Transactional
  public UUID make(CourseInfo asked, SignedIn instructor) {
    if (!accounts.self(instructor).mayTeach()) {
      throw Problem.notFound("place");
    }
    UUID id = UUID.randomUUID();
    store.insert(id, requireSound(asked), clock.instant());
    store.join(
        new Member(id, instructor.id(), Role.INSTRUCTOR, "founder", false, null, null),
        clock.instant());
    audit.write(id, instructor, Deed.MADE_CLASS, null);
    return id;
  }

  /** Lets somebody who has an account be this in a class; for a sample class. */
  public void enrol(UUID id, UUID account, Role role) {
    store.join(new Member(id, account, role, "roster", false, null, null), clock.instant());
    accounts
        .selves(List.of(account))
        .values()
        .forEach(self -> store.setAddress(id, account, self.address()));
  }

  /** Says something else of a class. */
  @Transactional
  public void set(UUID id, CourseInfo asked, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    CourseInfo before = require(id).info();
    CourseInfo sound = requireSound(asked);
    store.set(id, sound);
    if (!before.zone().equals(sound.zone())) {
      events.publishEvent(new ClassZoneChanged(id, sound.zone()));
    }
    audit.write(id, instructor, Deed.CHANGED_CLASS, null);
  }

  /** Lets a class be read only, or brings it back. */
  @Transactional
  public void putAway(UUID id, boolean away, SignedIn instructor) {
    courses.require(instructor, id, Right.GOVERN);
    store.setPutAway(id, away ? clock.instant() : null);
    audit.write(id, instructor, away ? Deed.PUT_CLASS_AWAY : Deed.BROUGHT_CLASS_BACK, null);
  }

  /** Leaves a class that one teaches; the last instructor can't. */
  @Transactional
  public void leave(UUID id, SignedIn account) {
    store.lock(id);
    Member member = store.findMember(id, account.id()).orElseThrow(() -> Problem.notFound("place"));
    if (member.role() == Role.STUDENT) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "Your instructor takes you out of the class: ask for it.");
    }
    requireAnother(id, member);
    store.leave(id, account.id());
    audit.write(id, account, Deed.LEFT, account.id());
  }

  /** That somebody may go, or become something else: a class is never without an instructor. */
  void requireAnother(UUID id, Member member) {
    boolean isLast =
        member.role() == Role.INSTRUCTOR
            && store.members(id).stream().filter(m -> m.role() == Role.INSTRUCTOR).count() == 1;
    if (isLast) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "The last instructor can't leave a class: make somebody else one first.");
    }
  }

  Course require(UUID id) {
    return store.find(id).orElseThrow(() -> Problem.notFound("class"));
  }

  /** The day that it is in a class. */
  LocalDate today(CourseInfo info) {
    return LocalDate.ofInstant(clock.instant(), ZoneId.of(info.zone()));
  }

  private static CourseInfo requireSound(CourseInfo asked) {
    String name = asked.name().strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "A class has a name of 1 to %d letters.".formatted(LONGEST_NAME));
    }
    if (!ZoneId.getAvailableZoneIds().contains(asked.zone())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no time zone of that name.");
    }
    if (!List.of("mm", "cm", "m", "in").contains(asked.unit())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The unit is mm, cm, m or in.");
    }
    if (!List.of("Y", "Z").contains(asked.up())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The axis that points upwards is Y or Z.");
    }
    LocalDate first = asked.firstDay();
    LocalDate last = asked.lastDay();
    Reach.require(first);
    Reach.require(last);
    if (first != null && last != null && last.isBefore(first)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The last day is before the first.");
    }
    return new CourseInfo(name, asked.zone(), asked.unit(), asked.up(), first, last);
  }
}
