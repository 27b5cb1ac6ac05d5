package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.REPORT_KIND;
import static fairedge.schema.generated.Tables.SUBMISSION;
import static fairedge.schema.generated.Tables.SUBMISSION_REPORT;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.countDistinct;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.sum;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Figures;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.schema.generated.tables.records.SubmissionRecord;
import fairedge.schema.generated.tables.records.SubmissionReportRecord;
import fairedge.server.platform.Json;
import fairedge.server.submission.Against;
import fairedge.server.submission.HandedIn.ReadingView;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Summary;
import java.math.BigDecimal;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;

@Repository
public class SubmissionStore {
  private final DSLContext db;
  private final Json json;

  SubmissionStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** No one else numbers attempts of this student in this exercise until the transaction ends. */
  public void lockAttempts(UUID exercise, UUID student) {
    long key = exercise.getMostSignificantBits() ^ student.getLeastSignificantBits();
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public int attemptsOf(UUID exercise, UUID student) {
    return db.fetchCount(
        SUBMISSION, SUBMISSION.EXERCISE_ID.eq(exercise), SUBMISSION.STUDENT_ID.eq(student));
  }

  /**
   * @param terms the revision of the terms by which it was checked
   */
  public void insert(
      Submission s, UUID clientKey, CheckView check, List<ReadingView> reading, int terms) {
    db.insertInto(SUBMISSION)
        .set(SUBMISSION.ID, s.id())
        .set(SUBMISSION.EXERCISE_ID, s.exerciseId())
        .set(SUBMISSION.STUDENT_ID, s.studentId())
        .set(SUBMISSION.ATTEMPT, s.attempt())
        .set(SUBMISSION.SOURCE, s.fileName() == null ? "bench" : "file")
        .set(SUBMISSION.FILE_NAME, s.fileName())
        .set(SUBMISSION.STEP_ID, s.stepId())
        .set(SUBMISSION.MESH, s.mesh())
        .set(SUBMISSION.CLIENT_KEY, clientKey)
        .set(SUBMISSION.HANDED_IN_AT, s.handedInAt().atOffset(ZoneOffset.UTC))
        .execute();
    db.insertInto(SUBMISSION_REPORT)
        .set(SUBMISSION_REPORT.SUBMISSION_ID, s.id())
        .set(SUBMISSION_REPORT.FIGURES, json.write(check.figures()))
        .set(SUBMISSION_REPORT.FINDINGS, json.write(check.findings()))
        .set(SUBMISSION_REPORT.UNLISTED, json.write(check.unlisted()))
        .set(SUBMISSION_REPORT.LEFT_OUT, json.write(check.leftOut()))
        .set(SUBMISSION_REPORT.READING, json.write(reading))
        .set(SUBMISSION_REPORT.TERMS_REVISION, terms)
        .set(SUBMISSION_REPORT.WORST, json.write(Summary.worstOf(check)))
        .execute();
    putKinds(s.id(), check);
  }

  private void putKinds(UUID id, CheckView check) {
    record Counted(String kind, SeverityView severity) {}
    Map<Counted, Integer> counts = new LinkedHashMap<>();
    Map<Counted, Vec3> places = new HashMap<>();
    for (FindingView f : check.findings()) {
      Counted counted = new Counted(f.kind(), f.severity());
      counts.merge(counted, 1, Integer::sum);
      places.putIfAbsent(counted, f.place());
    }
    for (CheckView.Unlisted u : check.unlisted()) {
      counts.merge(new Counted(u.kind(), u.severity()), u.count(), Integer::sum);
    }
    db.deleteFrom(REPORT_KIND).where(REPORT_KIND.SUBMISSION_ID.eq(id)).execute();
    counts.forEach((counted, count) -> {
      Vec3 place = places.get(counted);
      db.insertInto(REPORT_KIND)
          .set(REPORT_KIND.SUBMISSION_ID, id)
          .set(REPORT_KIND.KIND, counted.kind())
          .set(REPORT_KIND.SEVERITY, counted.severity().name())
          .set(REPORT_KIND.COUNT, count)
          .set(REPORT_KIND.X, place == null ? null : place.x())
          .set(REPORT_KIND.Y, place == null ? null : place.y())
          .set(REPORT_KIND.Z, place == null ? null : place.z())
          .execute();
    });
  }

  /**
   * Keeps what became of the attempt before.
   *
   * @param against null where there is none
   */
  public void setAgainst(UUID id, @Nullable Against against) {
    db.update(SUBMISSION_REPORT)
        .set(SUBMISSION_REPORT.IS_COMPARED, true)
        .set(SUBMISSION_REPORT.BEFORE_ATTEMPT, against == null ? null : against.attempt())
        .set(SUBMISSION_REPORT.GONE, against == null ? null : against.gone())
        .set(SUBMISSION_REPORT.STILL, against == null ? null : against.still())
        .set(SUBMISSION_REPORT.FRESH, against == null ? null : against.fresh())
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .execute();
  }

  /** By how many students each kind was found in these, the most first. */
  public Map<String, Integer> studentsByKind(Collection<UUID> ids) {
    var students = countDistinct(SUBMISSION.STUDENT_ID);
    return db.select(REPORT_KIND.KIND, students)
        .from(REPORT_KIND)
        .join(SUBMISSION)
        .on(SUBMISSION.ID.eq(REPORT_KIND.SUBMISSION_ID))
        .where(SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))))
        .groupBy(REPORT_KIND.KIND)
        .orderBy(students.desc(), REPORT_KIND.KIND)
        .fetchMap(REPORT_KIND.KIND, students);
  }

  /** What lists tell of several reports. */
  public Map<UUID, Summary> summaries(Collection<UUID> ids) {
    UUID[] all = ids.toArray(UUID[]::new);
    Map<UUID, BigDecimal> counts =
        db.select(REPORT_KIND.SUBMISSION_ID, sum(REPORT_KIND.COUNT))
            .from(REPORT_KIND)
            .where(REPORT_KIND.SUBMISSION_ID.eq(any(all)))
            .groupBy(REPORT_KIND.SUBMISSION_ID)
            .fetchMap(REPORT_KIND.SUBMISSION_ID, sum(REPORT_KIND.COUNT));
    return db.select(
            SUBMISSION_REPORT.SUBMISSION_ID,
            SUBMISSION_REPORT.TERMS_REVISION,
            SUBMISSION_REPORT.WORST,
            SUBMISSION_REPORT.IS_COMPARED,
            SUBMISSION_REPORT.BEFORE_ATTEMPT,
            SUBMISSION_REPORT.GONE,
            SUBMISSION_REPORT.STILL,
            SUBMISSION_REPORT.FRESH)
        .from(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(any(all)))
        .fetchMap(
            SUBMISSION_REPORT.SUBMISSION_ID,
            r ->
                new Summary(
                    r.value2(),
                    counts.getOrDefault(r.value1(), BigDecimal.ZERO).intValue(),
                    json.read(r.value3(), new TypeReference<List<Summary.Mark>>() {}),
                    r.value5() == null
                        ? null
                        : new Summary.Since(r.value5(), r.value6(), r.value7(), r.value8()),
                    r.value4()));
  }

  /** By which revision of the terms a report was made. */
  public int reportRevision(UUID id) {
    return db.select(SUBMISSION_REPORT.TERMS_REVISION)
        .from(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .fetchSingle(SUBMISSION_REPORT.TERMS_REVISION);
  }

  /** The same, and nobody puts another in its place until the transaction ends. */
  public int lockReport(UUID id) {
    return db.select(SUBMISSION_REPORT.TERMS_REVISION)
        .from(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .forUpdate()
        .fetchSingle(SUBMISSION_REPORT.TERMS_REVISION);
  }

  /** Puts a report in the place of the one that was made by other terms. */
  public void replace(UUID id, CheckView check, int terms) {
    db.update(SUBMISSION_REPORT)
        .set(SUBMISSION_REPORT.FIGURES, json.write(check.figures()))
        .set(SUBMISSION_REPORT.FINDINGS, json.write(check.findings()))
        .set(SUBMISSION_REPORT.UNLISTED, json.write(check.unlisted()))
        .set(SUBMISSION_REPORT.LEFT_OUT, json.write(check.leftOut()))
        .set(SUBMISSION_REPORT.TERMS_REVISION, terms)
        .set(SUBMISSION_REPORT.WORST, json.write(Summary.worstOf(check)))
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .execute();
    putKinds(id, check);
  }

  /** A submission whose report was made by other terms than these; the latest first. */
  public Optional<Submission> nextOutdated(UUID exercise, int terms) {
    return db.select(SUBMISSION)
        .from(SUBMISSION)
        .join(SUBMISSION_REPORT)
        .on(SUBMISSION_REPORT.SUBMISSION_ID.eq(SUBMISSION.ID))
        .where(SUBMISSION.EXERCISE_ID.eq(exercise), SUBMISSION_REPORT.TERMS_REVISION.ne(terms))
        .orderBy(SUBMISSION.HANDED_IN_AT.desc(), SUBMISSION.ID)
        .limit(1)
        .fetchOptional(r -> read(r.value1()));
  }

  /** How many reports of an exercise were made by these terms, or by whichever. */
  public int reports(UUID exercise, @Nullable Integer terms) {
    return db.fetchCount(
        db.select(SUBMISSION.ID)
            .from(SUBMISSION)
            .join(SUBMISSION_REPORT)
            .on(SUBMISSION_REPORT.SUBMISSION_ID.eq(SUBMISSION.ID))
            .where(
                SUBMISSION.EXERCISE_ID.eq(exercise),
                terms == null ? noCondition() : SUBMISSION_REPORT.TERMS_REVISION.eq(terms)));
  }

  public Optional<Submission> find(UUID id) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ID.eq(id))
        .fetchOptional(SubmissionStore::read);
  }

  public Map<UUID, Submission> findAll(Collection<UUID> ids) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))))
        .fetchMap(SUBMISSION.ID, SubmissionStore::read);
  }

  public Optional<Submission> findByKey(UUID student, UUID clientKey) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.STUDENT_ID.eq(student), SUBMISSION.CLIENT_KEY.eq(clientKey))
        .fetchOptional(SubmissionStore::read);
  }

  public Optional<Submission> findAttempt(UUID exercise, UUID student, int attempt) {
    return db.selectFrom(SUBMISSION)
        .where(
            SUBMISSION.EXERCISE_ID.eq(exercise),
            SUBMISSION.STUDENT_ID.eq(student),
            SUBMISSION.ATTEMPT.eq(attempt))
        .fetchOptional(SubmissionStore::read);
  }

  public List<Submission> attempts(UUID exercise, UUID student) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.EXERCISE_ID.eq(exercise), SUBMISSION.STUDENT_ID.eq(student))
        .orderBy(SUBMISSION.ATTEMPT.desc())
        .fetch(SubmissionStore::read);
  }

  public CheckView check(UUID id) {
    return db.selectFrom(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .fetchSingle(this::check);
  }

  /** A report, and by which revision of the terms it was made. */
  public record Reported(CheckView check, int revision) {}

  public Reported report(UUID id) {
    return db.selectFrom(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .fetchSingle(r -> new Reported(check(r), r.getTermsRevision()));
  }

  private CheckView check(SubmissionReportRecord r) {
    return CheckView.of(
        json.read(r.getFigures(), Figures.class),
        json.read(r.getFindings(), new TypeReference<List<FindingView>>() {}),
        json.read(r.getUnlisted(), new TypeReference<List<CheckView.Unlisted>>() {}),
        json.read(r.getLeftOut(), new TypeReference<List<CheckView.LeftOut>>() {}));
  }

  public List<ReadingView> reading(UUID id) {
    return db.selectFrom(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .fetchSingle(r -> json.read(r.getReading(), new TypeReference<List<ReadingView>>() {}));
  }

  private static Submission read(SubmissionRecord r) {
    return new Submission(
        r.getId(),
        r.getExerciseId(),
        r.getStudentId(),
        r.getAttempt(),
        r.getFileName(),
        r.getStepId(),
        r.getMesh(),
        r.getHandedInAt().toInstant());
  }
}
