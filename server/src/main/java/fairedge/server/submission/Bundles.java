package fairedge.server.submission;

import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.BundleView.StudentView;
import fairedge.server.submission.Unpacking.Unpacked;
import fairedge.server.submission.store.BundleStore;
import fairedge.server.submission.store.BundleStore.Bundle;
import fairedge.server.submission.store.BundleStore.File;
import fairedge.server.submission.store.UploadStore.Incoming;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.unit.DataSize;

/**
 * Hand-ins of a class that came some other way: an instructor brings them in a zip or a folder,
 * sees whose each is by its name, puts right what is not, and hands them in for the students.
 */
@Service
public class Bundles {
  private static final Logger log = LoggerFactory.getLogger(Bundles.class);
  private static final int TIMES = 4;

  private final BundleStore store;
  private final Uploads uploads;
  private final Assignments assignments;
  private final Courses courses;
  private final SentFiles sent;
  private final TransactionTemplate transactions;
  private final Clock clock;
  private final long mostOfOne;

  Bundles(
      BundleStore store,
      Uploads uploads,
      Assignments assignments,
      Courses courses,
      SentFiles sent,
      TransactionTemplate transactions,
      Clock clock,
      @Value("${fair-edge.limits.file}") DataSize file) {
    this.store = store;
    this.uploads = uploads;
    this.assignments = assignments;
    this.courses = courses;
    this.sent = sent;
    this.transactions = transactions;
    this.clock = clock;
    this.mostOfOne = file.toBytes();
  }

  /** A file as it was brought; a zip stands for what is in it. */
  public record Brought(String path, Source source) {}

  /** Where the bytes of a file come from. */
  public interface Source {
    InputStream open() throws IOException;
  }

  /**
   * Takes files in and tells whose they are; asked again with the same key it answers with the
   * first ones.
   *
   * @throws Problem if a zip holds too much, leads outside, or can't be unpacked
   */
  public BundleView receive(
      UUID assignmentId, SignedIn instructor, List<Brought> files, UUID clientKey) {
    Assignment assignment = assignments.requireTo(Right.REVIEW, assignmentId, instructor);
    Optional<Bundle> known = store.findByKey(instructor.id(), clientKey);
    if (known.isPresent()) {
      return view(known.get().id(), instructor);
    }
    // Unpacked first, while no connection is held.
    try (Unpacking unpacking = new Unpacking(mostOfOne, TIMES * mostOfOne)) {
      for (Brought file : files) {
        try (InputStream in = file.source().open()) {
          unpacking.take(file.path(), in);
        }
      }
      return Objects.requireNonNull(
          transactions.execute(
              status -> keep(assignment, instructor, unpacking.files(), clientKey)));
    } catch (IOException | UncheckedIOException broken) {
      log.warn("files for assignment {} could not be unpacked", assignmentId, broken);
      throw Problem.of(Problem.Kind.BAD_FILE, "The files did not come through in full.");
    }
  }

  private BundleView keep(
      Assignment assignment, SignedIn instructor, List<Unpacked> files, UUID clientKey) {
    if (files.isEmpty()) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          "There is no file in it.",
          Map.of("line", 0, "found", "no file", "expected", "mesh files"));
    }
    store.lockBundles(instructor.id());
    Optional<Bundle> known = store.findByKey(instructor.id(), clientKey);
    if (known.isPresent()) {
      return view(known.get().id(), instructor);
    }
    Bundle bundle = new Bundle(UUID.randomUUID(), assignment.id(), instructor.id());
    store.insert(bundle, clientKey, clock.instant());
    Intake intake = new Intake(bundle, courses.students(assignment.courseId()));
    files.forEach(intake::take);
    return view(bundle.id(), instructor);
  }

  /** Keeps each file with whose it is; of several files of one student the first counts as his. */
  private final class Intake {
    private final Bundle bundle;
    private final Roster roster;
    private final List<Member> students;
    private final Set<UUID> taken = new HashSet<>();
    private int count;

    Intake(Bundle bundle, List<Member> students) {
      this.bundle = bundle;
      this.students = students;
      this.roster = new Roster(students);
    }

    void take(Unpacked unpacked) {
      Roster.Match match = roster.match(unpacked.path());
      UUID student = match.student();
      String doubt = match.doubt();
      if (student != null && !taken.add(student)) {
        doubt = "Another file is by " + name(student) + " already.";
        student = null;
      }
      UUID id = UUID.randomUUID();
      File file = new File(id, unpacked.path(), keep(id, unpacked.content()));
      store.add(bundle.id(), count++, file, student, doubt);
    }

    private long keep(UUID id, Path content) {
      try (InputStream in = Files.newInputStream(content)) {
        return sent.keep(id, in);
      } catch (IOException broken) {
        throw new UncheckedIOException(broken);
      }
    }

    private String name(UUID student) {
      return students.stream()
          .filter(m -> m.id().equals(student))
          .map(Member::name)
          .findFirst()
          .orElseThrow();
    }
  }

  @Transactional(readOnly = true)
  public BundleView view(UUID id, SignedIn instructor) {
    Assignment assignment = assignmentOf(store.find(id), instructor);
    List<StudentView> students =
        courses.students(assignment.courseId()).stream()
            .map(m -> new StudentView(m.id(), m.name()))
            .toList();
    return new BundleView(id, students, store.entries(id));
  }

  /**
   * Hands files in for students; what is handed in already stays as it is.
   *
   * @param students by the number of the file
   */
  @Transactional
  public BundleView handIn(UUID id, SignedIn instructor, Map<Integer, UUID> students) {
    Assignment assignment = assignmentOf(store.lock(id), instructor);
    Set<UUID> known = new HashSet<>();
    courses.students(assignment.courseId()).forEach(m -> known.add(m.id()));
    students.forEach((number, student) -> {
      if (!known.contains(student)) {
        throw Problem.notFound("student");
      }
      store.file(id, number).ifPresent(file -> handIn(assignment.id(), id, number, student, file));
    });
    return view(id, instructor);
  }

  private void handIn(UUID assignment, UUID bundle, int number, UUID student, File file) {
    byte[] name = (bundle + " " + number).getBytes(StandardCharsets.UTF_8);
    uploads.begin(
        new Incoming(
            file.id(),
            assignment,
            student,
            UUID.nameUUIDFromBytes(name),
            Uploads.plain(file.path()),
            file.size(),
            false,
            null));
    store.handedIn(bundle, number, student, file.id());
  }

  private Assignment assignmentOf(Optional<Bundle> bundle, SignedIn instructor) {
    UUID assignment =
        bundle
            .filter(b -> b.instructorId().equals(instructor.id()))
            .map(Bundle::assignmentId)
            .orElseThrow(() -> Problem.notFound("bundle"));
    return assignments.requireTo(Right.REVIEW, assignment, instructor);
  }
}
