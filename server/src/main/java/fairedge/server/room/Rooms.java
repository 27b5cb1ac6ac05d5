package fairedge.server.room;

import fairedge.core.geometry.Vec3;
import fairedge.server.account.Accounts;
import fairedge.server.bench.OverShoulder;
import fairedge.server.bench.OverShoulder.Glance;
import fairedge.server.bench.Owner;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.live.LiveEvents;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.room.CompanyView.HintView;
import fairedge.server.room.RoomView.AwayView;
import fairedge.server.room.RoomView.TileView;
import fairedge.server.room.store.RoomStore;
import fairedge.server.room.store.RoomStore.Hint;
import fairedge.server.room.store.RoomStore.Place;
import fairedge.server.room.store.RoomStore.Watch;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The room of a class: who is at a bench, what they do, and help for them. */
@Service
public class Rooms {
  private static final int MOST_HINTS = 20;

  /** So long a look lasts that has no line. */
  private static final Duration LOOKED = Duration.ofSeconds(15);

  private static final Duration REMEMBERED = Duration.ofDays(30);

  private final RoomStore store;
  private final Tiles tiles;
  private final OverShoulder benches;
  private final Courses courses;
  private final Assignments assignments;
  private final Accounts accounts;
  private final LiveEvents events;
  private final Clock clock;

  Rooms(
      RoomStore store,
      Tiles tiles,
      OverShoulder benches,
      Courses courses,
      Assignments assignments,
      Accounts accounts,
      LiveEvents events,
      Clock clock) {
    this.store = store;
    this.tiles = tiles;
    this.benches = benches;
    this.courses = courses;
    this.assignments = assignments;
    this.accounts = accounts;
    this.events = events;
    this.clock = clock;
  }

  static String room(UUID course) {
    return "room " + course;
  }

  static String bench(UUID workpiece) {
    return "bench " + workpiece;
  }

  /** Who is there now. */
  public RoomView view(UUID course, SignedIn account) {
    courses.require(account, course, Right.READ_ALL);
    // First: what happens while it is read is told once more.
    long last = events.last(room(course));
    Map<UUID, UUID> groups = courses.groups(course);
    List<TileView> there =
        store.places(course).stream().map(tiles::of).filter(Objects::nonNull).toList();
    Set<UUID> present = there.stream().map(TileView::student).collect(Collectors.toSet());
    List<Member> students = courses.students(course);
    List<AwayView> away =
        students.stream()
            .filter(s -> !present.contains(s.id()))
            .map(s -> new AwayView(s.id(), s.name(), groups.get(s.id())))
            .toList();
    return new RoomView(there, away, last);
  }

  /** A bench that the account may look on at. */
  Glance requireToLookOn(UUID workpiece, Right right, SignedIn account) {
    Glance glance = benches.glance(workpiece).orElseThrow(() -> Problem.notFound("workpiece"));
    if (glance.owner().type() != Owner.Type.assignment) {
      // What somebody practises is nobody's to see.
      throw Problem.notFound("workpiece");
    }
    assignments.requireTo(right, glance.owner().id(), account);
    return glance;
  }

  public WorkpieceView lookOn(UUID workpiece, SignedIn account) {
    lookAt(workpiece, account);
    return benches.state(workpiece, account);
  }

  public byte[] mesh(UUID workpiece, SignedIn account) {
    lookAt(workpiece, account);
    return benches.mesh(workpiece, account);
  }

  /** Nobody looks on unseen: whoever asks for a bench is told of there, also without a line. */
  private void lookAt(UUID workpiece, SignedIn account) {
    Glance bench = requireToLookOn(workpiece, Right.READ_ALL, account);
    UUID course = assignments.require(bench.owner().id()).courseId();
    String name = "look %s %s".formatted(account.id(), workpiece);
    UUID id = UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    if (store.watch(id, course, account.id(), workpiece, clock.instant().plus(LOOKED))) {
      tellCompany(workpiece);
    }
  }

  public byte[] picture(UUID workpiece, SignedIn account) {
    requireToLookOn(workpiece, Right.READ_ALL, account);
    return tiles.picture(workpiece);
  }

