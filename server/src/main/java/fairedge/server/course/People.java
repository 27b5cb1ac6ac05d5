package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.account.Accounts.Newcomer;
import fairedge.server.account.Slips;
import fairedge.server.account.Slips.Slip;
import fairedge.server.course.PeopleView.GroupView;
import fairedge.server.course.PeopleView.PersonView;
import fairedge.server.course.RosterJudge.Judged;
import fairedge.server.course.RosterJudge.Known;
import fairedge.server.course.RosterView.ColumnView;
import fairedge.server.course.RosterView.Meaning;
import fairedge.server.course.RosterView.RowState;
import fairedge.server.course.RosterView.RowView;
import fairedge.server.course.store.CourseStore;
import fairedge.server.course.store.CourseStore.Course;
import fairedge.server.course.store.CourseStore.Member;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who is in a class: taken in, grouped, given slips, put away, taken out. */
@Service
public class People {
  private static final int MOST_SLIPS = 500;

  private final CourseStore store;
  private final Courses courses;
  private final Classes classes;
  private final Accounts accounts;
  private final Slips slips;
  private final Audit audit;
  private final Clock clock;

  People(
      CourseStore store,
      Courses courses,
      Classes classes,
      Accounts accounts,
      Slips slips,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.courses = courses;
    this.classes = classes;
    this.accounts = accounts;
    this.slips = slips;
    this.audit = audit;
    this.clock = clock;
  }

  public PeopleView of(UUID id, SignedIn account) {
    courses.require(account, id, Right.READ_ALL);
    Course course = classes.require(id);
    List<Member> members = store.members(id);
    List<UUID> ids = members.stream().map(Member::account).toList();
    Map<UUID, Accounts.Self> selves = accounts.selves(ids);
    Map<UUID, Instant> open = slips.open(ids);
    Map<UUID, String> onRoster = store.addresses(id);
    List<PersonView> people =
        members.stream()
            .map(m ->
                person(
                    m,
                    Objects.requireNonNull(selves.get(m.account())),
                    onRoster.get(m.account()),
                    open))
            .sorted(Comparator.comparing(PersonView::name).thenComparing(PersonView::id))
            .toList();
    return new PeopleView(
        id,
        course.info(),
        course.putAwayAt() != null,
        courses.may(account, id, Right.KEEP_ROSTER),
        store.groups(id),
        course.join(),
        people);
  }

  private static PersonView person(
      Member m, Accounts.Self self, @Nullable String onRoster, Map<UUID, Instant> open) {
    return new PersonView(
        m.account(),
        self.account().name(),
        self.account().signIn(),
        self.address(),
        onRoster,
        m.role().key(),
        m.group(),
        m.cameBy(),
        m.isNew(),
        open.get(m.account()),
        self.seenAt(),
        m.putAwayAt() != null);
  }

  /** Whoever came by the code was looked at. */
  public void lookedAt(UUID id, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lookedAt(id);
  }

  /** Takes one student in, with a slip. */
  @Transactional
  public Slip takeIn(
      UUID id, String name, @Nullable String address, @Nullable UUID group, SignedIn instructor) {
    return takeIn(id, name, address, group, Role.STUDENT, instructor);
  }

  /** Brings another instructor or an assistant in, with a slip. */
  @Transactional
  public Slip bringIn(
      UUID id, String name, @Nullable String address, Role role, SignedIn instructor) {
    return takeIn(id, name, address, null, role, instructor);
  }

  private Slip takeIn(
      UUID id,
      String name,
      @Nullable String address,
      @Nullable UUID group,
      Role role,
      SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    requireGroup(id, group);
    store.lock(id);
    String onRoster = Accounts.requireAddress(address);
    SignedIn account = accounts.createFor(name, onRoster);
    store.join(
        new Member(id, account.id(), role, "one-by-one", false, group, null), clock.instant());
    store.setAddress(id, account.id(), onRoster);
    if (role == Role.INSTRUCTOR) {
      accounts.letTeach(account.id());
    }
    audit.write(id, instructor, deedOf(role), account.id());
    return slips.make(account);
  }

  private static Deed deedOf(Role role) {
    return switch (role) {
      case INSTRUCTOR -> Deed.MADE_INSTRUCTOR;
      case ASSISTANT -> Deed.MADE_ASSISTANT;
      case STUDENT -> Deed.TOOK_IN;
    };
  }

  private void requireGroup(UUID id, @Nullable UUID group) {
    if (group != null && store.groups(id).stream().noneMatch(g -> g.id().equals(group))) {
      throw Problem.notFound("group");
    }
  }

  /**
   * A roster as it came in.
   *
   * @param meanings of its columns; null: by their names
   * @param answers to what is unclear, by line
   */
  public record Roster(
      byte[] file, @Nullable List<Meaning> meanings, Map<Integer, String> answers) {}

  /** What would come of a roster; nothing is written. */
  public RosterView preview(UUID id, Roster roster, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    RosterFile file = RosterFile.read(roster.file(), roster.meanings());
    return view(file, judge(id, roster, file, instructor));
  }

