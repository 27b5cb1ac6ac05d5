package fairedge.server.demonstration;

import fairedge.core.demonstration.Deed;
import fairedge.core.mesh.Mesh;
import fairedge.server.account.Accounts;
import fairedge.server.bench.Recordings;
import fairedge.server.bench.Recordings.Recording;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.demonstration.DemonstrationView.DemonstrationList;
import fairedge.server.demonstration.DemonstrationView.DemonstrationRow;
import fairedge.server.demonstration.DemonstrationView.FrameKind;
import fairedge.server.demonstration.DemonstrationView.FrameView;
import fairedge.server.demonstration.DemonstrationView.ToldStep;
import fairedge.server.demonstration.DemonstrationView.TryView;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.demonstration.store.DemonstrationStore;
import fairedge.server.demonstration.store.DemonstrationStore.Try;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Editor;
import fairedge.server.inspection.Gallery;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.Practices;
import fairedge.server.review.NoteView.CameraView;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Demonstrations: recorded from one's own workpieces, told of, set in classes and beside exercises,
 * tried. In no transaction: while steps are made no connection is held; that an edit goes from one
 * revision to the next only once is the store's.
 */
@Service
public class Demonstrations {
  private static final int MOST_STEPS = 150;
  private static final int MOST_KEPT = 200;
  private static final int MOST_TRIES = 5;
  private static final int LONGEST_TITLE = 80;

  /** Names of lenses, as the browser has them. */
  private static final Set<String> LENSES =
      Set.of(
          "clay",
          "sides",
          "flow",
          "poles",
          "spacing",
          "shape-change",
          "stripes",
          "subdivided",
          "bend");

  private final DemonstrationStore store;
  private final Rehearsal rehearsal;
  private final Recordings recordings;
  private final Courses courses;
  private final Assignments assignments;
  private final Editor editor;
  private final Accounts accounts;
  private final Practices practices;
  private final Gallery gallery;
  private final Turns turns;
  private final Clock clock;

  Demonstrations(
      DemonstrationStore store,
      Rehearsal rehearsal,
      Recordings recordings,
      Courses courses,
      Assignments assignments,
      Editor editor,
      Accounts accounts,
      Practices practices,
      Gallery gallery,
      Turns turns,
      Clock clock) {
    this.store = store;
    this.rehearsal = rehearsal;
    this.recordings = recordings;
    this.courses = courses;
    this.assignments = assignments;
    this.editor = editor;
    this.accounts = accounts;
    this.practices = practices;
    this.gallery = gallery;
    this.turns = turns;
    this.clock = clock;
  }

  /** What is said of a step, by its number among all. */
  public record Words(
      boolean leftOut,
      String caption,
      String question,
      String answer,
      @Nullable CameraView camera,
      @Nullable String lens) {}

  /** All that may be seen. */
  public DemonstrationList list(SignedIn account) {
    boolean teaches = teaches(account);
    List<Demonstration> all = store.list(account.id(), teaches, courses.where(account, Right.SEE));
    Map<UUID, SignedIn> people =
        accounts.people(
            all.stream().map(Demonstration::owner).filter(Objects::nonNull).distinct().toList());
    return new DemonstrationList(
        all.stream().map(d -> row(d, account, name(people, d.owner()))).toList(), teaches);
  }

  private DemonstrationRow row(Demonstration d, SignedIn account, @Nullable String by) {
    List<FrameView> frames = Frames.of(d);
    return new DemonstrationRow(
        d.id(),
        d.title(),
        d.about(),
        by,
        d.isOf(account.id()),
        d.putAwayAt() != null,
        (int) frames.stream().filter(f -> f.kind() != FrameKind.question).count() - 1,
        (int) frames.stream().filter(f -> f.kind() == FrameKind.question).count(),
        store.classesOf(d.id()).size(),
        frames.getLast().mesh(),
        d.revision());
  }

  private static @Nullable String name(Map<UUID, SignedIn> people, @Nullable UUID account) {
    SignedIn known = account == null ? null : people.get(account);
    return known == null ? null : known.name();
  }

  private boolean teaches(SignedIn account) {
    return accounts.self(account).mayTeach() || !courses.where(account, Right.READ_ALL).isEmpty();
  }

  private void requireToTeach(SignedIn account) {
    if (!teaches(account)) {
      throw Problem.notFound("place");
    }
  }

  /** One that the account may see. */
  Demonstration requireToSee(UUID id, SignedIn account) {
    return store
        .find(id)
        .filter(d -> maySee(d, account))
        .orElseThrow(() -> Problem.notFound("demonstration"));
  }

  private boolean maySee(Demonstration d, SignedIn account) {
    if (d.isOf(account.id()) || d.owner() == null && teaches(account)) {
      return true;
    }
    if (d.putAwayAt() != null) {
      return false;
    }
    if (store.classesOf(d.id()).stream().anyMatch(c -> courses.may(account, c, Right.SEE))) {
      return true;
    }
    Set<UUID> exercises = Set.copyOf(store.exercisesOf(d.id()));
    return !exercises.isEmpty()
        && assignments.of(account, Right.SEE).stream()
            .anyMatch(a -> exercises.contains(a.exercise().id()));
  }

