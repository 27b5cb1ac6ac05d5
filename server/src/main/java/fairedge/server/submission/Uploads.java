package fairedge.server.submission;

import fairedge.core.format.Meant;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Setting.HandInBy;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.UploadView.Question;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import fairedge.server.submission.store.UploadStore;
import fairedge.server.submission.store.UploadStore.Incoming;
import fairedge.server.submission.store.UploadStore.Upload;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.unit.DataSize;

/**
 * Files that are handed in: received and kept at once, read and inspected by a job, which the
 * student can watch and cancel. A file is handed in at the time when it was received.
 */
@Service
public class Uploads {
  private static final Duration DAY = Duration.ofDays(1);
  private static final int LONGEST_NAME = 200;

  /** How many files of one student may be on their way at once. */
  private static final int MOST_AT_ONCE = 4;

  private final UploadStore store;
  private final Submissions submissions;
  private final Assignments assignments;
  private final HandInRules rules;
  private final SentFiles sent;
  private final JobQueue jobs;
  private final Clock clock;
  private final long mostOfOne;
  private final long mostOfClass;

  Uploads(
      UploadStore store,
      Submissions submissions,
      Assignments assignments,
      HandInRules rules,
      SentFiles sent,
      JobQueue jobs,
      Clock clock,
      @Value("${fair-edge.limits.day-of-student}") DataSize ofStudent,
      @Value("${fair-edge.limits.day-of-class}") DataSize ofClass) {
    this.mostOfOne = ofStudent.toBytes();
    this.mostOfClass = ofClass.toBytes();
    this.store = store;
    this.submissions = submissions;
    this.assignments = assignments;
    this.rules = rules;
    this.sent = sent;
    this.jobs = jobs;
    this.clock = clock;
  }

  /**
   * Before a file is read: whether this student may send one so large.
   *
   * @throws Problem if not
   */
  public void requireMayReceive(UUID assignmentId, SignedIn student, long size) {
    Assignment assignment = assignments.requireTo(Right.WORK, assignmentId, student);
    rules.require(assignment, student.id(), HandInBy.file, clock.instant());
    Instant since = clock.instant().minus(DAY);
    if (store.received(student.id(), since) + size > mostOfOne) {
      throw Problem.of(
          Problem.Kind.TOO_MANY,
          "You have handed in %d MB of files since yesterday, which is what one student may: try"
                  .formatted(mostOfOne >> 20)
              + " again tomorrow, or hand in smaller files.");
    }
    if (store.receivedFor(assignments.idsOfCourses(List.of(assignment.courseId())), since) + size
        > mostOfClass) {
      throw Problem.of(
          Problem.Kind.TOO_MANY,
          "Your class has handed in %d MB of files since yesterday, which is what one class may."
              .formatted(mostOfClass >> 20));
    }
  }

  /**
   * Before files of a class are read: whether this instructor may bring them.
   *
   * @throws Problem if not
   */
  public void requireMayBring(UUID assignment, SignedIn instructor) {
    assignments.requireTo(Right.REVIEW, assignment, instructor);
  }

  /**
   * Receives a file; asked again with the same key it answers how far the first one is.
   *
   * @param meant how its numbers are meant; null where that is to be found out
   */
  @Transactional
  public UploadView receive(
      UUID assignment,
      SignedIn student,
      String fileName,
      InputStream bytes,
      UUID clientKey,
      @Nullable Meant meant) {
    assignments.requireTo(Right.WORK, assignment, student);
    store.lockUploads(student.id());
    Optional<Upload> known = store.findByKey(student.id(), clientKey);
    if (known.isPresent()) {
      return view(known.get());
    }
    if (store.underWay(student.id()) >= MOST_AT_ONCE) {
      throw Problem.of(
          Problem.Kind.TOO_MANY,
          MOST_AT_ONCE + " files of yours are on their way already: wait for one of them.");
    }
    UUID id = UUID.randomUUID();
    long size = keep(id, bytes);
    store.cancelAsking(assignment, student.id());
    begin(
        new Incoming(id, assignment, student.id(), clientKey, plain(fileName), size, true, meant));
    return view(id);
  }

  private long keep(UUID id, InputStream bytes) {
    try {
      long size = sent.keep(id, bytes);
      if (size == 0) {
        throw Problem.of(
            Problem.Kind.BAD_FILE,
            "This file is empty.",
            Map.of("line", 0, "found", "an empty file", "expected", "a mesh"));
      }
      return size;
    } catch (IOException broken) {
      throw Problem.of(Problem.Kind.BAD_FILE, "The file did not come through in full.");
    }
  }

  /** Lets a file be read and inspected that is kept. */
  void begin(Incoming file) {
    store.insert(file, clock.instant());
    jobs.add(UploadJob.NAME, file.id().toString(), JobQueue.Rank.USUAL);
  }

  static String plain(String fileName) {
    String plain = fileName.replaceAll("\\p{Cntrl}", "");
    return plain.length() > LONGEST_NAME ? plain.substring(0, LONGEST_NAME) : plain;
  }

  /** Says how the numbers of a file are meant, which waits for that; how it stands then. */
  @Transactional
  public UploadView answer(UUID id, SignedIn student, Meant meant) {
    require(id, student);
    if (store.answer(id, meant)) {
      jobs.add(UploadJob.NAME, UploadJob.again(id), JobQueue.Rank.USUAL);
    }
    return view(require(id, student));
  }

  @Transactional(readOnly = true)
  public UploadView state(UUID id, SignedIn student) {
    return view(require(id, student));
  }

  /** A file that was kept although it failed. */
  public record KeptFile(String name, long size, InputStream bytes) {}

  /** The file of an upload that failed, for its student and those who review in its class. */
  public KeptFile kept(UUID id, SignedIn account) {
    Upload upload =
        store
            .find(id)
            .filter(u -> u.stage() == Stage.failed && sent.has(id))
            .orElseThrow(() -> Problem.notFound("file"));
    if (!upload.studentId().equals(account.id())) {
      assignments.requireTo(Right.READ_ALL, upload.assignmentId(), account);
    }
    return new KeptFile(upload.fileName(), upload.size(), sent.open(id));
  }

  /** Lets an upload be nothing more, unless it is over already; how it stands then. */
  @Transactional
  public UploadView cancel(UUID id, SignedIn student) {
    require(id, student);
    store.cancel(id);
    return view(require(id, student));
  }

  private Upload require(UUID id, SignedIn student) {
    return store
        .find(id)
        .filter(u -> u.studentId().equals(student.id()))
        .orElseThrow(() -> Problem.notFound("upload"));
  }

  /** How far a file is, for whoever may know. */
  UploadView view(UUID id) {
    return view(store.find(id).orElseThrow());
  }

  private UploadView view(Upload upload) {
    UUID submission = upload.submissionId();
    HandedIn handedIn = submission == null ? null : submissions.handedIn(submission);
    UploadProblem problem = upload.stage() == Stage.failed ? store.problem(upload.id()) : null;
    Question question = upload.stage() == Stage.asking ? store.question(upload.id()) : null;
    return new UploadView(
        upload.id(),
        upload.fileName(),
        upload.stage(),
        upload.share(),
        question,
        handedIn,
        problem,
        problem != null && sent.has(upload.id()));
  }
}
