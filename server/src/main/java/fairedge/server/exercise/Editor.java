package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Wanted;
import fairedge.json.ExerciseZip;
import fairedge.json.ProfileView;
import fairedge.server.account.Accounts;
import fairedge.server.course.Right;
import fairedge.server.exercise.EditorView.Countable;
import fairedge.server.exercise.EditorView.ReferenceView;
import fairedge.server.exercise.EditorView.StarterView;
import fairedge.server.exercise.store.DraftStore;
import fairedge.server.exercise.store.DraftStore.Written;
import fairedge.server.exercise.store.ExerciseStore;
import fairedge.server.inspection.Terms;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Writes exercises: a draft that is kept as it is written and holds nowhere, and is made ready when
 * nothing is missing; then it is the version that holds wherever the exercise is set.
 */
@Service
public class Editor {

  private final DraftStore drafts;
  private final ExerciseStore store;
  private final Assignments assignments;
  private final Accounts accounts;
  private final MeshFiles meshes;
  private final List<Begun> begun;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Editor(
      DraftStore drafts,
      ExerciseStore store,
      Assignments assignments,
      Accounts accounts,
      MeshFiles meshes,
      List<Begun> begun,
      ApplicationEventPublisher events,
      Clock clock) {
    this.drafts = drafts;
    this.store = store;
    this.assignments = assignments;
    this.accounts = accounts;
    this.meshes = meshes;
    this.begun = begun;
    this.events = events;
    this.clock = clock;
  }

  /**
   * Begins an exercise, of which nothing is written yet.
   *
   * @throws Problem if the account is no instructor's
   */
  @Transactional
  public UUID begin(SignedIn account) {
    Draft empty =
        new Draft(
            "",
            "",
            "",
            ProfileView.of(Profile.ALL_QUADS),
            Wanted.NOTHING,
            Exercise.Tells.all,
            null,
            List.of(),
            Exercise.Shows.withAnswer,
            true,
            null,
            Exercise.Mends.inPractice);
    return begin(account, empty);
  }

  private UUID insert(SignedIn owner, Draft draft, @Nullable Written starter) {
    UUID id = UUID.randomUUID();
    drafts.insert(id, owner.id(), draft, clock.instant());
    draft.references().forEach(r -> store.addReference(id, r.bytes()));
    if (starter != null && starter.starter() != null) {
      drafts.setStarter(id, starter);
    }
    return id;
  }

  /** Begins another one with all that one has: the newest that may be read. */
  @Transactional
  public UUID copy(UUID id, SignedIn account) {
    requireTeacher(account);
    Written written = requireToRead(id, account);
    Draft shown = shown(written, account);
    String title = shown.title().isBlank() ? "" : fitted("Copy of " + shown.title());
    return insert(account, shown.withTitle(title), written);
  }

  private static String fitted(String title) {
    return title.length() > DraftRules.LONGEST_TITLE
        ? title.substring(0, DraftRules.LONGEST_TITLE)
        : title;
  }

  /** All that is written of it, or what holds where it is somebody else's. */
  Draft draft(UUID id, SignedIn account) {
    return shown(requireToRead(id, account), account);
  }

  /**
   * Begins an exercise with all that is written of it elsewhere.
   *
   * @throws Problem if that can't be, or the account is no instructor's
   */
  @Transactional
  public UUID begin(SignedIn account, Draft draft) {
    requireTeacher(account);
    DraftRules.requireSound(draft);
    return insert(account, draft, null);
  }

  private void requireTeacher(SignedIn account) {
    if (!accounts.self(account).mayTeach()) {
      throw Problem.notFound("place");
    }
  }

  public EditorView view(UUID id, SignedIn account) {
    return view(requireToRead(id, account), account);
  }

  private EditorView view(Written w, SignedIn account) {
    Draft draft = shown(w, account);
    SignedIn owner = accounts.people(List.of(w.owner())).get(w.owner());
    Optional<Exercise> holds = store.find(w.id());
    return new EditorView(
        w.id(),
        isMine(w, account),
        owner == null ? "Somebody" : owner.name(),
        w.revision(),
        w.version(),
        !draft.equals(holds.map(Draft::of).orElse(null)),
        holds.filter(e -> !countsLike(e, draft)).isPresent(),
        w.isPutAway(),
        starter(w),
        draft,
        draft.references().stream()
            .map(r -> new ReferenceView(r.hash(), r.from(), meshes.faceCount(r.bytes())))
            .toList(),
        w.keptAt(),
        DraftRules.missing(w, draft),
        Countable.ALL);
  }

  private static boolean isMine(Written w, SignedIn account) {
    return w.owner().equals(account.id());
  }

