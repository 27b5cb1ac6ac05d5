package fairedge.server.practice.store;

import static fairedge.schema.generated.Tables.PRACTICE;
import static org.jooq.impl.DSL.inline;

import fairedge.core.format.Meant;
import fairedge.schema.generated.tables.records.PracticeRecord;
import fairedge.server.meshfile.MeshHolder;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.Json;
import fairedge.server.practice.Practice;
import fairedge.server.practice.PracticeView.PieceStage;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.PracticeView.PracticeProblem;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.InsertSetMoreStep;
import org.jooq.Record;
import org.jooq.SelectField;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Practice pieces. */
@Repository
public class PracticeStore implements MeshHolder {
  /** All but the picture. */
  private static final SelectField<?>[] TOLD = {
    PRACTICE.ID,
    PRACTICE.ACCOUNT_ID,
    PRACTICE.TITLE,
    PRACTICE.UNIT,
    PRACTICE.STARTER,
    PRACTICE.SCALE,
    PRACTICE.PROFILE,
    PRACTICE.BEGUN_AT,
    PRACTICE.PUT_AWAY_AT
  };

  private final DSLContext db;
  private final Json json;
  private final SentFiles sent;

  PracticeStore(DSLContext db, Json json, SentFiles sent) {
    this.db = db;
    this.json = json;
    this.sent = sent;
  }