  private Demonstration requireMine(UUID id, SignedIn account) {
    Demonstration d = requireToSee(id, account);
    if (!d.isOf(account.id())) {
      throw Problem.notFound("demonstration");
    }
    return d;
  }

  public DemonstrationView view(UUID id, SignedIn account) {
    return view(requireToSee(id, account), account);
  }

  private DemonstrationView view(Demonstration d, SignedIn account) {
    boolean isMine = d.isOf(account.id());
    List<UUID> classes =
        store.classesOf(d.id()).stream()
            .filter(c -> courses.may(account, c, Right.READ_ALL))
            .toList();
    return new DemonstrationView(
        d.id(),
        d.title(),
        d.about(),
        d.owner() == null ? null : name(accounts.people(List.of(d.owner())), d.owner()),
        d.unit(),
        d.revision(),
        isMine,
        d.putAwayAt() != null,
        Frames.of(d),
        isMine ? told(d) : List.of(),
        classes,
        isMine ? store.exercisesOf(d.id()) : List.of(),
        tries(d, account));
  }

  private static List<ToldStep> told(Demonstration d) {
    List<ToldStep> told = new ArrayList<>();
    for (KeptDeed step : d.steps().steps()) {
      told.add(
          new ToldStep(
              told.size() + 1,
              Rehearsal.title(step),
              step.played() == null ? null : step.played().brief(),
              step.leftOut(),
              step.caption(),
              step.question(),
              step.answer(),
              step.camera(),
              step.lens()));
    }
    return told;
  }

  private List<TryView> tries(Demonstration d, SignedIn account) {
    List<Try> tries = store.tries(d.id(), account.id(), MOST_TRIES);
    Map<UUID, Integer> steps =
        recordings.stepsOfPractice(tries.stream().map(Try::practice).toList(), account);
    return tries.stream()
        .map(t ->
            new TryView(t.practice(), t.frame(), steps.getOrDefault(t.practice(), 0), t.begunAt()))
        .toList();
  }

