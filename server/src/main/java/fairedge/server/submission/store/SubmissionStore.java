package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.REPORT_KIND;
import static fairedge.schema.generated.Tables.SUBMISSION;
import static fairedge.schema.generated.Tables.SUBMISSION_REPORT;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.countDistinct;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.noCondition;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;
import static org.jooq.impl.DSL.sum;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Held;
import fairedge.core.inspect.Met;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.schema.generated.tables.records.SubmissionRecord;
import fairedge.schema.generated.tables.records.SubmissionReportRecord;
import fairedge.server.inspection.Inspections.Examined;
import fairedge.server.meshfile.MeshHolder;
import fairedge.server.platform.Json;
import fairedge.server.submission.Against;
import fairedge.server.submission.HandedIn.ReadingView;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Summary;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

@Repository
public class SubmissionStore implements MeshHolder {
  /** Of the reports of a submission the one that was made last. */
  private static final Condition NEWEST =
      SUBMISSION_REPORT
          .SUBMISSION_ID
          .eq(SUBMISSION.ID)
          .and(SUBMISSION_REPORT.VERSION.eq(SUBMISSION.REPORT_VERSION));

  /** Findings, less those that are waved through. */
  private static final Field<BigDecimal> COUNTING = sum(REPORT_KIND.COUNT.minus(REPORT_KIND.WAVED));

  private final DSLContext db;
  private final Json json;

  SubmissionStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** No one else numbers attempts of this student in this assignment until the transaction ends. */
  public void lockAttempts(UUID assignment, UUID student) {
    long key = assignment.getMostSignificantBits() ^ student.getLeastSignificantBits();
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public int attemptsOf(UUID assignment, UUID student) {
    return db.fetchCount(
        SUBMISSION, SUBMISSION.ASSIGNMENT_ID.eq(assignment), SUBMISSION.STUDENT_ID.eq(student));
  }

  /** Keeps a submission with its report; in the transaction at hand. */
  public void insert(Submission s, UUID clientKey, Examined examined, List<ReadingView> reading) {
    db.insertInto(SUBMISSION)
        .set(SUBMISSION.ID, s.id())
        .set(SUBMISSION.ASSIGNMENT_ID, s.assignmentId())
        .set(SUBMISSION.STUDENT_ID, s.studentId())
        .set(SUBMISSION.ATTEMPT, s.attempt())
        .set(SUBMISSION.SOURCE, s.fileName() == null ? "bench" : "file")
        .set(SUBMISSION.FILE_NAME, s.fileName())
        .set(SUBMISSION.STEP_ID, s.stepId())
        .set(SUBMISSION.MESH, s.mesh())
        .set(SUBMISSION.CLIENT_KEY, clientKey)
        .set(SUBMISSION.HANDED_IN_AT, s.handedInAt().atOffset(ZoneOffset.UTC))
        .set(SUBMISSION.REPORT_VERSION, s.newest())
        .execute();
    insertReport(s.id(), s.newest(), examined, KeptReport.reading(reading, json));
  }

  /**
   * Adds a report that was made by another version of the exercise; from now on it is the newest.
   * Those before stay. In the transaction at hand.
   */
  public void addReport(UUID id, int version, Examined examined) {
    JSONB reading =
        db.select(SUBMISSION_REPORT.READING)
            .from(SUBMISSION_REPORT)
            .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
            .limit(1)
            .fetchSingle(SUBMISSION_REPORT.READING);
    insertReport(id, version, examined, reading);
    db.update(SUBMISSION)
        .set(SUBMISSION.REPORT_VERSION, version)
        .where(SUBMISSION.ID.eq(id))
        .execute();
  }

  private void insertReport(UUID id, int version, Examined examined, JSONB reading) {
    CheckView check = examined.check();
    Held held = examined.held();
    KeptReport.Columns kept = KeptReport.Columns.of(check, json);
    db.insertInto(SUBMISSION_REPORT)
        .set(SUBMISSION_REPORT.SUBMISSION_ID, id)
        .set(SUBMISSION_REPORT.VERSION, version)
        .set(SUBMISSION_REPORT.FORMAT, KeptReport.FORMAT)
        .set(SUBMISSION_REPORT.FIGURES, kept.figures())
        .set(SUBMISSION_REPORT.FINDINGS, kept.findings())
        .set(SUBMISSION_REPORT.UNLISTED, kept.unlisted())
        .set(SUBMISSION_REPORT.LEFT_OUT, kept.leftOut())
        .set(SUBMISSION_REPORT.MET, kept.met())
        .set(SUBMISSION_REPORT.PARDONED, kept.pardoned())
        .set(SUBMISSION_REPORT.READING, reading)
        .set(SUBMISSION_REPORT.HARD_EDGES, held == null ? null : held.hard())
        .set(SUBMISSION_REPORT.HELD_EDGES, held == null ? null : held.held())
        .set(SUBMISSION_REPORT.WORST, KeptReport.worst(check.findings(), json))
        .execute();
    insertKinds(id, version, check);
  }

  private void insertKinds(UUID id, int version, CheckView check) {
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
    counts.forEach((counted, count) -> {
      Vec3 place = places.get(counted);
      db.insertInto(REPORT_KIND)
          .set(REPORT_KIND.SUBMISSION_ID, id)
          .set(REPORT_KIND.VERSION, version)
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
   * Keeps how many of each kind of a report don't count, and the marks of those that do.
   *
   * @param waved places in the list of findings
   */
  public void setWaved(UUID id, int version, CheckView check, Set<Integer> waved) {
    db.update(REPORT_KIND)
        .set(REPORT_KIND.WAVED, 0)
        .where(
            REPORT_KIND.SUBMISSION_ID.eq(id),
            REPORT_KIND.VERSION.eq(version),
            REPORT_KIND.WAVED.ne(0))
        .execute();
    waved.stream()
        .map(check.findings()::get)
        .collect(
            Collectors.groupingBy(
                f -> List.of(f.kind(), f.severity().name()), Collectors.counting()))
        .forEach((group, count) ->
            db.update(REPORT_KIND)
                .set(REPORT_KIND.WAVED, count.intValue())
                .where(
                    REPORT_KIND.SUBMISSION_ID.eq(id),
                    REPORT_KIND.VERSION.eq(version),
                    REPORT_KIND.KIND.eq(group.getFirst()),
                    REPORT_KIND.SEVERITY.eq(group.getLast()))
                .execute());
    db.update(SUBMISSION_REPORT)
        .set(SUBMISSION_REPORT.WORST, KeptReport.worst(check.counting(waved), json))
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id), SUBMISSION_REPORT.VERSION.eq(version))
        .execute();
  }

  /** Lets go of all reports of a submission but these. */
  public void forgetReportsBut(UUID id, Collection<Integer> versions) {
    db.deleteFrom(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id), SUBMISSION_REPORT.VERSION.notIn(versions))
        .execute();
  }

  /**
   * Keeps what became of the attempt before, with the newest report.
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
        .from(SUBMISSION)
        .where(SUBMISSION.ID.eq(id), NEWEST)
        .execute();
  }

  /** Somebody who reviews has seen it; the first time counts. */
  public void opened(UUID id, Instant at) {
    db.update(SUBMISSION)
        .set(SUBMISSION.OPENED_AT, at.atOffset(ZoneOffset.UTC))
        .where(SUBMISSION.ID.eq(id), SUBMISSION.OPENED_AT.isNull())
        .execute();
  }

  /** Its answer is out from a time on, and quotes a report. */
  public void answered(
      UUID id, int quoted, Instant at, boolean isAccepted, @Nullable Double credits) {
    db.update(SUBMISSION)
        .set(SUBMISSION.QUOTED_VERSION, quoted)
        .set(SUBMISSION.ANSWERED_AT, at.atOffset(ZoneOffset.UTC))
        .set(SUBMISSION.IS_ACCEPTED, isAccepted)
        .set(SUBMISSION.CREDITS, credits)
        .where(SUBMISSION.ID.eq(id))
        .execute();
  }

  /** Last attempts in several assignments that no answer is out to, the longest waiting first. */
  public List<Submission> waiting(Collection<UUID> assignments) {
    return db.selectFrom(SUBMISSION)
        .where(isLastIn(assignments), SUBMISSION.ANSWERED_AT.isNull())
        .orderBy(SUBMISSION.HANDED_IN_AT, SUBMISSION.ID)
        .fetch(SubmissionStore::read);
  }

  /** Those that are named, in the order of the time. */
  public List<Submission> named(Collection<UUID> ids) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))))
        .orderBy(SUBMISSION.HANDED_IN_AT, SUBMISSION.ID)
        .fetch(SubmissionStore::read);
  }

  private static Condition isLastIn(Collection<UUID> assignments) {
    var later = SUBMISSION.as("later");
    return SUBMISSION
        .ASSIGNMENT_ID
        .eq(any(assignments.toArray(UUID[]::new)))
        .and(
            notExists(
                selectOne()
                    .from(later)
                    .where(
                        later.ASSIGNMENT_ID.eq(SUBMISSION.ASSIGNMENT_ID),
                        later.STUDENT_ID.eq(SUBMISSION.STUDENT_ID),
                        later.ATTEMPT.gt(SUBMISSION.ATTEMPT))));
  }

  /** How many students have handed in, by assignment. */
  public Map<UUID, Integer> handedIn(Collection<UUID> assignments) {
    var students = countDistinct(SUBMISSION.STUDENT_ID);
    return db.select(SUBMISSION.ASSIGNMENT_ID, students)
        .from(SUBMISSION)
        .where(SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))))
        .groupBy(SUBMISSION.ASSIGNMENT_ID)
        .fetchMap(SUBMISSION.ASSIGNMENT_ID, students);
  }

  /** The last attempt of somebody whose answer says that no more is asked. */
  public Optional<Integer> acceptedAttempt(UUID assignment, UUID student) {
    return db.select(max(SUBMISSION.ATTEMPT))
        .from(SUBMISSION)
        .where(
            SUBMISSION.ASSIGNMENT_ID.eq(assignment),
            SUBMISSION.STUDENT_ID.eq(student),
            SUBMISSION.IS_ACCEPTED.isTrue())
        .fetchOptional(r -> r.value1());
  }

  /** Whether an answer of somebody's to an assignment is out. */
  public boolean isAnswered(UUID assignment, UUID student) {
    return db.fetchExists(
        SUBMISSION,
        SUBMISSION.ASSIGNMENT_ID.eq(assignment),
        SUBMISSION.STUDENT_ID.eq(student),
        SUBMISSION.ANSWERED_AT.isNotNull());
  }

  public Set<UUID> whoHandedIn(UUID assignment) {
    return db.selectDistinct(SUBMISSION.STUDENT_ID)
        .from(SUBMISSION)
        .where(SUBMISSION.ASSIGNMENT_ID.eq(assignment))
        .fetchSet(SUBMISSION.STUDENT_ID);
  }

  /** By how many students each kind was found in their last attempts, the most first. */
  public Map<String, Integer> studentsByKind(Collection<UUID> assignments) {
    var students = countDistinct(SUBMISSION.STUDENT_ID);
    return db.select(REPORT_KIND.KIND, students)
        .from(REPORT_KIND)
        .join(SUBMISSION)
        .on(
            SUBMISSION.ID.eq(REPORT_KIND.SUBMISSION_ID),
            SUBMISSION.REPORT_VERSION.eq(REPORT_KIND.VERSION))
        .where(isLastIn(assignments), REPORT_KIND.COUNT.gt(REPORT_KIND.WAVED))
        .groupBy(REPORT_KIND.KIND)
        .orderBy(students.desc(), REPORT_KIND.KIND)
        .fetchMap(REPORT_KIND.KIND, students);
  }

  /** Kinds that count in the newest reports of several, but for remarks; by submission. */
  public Map<UUID, Set<String>> kinds(Collection<UUID> ids) {
    return db.select(SUBMISSION.ID, REPORT_KIND.KIND)
        .from(REPORT_KIND)
        .join(SUBMISSION)
        .on(
            SUBMISSION.ID.eq(REPORT_KIND.SUBMISSION_ID),
            SUBMISSION.REPORT_VERSION.eq(REPORT_KIND.VERSION))
        .where(
            SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new))),
            REPORT_KIND.COUNT.gt(REPORT_KIND.WAVED),
            REPORT_KIND.SEVERITY.ne(SeverityView.remark.name()))
        .collect(
            Collectors.groupingBy(
                r -> r.value1(), Collectors.mapping(r -> r.value2(), Collectors.toSet())));
  }

  /** What credits go by. */
  public record Counted(
      Map<Kind, Map<Severity, Integer>> kinds,
      int faces,
      int quads,
      double completeLoops,
      Met met) {}

  /** Of the figures of a report, in whichever form it was kept, what credits go by. */
  private record KeptFigures(int faces, int quads, @Nullable KeptLoops loops) {}

  private record KeptLoops(double shareComplete) {}

  /**
   * What credits go by, of several reports at once.
   *
   * @param versions of the reports, by their submissions
   */
  public Map<UUID, Counted> counted(Map<UUID, Integer> versions) {
    UUID[] ids = versions.keySet().toArray(UUID[]::new);
    Map<UUID, Map<Kind, Map<Severity, Integer>>> kinds = new HashMap<>();
    db.selectFrom(REPORT_KIND)
        .where(REPORT_KIND.SUBMISSION_ID.eq(any(ids)))
        .forEach(r -> {
          // What another version of the engine found and this one does not know takes nothing off.
          Kind kind = Kind.find(r.getKind()).orElse(null);
          if (kind != null && r.getVersion().equals(versions.get(r.getSubmissionId()))) {
            kinds
                .computeIfAbsent(r.getSubmissionId(), id -> new EnumMap<>(Kind.class))
                .computeIfAbsent(kind, k -> new EnumMap<>(Severity.class))
                .put(SeverityView.valueOf(r.getSeverity()).severity(), r.getCount() - r.getWaved());
          }
        });
    Map<UUID, Counted> counted = new HashMap<>();
    db.select(
            SUBMISSION_REPORT.SUBMISSION_ID,
            SUBMISSION_REPORT.VERSION,
            SUBMISSION_REPORT.FIGURES,
            SUBMISSION_REPORT.MET)
        .from(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(any(ids)))
        .forEach(r -> {
          if (r.value2().equals(versions.get(r.value1()))) {
            KeptFigures figures = json.read(r.value3(), KeptFigures.class);
            counted.put(
                r.value1(),
                new Counted(
                    kinds.getOrDefault(r.value1(), Map.of()),
                    figures.faces(),
                    figures.quads(),
                    figures.loops() == null ? 0 : figures.loops().shareComplete(),
                    KeptReport.KeptMet.told(r.value4(), json)));
          }
        });
    return counted;
  }

  /** The last attempts of all students in several assignments, the newest first. */
  public List<Submission> last(Collection<UUID> assignments, int most) {
    return db.selectFrom(SUBMISSION)
        .where(isLastIn(assignments))
        .orderBy(SUBMISSION.HANDED_IN_AT.desc(), SUBMISSION.ID)
        .limit(most)
        .fetch(SubmissionStore::read);
  }

  /** What lists tell of several reports. */
  public Map<UUID, Summary> summaries(Collection<UUID> ids) {
    Condition named = SUBMISSION.ID.eq(any(ids.toArray(UUID[]::new)));
    Map<UUID, BigDecimal> counts =
        db.select(SUBMISSION.ID, COUNTING)
            .from(REPORT_KIND)
            .join(SUBMISSION)
            .on(
                SUBMISSION.ID.eq(REPORT_KIND.SUBMISSION_ID),
                SUBMISSION.REPORT_VERSION.eq(REPORT_KIND.VERSION))
            .where(named)
            .groupBy(SUBMISSION.ID)
            .fetchMap(SUBMISSION.ID, COUNTING);
    return db.select(
            SUBMISSION_REPORT.SUBMISSION_ID,
            SUBMISSION_REPORT.VERSION,
            SUBMISSION_REPORT.WORST,
            SUBMISSION_REPORT.IS_COMPARED,
            SUBMISSION_REPORT.BEFORE_ATTEMPT,
            SUBMISSION_REPORT.GONE,
            SUBMISSION_REPORT.STILL,
            SUBMISSION_REPORT.FRESH)
        .from(SUBMISSION_REPORT)
        .join(SUBMISSION)
        .on(NEWEST)
        .where(named)
        .fetchMap(
            SUBMISSION_REPORT.SUBMISSION_ID,
            r ->
                new Summary(
                    r.value2(),
                    counts.getOrDefault(r.value1(), BigDecimal.ZERO).intValue(),
                    KeptReport.worst(r.value3(), json),
                    r.value5() == null
                        ? null
                        : new Summary.Since(r.value5(), r.value6(), r.value7(), r.value8()),
                    r.value4()));
  }

  /** Whether there is any of several assignments. */
  public boolean hasAny(Collection<UUID> assignments) {
    return db.fetchExists(
        SUBMISSION, SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))));
  }

  /** A submission, of which nobody adds or lets go of reports until the transaction ends. */
  public Optional<Submission> lock(UUID id) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ID.eq(id))
        .forUpdate()
        .fetchOptional(SubmissionStore::read);
  }

  /** A submission whose newest report was made by another version; the latest first. */
  public Optional<Submission> nextOutdated(Collection<UUID> assignments, int version) {
    return db.selectFrom(SUBMISSION)
        .where(
            SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))),
            SUBMISSION.REPORT_VERSION.ne(version))
        .orderBy(SUBMISSION.HANDED_IN_AT.desc(), SUBMISSION.ID)
        .limit(1)
        .fetchOptional(SubmissionStore::read);
  }

  /** How many newest reports in several assignments were made by this version, or by whichever. */
  public int reports(Collection<UUID> assignments, @Nullable Integer version) {
    return db.fetchCount(
        SUBMISSION,
        SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))),
        version == null ? noCondition() : SUBMISSION.REPORT_VERSION.eq(version));
  }

  public Optional<Submission> find(UUID id) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ID.eq(id))
        .fetchOptional(SubmissionStore::read);
  }

  public Optional<Submission> findByKey(UUID student, UUID clientKey) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.STUDENT_ID.eq(student), SUBMISSION.CLIENT_KEY.eq(clientKey))
        .fetchOptional(SubmissionStore::read);
  }

  public Optional<Submission> findAttempt(UUID assignment, UUID student, int attempt) {
    return db.selectFrom(SUBMISSION)
        .where(
            SUBMISSION.ASSIGNMENT_ID.eq(assignment),
            SUBMISSION.STUDENT_ID.eq(student),
            SUBMISSION.ATTEMPT.eq(attempt))
        .fetchOptional(SubmissionStore::read);
  }

  public List<Submission> attempts(UUID assignment, UUID student) {
    return db.selectFrom(SUBMISSION)
        .where(SUBMISSION.ASSIGNMENT_ID.eq(assignment), SUBMISSION.STUDENT_ID.eq(student))
        .orderBy(SUBMISSION.ATTEMPT.desc())
        .fetch(SubmissionStore::read);
  }

  /** All that a student handed in to several assignments, in the order of the time. */
  public List<Submission> of(UUID student, Collection<UUID> assignments) {
    return db.selectFrom(SUBMISSION)
        .where(
            SUBMISSION.STUDENT_ID.eq(student),
            SUBMISSION.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))))
        .orderBy(SUBMISSION.HANDED_IN_AT, SUBMISSION.ID)
        .fetch(SubmissionStore::read);
  }

  /** Lets go of submissions and their reports; in the transaction at hand. */
  public void forget(Collection<UUID> ids) {
    UUID[] all = ids.toArray(UUID[]::new);
    db.deleteFrom(SUBMISSION_REPORT).where(SUBMISSION_REPORT.SUBMISSION_ID.eq(any(all))).execute();
    db.deleteFrom(SUBMISSION).where(SUBMISSION.ID.eq(any(all))).execute();
  }

  /** The report of a submission that was made by a version of the exercise, while it is kept. */
  public Optional<CheckView> check(UUID id, int version) {
    return db.selectFrom(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id), SUBMISSION_REPORT.VERSION.eq(version))
        .fetchOptional(this::check);
  }

  private CheckView check(SubmissionReportRecord r) {
    return new KeptReport.Columns(
            r.getFigures(),
            r.getFindings(),
            r.getUnlisted(),
            r.getLeftOut(),
            r.getMet(),
            r.getPardoned())
        .told(json);
  }

  public List<ReadingView> reading(UUID id) {
    return db.select(SUBMISSION_REPORT.READING)
        .from(SUBMISSION_REPORT)
        .where(SUBMISSION_REPORT.SUBMISSION_ID.eq(id))
        .limit(1)
        .fetchSingle(r -> KeptReport.reading(r.value1(), json));
  }

  private static Submission read(SubmissionRecord r) {
    return new Submission(
        r.getId(),
        r.getAssignmentId(),
        r.getStudentId(),
        r.getAttempt(),
        r.getFileName(),
        r.getStepId(),
        r.getMesh(),
        r.getHandedInAt().toInstant(),
        r.getReportVersion(),
        r.getOpenedAt() != null,
        r.getQuotedVersion());
  }

  @Override
  public List<byte[]> needed(List<byte[]> hashes) {
    return db.selectDistinct(SUBMISSION.MESH)
        .from(SUBMISSION)
        .where(SUBMISSION.MESH.in(hashes))
        .fetch(SUBMISSION.MESH);
  }
}