  /** Its instructor sees what is written, others what holds. */
  private Draft shown(Written w, SignedIn account) {
    return isMine(w, account) ? written(w) : holds(w.id());
  }

  private Draft written(Written w) {
    return w.draft() != null ? w.draft() : holds(w.id());
  }

  private Draft holds(UUID id) {
    return store.find(id).map(Draft::of).orElseThrow(Editor::gone);
  }

  private @Nullable StarterView starter(Written w) {
    byte[] hash = w.starter();
    return hash == null
        ? null
        : new StarterView(
            HexFormat.of().formatHex(hash),
            w.starterFrom() == null ? "a mesh" : w.starterFrom(),
            w.unit(),
            meshes.faceCount(hash),
            isBegun(w.id()));
  }

  private boolean isBegun(UUID id) {
    List<UUID> set = assignments.idsOfExercise(id);
    return !set.isEmpty() && begun.stream().anyMatch(b -> b.hasBegun(set));
  }

  /** What is told where a draft was changed elsewhere meanwhile. */
  private static Problem stale(Written now) {
    return Problem.of(
        Problem.Kind.STALE,
        "This was changed in another window meanwhile; here is how it stands now.",
        Map.of("revision", now.revision()));
  }

  /**
   * Keeps what was written.
   *
   * @param revision of the draft that it was written on
   * @param writing makes the draft of the one that was kept before
   */
  @Transactional
  public EditorView keep(UUID id, SignedIn owner, long revision, UnaryOperator<Draft> writing) {
    Written now = lock(id, owner, revision);
    Draft draft = writing.apply(shown(now, owner));
    DraftRules.requireSound(draft);
    requireKnown(id, draft);
    drafts.keep(id, now.revision() + 1, draft, clock.instant());
    return view(id, owner);
  }

