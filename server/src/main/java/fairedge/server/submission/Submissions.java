package fairedge.server.submission;

import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Bounds;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.picture.Mark;
import fairedge.picture.MeshPicture;
import fairedge.server.bench.Bench;
import fairedge.server.bench.Owner;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Setting.HandInBy;
import fairedge.server.exercise.Told;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Inspections.Examined;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.submission.HandedIn.ReadingView;
import fairedge.server.submission.store.PictureStore;
import fairedge.server.submission.store.SubmissionStore;
import fairedge.server.submission.store.UploadStore;
import fairedge.server.submission.store.UploadStore.Upload;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Handing in, from the bench or as a file that was read; and what was handed in. */
@Service
public class Submissions {
  private static final int MOST_REMARKS = 200;

  private final SubmissionStore store;
  private final UploadStore uploads;
  private final PictureStore pictures;
  private final Bench bench;
  private final Assignments assignments;
  private final MeshFiles meshes;
  private final Inspections inspections;
  private final JobQueue jobs;
  private final HandInRules rules;
  private final Wavings wavings;
  private final Turns turns;
  private final TransactionTemplate transactions;
  private final Clock clock;

  Submissions(
      SubmissionStore store,
      UploadStore uploads,
      PictureStore pictures,
      Bench bench,
      Assignments assignments,
      MeshFiles meshes,
      Inspections inspections,
      JobQueue jobs,
      HandInRules rules,
      Wavings wavings,
      Turns turns,
      TransactionTemplate transactions,
      Clock clock) {
    this.rules = rules;
    this.wavings = wavings;
    this.turns = turns;
    this.transactions = transactions;
    this.jobs = jobs;
    this.store = store;
    this.uploads = uploads;
    this.pictures = pictures;
    this.bench = bench;
    this.assignments = assignments;
    this.meshes = meshes;
    this.inspections = inspections;
    this.clock = clock;
  }

  /**
   * A mesh that was inspected, about to be kept.
   *
   * @param version of the exercise by which it was
   */
  record Prepared(
      Mesh mesh,
      @Nullable String fileName,
      @Nullable Long step,
      Examined examined,
      List<ReadingView> reading,
      int version) {
    CheckView check() {
      return examined.check();
    }
  }

