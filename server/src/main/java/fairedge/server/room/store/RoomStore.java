package fairedge.server.room.store;

import static fairedge.schema.generated.Tables.HINT;
import static fairedge.schema.generated.Tables.ROOM_PLACE;
import static fairedge.schema.generated.Tables.ROOM_WATCH;

import fairedge.core.geometry.Vec3;
import fairedge.schema.generated.tables.records.RoomPlaceRecord;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Who is where, who looks on, and hints. */
@Repository
public class RoomStore {
  private final DSLContext db;
  private final Json json;

  RoomStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /**
   * Somebody at a bench.
   *
   * @param asksAt since when help is asked for
   */
  public record Place(
      UUID workpiece,
      UUID account,
      UUID course,
      UUID assignment,
      Instant since,
      @Nullable Instant asksAt) {}

  /** Somebody who looks on: at the room, or at one bench. */
  public record Watch(UUID account, @Nullable UUID workpiece) {}

  private static OffsetDateTime utc(Instant at) {
    return at.atOffset(ZoneOffset.UTC);
  }

  /**
   * Holds a place for another while.
   *
   * @return whether nobody was there before
   */
  public boolean hold(Place place, Instant until) {
    int renewed =
        db.update(ROOM_PLACE)
            .set(ROOM_PLACE.UNTIL, utc(until))
            .where(ROOM_PLACE.WORKPIECE_ID.eq(place.workpiece()))
            .execute();
    return renewed == 0
        && db.insertInto(ROOM_PLACE)
                .set(ROOM_PLACE.WORKPIECE_ID, place.workpiece())
                .set(ROOM_PLACE.ACCOUNT_ID, place.account())
                .set(ROOM_PLACE.COURSE_ID, place.course())
                .set(ROOM_PLACE.ASSIGNMENT_ID, place.assignment())
                .set(ROOM_PLACE.SINCE, utc(place.since()))
                .set(ROOM_PLACE.UNTIL, utc(until))
                .onConflictDoNothing()
                .execute()
            > 0;
  }

  /** Lets a place end soon, unless somebody holds it still. */
  public void leaveSoon(UUID workpiece, Instant at) {
    db.update(ROOM_PLACE)
        .set(ROOM_PLACE.UNTIL, utc(at))
        .where(ROOM_PLACE.WORKPIECE_ID.eq(workpiece), ROOM_PLACE.UNTIL.gt(utc(at)))
        .execute();
  }

  /** Places whose time is over; they go by it. */
  public List<Place> takeLeft(Instant now) {
    return db.deleteFrom(ROOM_PLACE)
        .where(ROOM_PLACE.UNTIL.le(utc(now)))
        .returning()
        .fetch(RoomStore::place);
  }

  public Optional<Place> place(UUID workpiece) {
    return db.selectFrom(ROOM_PLACE)
        .where(ROOM_PLACE.WORKPIECE_ID.eq(workpiece))
        .fetchOptional(RoomStore::place);
  }

  public List<Place> places(UUID course) {
    return db.selectFrom(ROOM_PLACE)
        .where(ROOM_PLACE.COURSE_ID.eq(course))
        .orderBy(ROOM_PLACE.SINCE, ROOM_PLACE.WORKPIECE_ID)
        .fetch(RoomStore::place);
  }

  private static Place place(RoomPlaceRecord r) {
    return new Place(
        r.getWorkpieceId(),
        r.getAccountId(),
        r.getCourseId(),
        r.getAssignmentId(),
        r.getSince().toInstant(),
        r.getAsksAt() == null ? null : r.getAsksAt().toInstant());
  }

  /**
   * @param at null: help is not asked for any more
   */
  public void ask(UUID workpiece, @Nullable Instant at) {
    db.update(ROOM_PLACE)
        .set(ROOM_PLACE.ASKS_AT, at == null ? null : utc(at))
        .where(
            ROOM_PLACE.WORKPIECE_ID.eq(workpiece),
            at == null ? ROOM_PLACE.ASKS_AT.isNotNull() : ROOM_PLACE.ASKS_AT.isNull())
        .execute();
  }