  private static RosterView view(RosterFile file, List<Judged> judged) {
    List<ColumnView> columns = new ArrayList<>();
    for (int i = 0; i < file.header().size(); i++) {
      columns.add(new ColumnView(file.header().get(i), file.meanings().get(i)));
    }
    return new RosterView(file.how(), columns, judged.stream().map(Judged::view).toList());
  }

  private List<Judged> judge(UUID id, Roster roster, RosterFile file, SignedIn instructor) {
    Map<UUID, Boolean> here = new HashMap<>();
    for (UUID course : courses.where(instructor, Right.KEEP_ROSTER)) {
      store
          .members(course)
          .forEach(m -> here.merge(m.account(), course.equals(id), Boolean::logicalOr));
    }
    List<Known> known =
        accounts.selves(here.keySet()).values().stream()
            .map(s ->
                new Known(
                    s.account().id(),
                    s.account().name(),
                    s.address(),
                    here.getOrDefault(s.account().id(), false)))
            .sorted(Comparator.comparing(Known::name).thenComparing(Known::id))
            .toList();
    List<String> groups = store.groups(id).stream().map(GroupView::name).toList();
    return new RosterJudge(known, groups, roster.answers()).judge(file.rows());
  }

  /**
   * Takes all newcomers of a roster in, or nobody.
   *
   * @return who needs a slip
   * @throws Problem if a row is unclear or wrong, and not left out
   */
  @Transactional
  public List<UUID> takeIn(UUID id, Roster roster, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lock(id);
    List<Judged> judged =
        judge(id, roster, RosterFile.read(roster.file(), roster.meanings()), instructor);
    requireClear(judged.stream().map(Judged::view).toList());
    List<Judged> in = judged.stream().filter(Judged::isTakenIn).toList();
    Map<String, UUID> groups = groupsOf(id, in);
    List<Judged> strangers = in.stream().filter(j -> j.account() == null).toList();
    List<SignedIn> made =
        accounts.createAllFor(
            strangers.stream()
                .map(j -> new Newcomer(j.view().name(), j.view().address()))
                .toList());
    Map<Judged, UUID> accountOf = new HashMap<>();
    for (int i = 0; i < made.size(); i++) {
      accountOf.put(strangers.get(i), made.get(i).id());
    }
    for (Judged j : in) {
      UUID account = j.account() != null ? j.account() : Objects.requireNonNull(accountOf.get(j));
      UUID group = j.group() == null ? null : groups.get(RosterJudge.plain(j.group()));
      store.join(
          new Member(id, account, Role.STUDENT, "roster", false, group, null), clock.instant());
      store.setAddress(id, account, j.view().address());
    }
    audit.write(id, instructor, Deed.TOOK_IN, in.size());
    return made.stream().map(SignedIn::id).toList();
  }

