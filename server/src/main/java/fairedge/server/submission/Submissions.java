package fairedge.server.submission;

import fairedge.core.format.BadFile;
import fairedge.core.format.ReadResult;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.Oddity;
import fairedge.json.CheckView;
import fairedge.server.bench.Bench;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.Inspections;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.HandedIn.ReadingView;
import fairedge.server.submission.store.SubmissionStore;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Handing in, from the bench or as a file; and what was handed in. */
@Service
public class Submissions {
  private static final int MOST_REMARKS = 200;

  private final SubmissionStore store;
  private final Bench bench;
  private final Exercises exercises;
  private final MeshFiles meshes;
  private final Inspections inspections;
  private final Clock clock;

  Submissions(
      SubmissionStore store,
      Bench bench,
      Exercises exercises,
      MeshFiles meshes,
      Inspections inspections,
      Clock clock) {
    this.store = store;
    this.bench = bench;
    this.exercises = exercises;
    this.meshes = meshes;
    this.inspections = inspections;
    this.clock = clock;
  }

  /** A mesh on its way in. */
  private record Incoming(
      Mesh mesh, @Nullable String fileName, @Nullable Long step, List<Oddity> oddities) {
    List<ReadingView> reading() {
      return oddities.stream()
          .limit(MOST_REMARKS)
          .map(o -> new ReadingView(o.line(), words(o)))
          .toList();
    }
  }

  /** Hands in a workpiece as it stands at a revision. */
  @Transactional
  public HandedIn fromBench(UUID workpiece, SignedIn student, long revision, UUID clientKey) {
    Mesh mesh =
        bench.look(workpiece, student, revision, held -> MeshBytes.read(MeshBytes.write(held)));
    WorkpieceView state = bench.state(workpiece, student);
    Long step = bench.headStep(workpiece, student);
    Exercise exercise = exercises.requireForStudent(state.exercise().id(), student);
    return keep(exercise, student, clientKey, new Incoming(mesh, null, step, List.of()));
  }

  /** Hands in a file. */
  @Transactional
  public HandedIn fromFile(
      UUID exerciseId, SignedIn student, String fileName, InputStream file, UUID clientKey) {
    Exercise exercise = exercises.requireForStudent(exerciseId, student);
    ReadResult read = read(file);
    String name = fileName.length() > 200 ? fileName.substring(0, 200) : fileName;
    return keep(
        exercise, student, clientKey, new Incoming(read.mesh(), name, null, read.oddities()));
  }

  private static ReadResult read(InputStream file) {
    try {
      return ObjReader.read(file);
    } catch (BadFile bad) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          String.valueOf(bad.getMessage()),
          Map.of("line", bad.line(), "found", bad.found(), "expected", bad.expected()));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String words(Oddity oddity) {
    return switch (oddity.kind()) {
      case UNREADABLE_FACE -> "A face was left out: " + oddity.text() + ".";
      case REPEATED_CORNER -> "A face was mended: " + oddity.text() + ".";
    };
  }

  private HandedIn keep(Exercise exercise, SignedIn student, UUID clientKey, Incoming incoming) {
    store.lockAttempts(exercise.id(), student.id());
    Optional<Submission> known = store.findByKey(clientKey);
    if (known.isPresent()) {
      return known
          .filter(s -> s.studentId().equals(student.id()))
          .map(s -> new HandedIn(s.id(), s.attempt(), incoming.reading()))
          .orElseThrow(() -> Problem.notFound("submission"));
    }
    Submission submission =
        new Submission(
            UUID.randomUUID(),
            exercise.id(),
            student.id(),
            store.attemptsOf(exercise.id(), student.id()) + 1,
            incoming.fileName(),
            incoming.step(),
            meshes.keep(incoming.mesh()),
            clock.instant());
    CheckView check =
        inspections.inspect(
            incoming.mesh(), incoming.oddities(), exercise.profile(), exercise.tolerance());
    store.insert(submission, clientKey, check, incoming.reading());
    return new HandedIn(submission.id(), submission.attempt(), incoming.reading());
  }

  public Optional<Submission> find(UUID id) {
    return store.find(id);
  }

  public CheckView check(UUID id) {
    return store.check(id);
  }

  public List<ReadingView> reading(UUID id) {
    return store.reading(id);
  }

  public Mesh mesh(Submission submission) {
    return meshes.require(submission.mesh());
  }

  public Optional<Submission> findBefore(Submission submission) {
    return store.findAttempt(
        submission.exerciseId(), submission.studentId(), submission.attempt() - 1);
  }

  /** The attempts of a student in an exercise, the last first. */
  public List<Submission> attempts(UUID exercise, UUID student) {
    return store.attempts(exercise, student);
  }
}