  /**
   * Pins a word to a bench: it is there at once, and in the student's work later.
   *
   * @param place on the model; null: about the whole
   */
  public HintView hint(
      UUID workpiece, UUID id, String text, @Nullable Vec3 place, long revision, SignedIn account) {
    Glance bench = requireToLookOn(workpiece, Right.REVIEW, account);
    if (text.isBlank()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Say something: a hint without words helps nobody.");
    }
    if (place != null && !place.isFinite()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The place is nowhere.");
    }
    Hint hint =
        new Hint(
            id,
            workpiece,
            bench.account(),
            account.id(),
            text.strip(),
            place,
            revision,
            clock.instant(),
            null);
    store.add(hint);
    Hint kept = store.hint(id).orElseThrow();
    if (!kept.workpiece().equals(workpiece) || !kept.by().equals(account.id())) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Give this hint an id of its own.");
    }
    store.ask(workpiece, null);
    tellCompany(workpiece);
    tellMoved(workpiece);
    return told(List.of(hint)).getFirst();
  }

  /** That help was given by other means. */
  public void helped(UUID workpiece, SignedIn account) {
    requireToLookOn(workpiece, Right.REVIEW, account);
    store.ask(workpiece, null);
    tellCompany(workpiece);
    tellMoved(workpiece);
  }

  /** A bench of one's own, in what is set. */
  Place requireMine(UUID workpiece, SignedIn account) {
    Glance glance =
        benches
            .glance(workpiece)
            .filter(g -> g.account().equals(account.id()))
            .filter(g -> g.owner().type() == Owner.Type.assignment)
            .orElseThrow(() -> Problem.notFound("workpiece"));
    Assignment set = assignments.requireTo(Right.WORK, glance.owner().id(), account);
    return new Place(workpiece, account.id(), set.courseId(), set.id(), clock.instant(), null);
  }

  /** Asks for help, or does so no more. */
  public CompanyView ask(UUID workpiece, boolean asks, SignedIn account) {
    Place place = requireMine(workpiece, account);
    store.hold(place, clock.instant().plus(Presence.LASTS));
    store.ask(workpiece, asks ? clock.instant() : null);
    tellMoved(workpiece);
    return company(workpiece, account);
  }

  /** Who looks on, and what was said. */
  public CompanyView company(UUID workpiece, SignedIn account) {
    Place mine = requireMine(workpiece, account);
    long last = events.last(bench(workpiece));
    List<Watch> watches = store.watches(mine.course(), clock.instant());
    Map<UUID, SignedIn> people =
        accounts.people(watches.stream().map(Watch::account).distinct().toList());
    List<String> followers =
        names(watches.stream().filter(w -> workpiece.equals(w.workpiece())), people);
    return new CompanyView(
        names(watches.stream(), people),
        followers,
        store.place(workpiece).map(Place::asksAt).orElse(null),
        told(store.hintsOfBench(workpiece, MOST_HINTS)),
        last);
  }

  private static List<String> names(Stream<Watch> watches, Map<UUID, SignedIn> people) {
    return watches
        .map(w -> people.get(w.account()))
        .filter(Objects::nonNull)
        .map(SignedIn::name)
        .distinct()
        .sorted()
        .toList();
  }

  private List<HintView> told(Collection<Hint> hints) {
    Map<UUID, SignedIn> people = accounts.people(hints.stream().map(Hint::by).distinct().toList());
    List<HintView> told = new ArrayList<>();
    for (Hint hint : hints) {
      Assignment set =
          benches
              .glance(hint.workpiece())
              .map(g -> assignments.require(g.owner().id()))
              .orElseThrow();
      SignedIn by = people.get(hint.by());
      told.add(
          new HintView(
              hint.id(),
              hint.workpiece(),
              set.id(),
              set.exercise().title(),
              by == null ? "" : by.name(),
              hint.text(),
              hint.place(),
              hint.revision(),
              hint.sentAt(),
              hint.seenAt()));
    }
    return told;
  }

  /** All that was said lately to somebody. */
  public List<HintView> hintsTo(SignedIn account) {
    return told(store.hintsOf(account.id(), clock.instant().minus(REMEMBERED), MOST_HINTS));
  }

  /** Puts a hint of one's own aside. */
  public void seen(UUID hint, SignedIn account) {
    Hint mine =
        store
            .hint(hint)
            .filter(h -> h.account().equals(account.id()))
            .orElseThrow(() -> Problem.notFound("hint"));
    store.seen(mine.id(), clock.instant());
    tellCompany(mine.workpiece());
  }

  /** Whoever cuts there is to look anew who looks on and what was said. */
  void tellCompany(UUID workpiece) {
    events.tell(bench(workpiece), "company", Map.of());
  }

  /** Whoever has the room open is told how a bench stands now. */
  void tellMoved(UUID workpiece) {
    store
        .place(workpiece)
        .filter(place -> !store.watches(place.course(), clock.instant()).isEmpty())
        .ifPresent(place -> {
          TileView tile = tiles.of(place);
          if (tile != null) {
            events.tell(room(place.course()), "bench", tile);
          }
        });
  }
}