  private static void requireClear(List<RowView> rows) {
    List<Integer> open =
        rows.stream()
            .filter(r -> r.state() == RowState.unclear || r.state() == RowState.wrong)
            .map(RowView::line)
            .toList();
    if (!open.isEmpty()) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "Nothing was written: line %d is unclear or wrong. Answer it, or leave it out."
              .formatted(open.getFirst()),
          Map.of("lines", open));
    }
  }

  /** The groups that the rows name, made where there is none. */
  private Map<String, UUID> groupsOf(UUID id, List<Judged> rows) {
    Map<String, UUID> groups = new HashMap<>();
    store.groups(id).forEach(g -> groups.put(RosterJudge.plain(g.name()), g.id()));
    for (Judged row : rows) {
      String name = row.group();
      if (name != null && !groups.containsKey(RosterJudge.plain(name))) {
        groups.put(RosterJudge.plain(name), addGroup(id, name).id());
      }
    }
    return groups;
  }

  /** Makes a group. */
  @Transactional
  public GroupView addGroup(UUID id, String name, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lock(id);
    requireFreeGroup(id, null, name);
    return addGroup(id, name);
  }

  private GroupView addGroup(UUID id, String name) {
    GroupView group = new GroupView(UUID.randomUUID(), name.strip());
    store.addGroup(id, group);
    return group;
  }

  private void requireFreeGroup(UUID id, @Nullable UUID own, String name) {
    String stripped = name.strip();
    if (stripped.isEmpty() || stripped.length() > 60) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A group has a name of 1 to 60 letters.");
    }
    if (store.groups(id).stream()
        .anyMatch(g ->
            !g.id().equals(own) && RosterJudge.plain(g.name()).equals(RosterJudge.plain(name)))) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is a group of this name already.");
    }
  }

  @Transactional
  public void renameGroup(UUID id, UUID group, String name, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lock(id);
    requireGroup(id, group);
    requireFreeGroup(id, group, name);
    store.renameGroup(id, new GroupView(group, name.strip()));
  }

  /** Its students stay, in no group. */
  @Transactional
  public void removeGroup(UUID id, UUID group, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.removeGroup(id, group);
  }

  @Transactional
  public void setGroup(UUID id, UUID account, @Nullable UUID group, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    requireGroup(id, group);
    Member m = requireMember(id, account);
    store.set(new Member(id, account, m.role(), m.cameBy(), m.isNew(), group, m.putAwayAt()));
  }

  @Transactional
  public void setRole(UUID id, UUID account, Role role, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lock(id);
    Member m = requireMember(id, account);
    if (role != Role.INSTRUCTOR) {
      classes.requireAnother(id, m);
    }
    if (role == Role.INSTRUCTOR) {
      accounts.letTeach(account);
    }
    store.set(new Member(id, account, role, m.cameBy(), m.isNew(), m.group(), m.putAwayAt()));
    audit.write(id, instructor, role == Role.STUDENT ? Deed.MADE_STUDENT : deedOf(role), account);
  }

  /** Lets a student be off board and desk, or brings them back. */
  @Transactional
  public void putAway(UUID id, UUID account, boolean away, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    Member m = requireStudent(id, account);
    store.set(
        new Member(
            id,
            account,
            m.role(),
            m.cameBy(),
            m.isNew(),
            m.group(),
            away ? clock.instant() : null));
    audit.write(id, instructor, away ? Deed.PUT_AWAY : Deed.BROUGHT_BACK, account);
  }

  /**
   * New slips for students, and by instructors for assistants: whoever they are for is signed out
   * everywhere, and needs the slip from now on.
   *
   * @return in the order of the accounts
   */
  @Transactional
  public List<Slip> newSlips(UUID id, List<UUID> ids, SignedIn giver) {
    return lockedOut(id, ids, giver).stream().map(slips::make).toList();
  }

  /**
   * The same where the slips are made later, as they are sent.
   *
   * @throws Problem if the roster has no address of somebody; then nobody is signed out
   */
  @Transactional
  public List<SignedIn> slipsToSend(UUID id, List<UUID> ids, SignedIn giver) {
    List<SignedIn> all = lockedOut(id, ids, giver);
    Map<UUID, String> addresses = store.addresses(id);
    all.stream()
        .filter(a -> !addresses.containsKey(a.id()))
        .findFirst()
        .ifPresent(a -> {
          throw Problem.of(
              Problem.Kind.BAD_INPUT,
              "The roster has no address of %s: print that slip. Nothing was sent."
                  .formatted(a.name()));
        });
    return all;
  }

  private List<SignedIn> lockedOut(UUID id, List<UUID> ids, SignedIn giver) {
    courses.require(giver, id, Right.GIVE_SLIPS);
    boolean isInstructor = courses.may(giver, id, Right.KEEP_ROSTER);
    if (ids.isEmpty() || ids.size() > MOST_SLIPS) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Choose 1 to %d people.".formatted(MOST_SLIPS));
    }
    Map<UUID, SignedIn> people = accounts.people(ids);
    List<SignedIn> all = new ArrayList<>();
    for (UUID account : ids.stream().distinct().toList()) {
      Member m = requireMember(id, account);
      boolean may = m.role() == Role.STUDENT || isInstructor && m.role() == Role.ASSISTANT;
      if (!may) {
        throw Problem.notFound("person");
      }
      SignedIn person = Objects.requireNonNull(people.get(account));
      requireOnlyHere(id, m, person, giver);
      slips.lockOut(person);
      all.add(person);
      audit.write(id, giver, Deed.MADE_SLIP, account);
    }
    return all;
  }

  /** The address that a class's roster has of somebody who is in it still. */
  public Optional<String> addressOnRoster(UUID id, UUID account) {
    return Optional.ofNullable(store.addresses(id).get(account));
  }

  /** Who has a class of somebody else's too is let in anew by nobody but themselves. */
  private void requireOnlyHere(UUID id, Member m, SignedIn account, SignedIn giver) {
    boolean elsewhere =
        store.membersNamed(m.account()).stream()
            .anyMatch(
                o -> !o.course().equals(id) && !courses.may(giver, o.course(), Right.GIVE_SLIPS));
    if (elsewhere) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          account.name()
              + " is in a class that is not yours, too: a new slip would let you in there. They can"
              + " change their password themselves.");
    }
  }

  /** Takes somebody out of a class; their work in it is kept, and comes back with them. */
  @Transactional
  public void takeOut(UUID id, UUID account, SignedIn instructor) {
    courses.require(instructor, id, Right.KEEP_ROSTER);
    store.lock(id);
    classes.requireAnother(id, requireMember(id, account));
    store.leave(id, account);
    audit.write(id, instructor, Deed.TOOK_OUT, account);
  }

  Member requireMember(UUID id, UUID account) {
    return store.findMember(id, account).orElseThrow(() -> Problem.notFound("person"));
  }

  Member requireStudent(UUID id, UUID account) {
    return Stream.of(requireMember(id, account))
        .filter(m -> m.role() == Role.STUDENT)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("student"));
  }
}
