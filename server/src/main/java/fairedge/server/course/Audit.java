package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.store.CourseStore;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What was done to whom in a class, for its instructors. */
@Service
public class Audit {
  private static final int MOST = 200;

  private final CourseStore store;
  private final Courses courses;
  private final Accounts accounts;
  private final Clock clock;

  Audit(CourseStore store, Courses courses, Accounts accounts, Clock clock) {
    this.store = store;
    this.courses = courses;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** In the transaction of what was done. */
  public void write(UUID course, SignedIn who, Deed deed, @Nullable UUID whom) {
    store.write(course, clock.instant(), who.id(), deed.key(), whom, null);
  }

  /** The same of what somebody let be done later. */
  public void write(UUID course, UUID who, Deed deed, UUID whom) {
    store.write(course, clock.instant(), who, deed.key(), whom, null);
  }

  /** The same for several people at once, or of something that has a number. */
  public void write(UUID course, SignedIn who, Deed deed, int number) {
    store.write(course, clock.instant(), who.id(), deed.key(), null, number);
  }

  /**
   * A line as it is told.
   *
   * @param deed by its key
   * @param whom the name that they have now; null where it is about nobody
   */
  public record LineView(
      long id,
      Instant at,
      String who,
      String deed,
      @Nullable String whom,
      @Nullable Integer number) {}

  /** The last of them, the newest first. */
  public List<LineView> of(UUID course, SignedIn instructor) {
    courses.require(instructor, course, Right.GOVERN);
    List<CourseStore.Line> lines = store.lines(course, MOST);
    Map<UUID, SignedIn> people =
        accounts.people(
            lines.stream()
                .flatMap(l -> Stream.of(l.who(), l.whom()))
                .filter(Objects::nonNull)
                .distinct()
                .toList());
    return lines.stream()
        .map(l ->
            new LineView(
                l.id(),
                l.at(),
                name(people, l.who()),
                l.deed(),
                l.whom() == null ? null : name(people, l.whom()),
                l.number()))
        .toList();
  }

  private static String name(Map<UUID, SignedIn> people, UUID id) {
    SignedIn known = people.get(id);
    return known == null ? "Somebody" : known.name();
  }
}
