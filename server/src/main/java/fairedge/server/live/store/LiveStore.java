package fairedge.server.live.store;

import static fairedge.schema.generated.Tables.LIVE_EVENT;
import static fairedge.schema.generated.Tables.LIVE_SUBJECT;

import fairedge.server.live.LiveEvent;
import fairedge.server.live.Passing;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Events by subject. */
@Repository
public class LiveStore {
  /** On which nodes tell each other of a subject and its newest number. */
  public static final String CHANNEL = "fair_edge_live";

  private final DSLContext db;
  private final Json json;

  LiveStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** Adds one under the lock of its subject, and tells all nodes once that is kept. */
  @Transactional
  public long add(String subject, String kind, Object content, Instant now) {
    long number =
        db.insertInto(LIVE_SUBJECT)
            .set(LIVE_SUBJECT.SUBJECT, subject)
            .set(LIVE_SUBJECT.LAST, 1L)
            .onConflict(LIVE_SUBJECT.SUBJECT)
            .doUpdate()
            .set(LIVE_SUBJECT.LAST, LIVE_SUBJECT.LAST.plus(1))
            .returning(LIVE_SUBJECT.LAST)
            .fetchSingle(LIVE_SUBJECT.LAST);
    db.insertInto(LIVE_EVENT)
        .set(LIVE_EVENT.SUBJECT, subject)
        .set(LIVE_EVENT.NUMBER, number)
        .set(LIVE_EVENT.KIND, kind)
        .set(LIVE_EVENT.CONTENT, json.write(content))
        .set(LIVE_EVENT.AT, now.atOffset(ZoneOffset.UTC))
        .execute();
    db.execute("select pg_notify(?, ?)", CHANNEL, subject + " " + number);
    return number;
  }

  /** Tells all nodes of what is kept nowhere: who hears nothing of it misses nothing. */
  public void pass(String subject, String kind, Object content) {
    String told = Passing.of(subject, kind, json.write(content).data()).written();
    db.execute("select pg_notify(?, ?)", CHANNEL, told);
  }

  /** The newest number of a subject; 0 where nothing happened yet. */
  public long last(String subject) {
    Long last =
        db.select(LIVE_SUBJECT.LAST)
            .from(LIVE_SUBJECT)
            .where(LIVE_SUBJECT.SUBJECT.eq(subject))
            .fetchOne(LIVE_SUBJECT.LAST);
    return last == null ? 0 : last;
  }

  public List<LiveEvent> after(String subject, long number, int most) {
    return db.selectFrom(LIVE_EVENT)
        .where(LIVE_EVENT.SUBJECT.eq(subject), LIVE_EVENT.NUMBER.gt(number))
        .orderBy(LIVE_EVENT.NUMBER)
        .limit(most)
        .fetch(r ->
            new LiveEvent(
                r.getSubject(),
                r.getNumber(),
                r.getKind(),
                r.getContent().data(),
                r.getAt().toInstant()));
  }

  public int forgetBefore(Instant time) {
    return db.deleteFrom(LIVE_EVENT)
        .where(LIVE_EVENT.AT.lt(time.atOffset(ZoneOffset.UTC)))
        .execute();
  }
}
