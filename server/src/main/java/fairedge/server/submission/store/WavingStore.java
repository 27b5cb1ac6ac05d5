package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.WAVING;

import fairedge.core.geometry.Vec3;
import fairedge.schema.generated.tables.records.WavingRecord;
import fairedge.server.submission.Waving;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What was waved through, by student and assignment. */
@Repository
public class WavingStore {
  private final DSLContext db;

  WavingStore(DSLContext db) {
    this.db = db;
  }

  public List<Waving> of(UUID assignment, UUID student) {
    return db.selectFrom(WAVING)
        .where(WAVING.ASSIGNMENT_ID.eq(assignment), WAVING.STUDENT_ID.eq(student))
        .orderBy(WAVING.WAVED_AT, WAVING.ID)
        .fetch(WavingStore::read);
  }

  public int count(UUID assignment, UUID student) {
    return db.fetchCount(
        WAVING, WAVING.ASSIGNMENT_ID.eq(assignment), WAVING.STUDENT_ID.eq(student));
  }

  private static Waving read(WavingRecord r) {
    return new Waving(
        r.getId(),
        r.getAssignmentId(),
        r.getStudentId(),
        r.getKind(),
        r.getX() == null ? null : new Vec3(r.getX(), r.getY(), r.getZ()),
        r.getReach(),
        r.getReason(),
        r.getWavedBy(),
        r.getWavedAt().toInstant(),
        r.getFirstAttempt());
  }

  public void insert(Waving w) {
    Vec3 place = w.place();
    db.insertInto(WAVING)
        .set(WAVING.ID, w.id())
        .set(WAVING.ASSIGNMENT_ID, w.assignmentId())
        .set(WAVING.STUDENT_ID, w.studentId())
        .set(WAVING.KIND, w.kind())
        .set(WAVING.X, place == null ? null : place.x())
        .set(WAVING.Y, place == null ? null : place.y())
        .set(WAVING.Z, place == null ? null : place.z())
        .set(WAVING.REACH, w.reach())
        .set(WAVING.REASON, w.reason())
        .set(WAVING.WAVED_BY, w.by())
        .set(WAVING.WAVED_AT, w.at().atOffset(ZoneOffset.UTC))
        .set(WAVING.FIRST_ATTEMPT, w.firstAttempt())
        .execute();
  }

  public void delete(UUID assignment, UUID student, Collection<UUID> ids) {
    db.deleteFrom(WAVING)
        .where(
            WAVING.ASSIGNMENT_ID.eq(assignment), WAVING.STUDENT_ID.eq(student), WAVING.ID.in(ids))
        .execute();
  }

  /** All of a student in several assignments. */
  public void forget(UUID student, Collection<UUID> assignments) {
    db.deleteFrom(WAVING)
        .where(WAVING.STUDENT_ID.eq(student), WAVING.ASSIGNMENT_ID.in(assignments))
        .execute();
  }
}
