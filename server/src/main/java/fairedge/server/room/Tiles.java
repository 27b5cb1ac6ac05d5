package fairedge.server.room;

import fairedge.core.effort.Effort;
import fairedge.core.mesh.Mesh;
import fairedge.picture.MeshPicture;
import fairedge.server.account.Accounts;
import fairedge.server.bench.OverShoulder;
import fairedge.server.bench.OverShoulder.Glance;
import fairedge.server.bench.OverShoulder.Moment;
import fairedge.server.bench.StepView;
import fairedge.server.course.Courses;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Recent;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.room.RoomView.Lately;
import fairedge.server.room.RoomView.TileView;
import fairedge.server.room.store.RoomStore.Place;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** How somebody at a bench is shown in the room: in figures, and as a picture. */
@Component
class Tiles {
  private static final Duration LATELY = Duration.ofMinutes(20);
  private static final MeshPicture.Size PICTURE = new MeshPicture.Size(200, 96, 2);

  /** A state is drawn once for all who look on, and again no sooner. */
  private static final Duration DRAWN_FOR = Duration.ofSeconds(5);

  private static final Duration KNOWN_FOR = Duration.ofSeconds(20);
  private static final int MOST_KNOWN = 5_000;
  private static final long PICTURE_BYTES = 24_000_000;

  /** Larger ones are not drawn while a class cuts. */
  private static final int MOST_FACES = 400_000;

  private final OverShoulder benches;
  private final Assignments assignments;
  private final Accounts accounts;
  private final Courses courses;
  private final Turns turns;
  private final Clock clock;
  private final Recent<UUID, Facts> facts = new Recent<>(MOST_KNOWN, known -> 1);
  private final Recent<UUID, Picture> drawn =
      new Recent<>(PICTURE_BYTES, picture -> 1000 + picture.png().length);

  Tiles(
      OverShoulder benches,
      Assignments assignments,
      Accounts accounts,
      Courses courses,
      Turns turns,
      Clock clock) {
    this.benches = benches;
    this.assignments = assignments;
    this.accounts = accounts;
    this.courses = courses;
    this.turns = turns;
    this.clock = clock;
  }

  private record Picture(byte[] png, long revision, Instant at) {}

  /** What hardly ever changes of somebody at a bench; looked up anew now and then. */
  private record Facts(String name, @Nullable UUID group, String title, Instant at) {}

  private @Nullable Facts facts(Place place) {
    Facts known = facts.getIfPresent(place.workpiece());
    Instant now = clock.instant();
    if (known != null && known.at().plus(KNOWN_FOR).isAfter(now)) {
      return known;
    }
    SignedIn student = accounts.people(List.of(place.account())).get(place.account());
    if (student == null) {
      return null;
    }
    Facts found =
        new Facts(
            student.name(),
            courses.groups(place.course()).get(place.account()),
            assignments.require(place.assignment()).exercise().title(),
            now);
    facts.put(place.workpiece(), found);
    return found;
  }

  /** Null where the workpiece is gone. */
  @Nullable TileView of(Place place) {
    Facts facts = facts(place);
    Glance glance = benches.glance(place.workpiece()).orElse(null);
    if (glance == null || facts == null) {
      return null;
    }
    StepView last = glance.last();
    Instant from = clock.instant().minus(LATELY);
    List<Moment> moments = benches.lately(place.workpiece(), from);
    Instant still = moments.isEmpty() ? place.since() : moments.getLast().at();
    return new TileView(
        place.workpiece(),
        place.account(),
        facts.name(),
        facts.group(),
        place.assignment(),
        facts.title(),
        glance.revision(),
        last == null ? null : last.tool(),
        last == null ? null : last.brief(),
        last == null ? 0 : last.number(),
        last == null ? null : last.depth(),
        still.isAfter(place.since()) ? still : place.since(),
        place.asksAt(),
        moments.stream()
            .filter(moment -> moment.at().isAfter(from))
            .map(moment -> new Lately(moment.at(), moment.must()))
            .toList());
  }

  /**
   * As it stands, or stood a moment ago; drawn in the turn of what nobody at a bench waits for.
   *
   * @throws Problem where it is too large to be drawn on the side
   */
  byte[] picture(UUID workpiece) {
    Picture known = drawn.getIfPresent(workpiece);
    Instant now = clock.instant();
    if (known != null && known.at().plus(DRAWN_FOR).isAfter(now)) {
      return known.png();
    }
    Glance glance = benches.glance(workpiece).orElseThrow(() -> Problem.notFound("workpiece"));
    if (known != null && known.revision() == glance.revision()) {
      return known.png();
    }
    CompletableFuture<byte[]> png = new CompletableFuture<>();
    turns.later(() -> {
      try {
        png.complete(draw(workpiece));
      } catch (Effort.Over over) {
        png.completeExceptionally(tooLarge());
      } catch (RuntimeException e) {
        png.completeExceptionally(e);
      }
    });
    try {
      Picture picture = new Picture(png.join(), glance.revision(), now);
      drawn.put(workpiece, picture);
      return picture.png();
    } catch (CompletionException e) {
      throw e.getCause() instanceof RuntimeException cause ? cause : e;
    }
  }

  private static Problem tooLarge() {
    return Problem.of(Problem.Kind.TOO_DEAR, "This mesh is too large for a picture on the side.");
  }

  private byte[] draw(UUID workpiece) {
    Mesh mesh = benches.copy(workpiece);
    if (mesh.faceCount() > MOST_FACES) {
      throw tooLarge();
    }
    return MeshPicture.png(mesh, List.of(), PICTURE);
  }
}
