package fairedge.server.submission;

import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.BundleView.StudentView;
import fairedge.server.submission.store.BundleStore;
import fairedge.server.submission.store.BundleStore.Bundle;
import fairedge.server.submission.store.BundleStore.File;
import fairedge.server.submission.store.UploadStore.Incoming;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.util.unit.DataSize;

/**
 * Hand-ins of a class that came some other way: an instructor brings them in a zip or a folder,
 * sees whose each is by its name, puts right what is not, and hands them in for the students.
 */
@Service
public class Bundles {
  private static final Duration KEPT = Duration.ofDays(30);
  private static final int TIMES = 4;

  private final BundleStore store;
  private final Uploads uploads;
  private final Exercises exercises;
  private final Courses courses;
  private final Clock clock;
  private final long mostOfOne;

  Bundles(
      BundleStore store,
      Uploads uploads,
      Exercises exercises,
      Courses courses,
      Clock clock,
      @Value("${fair-edge.limits.file}") DataSize file) {
    this.store = store;
    this.uploads = uploads;
    this.exercises = exercises;
    this.courses = courses;
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
  @Transactional
  public BundleView receive(
      UUID exerciseId, SignedIn instructor, List<Brought> files, UUID clientKey) {
    Exercise exercise = exercises.requireForInstructor(exerciseId, instructor);
    store.lockBundles(instructor.id());
    Optional<Bundle> known = store.findByKey(instructor.id(), clientKey);
    if (known.isPresent()) {
      return view(known.get().id(), instructor);
    }
    store.forgetBefore(clock.instant().minus(KEPT));
    Bundle bundle = new Bundle(UUID.randomUUID(), exerciseId, instructor.id());
    store.insert(bundle, clientKey, clock.instant());
    Intake intake = new Intake(bundle, courses.students(exercise.courseId()));
    Unpacking unpacking = new Unpacking(mostOfOne, TIMES * mostOfOne, intake);
    for (Brought file : files) {
      try (InputStream in = file.source().open()) {
        unpacking.take(file.path(), in);
      } catch (IOException broken) {
        throw Problem.of(Problem.Kind.BAD_FILE, "The files did not come through in full.");
      }
    }
    if (intake.count == 0) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          "There is no file in it.",
          Map.of("line", 0, "found", "no file", "expected", "mesh files"));
    }
    return view(bundle.id(), instructor);
  }

  /** Keeps each file with whose it is; of several files of one student the first counts as his. */
  private final class Intake implements Unpacking.Taker {
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

    @Override
    public void take(String path, byte[] bytes) {
      Roster.Match match = roster.match(path);
      UUID student = match.student();
      String doubt = match.doubt();
      if (student != null && !taken.add(student)) {
        doubt = "Another file is by " + name(student) + " already.";
        student = null;
      }
      store.add(bundle.id(), count++, new File(path, bytes), student, doubt);
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
    Exercise exercise = exerciseOf(store.find(id), instructor);
    List<StudentView> students =
        courses.students(exercise.courseId()).stream()
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
    Exercise exercise = exerciseOf(store.lock(id), instructor);
    Set<UUID> known = new HashSet<>();
    courses.students(exercise.courseId()).forEach(m -> known.add(m.id()));
    students.forEach((number, student) -> {
      if (!known.contains(student)) {
        throw Problem.notFound("student");
      }
      store.file(id, number).ifPresent(file -> handIn(exercise, id, number, student, file));
    });
    return view(id, instructor);
  }

  private void handIn(Exercise exercise, UUID bundle, int number, UUID student, File file) {
    byte[] name = (bundle + " " + number).getBytes(StandardCharsets.UTF_8);
    UUID upload =
        uploads.begin(
            new Incoming(
                exercise.id(),
                student,
                UUID.nameUUIDFromBytes(name),
                Uploads.plain(file.path()),
                file.bytes(),
                false,
                null));
    store.handedIn(bundle, number, student, upload);
  }

  private Exercise exerciseOf(Optional<Bundle> bundle, SignedIn instructor) {
    UUID exercise =
        bundle
            .filter(b -> b.instructorId().equals(instructor.id()))
            .map(Bundle::exerciseId)
            .orElseThrow(() -> Problem.notFound("bundle"));
    return exercises.requireForInstructor(exercise, instructor);
  }
}