  private void requireKnown(UUID id, Draft draft) {
    if (draft.references().size() > ExerciseZip.MOST_REFERENCES) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "An exercise has %d references at the most: let go of one first."
              .formatted(ExerciseZip.MOST_REFERENCES));
    }
    for (Reference r : draft.references()) {
      boolean isKnown = r.hash().matches("([0-9a-f]{2})+") && store.hasReference(id, r.bytes());
      if (!isKnown) {
        throw Problem.of(Problem.Kind.BAD_INPUT, "One of the references is none of this exercise.");
      }
    }
  }

  /**
   * Adds a solution.
   *
   * @param from where it came from, in words
   * @throws Problem if there are as many as there may be
   */
  @Transactional
  public EditorView addReference(UUID id, SignedIn owner, Mesh mesh, String from) {
    Written now = drafts.lock(requireOf(id, owner).id()).orElseThrow(Editor::gone);
    byte[] hash = meshes.keep(mesh);
    store.addReference(id, hash);
    Reference added = Reference.of(hash, from);
    return keep(
        id,
        owner,
        now.revision(),
        draft ->
            draft.withReferences(
                Stream.concat(
                        draft.references().stream().filter(r -> !r.hash().equals(added.hash())),
                        Stream.of(added))
                    .toList()));
  }

  /** One of the references of what is written, for whoever may read that. */
  public byte[] reference(UUID id, SignedIn account, String hash) {
    return draft(id, account).references().stream()
        .filter(r -> r.hash().equals(hash))
        .map(Reference::bytes)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("reference"));
  }

  /** Writes again what holds. */
  @Transactional
  public EditorView takeBack(UUID id, SignedIn owner, long revision) {
    Written now = lock(id, owner, revision);
    Exercise ready =
        store
            .find(id)
            .orElseThrow(() ->
                Problem.of(
                    Problem.Kind.BAD_INPUT,
                    "It was never made ready: there is nothing before it."));
    drafts.keep(id, now.revision() + 1, Draft.of(ready), clock.instant());
    return view(id, owner);
  }

  /**
   * Lets the draft hold from now on, wherever the exercise is set. Where other things count, what
   * was handed in is inspected anew after it: {@link TermsChanged}.
   *
   * @throws Problem if something is missing
   */
  @Transactional
  public EditorView makeReady(UUID id, SignedIn owner, long revision) {
    Written now = lock(id, owner, revision);
    Draft draft = shown(now, owner);
    DraftRules.missing(now, draft).stream()
        .findFirst()
        .ifPresent(first -> {
          throw Problem.of(
              Problem.Kind.BAD_INPUT, "It is not ready: " + first.what() + " is missing.");
        });
    Optional<Exercise> before = store.find(id);
    Exercise next = ready(now, draft, before.orElse(null));
    store.addVersion(next, clock.instant());
    drafts.keep(id, now.revision() + 1, Draft.of(next), clock.instant());
    if (before.isPresent() && next.termsVersion() == next.version()) {
      events.publishEvent(new TermsChanged(id, next.version()));
    }
    return view(id, owner);
  }

  /** Whether the same counts, and the same is asked. */
  private static boolean countsLike(Exercise e, Draft draft) {
    return e.profile().equals(DraftRules.profile(draft))
        && e.wanted().equals(draft.wanted())
        && e.references().equals(draft.references());
  }

  private static Exercise ready(Written w, Draft draft, @Nullable Exercise before) {
    int version = before == null ? 0 : before.version() + 1;
    Profile profile = DraftRules.profile(draft);
    int termsVersion =
        before != null && countsLike(before, draft) ? before.termsVersion() : version;
    return new Exercise(
        w.id(),
        w.owner(),
        draft.title().strip(),
        draft.summary().strip(),
        w.unit(),
        Objects.requireNonNull(w.starter()),
        Objects.requireNonNull(w.scale()),
        version,
        termsVersion,
        draft.brief(),
        profile,
        draft.wanted(),
        draft.tells(),
        DraftRules.rule(draft),
        draft.references(),
        draft.shows(),
        draft.showsLines(),
        draft.sheet(),
        draft.mends());
  }

  /** Puts it out of sight, or brings it back; where it is set it stays. */
  @Transactional
  public EditorView putAway(UUID id, SignedIn owner, boolean away) {
    requireOf(id, owner);
    drafts.putAway(id, away ? clock.instant() : null);
    return view(id, owner);
  }

  /**
   * Lets students begin with another mesh.
   *
   * @param from where it came from, in words
   * @throws Problem if somebody has begun already
   */
  @Transactional
  public EditorView setStarter(UUID id, SignedIn owner, Mesh mesh, String unit, String from) {
    requireStarterFree(id, owner);
    byte[] hash = meshes.keep(mesh);
    drafts.setStarter(id, hash, Tolerance.of(mesh.bounds()).scale(), unit, from);
    events.publishEvent(new StarterChanged(id));
    return view(id, owner);
  }

  /** Before a file is read: that another starter may be chosen. */
  public void requireStarterFree(UUID id, SignedIn owner) {
    requireOf(id, owner);
    if (isBegun(id)) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "Students have begun with this starter: copy the exercise to give the copy another one.");
    }
  }

  /**
   * @throws Problem as not found, if it is neither theirs nor set where they see everybody
   */
  public void requireMayRead(UUID id, SignedIn account) {
    requireToRead(id, account);
  }

  /**
   * @throws Problem as not found, if it is not theirs to write
   */
  public void requireMine(UUID id, SignedIn account) {
    requireOf(id, account);
  }

  /** An exercise as it is written, to be tried. */
  public record Rehearsed(Draft draft, String unit, Terms terms) {}

  /**
   * @throws Problem if it is somebody else's, or there is nothing to cut yet
   */
  public void requireToRehearse(UUID id, SignedIn owner) {
    if (requireOf(id, owner).starter() == null) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Choose a starter first: there is nothing to cut.");
    }
  }

  /** What is written of it, for whoever was let try it. */
  public Rehearsed rehearsed(UUID id) {
    Written w = drafts.find(id).filter(o -> o.starter() != null).orElseThrow(Editor::gone);
    Draft draft = written(w);
    return new Rehearsed(draft, w.unit(), terms(w, draft));
  }

  private static Terms terms(Written w, Draft draft) {
    return new Terms(
        DraftRules.profile(draft),
        draft.wanted(),
        new Tolerance(Objects.requireNonNull(w.scale())),
        Objects.requireNonNull(w.starter()),
        draft.references().stream().map(Reference::bytes).toList());
  }

  /** The starter with what counts by the draft. */
  public Optional<Terms> terms(UUID id, SignedIn account) {
    Written w = requireToRead(id, account);
    return w.starter() == null ? Optional.empty() : Optional.of(terms(w, shown(w, account)));
  }

  private Written lock(UUID id, SignedIn owner, long revision) {
    requireOf(id, owner);
    Written now = drafts.lock(id).orElseThrow(Editor::gone);
    if (now.revision() != revision) {
      throw stale(now);
    }
    return now;
  }

  private Written requireOf(UUID id, SignedIn owner) {
    return drafts.find(id).filter(w -> isMine(w, owner)).orElseThrow(Editor::gone);
  }

  private Written requireToRead(UUID id, SignedIn account) {
    return drafts
        .find(id)
        .filter(w -> isMine(w, account) || assignments.may(Right.READ_ALL, id, account))
        .orElseThrow(Editor::gone);
  }

  private static Problem gone() {
    return Problem.notFound("exercise");
  }
}
