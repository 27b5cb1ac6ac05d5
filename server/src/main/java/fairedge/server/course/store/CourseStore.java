package fairedge.server.course.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static fairedge.schema.generated.Tables.COURSE;
import static fairedge.schema.generated.Tables.MEMBERSHIP;

import fairedge.server.course.Member;
import fairedge.server.course.Membership;
import fairedge.server.course.Role;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class CourseStore {
  private final DSLContext db;

  CourseStore(DSLContext db) {
    this.db = db;
  }

  public List<Membership> membershipsOf(UUID account) {
    return db.select(COURSE.ID, COURSE.NAME, MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .join(COURSE)
        .on(COURSE.ID.eq(MEMBERSHIP.COURSE_ID))
        .where(MEMBERSHIP.ACCOUNT_ID.eq(account))
        .orderBy(COURSE.NAME)
        .fetch(r -> new Membership(r.value1(), r.value2(), roleOf(r.value3())));
  }

  public Optional<Role> findRole(UUID course, UUID account) {
    return db.select(MEMBERSHIP.ROLE)
        .from(MEMBERSHIP)
        .where(MEMBERSHIP.COURSE_ID.eq(course), MEMBERSHIP.ACCOUNT_ID.eq(account))
        .fetchOptional(r -> roleOf(r.value1()));
  }

  /** The students of a class, by name. */
  public List<Member> studentsOf(UUID course) {
    return db.select(ACCOUNT.ID, ACCOUNT.SIGN_IN, ACCOUNT.NAME)
        .from(MEMBERSHIP)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(MEMBERSHIP.ACCOUNT_ID))
        .where(
            MEMBERSHIP.COURSE_ID.eq(course),
            MEMBERSHIP.ROLE.eq(Role.STUDENT.name().toLowerCase(Locale.ROOT)))
        .orderBy(ACCOUNT.NAME, ACCOUNT.ID)
        .fetch(r -> new Member(r.value1(), r.value2(), r.value3()));
  }

  private static Role roleOf(String stored) {
    return Role.valueOf(stored.toUpperCase(Locale.ROOT));
  }

  public void insert(UUID id, String name) {
    db.insertInto(COURSE).set(COURSE.ID, id).set(COURSE.NAME, name).execute();
  }

  public void join(UUID course, UUID account, Role role) {
    db.insertInto(MEMBERSHIP)
        .set(MEMBERSHIP.COURSE_ID, course)
        .set(MEMBERSHIP.ACCOUNT_ID, account)
        .set(MEMBERSHIP.ROLE, role.name().toLowerCase(Locale.ROOT))
        .execute();
  }
}
