package fairedge.server.room;

import fairedge.server.bench.WorkMoved;
import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.live.LiveEvents;
import fairedge.server.live.LiveHub;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Round;
import fairedge.server.platform.SignedIn;
import fairedge.server.room.RoomView.LeftView;
import fairedge.server.room.store.RoomStore;
import fairedge.server.room.store.RoomStore.Place;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Who is where, by the lines that browsers keep open: a place is held for a minute at a time while
 * its line is. Steps are told by a thread of its own, so that no hand waits for it; of several
 * steps at one bench that it finds at once it tells the last.
 */
@Service
public class Presence implements Round {
  static final Duration LASTS = Duration.ofSeconds(60);
  private static final Duration RENEWED = Duration.ofSeconds(20);

  /** Who comes back within that was not away: a page that is loaded again. */
  private static final Duration GRACE = Duration.ofSeconds(8);

  private static final Logger log = LoggerFactory.getLogger(Presence.class);

  private final RoomStore store;
  private final Rooms rooms;
  private final Shows shows;
  private final Courses courses;
  private final LiveEvents events;
  private final LiveHub hub;
  private final Clock clock;
  private final Set<UUID> moved = new LinkedHashSet<>();
  private final Thread teller;
  private volatile boolean isOver;

  Presence(
      RoomStore store,
      Rooms rooms,
      Shows shows,
      Courses courses,
      LiveEvents events,
      LiveHub hub,
      Clock clock) {
    this.store = store;
    this.rooms = rooms;
    this.shows = shows;
    this.courses = courses;
    this.events = events;
    this.hub = hub;
    this.clock = clock;
    this.teller = Thread.ofVirtual().name("room-teller").start(this::tellOn);
  }

  /** Called again and again while a line is open; it writes now and then only. */
  private final class Lease implements Runnable {
    private final Runnable renewal;
    private Instant due = Instant.MIN;

    Lease(Runnable renewal) {
      this.renewal = renewal;
    }

    @Override
    public void run() {
      Instant now = clock.instant();
      if (!now.isBefore(due)) {
        renewal.run();
        due = now.plus(RENEWED);
      }
    }
  }

  /**
   * A line to a bench of one's own: while it is open, one is there.
   *
   * @param after the number of the last event that is known
   */
  public SseEmitter atBench(UUID workpiece, long after, SignedIn account) {
    rooms.requireMine(workpiece, account);
    Lease lease =
        new Lease(() -> {
          // Rights may have ended meanwhile.
          Place place = rooms.requireMine(workpiece, account);
          if (store.hold(place, clock.instant().plus(LASTS))) {
            rooms.tellMoved(workpiece);
          }
        });
    return hub.open(
        Map.of(Rooms.bench(workpiece), after),
        lease,
        () -> store.leaveSoon(workpiece, clock.instant().plus(GRACE)));
  }

  /**
   * A line to a room: while it is open, those at the benches know.
   *
   * @param follows the bench that is followed; null for none
   */
  public SseEmitter inRoom(UUID course, @Nullable UUID follows, long after, SignedIn account) {
    courses.require(account, course, Right.READ_ALL);
    if (follows != null) {
      rooms.requireToLookOn(follows, Right.READ_ALL, account);
    }
    UUID watch = UUID.randomUUID();
    Lease lease =
        new Lease(() -> {
          if (!courses.may(account, course, Right.READ_ALL)) {
            throw Problem.notFound("place");
          }
          Instant until = clock.instant().plus(LASTS);
          if (store.watch(watch, course, account.id(), follows, until)) {
            tellBenches(course);
          }
        });
    return hub.open(
        Map.of(Rooms.room(course), after),
        lease,
        () -> {
          store.watchNoMore(watch);
          tellBenches(course);
        });
  }

  private void tellBenches(UUID course) {
    store.places(course).forEach(place -> rooms.tellCompany(place.workpiece()));
  }

  /** On the hand's own thread: noted down, nothing more. */
  @EventListener
  void onMoved(WorkMoved event) {
    synchronized (moved) {
      moved.add(event.workpiece());
    }
    LockSupport.unpark(teller);
  }

  private void tellOn() {
    while (!isOver) {
      List<UUID> now;
      synchronized (moved) {
        now = List.copyOf(moved);
        moved.clear();
      }
      now.forEach(this::tell);
      if (now.isEmpty()) {
        LockSupport.park();
      }
    }
  }

  private void tell(UUID workpiece) {
    try {
      rooms.tellMoved(workpiece);
      shows.tellMoved(workpiece);
    } catch (RuntimeException e) {
      log.warn("a step of workpiece {} is not told in the room", workpiece, e);
    }
  }

  @Override
  public String name() {
    return "room";
  }

  @Override
  public Duration every() {
    return Duration.ofSeconds(5);
  }

  /** Tells of those who left, and of those who look on no more. */
  @Override
  public void go() {
    Instant now = clock.instant();
    store
        .takeLeft(now)
        .forEach(place ->
            events.tell(Rooms.room(place.course()), "left", new LeftView(place.workpiece())));
    store.takeWatchesOver(now).forEach(this::tellBenches);
  }

  @PreDestroy
  void close() {
    isOver = true;
    LockSupport.unpark(teller);
  }
}
