package fairedge.server.course.store;

import static fairedge.schema.generated.Tables.COURSE;
import static fairedge.schema.generated.Tables.MEMBERSHIP;
import static org.jooq.impl.DSL.any;

import fairedge.server.course.Membership;
import fairedge.server.course.Role;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
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

  /** Who is this in any of several classes. */
  public Set<UUID> idsOf(Collection<UUID> courses, Role role) {
    return db.select(MEMBERSHIP.ACCOUNT_ID)
        .from(MEMBERSHIP)
        .where(
            MEMBERSHIP.COURSE_ID.eq(any(courses.toArray(UUID[]::new))),
            MEMBERSHIP.ROLE.eq(role.name().toLowerCase(Locale.ROOT)))
        .fetchSet(MEMBERSHIP.ACCOUNT_ID);
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
