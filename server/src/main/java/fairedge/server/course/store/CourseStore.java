package fairedge.server.course.store;

import static fairedge.schema.generated.Tables.AUDIT;
import static fairedge.schema.generated.Tables.COURSE;
import static fairedge.schema.generated.Tables.MEMBERSHIP;
import static fairedge.schema.generated.Tables.STUDY_GROUP;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.inline;

import fairedge.schema.generated.tables.records.CourseRecord;
import fairedge.schema.generated.tables.records.MembershipRecord;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Membership;
import fairedge.server.course.PeopleView.GroupView;
import fairedge.server.course.PeopleView.JoinView;
import fairedge.server.course.Role;
import fairedge.server.course.Standing;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Classes, who is in them, and what was done to whom. */
@Repository
public class CourseStore {
  private final DSLContext db;

  CourseStore(DSLContext db) {
    this.db = db;
  }

  /**
   * A class as it is kept.
   *
   * @param join null while nobody joins by a code
   */
  public record Course(
      UUID id, CourseInfo info, @Nullable Instant putAwayAt, @Nullable JoinView join) {}

  /** Somebody in a class, as it is kept. */
  public record Member(
      UUID course,
      UUID account,
      Role role,
      String cameBy,
      boolean isNew,
      @Nullable UUID group,
      @Nullable Instant putAwayAt) {}

  public List<Membership> membershipsOf(UUID account) {
    return db.select(
            COURSE.ID, COURSE.NAME, MEMBERSHIP.ROLE, MEMBERSHIP.PUT_AWAY_AT, COURSE.PUT_AWAY_AT)
        .from(MEMBERSHIP)
        .join(COURSE)
        .on(COURSE.ID.eq(MEMBERSHIP.COURSE_ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(account))
        .orderBy(COURSE.NAME, COURSE.ID)
        .fetch(r ->
            new Membership(
                r.value1(),
                r.value2(),
                new Standing(Role.named(r.value3()), r.value4() != null, r.value5() != null)));
  }

  public Optional<Standing> findStanding(UUID course, UUID account) {
    return db.select(MEMBERSHIP.ROLE, MEMBERSHIP.PUT_AWAY_AT, COURSE.PUT_AWAY_AT)
        .from(MEMBERSHIP)
        .join(COURSE)
        .on(COURSE.ID.eq(MEMBERSHIP.COURSE_ID))
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ACCOUNT_ID.eq(account))
        .fetchOptional(
            r -> new Standing(Role.named(r.value1()), r.value2() != null, r.value3() != null));
  }

  /** Who is this in any of several classes, and not put away. */
  public Set<UUID> idsOf(Collection<UUID> courses, Role role) {
    return db.select(MEMBERSHIP.ACCOUNT_ID)
        .from(MEMBERSHIP)
        .where(
            MEMBERSHIP.COURSE_ID.eq(any(courses.toArray(UUID[]::new))),
            MEMBERSHIP.ROLE.eq(role.key()),
            MEMBERSHIP.PUT_AWAY_AT.isNull())
        .fetchSet(MEMBERSHIP.ACCOUNT_ID);
  }

  /** The students who are not put away, class by class. */
  public Map<UUID, Set<UUID>> studentsByClass(Collection<UUID> courses) {
    return db
        .select(MEMBERSHIP.COURSE_ID, MEMBERSHIP.ACCOUNT_ID)
        .from(MEMBERSHIP)
        .where(
            MEMBERSHIP.COURSE_ID.eq(any(courses.toArray(UUID[]::new))),
            MEMBERSHIP.ROLE.eq(Role.STUDENT.key()),
            MEMBERSHIP.PUT_AWAY_AT.isNull())
        .fetchGroups(MEMBERSHIP.COURSE_ID, MEMBERSHIP.ACCOUNT_ID)
        .entrySet()
        .stream()
        .collect(Collectors.toMap(Map.Entry::getKey, e -> Set.copyOf(e.getValue())));
  }

  public List<Member> members(UUID course) {
    return db.selectFrom(MEMBERSHIP)
        .where(MEMBERSHIP.COURSE_ID.eq(course))
        .fetch(CourseStore::member);
  }