  /** No one else begins a piece for this account until the transaction ends. */
  public void lockPractice(UUID account) {
    long key = account.getMostSignificantBits() ^ 0x707261637469L;
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  /** A piece that is begun. */
  public record Piece(
      UUID id,
      UUID accountId,
      UUID clientKey,
      String title,
      String unit,
      String profile,
      Instant begunAt) {}

  /**
   * What a piece begins with.
   *
   * @param starter hash of the mesh
   * @param scale S of it
   */
  public record Ready(byte[] starter, double scale, byte[] picture) {}

  /** A file that is to be read; its bytes are kept under the piece's id. */
  public record File(String unit, Meant.Up up) {}

  public void insert(Piece piece, Ready ready) {
    insert(piece)
        .set(PRACTICE.STARTER, ready.starter())
        .set(PRACTICE.SCALE, ready.scale())
        .set(PRACTICE.PICTURE, ready.picture())
        .set(PRACTICE.STAGE, PieceStage.ready.name())
        .execute();
  }

  /** With a file that is to be read yet, and is kept. */
  public void insert(Piece piece, Meant.Up up) {
    insert(piece)
        .set(PRACTICE.SCALE, 1.0)
        .set(PRACTICE.STAGE, PieceStage.reading.name())
        .set(PRACTICE.UP, up.name())
        .execute();
  }

  private InsertSetMoreStep<PracticeRecord> insert(Piece p) {
    return db.insertInto(PRACTICE)
        .set(PRACTICE.ID, p.id())
        .set(PRACTICE.ACCOUNT_ID, p.accountId())
        .set(PRACTICE.CLIENT_KEY, p.clientKey())
        .set(PRACTICE.TITLE, p.title())
        .set(PRACTICE.UNIT, p.unit())
        .set(PRACTICE.PROFILE, p.profile())
        .set(PRACTICE.BEGUN_AT, p.begunAt().atOffset(ZoneOffset.UTC));
  }

  /** The file of a piece that is to be read yet. */
  public Optional<File> file(UUID id) {
    return db.select(PRACTICE.UNIT, PRACTICE.UP)
        .from(PRACTICE)
        .where(PRACTICE.ID.eq(id), PRACTICE.STAGE.eq(PieceStage.reading.name()))
        .fetchOptional(r -> new File(r.value1(), Meant.Up.valueOf(r.value2())));
  }

  @Transactional
  public void makeReady(UUID id, Ready ready) {
    db.update(PRACTICE)
        .set(PRACTICE.STARTER, ready.starter())
        .set(PRACTICE.SCALE, ready.scale())
        .set(PRACTICE.PICTURE, ready.picture())
        .set(PRACTICE.STAGE, PieceStage.ready.name())
        .where(PRACTICE.ID.eq(id), PRACTICE.STAGE.eq(PieceStage.reading.name()))
        .execute();
    sent.forget(id);
  }

  @Transactional
  public void fail(UUID id, PracticeProblem problem) {
    db.update(PRACTICE)
        .set(PRACTICE.PROBLEM, json.write(problem))
        .set(PRACTICE.STAGE, PieceStage.failed.name())
        .where(PRACTICE.ID.eq(id), PRACTICE.STAGE.eq(PieceStage.reading.name()))
        .execute();
    sent.forget(id);
  }

  /** A piece that can be cut. */
  public Optional<Practice> find(UUID id) {
    return db.select(TOLD)
        .from(PRACTICE)
        .where(PRACTICE.ID.eq(id), PRACTICE.STAGE.eq(PieceStage.ready.name()))
        .fetchOptional(PracticeStore::read);
  }

  public boolean isOf(UUID id, UUID account) {
    return db.fetchExists(PRACTICE, PRACTICE.ID.eq(id).and(PRACTICE.ACCOUNT_ID.eq(account)));
  }

  /** A piece as its owner sees it in a list. */
  public Optional<PracticePiece> piece(UUID id) {
    return pieces(PRACTICE.ID.eq(id)).stream().findFirst();
  }

  public Optional<PracticePiece> findByKey(UUID account, UUID clientKey) {
    return pieces(PRACTICE.ACCOUNT_ID.eq(account).and(PRACTICE.CLIENT_KEY.eq(clientKey))).stream()
        .findFirst();
  }

  /** The pieces of an account that are not put away, the last begun first. */
  public List<PracticePiece> inSight(UUID account) {
    return pieces(PRACTICE.ACCOUNT_ID.eq(account).and(PRACTICE.PUT_AWAY_AT.isNull()));
  }

  private List<PracticePiece> pieces(Condition condition) {
    return db.select(
            PRACTICE.ID,
            PRACTICE.TITLE,
            PRACTICE.UNIT,
            PRACTICE.PROFILE,
            PRACTICE.BEGUN_AT,
            PRACTICE.STAGE,
            PRACTICE.PROBLEM)
        .from(PRACTICE)
        .where(condition)
        .orderBy(PRACTICE.BEGUN_AT.desc(), PRACTICE.ID)
        .fetch(r ->
            new PracticePiece(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                r.value5().toInstant(),
                PieceStage.valueOf(r.value6()),
                r.value7() == null ? null : json.read(r.value7(), PracticeProblem.class)));
  }

  public Optional<byte[]> picture(UUID id) {
    return db.select(PRACTICE.PICTURE)
        .from(PRACTICE)
        .where(PRACTICE.ID.eq(id))
        .fetchOptional(PRACTICE.PICTURE);
  }

  public void putAway(UUID id, @Nullable Instant at) {
    db.update(PRACTICE)
        .set(PRACTICE.PUT_AWAY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .where(PRACTICE.ID.eq(id))
        .execute();
  }

  public List<UUID> putAwayBefore(Instant time) {
    return db.select(PRACTICE.ID)
        .from(PRACTICE)
        .where(PRACTICE.PUT_AWAY_AT.lt(time.atOffset(ZoneOffset.UTC)))
        .fetch(PRACTICE.ID);
  }

  public List<UUID> idsOf(UUID account) {
    return db.select(PRACTICE.ID)
        .from(PRACTICE)
        .where(PRACTICE.ACCOUNT_ID.eq(account))
        .fetch(PRACTICE.ID);
  }

  public void forget(UUID id) {
    sent.forget(id);
    db.deleteFrom(PRACTICE).where(PRACTICE.ID.eq(id)).execute();
  }

  private static Practice read(Record r) {
    OffsetDateTime putAway = r.get(PRACTICE.PUT_AWAY_AT);
    return new Practice(
        r.get(PRACTICE.ID),
        r.get(PRACTICE.ACCOUNT_ID),
        r.get(PRACTICE.TITLE),
        r.get(PRACTICE.UNIT),
        r.get(PRACTICE.STARTER),
        r.get(PRACTICE.SCALE),
        r.get(PRACTICE.PROFILE),
        r.get(PRACTICE.BEGUN_AT).toInstant(),
        putAway == null ? null : putAway.toInstant());
  }

  @Override
  public List<byte[]> needed(List<byte[]> hashes) {
    return db.selectDistinct(PRACTICE.STARTER)
        .from(PRACTICE)
        .where(PRACTICE.STARTER.in(hashes))
        .fetch(PRACTICE.STARTER);
  }
}