  /**
   * Hands in a workpiece as it stands at a revision; asked again with the same key, also after a
   * later step, it tells of the first.
   */
  public HandedIn fromBench(UUID workpiece, SignedIn student, long revision, UUID clientKey) {
    Optional<Submission> known = store.findByKey(student.id(), clientKey);
    if (known.isPresent()) {
      return handedIn(known.get().id());
    }
    // Mesh, step and exercise are of one moment, and the report is made of that very mesh.
    Bench.Standing standing = bench.standing(workpiece, student, revision);
    if (standing.owner().type() != Owner.Type.assignment) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Free practice is not handed in.");
    }
    Assignment assignment = assignments.requireTo(Right.WORK, standing.owner().id(), student);
    rules.require(assignment, student.id(), HandInBy.bench, clock.instant());
    Exercise exercise = assignment.exercise();
    Ready ready =
        turns.bySize(
            student.id(),
            standing.mesh().faceCount(),
            () -> {
              Examined examined = inspections.examine(standing.mesh(), List.of(), exercise.terms());
              return ready(
                  new Prepared(
                      standing.mesh(),
                      null,
                      standing.step(),
                      examined,
                      List.of(),
                      exercise.termsVersion()));
            });
    Key key = new Key(assignment.id(), student.id(), clientKey);
    Instant now = clock.instant();
    UUID id =
        Objects.requireNonNull(
            transactions.execute(status -> findKept(key).orElseGet(() -> keep(key, ready, now))));
    return handedIn(id);
  }

  /**
   * All that is kept of a hand-in, made before a transaction begins.
   *
   * @param mesh hash of its bytes, which are kept already
   */
  record Ready(Prepared prepared, byte[] mesh, byte[] picture) {}

  /** Keeps the mesh, and draws it for a row of the desk. */
  Ready ready(Prepared prepared) {
    byte[] picture = draw(prepared.mesh(), prepared.check(), PictureSize.row);
    return new Ready(prepared, meshes.keep(prepared.mesh()), picture);
  }

  /** The box of an exercise's starter. */
  Bounds starterBox(Exercise exercise) {
    return meshes.require(exercise.starter()).bounds();
  }

  /** What was read from a file, inspected as an exercise wants it. */
  Prepared prepareFile(Exercise exercise, String fileName, ReadResult read) {
    Examined examined = inspections.examine(read.mesh(), read.oddities(), exercise.terms());
    Stream<ReadingView> remarks = read.remarks().stream().map(r -> new ReadingView(0, r));
    Stream<ReadingView> odd =
        read.oddities().stream().limit(MOST_REMARKS).map(o -> new ReadingView(o.line(), words(o)));
    List<ReadingView> reading = Stream.concat(remarks, odd).toList();
    return new Prepared(read.mesh(), fileName, null, examined, reading, exercise.termsVersion());
  }

  /** With marks where something is to be mended: a remark alone would look like a fault. */
  private static byte[] draw(Mesh mesh, CheckView check, PictureSize size) {
    List<Mark> marks =
        check.findings().stream()
            .filter(f -> f.severity() != SeverityView.remark)
            .sorted(Comparator.comparing(FindingView::severity))
            .map(f -> new Mark(Kind.named(f.kind()), f.severity().severity(), f.place()))
            .toList();
    return MeshPicture.png(mesh, marks, size.size());
  }

  /** Makes an upload the submission that it was to be, unless it is over meanwhile. */
  void keepFile(Upload upload, Ready ready) {
    Key key = new Key(upload.assignmentId(), upload.studentId(), upload.clientKey());
    transactions.executeWithoutResult(status -> {
      UUID kept = findKept(key).orElseGet(() -> keep(key, ready, upload.receivedAt()));
      if (!uploads.finish(upload.id(), kept)) {
        // It was cancelled at the last moment: what was kept just now goes with the transaction.
        status.setRollbackOnly();
      }
    });
  }

  private static String words(Oddity oddity) {
    return switch (oddity.kind()) {
      case UNREADABLE_FACE -> "A face was left out: " + oddity.text() + ".";
      case REPEATED_CORNER -> "A face was mended: " + oddity.text() + ".";
    };
  }

  /** Whose it is, and by what request it came. */
  private record Key(UUID assignment, UUID student, UUID client) {}

  /** What was handed in by the same request before; no other comes between until the end. */
  private Optional<UUID> findKept(Key key) {
    store.lockAttempts(key.assignment(), key.student());
    Optional<UUID> kept = store.findByKey(key.student(), key.client()).map(Submission::id);
    if (kept.isEmpty()) {
      rules.requireLeft(assignments.require(key.assignment()), key.student());
    }
    return kept;
  }

  private UUID keep(Key key, Ready ready, Instant handedInAt) {
    Prepared prepared = ready.prepared();
    Submission submission =
        new Submission(
            UUID.randomUUID(),
            key.assignment(),
            key.student(),
            store.attemptsOf(key.assignment(), key.student()) + 1,
            prepared.fileName(),
            prepared.step(),
            ready.mesh(),
            handedInAt,
            prepared.version(),
            false,
            null);
    store.insert(submission, key.client(), prepared.examined(), prepared.reading());
    store.setAgainst(submission.id(), against(submission, prepared.check()).orElse(null));
    wavings.recount(submission, prepared.check());
    Exercise exercise = assignments.require(key.assignment()).exercise();
    if (exercise.termsVersion() != prepared.version()) {
      // The terms changed while it was read: the run for that may be over already.
      jobs.add(RecheckJob.NAME, RecheckJob.runFor(exercise.id()), JobQueue.Rank.PATIENT);
    }
    pictures.put(submission.id(), PictureSize.row.name(), prepared.version(), ready.picture());
    return submission.id();
  }

  /** What a student is told of a submission of theirs. */
  HandedIn handedIn(UUID id) {
    Submission submission = store.find(id).orElseThrow();
    return new HandedIn(id, submission.attempt(), store.reading(id));
  }

  /**
   * A picture of a submission.
   *
   * @param report version of the report whose marks it shows
   */
  public record Picture(byte[] png, int report) {}

  /**
   * The submission with the marks of its report as a PNG; drawn at the first call, and anew after
   * it was inspected anew.
   *
   * @param account who asks, and may
   */
  public Picture picture(Submission submission, PictureSize size, SignedIn account) {
    int report = submission.shown();
    Optional<byte[]> known = pictures.find(submission.id(), size.name(), report);
    if (known.isPresent()) {
      return new Picture(known.get(), report);
    }
    Optional<CheckView> check = store.check(submission.id(), report);
    if (check.isEmpty()) {
      // It was inspected anew since it was looked up.
      return picture(require(submission.id()), size, account);
    }
    Mesh mesh = mesh(submission);
    byte[] png = turns.bySize(account.id(), mesh.faceCount(), () -> draw(mesh, check.get(), size));
    pictures.put(submission.id(), size.name(), report, png);
    return new Picture(png, report);
  }

  /** A submission, whose reports are what they are until the transaction at hand ends. */
  public Submission lock(UUID id) {
    return store.lock(id).orElseThrow(Submissions::gone);
  }

  /**
   * Its answer is out from a time on, and quotes the newest report; in the transaction at hand.
   *
   * @param credits what it gave; null where there are none
   */
  public void answered(
      Submission submission, Instant at, boolean isAccepted, @Nullable Double credits) {
    store.answered(submission.id(), submission.newest(), at, isAccepted, credits);
  }

  /** Somebody who reviews has opened it: from now on it can't be taken back. */
  public void opened(Submission submission) {
    if (!submission.isOpened()) {
      store.opened(submission.id(), clock.instant());
    }
  }

  /**
   * Takes back what waits and nobody has opened: it was no attempt.
   *
   * @throws Problem if somebody has opened it, or a later one was handed in
   */
  public void takeBack(UUID id, SignedIn student) {
    assignments.requireTo(Right.WORK, requireOf(student, id).assignmentId(), student);
    transactions.executeWithoutResult(status -> {
      Submission submission = lock(id);
      store.lockAttempts(submission.assignmentId(), submission.studentId());
      if (submission.isOpened() || submission.quoted() != null) {
        throw Problem.of(
            Problem.Kind.STALE,
            "Your instructor is reading it already: it can't be taken back any more.");
      }
      if (findAfter(submission).isPresent()) {
        throw Problem.of(
            Problem.Kind.STALE, "You have handed in again since: take that back first.");
      }
      uploads.forgetOf(id);
      pictures.forget(List.of(id));
      store.forget(List.of(id));
    });
  }

  /**
   * Lets go of the reports and pictures that nobody reads any more.
   *
   * @param quoted versions that answers quote
   */
  public void forgetOldReports(Submission submission, Set<Integer> quoted) {
    Set<Integer> kept = new HashSet<>(quoted);
    kept.addAll(List.of(submission.newest(), submission.shown()));
    pictures.forgetAllBut(submission.id(), kept);
    store.forgetReportsBut(submission.id(), kept);
  }

  private static Problem gone() {
    return Problem.notFound("submission");
  }

  public Optional<Submission> find(UUID id) {
    return store.find(id);
  }

  public Submission require(UUID id) {
    return store.find(id).orElseThrow(Submissions::gone);
  }

  /** For those who may do this with what others hand in to its class. */
  public Submission requireTo(Right right, UUID id, SignedIn account) {
    Submission submission = require(id);
    assignments.requireTo(right, submission.assignmentId(), account);
    return submission;
  }

  /** For who handed it in, also after the class was left. */
  public Submission requireOf(SignedIn student, UUID id) {
    return store
        .find(id)
        .filter(s -> s.studentId().equals(student.id()))
        .orElseThrow(Submissions::gone);
  }

  /**
   * A submission that somebody may see.
   *
   * @param reviews whether as one who sees what everybody hands in; else it is their own
   */
  public record Seen(Submission submission, Assignment assignment, boolean reviews) {}

  /**
   * @throws Problem if it is somebody's own who is not told yet what the check says
   */
  public void requireToldAll(Seen seen) {
    if (!seen.reviews()) {
      Submission s = seen.submission();
      Told.of(seen.assignment().exercise(), store.isAnswered(s.assignmentId(), s.studentId()))
          .requireAll();
    }
  }

  /** For those who see all in its class, and for who handed it in. */
  public Seen requireToSee(UUID id, SignedIn account) {
    Submission submission = require(id);
    Assignment assignment = assignments.require(submission.assignmentId());
    boolean reviews = assignments.may(Right.READ_ALL, assignment, account);
    boolean isOwn = submission.studentId().equals(account.id());
    if (!reviews && !(isOwn && assignments.may(Right.READ_OWN, assignment, account))) {
      throw gone();
    }
    return new Seen(submission, assignment, reviews);
  }

  /** Last attempts that no answer is out to, of all in several assignments. */
  public List<Submission> waiting(Collection<UUID> assignments) {
    return store.waiting(assignments);
  }

  /** Those that are named, in the order of the time; who asks decides who may know. */
  public List<Submission> named(Collection<UUID> ids) {
    return store.named(ids);
  }

  /** Who has handed in, by their ids. */
  public Set<UUID> whoHandedIn(UUID assignment) {
    return store.whoHandedIn(assignment);
  }

  /** How many students have handed in, by assignment. */
  public Map<UUID, Integer> handedIn(Collection<UUID> assignments) {
    return store.handedIn(assignments);
  }

  /**
   * What lists tell of the newest reports of several, by the ids of the submissions. Reports of
   * before attempts were compared are compared now.
   */
  public Map<UUID, Summary> summaries(Collection<UUID> ids) {
    Map<UUID, Summary> known = store.summaries(ids);
    List<UUID> left =
        known.entrySet().stream()
            .filter(e -> !e.getValue().isCompared())
            .map(Map.Entry::getKey)
            .toList();
    if (left.isEmpty()) {
      return known;
    }
    left.forEach(this::compare);
    return store.summaries(ids);
  }

  /** By how many students each kind was found in their last attempts, the most first. */
  public Map<String, Integer> studentsByKind(Collection<UUID> assignments) {
    return store.studentsByKind(assignments);
  }

  /** Kinds that count in the newest reports of several, but for remarks; by submission. */
  public Map<UUID, Set<String>> kinds(Collection<UUID> ids) {
    return store.kinds(ids);
  }

  /** Keeps what became of what the attempt before a submission had. */
  void compare(UUID id) {
    Submission s = require(id);
    store.setAgainst(id, against(s, newest(s)).orElse(null));
  }

  /** What became of what the attempt before a submission had, where there is one. */
  public Optional<Against> against(Submission s, CheckView now) {
    return findBefore(s)
        .map(before ->
            Against.of(
                before.attempt(),
                newest(before),
                now,
                assignments.require(s.assignmentId()).exercise().tolerance()));
  }

  /** The report that was made last. */
  public CheckView newest(Submission submission) {
    // It may have been inspected anew since it was looked up.
    return store
        .check(submission.id(), submission.newest())
        .orElseGet(() -> newest(require(submission.id())));
  }

  /** The report of a version of the exercise, while it is kept. */
  public Optional<CheckView> findReport(UUID id, int version) {
    return store.check(id, version);
  }

  public List<ReadingView> reading(UUID id) {
    return store.reading(id);
  }

  public Mesh mesh(Submission submission) {
    return meshes.require(submission.mesh());
  }

  public Optional<Submission> findBefore(Submission submission) {
    return store.findAttempt(
        submission.assignmentId(), submission.studentId(), submission.attempt() - 1);
  }

  Optional<Submission> findAfter(Submission submission) {
    return store.findAttempt(
        submission.assignmentId(), submission.studentId(), submission.attempt() + 1);
  }

  /** All that a student handed in to what is set in several classes, in the order of the time. */
  public List<Submission> of(UUID student, Collection<UUID> courses) {
    return store.of(student, assignments.idsOfCourses(courses));
  }

  /** The attempts of a student in an assignment, the last first. */
  public List<Submission> attempts(UUID assignment, UUID student) {
    return store.attempts(assignment, student);
  }
}
