package fairedge.server.notice.store;

import static fairedge.schema.generated.Tables.LETTER;
import static fairedge.schema.generated.Tables.MAIL_NEWS;
import static fairedge.schema.generated.Tables.MAIL_UNWANTED;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.exists;
import static org.jooq.impl.DSL.min;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;

import fairedge.schema.generated.tables.records.LetterRecord;
import fairedge.server.notice.About;
import fairedge.server.notice.Letter;
import fairedge.server.notice.Letter.State;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Mail, what is to be told in it, and who wants none. */
@Repository
public class LetterStore {
  private static final String NEWS = "news";

  private final DSLContext db;

  LetterStore(DSLContext db) {
    this.db = db;
  }

  /** Something to be told. */
  public record News(About about, UUID thing) {}

  public void insert(UUID id, UUID account, @Nullable UUID course, Instant now) {
    db.insertInto(LETTER)
        .set(LETTER.ID, id)
        .set(LETTER.ACCOUNT_ID, account)
        .set(LETTER.KIND, course == null ? NEWS : "slip")
        .set(LETTER.COURSE_ID, course)
        .set(LETTER.MADE_AT, utc(now))
        .set(LETTER.STATE, State.WAITING.key())
        .execute();
  }

  /** Nobody else sends it until the transaction ends. */
  public Optional<Letter> lock(UUID id) {
    return db.selectFrom(LETTER)
        .where(LETTER.ID.eq(id))
        .forUpdate()
        .fetchOptional(LetterStore::letter);
  }

  private static Letter letter(LetterRecord r) {
    return new Letter(
        r.getId(),
        r.getAccountId(),
        r.getCourseId(),
        r.getMadeAt().toInstant(),
        State.named(r.getState()),
        r.getTries());
  }

  public void set(UUID id, State state, int tries, Instant now) {
    boolean isOver = state != State.WAITING && state != State.GOING;
    db.update(LETTER)
        .set(LETTER.STATE, state.key())
        .set(LETTER.TRIES, tries)
        .set(LETTER.ENDED_AT, isOver ? utc(now) : null)
        .where(LETTER.ID.eq(id))
        .execute();
  }

  /** Slips to a class, and news to people who are in it, that did not simply arrive. */
  public List<Letter> notTaken(UUID course, Collection<UUID> members, Instant since) {
    return db.selectFrom(LETTER)
        .where(
            LETTER.STATE.ne(State.TAKEN.key()),
            LETTER.MADE_AT.ge(utc(since)),
            LETTER
                .COURSE_ID
                .eq(course)
                .or(LETTER.KIND.eq(NEWS).and(LETTER.ACCOUNT_ID.eq(any(ids(members))))))
        .orderBy(LETTER.MADE_AT.desc(), LETTER.ID)
        .fetch(LetterStore::letter);
  }

  /** Tells something once: a second time nothing happens. */
  public void add(UUID account, News news, Instant now) {
    db.insertInto(MAIL_NEWS)
        .set(MAIL_NEWS.ACCOUNT_ID, account)
        .set(MAIL_NEWS.ABOUT, news.about().key())
        .set(MAIL_NEWS.THING, news.thing())
        .set(MAIL_NEWS.MADE_AT, utc(now))
        .onConflictDoNothing()
        .execute();
  }

  /** Who of some were told something already, or are about to be. */
  public Set<UUID> told(News news) {
    return db.select(MAIL_NEWS.ACCOUNT_ID)
        .from(MAIL_NEWS)
        .where(MAIL_NEWS.ABOUT.eq(news.about().key()), MAIL_NEWS.THING.eq(news.thing()))
        .fetchSet(MAIL_NEWS.ACCOUNT_ID);
  }

  /** For whom news wait since then or longer, and no letter of news was made since that. */
  public List<UUID> ripe(Instant waitingSince, Instant noLetterSince) {
    return db.select(MAIL_NEWS.ACCOUNT_ID)
        .from(MAIL_NEWS)
        .where(
            MAIL_NEWS.LETTER_ID.isNull(),
            notExists(
                selectOne()
                    .from(LETTER)
                    .where(
                        LETTER.ACCOUNT_ID.eq(MAIL_NEWS.ACCOUNT_ID),
                        LETTER.KIND.eq(NEWS),
                        LETTER.MADE_AT.gt(utc(noLetterSince)))))
        .groupBy(MAIL_NEWS.ACCOUNT_ID)
        .having(min(MAIL_NEWS.MADE_AT).le(utc(waitingSince)))
        .fetch(MAIL_NEWS.ACCOUNT_ID);
  }

  /** Puts what waits for somebody into a letter. */
  public void put(UUID account, UUID letter) {
    db.update(MAIL_NEWS)
        .set(MAIL_NEWS.LETTER_ID, letter)
        .where(MAIL_NEWS.ACCOUNT_ID.eq(account), MAIL_NEWS.LETTER_ID.isNull())
        .execute();
  }

  /** What is in a letter, in the order in which it came. */
  public List<News> newsIn(UUID letter) {
    return db.select(MAIL_NEWS.ABOUT, MAIL_NEWS.THING)
        .from(MAIL_NEWS)
        .where(MAIL_NEWS.LETTER_ID.eq(letter))
        .orderBy(MAIL_NEWS.MADE_AT, MAIL_NEWS.THING)
        .fetch(r -> new News(About.named(r.value1()), r.value2()));
  }

  public Set<About> unwanted(UUID account) {
    return db.select(MAIL_UNWANTED.ABOUT)
        .from(MAIL_UNWANTED)
        .where(MAIL_UNWANTED.ACCOUNT_ID.eq(account))
        .fetchSet(r -> About.named(r.value1()));
  }

  public void setUnwanted(UUID account, Set<About> unwanted) {
    db.deleteFrom(MAIL_UNWANTED).where(MAIL_UNWANTED.ACCOUNT_ID.eq(account)).execute();
    unwanted.forEach(about ->
        db.insertInto(MAIL_UNWANTED)
            .set(MAIL_UNWANTED.ACCOUNT_ID, account)
            .set(MAIL_UNWANTED.ABOUT, about.key())
            .execute());
  }

  /** All mail to somebody. */
  public void forget(UUID account) {
    db.deleteFrom(MAIL_NEWS).where(MAIL_NEWS.ACCOUNT_ID.eq(account)).execute();
    db.deleteFrom(LETTER).where(LETTER.ACCOUNT_ID.eq(account)).execute();
  }

  /** Letters that are over for so long, with what they told; that it was told is forgotten too. */
  public int forgetOver(Instant now, Duration kept) {
    var over =
        LETTER
            .STATE
            .notIn(State.WAITING.key(), State.GOING.key())
            .and(LETTER.MADE_AT.lt(utc(now.minus(kept))));
    db.deleteFrom(MAIL_NEWS)
        .where(exists(selectOne().from(LETTER).where(LETTER.ID.eq(MAIL_NEWS.LETTER_ID), over)))
        .execute();
    return db.deleteFrom(LETTER)
        .where(LETTER.ID.in(select(LETTER.ID).from(LETTER).where(over)))
        .execute();
  }

  private static UUID[] ids(Collection<UUID> all) {
    return all.toArray(UUID[]::new);
  }

  private static OffsetDateTime utc(Instant instant) {
    return instant.atOffset(ZoneOffset.UTC);
  }
}