  /** In whichever class. */
  public List<Member> membersNamed(UUID account) {
    return db.selectFrom(MEMBERSHIP)
        .where(MEMBERSHIP.ACCOUNT_ID.eq(account))
        .fetch(CourseStore::member);
  }

  public Optional<Member> findMember(UUID course, UUID account) {
    return db.selectFrom(MEMBERSHIP)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ACCOUNT_ID.eq(account))
        .fetchOptional(CourseStore::member);
  }

  private static Member member(MembershipRecord r) {
    OffsetDateTime away = r.getPutAwayAt();
    return new Member(
        r.getCourseId(),
        r.getAccountId(),
        Role.named(r.getRole()),
        r.getCameBy(),
        r.getIsNew(),
        r.getGroupId(),
        away == null ? null : away.toInstant());
  }

  public void insert(UUID id, CourseInfo info, Instant now) {
    CourseRecord course = db.newRecord(COURSE);
    course.setId(id);
    put(course, info);
    course.setMadeAt(now.atOffset(ZoneOffset.UTC));
    course.insert();
  }

  public void set(UUID id, CourseInfo info) {
    CourseRecord course = db.newRecord(COURSE);
    course.setId(id);
    course.changed(COURSE.ID, false);
    put(course, info);
    course.update();
  }

  private static void put(CourseRecord course, CourseInfo info) {
    course.setName(info.name());
    course.setZone(info.zone());
    course.setUnit(info.unit());
    course.setUp(info.up());
    course.setFirstDay(info.firstDay());
    course.setLastDay(info.lastDay());
  }

  public Optional<Course> find(UUID id) {
    return db.selectFrom(COURSE).where(COURSE.ID.eq(id)).fetchOptional(CourseStore::course);
  }

  public Optional<Course> findByWords(String words) {
    return db.selectFrom(COURSE)
        .where(COURSE.JOIN_CODE.eq(words))
        .fetchOptional(CourseStore::course);
  }

  private static Course course(CourseRecord r) {
    OffsetDateTime away = r.getPutAwayAt();
    String words = r.getJoinCode();
    return new Course(
        r.getId(),
        new CourseInfo(
            r.getName(), r.getZone(), r.getUnit(), r.getUp(), r.getFirstDay(), r.getLastDay()),
        away == null ? null : away.toInstant(),
        words == null ? null : new JoinView(words, r.getJoinUntil(), r.getJoinMost()));
  }

  /** No one else joins or leaves until the transaction ends. */
  public void lock(UUID course) {
    db.fetch(
        "select pg_advisory_xact_lock({0})", inline(course.getMostSignificantBits() ^ 0x6A6F696EL));
  }

  public void setPutAway(UUID id, @Nullable Instant at) {
    db.update(COURSE)
        .set(COURSE.PUT_AWAY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .where(COURSE.ID.eq(id))
        .execute();
  }

  /** Lets people join by these words, or by none. */
  public void setJoin(UUID id, @Nullable JoinView join) {
    db.update(COURSE)
        .set(COURSE.JOIN_CODE, join == null ? null : join.words())
        .set(COURSE.JOIN_UNTIL, join == null ? null : join.until())
        .set(COURSE.JOIN_MOST, join == null ? null : join.most())
        .where(COURSE.ID.eq(id))
        .execute();
  }

  public void join(Member m, Instant now) {
    db.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.COURSE_ID, m.course())
        .set(MEMBERSHIP.ACCOUNT_ID, m.account())
        .set(MEMBERSHIP.ROLE, m.role().key())
        .set(MEMBERSHIP.CAME_BY, m.cameBy())
        .set(MEMBERSHIP.CAME_AT, now.atOffset(ZoneOffset.UTC))
        .set(MEMBERSHIP.IS_NEW, m.isNew())
        .set(MEMBERSHIP.GROUP_ID, m.group())
        .execute();
  }

  public void set(Member m) {
    Instant away = m.putAwayAt();
    db.update(MEMBERSHIP)
        .set(MEMBERSHIP.ROLE, m.role().key())
        .set(MEMBERSHIP.IS_NEW, m.isNew())
        .set(MEMBERSHIP.GROUP_ID, m.group())
        .set(MEMBERSHIP.PUT_AWAY_AT, away == null ? null : away.atOffset(ZoneOffset.UTC))
        .where(MEMBERSHIP.COURSE_ID.eq(m.course()), MEMBERSHIP.ACCOUNT_ID.eq(m.account()))
        .execute();
  }

  /** What the roster has of somebody. */
  public void setAddress(UUID course, UUID account, @Nullable String address) {
    db.update(MEMBERSHIP)
        .set(MEMBERSHIP.ADDRESS, address)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ACCOUNT_ID.eq(account))
        .execute();
  }

  /** The addresses that the roster has, by whose they are. */
  public Map<UUID, String> addresses(UUID course) {
    return db.select(MEMBERSHIP.ACCOUNT_ID, MEMBERSHIP.ADDRESS)
        .from(MEMBERSHIP)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ADDRESS.isNotNull())
        .fetchMap(MEMBERSHIP.ACCOUNT_ID, MEMBERSHIP.ADDRESS);
  }

  /** All newcomers were looked at. */
  public void lookedAt(UUID course) {
    db.update(MEMBERSHIP)
        .set(MEMBERSHIP.IS_NEW, false)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.IS_NEW.isTrue())
        .execute();
  }

  public void leave(UUID course, UUID account) {
    db.deleteFrom(MEMBERSHIP)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ACCOUNT_ID.eq(account))
        .execute();
  }

  public List<GroupView> groups(UUID course) {
    return db.select(STUDY_GROUP.ID, STUDY_GROUP.NAME)
        .from(STUDY_GROUP)
        .where(STUDY_GROUP.COURSE_ID.eq(course))
        .orderBy(STUDY_GROUP.NAME)
        .fetch(r -> new GroupView(r.value1(), r.value2()));
  }

  public void addGroup(UUID course, GroupView group) {
    db.insertInto(STUDY_GROUP)
        .set(STUDY_GROUP.ID, group.id())
        .set(STUDY_GROUP.COURSE_ID, course)
        .set(STUDY_GROUP.NAME, group.name())
        .execute();
  }

  public void renameGroup(UUID course, GroupView group) {
    db.update(STUDY_GROUP)
        .set(STUDY_GROUP.NAME, group.name())
        .where(STUDY_GROUP.COURSE_ID.eq(course), STUDY_GROUP.ID.eq(group.id()))
        .execute();
  }

  public void removeGroup(UUID course, UUID group) {
    db.deleteFrom(STUDY_GROUP)
        .where(STUDY_GROUP.COURSE_ID.eq(course), STUDY_GROUP.ID.eq(group))
        .execute();
  }

  /**
   * A line of the audit.
   *
   * @param deed by its key
   */
  public record Line(
      long id, Instant at, UUID who, String deed, @Nullable UUID whom, @Nullable Integer number) {}

  public void write(
      UUID course,
      Instant at,
      UUID who,
      String deed,
      @Nullable UUID whom,
      @Nullable Integer number) {
    db.insertInto(AUDIT)
        .set(AUDIT.COURSE_ID, course)
        .set(AUDIT.AT, at.atOffset(ZoneOffset.UTC))
        .set(AUDIT.WHO, who)
        .set(AUDIT.DEED, deed)
        .set(AUDIT.WHOM, whom)
        .set(AUDIT.NUMBER, number)
        .execute();
  }

  /** The last lines of a class, the newest first. */
  public List<Line> lines(UUID course, int most) {
    return db.selectFrom(AUDIT)
        .where(AUDIT.COURSE_ID.eq(course))
        .orderBy(AUDIT.ID.desc())
        .limit(most)
        .fetch(r ->
            new Line(
                r.getId(),
                r.getAt().toInstant(),
                r.getWho(),
                r.getDeed(),
                r.getWhom(),
                r.getNumber()));
  }
}