  /**
   * Keeps what was done on a workpiece of one's own.
   *
   * @param whole also what was taken back
   * @param clientKey a repeated request is known by it
   */
  public DemonstrationView record(
      UUID workpiece, boolean whole, String title, UUID clientKey, SignedIn account) {
    requireToTeach(account);
    Optional<Demonstration> known = store.findByKey(clientKey).filter(d -> d.isOf(account.id()));
    if (known.isPresent()) {
      return view(known.get(), account);
    }
    if (store.count(account.id()) >= MOST_KEPT) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "You keep %d demonstrations already: put some away.".formatted(MOST_KEPT));
    }
    Recording recording = recordings.of(workpiece, account, whole);
    Demonstration d =
        new Demonstration(
            UUID.randomUUID(),
            account.id(),
            titled(title.isBlank() ? recording.title() : title),
            "",
            recording.unit(),
            recording.terms().profile().name(),
            recording.terms().starter(),
            recording.terms().tolerance().scale(),
            kept(recording.deeds()),
            0,
            clock.instant(),
            null);
    return view(insert(d, clientKey, account.id()), account);
  }

  private static KeptSteps kept(List<Deed> deeds) {
    if (deeds.isEmpty()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Nothing is cut yet that could be shown.");
    }
    if (deeds.size() > MOST_STEPS) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A demonstration has at most %d steps, and this has %d: go to an earlier state, or begin a"
                  .formatted(MOST_STEPS, deeds.size())
              + " piece anew.");
    }
    return new KeptSteps(deeds.stream().map(KeptDeed::of).toList());
  }

  /** Plays it and keeps it, unless it is kept already. */
  Demonstration insert(Demonstration d, UUID clientKey, UUID person) {
    KeptSteps played = turns.await(person, () -> rehearsal.played(d));
    return keep(d.saying(d.title(), d.about(), played), clientKey);
  }

  /** A key that somebody else used finds nothing of theirs. */
  private Demonstration keep(Demonstration d, UUID clientKey) {
    store.insert(d, clientKey, clock.instant());
    return store
        .findByKey(clientKey)
        .filter(kept -> Objects.equals(kept.owner(), d.owner()))
        .orElseThrow(() -> Problem.notFound("demonstration"));
  }

  private static String titled(String title) {
    String plain = title.strip();
    if (plain.isEmpty() || plain.length() > LONGEST_TITLE) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "A title has 1 to %d letters.".formatted(LONGEST_TITLE));
    }
    return plain;
  }

  /**
   * Says something else of it; steps are made again only if others are left out.
   *
   * @param words for every step, in their order
   * @throws Problem if it was edited meanwhile, or what is left does not replay
   */
  public DemonstrationView edit(
      UUID id, long revision, String title, String about, List<Words> words, SignedIn account) {
    Demonstration d = requireMine(id, account);
    requireFresh(d, revision);
    List<KeptDeed> steps = d.steps().steps();
    if (words.size() != steps.size()) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "This demonstration has %d steps.".formatted(steps.size()));
    }
    List<KeptDeed> said = new ArrayList<>();
    boolean isSame = true;
    for (int i = 0; i < steps.size(); i++) {
      requireSound(words.get(i), i + 1);
      said.add(steps.get(i).saying(words.get(i)));
      isSame &= steps.get(i).leftOut() == words.get(i).leftOut();
    }
    if (said.stream().allMatch(KeptDeed::leftOut)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "One step at least is shown.");
    }
    Demonstration edited = d.saying(titled(title), about.strip(), new KeptSteps(said));
    if (!isSame) {
      KeptSteps played = turns.await(account.id(), () -> rehearsal.played(edited));
      return store(edited.saying(edited.title(), edited.about(), played), account);
    }
    return store(edited, account);
  }

  private DemonstrationView store(Demonstration edited, SignedIn account) {
    if (!store.update(edited, clock.instant())) {
      throw stale();
    }
    return view(edited.id(), account);
  }

  private static void requireFresh(Demonstration d, long revision) {
    if (d.revision() != revision) {
      throw stale();
    }
  }

  private static Problem stale() {
    return Problem.of(
        Problem.Kind.STALE, "This demonstration was edited in another window meanwhile.");
  }

  private static void requireSound(Words words, int step) {
    if (words.question().isBlank() != words.answer().isBlank()) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "Step %d has %s."
              .formatted(
                  step,
                  words.question().isBlank()
                      ? "an answer to no question"
                      : "a question without an answer"),
          Map.of("step", step));
    }
    if (words.lens() != null && !LENSES.contains(words.lens())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no lens of that name.");
    }
    CameraView camera = words.camera();
    if (camera != null && !(camera.eye().isFinite() && camera.target().isFinite())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The view of step %d is nowhere.".formatted(step));
    }
  }

  /** A copy of one's own, to be told otherwise. */
  public DemonstrationView copy(UUID id, UUID clientKey, SignedIn account) {
    requireToTeach(account);
    Demonstration d = requireToSee(id, account);
    Demonstration copy =
        new Demonstration(
            UUID.randomUUID(),
            account.id(),
            d.title(),
            d.about(),
            d.unit(),
            d.profile(),
            d.starter(),
            d.scale(),
            d.steps(),
            0,
            clock.instant(),
            null);
    return view(keep(copy, clientKey), account);
  }

  /** Puts it out of sight, or brings it back. */
  public DemonstrationView keep(UUID id, boolean inSight, SignedIn account) {
    requireMine(id, account);
    store.putAway(id, inSight ? null : clock.instant());
    return view(id, account);
  }

  /** Shows it to a class, or does so no more. */
  public DemonstrationView set(UUID id, UUID course, boolean shown, SignedIn account) {
    Demonstration d = requireToSee(id, account);
    courses.require(account, course, Right.SET);
    if (shown) {
      store.set(d.id(), course, account.id(), clock.instant());
    } else {
      store.unset(d.id(), course);
    }
    return view(d, account);
  }

  /** Lays it beside the brief of an exercise of one's own, or does so no more. */
  public DemonstrationView link(UUID id, UUID exercise, boolean linked, SignedIn account) {
    Demonstration d = requireToSee(id, account);
    editor.requireMine(exercise, account);
    if (linked) {
      store.link(d.id(), exercise);
    } else {
      store.unlink(d.id(), exercise);
    }
    return view(d, account);
  }

  /** Those beside the brief of what is set. */
  public List<DemonstrationRow> besideBrief(UUID assignment, SignedIn account) {
    Assignment set = assignments.requireTo(Right.SEE, assignment, account);
    return store.ofExercise(set.exercise().id()).stream().map(d -> row(d, account, null)).toList();
  }

  /** A practice piece that begins with a state of it. */
  public PracticePiece tryFrom(UUID id, int frame, UUID clientKey, SignedIn account) {
    Demonstration d = requireToSee(id, account);
    List<FrameView> frames = Frames.of(d);
    if (frame < 0 || frame >= frames.size()) {
      throw Problem.notFound("step");
    }
    FrameView at = frames.get(frame);
    Mesh mesh = gallery.copy(HexFormat.of().parseHex(at.mesh()));
    PracticePiece piece =
        practices.beginWith(
            mesh,
            frame == 0 ? d.title() : "%s, from step %d".formatted(d.title(), frame),
            d.unit(),
            account,
            new Practices.Beginning(d.terms().profile().name(), clientKey));
    store.keepTry(d.id(), account.id(), piece.id(), frame, clock.instant());
    return piece;
  }

  /** For a document: what is shown, with the meshes to be drawn. */
  public record Handout(
      String title,
      String about,
      @Nullable String by,
      List<FrameView> frames,
      Function<FrameView, Mesh> mesh) {}

  public Handout handout(UUID id, SignedIn account) {
    DemonstrationView view = view(id, account);
    return new Handout(
        view.title(),
        view.about(),
        view.by(),
        view.frames(),
        frame -> gallery.atHand(HexFormat.of().parseHex(frame.mesh())));
  }
}