  /**
   * @return whether it is new
   */
  public boolean watch(
      UUID id, UUID course, UUID account, @Nullable UUID workpiece, Instant until) {
    int renewed =
        db.update(ROOM_WATCH)
            .set(ROOM_WATCH.UNTIL, utc(until))
            .where(ROOM_WATCH.ID.eq(id))
            .execute();
    if (renewed > 0) {
      return false;
    }
    db.insertInto(ROOM_WATCH)
        .set(ROOM_WATCH.ID, id)
        .set(ROOM_WATCH.COURSE_ID, course)
        .set(ROOM_WATCH.ACCOUNT_ID, account)
        .set(ROOM_WATCH.WORKPIECE_ID, workpiece)
        .set(ROOM_WATCH.UNTIL, utc(until))
        .execute();
    return true;
  }

  public void watchNoMore(UUID id) {
    db.deleteFrom(ROOM_WATCH).where(ROOM_WATCH.ID.eq(id)).execute();
  }

  /** Classes of those who looked on until their time was over; they go by it. */
  public List<UUID> takeWatchesOver(Instant now) {
    return db
        .deleteFrom(ROOM_WATCH)
        .where(ROOM_WATCH.UNTIL.le(utc(now)))
        .returning(ROOM_WATCH.COURSE_ID)
        .fetch(ROOM_WATCH.COURSE_ID)
        .stream()
        .distinct()
        .toList();
  }

  public List<Watch> watches(UUID course, Instant now) {
    return db.select(ROOM_WATCH.ACCOUNT_ID, ROOM_WATCH.WORKPIECE_ID)
        .from(ROOM_WATCH)
        .where(ROOM_WATCH.COURSE_ID.eq(course), ROOM_WATCH.UNTIL.gt(utc(now)))
        .fetch(r -> new Watch(r.value1(), r.value2()));
  }

  /** A word that was pinned to a bench. */
  public record Hint(
      UUID id,
      UUID workpiece,
      UUID account,
      UUID by,
      String text,
      @Nullable Vec3 place,
      long revision,
      Instant sentAt,
      @Nullable Instant seenAt) {}

  public void add(Hint hint) {
    db.insertInto(HINT)
        .set(HINT.ID, hint.id())
        .set(HINT.WORKPIECE_ID, hint.workpiece())
        .set(HINT.ACCOUNT_ID, hint.account())
        .set(HINT.SAID_BY, hint.by())
        .set(HINT.TEXT, hint.text())
        .set(HINT.PLACE, hint.place() == null ? null : json.write(hint.place()))
        .set(HINT.REVISION, hint.revision())
        .set(HINT.SENT_AT, utc(hint.sentAt()))
        .onConflictDoNothing()
        .execute();
  }

  public List<Hint> hintsOfBench(UUID workpiece, int most) {
    return hints(HINT.WORKPIECE_ID.eq(workpiece), most);
  }

  public List<Hint> hintsOf(UUID account, Instant since, int most) {
    return hints(HINT.ACCOUNT_ID.eq(account).and(HINT.SENT_AT.gt(utc(since))), most);
  }

  public Optional<Hint> hint(UUID id) {
    return hints(HINT.ID.eq(id), 1).stream().findFirst();
  }

  private List<Hint> hints(Condition condition, int most) {
    return db.selectFrom(HINT)
        .where(condition)
        .orderBy(HINT.SENT_AT.desc(), HINT.ID)
        .limit(most)
        .fetch(r ->
            new Hint(
                r.getId(),
                r.getWorkpieceId(),
                r.getAccountId(),
                r.getSaidBy(),
                r.getText(),
                r.getPlace() == null ? null : json.read(r.getPlace(), Vec3.class),
                r.getRevision(),
                r.getSentAt().toInstant(),
                r.getSeenAt() == null ? null : r.getSeenAt().toInstant()));
  }

  public void seen(UUID id, Instant now) {
    db.update(HINT)
        .set(HINT.SEEN_AT, utc(now))
        .where(HINT.ID.eq(id), HINT.SEEN_AT.isNull())
        .execute();
  }

  /** Lets go of all hints to somebody, and of those that they gave. */
  public void forgetOf(UUID account) {
    db.deleteFrom(HINT).where(HINT.ACCOUNT_ID.eq(account).or(HINT.SAID_BY.eq(account))).execute();
    db.deleteFrom(ROOM_PLACE).where(ROOM_PLACE.ACCOUNT_ID.eq(account)).execute();
    db.deleteFrom(ROOM_WATCH).where(ROOM_WATCH.ACCOUNT_ID.eq(account)).execute();
  }
}
