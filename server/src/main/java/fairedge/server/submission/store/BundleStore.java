package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.BUNDLE;
import static fairedge.schema.generated.Tables.BUNDLED;
import static fairedge.schema.generated.Tables.UPLOAD;
import static org.jooq.impl.DSL.inline;

import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.Json;
import fairedge.server.submission.BundleView.EntryView;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Files that an instructor brought for a class, until it is said whose they are. */
@Repository
public class BundleStore {
  private final DSLContext db;
  private final Json json;
  private final SentFiles sent;

  BundleStore(DSLContext db, Json json, SentFiles sent) {
    this.db = db;
    this.json = json;
    this.sent = sent;
  }

  /** Who brought files for what. */
  public record Bundle(UUID id, UUID assignmentId, UUID instructorId) {}

  /**
   * A file whose it is said to be, to be handed in.
   *
   * @param id by which its bytes are kept
   */
  public record File(UUID id, String path, long size) {}

  public void insert(Bundle bundle, UUID clientKey, Instant now) {
    db.insertInto(BUNDLE)
        .set(BUNDLE.ID, bundle.id())
        .set(BUNDLE.ASSIGNMENT_ID, bundle.assignmentId())
        .set(BUNDLE.INSTRUCTOR_ID, bundle.instructorId())
        .set(BUNDLE.CLIENT_KEY, clientKey)
        .set(BUNDLE.RECEIVED_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public void add(
      UUID bundle, int number, File file, @Nullable UUID student, @Nullable String doubt) {
    db.insertInto(BUNDLED)
        .set(BUNDLED.BUNDLE_ID, bundle)
        .set(BUNDLED.NUMBER, number)
        .set(BUNDLED.PATH, file.path())
        .set(BUNDLED.SIZE, file.size())
        .set(BUNDLED.FILE, file.id())
        .set(BUNDLED.STUDENT_ID, student)
        .set(BUNDLED.DOUBT, doubt)
        .execute();
  }

  /** No one else brings files for this instructor until the transaction ends. */
  public void lockBundles(UUID instructor) {
    long key = instructor.getMostSignificantBits() ^ 0x62756E646C65L;
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public Optional<Bundle> find(UUID id) {
    return findWhere(BUNDLE.ID.eq(id), false);
  }

  public Optional<Bundle> findByKey(UUID instructor, UUID clientKey) {
    return findWhere(
        BUNDLE.INSTRUCTOR_ID.eq(instructor).and(BUNDLE.CLIENT_KEY.eq(clientKey)), false);
  }

  /** The same, for nobody else to change until the transaction ends. */
  public Optional<Bundle> lock(UUID id) {
    return findWhere(BUNDLE.ID.eq(id), true);
  }

  private Optional<Bundle> findWhere(Condition condition, boolean locks) {
    var query =
        db.select(BUNDLE.ID, BUNDLE.ASSIGNMENT_ID, BUNDLE.INSTRUCTOR_ID)
            .from(BUNDLE)
            .where(condition);
    return (locks ? query.forUpdate() : query)
        .fetchOptional(r -> new Bundle(r.value1(), r.value2(), r.value3()));
  }

  /** All files with how far they are, in their order. */
  public List<EntryView> entries(UUID bundle) {
    return db.select(
            BUNDLED.NUMBER,
            BUNDLED.PATH,
            BUNDLED.SIZE,
            BUNDLED.STUDENT_ID,
            BUNDLED.DOUBT,
            UPLOAD.STAGE,
            UPLOAD.PROBLEM,
            UPLOAD.SUBMISSION_ID,
            BUNDLED.FILE)
        .from(BUNDLED)
        .leftJoin(UPLOAD)
        .on(UPLOAD.ID.eq(BUNDLED.UPLOAD_ID))
        .where(BUNDLED.BUNDLE_ID.eq(bundle))
        .orderBy(BUNDLED.NUMBER)
        .fetch(r ->
            new EntryView(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                r.value5(),
                r.value6() == null ? null : Stage.valueOf(r.value6()),
                r.value7() == null ? null : json.read(r.value7(), UploadProblem.class),
                r.value7() != null && sent.has(r.value9()) ? r.value9() : null,
                r.value8()));
  }

  /** A file that is not handed in yet. */
  public Optional<File> file(UUID bundle, int number) {
    return db.select(BUNDLED.FILE, BUNDLED.PATH, BUNDLED.SIZE)
        .from(BUNDLED)
        .where(BUNDLED.BUNDLE_ID.eq(bundle), BUNDLED.NUMBER.eq(number), BUNDLED.UPLOAD_ID.isNull())
        .fetchOptional(r -> new File(r.value1(), r.value2(), r.value3()));
  }

  /** Says whose a file is, and on which way in. */
  public void handedIn(UUID bundle, int number, UUID student, UUID upload) {
    db.update(BUNDLED)
        .set(BUNDLED.STUDENT_ID, student)
        .set(BUNDLED.UPLOAD_ID, upload)
        .setNull(BUNDLED.DOUBT)
        .where(BUNDLED.BUNDLE_ID.eq(bundle), BUNDLED.NUMBER.eq(number))
        .execute();
  }

  /** Files of which nobody said whose they are are not kept for ever. */
  @Transactional
  public int forgetBefore(Instant time) {
    db.select(BUNDLED.FILE)
        .from(BUNDLED)
        .join(BUNDLE)
        .on(BUNDLE.ID.eq(BUNDLED.BUNDLE_ID))
        .where(BUNDLE.RECEIVED_AT.lt(time.atOffset(ZoneOffset.UTC)), BUNDLED.UPLOAD_ID.isNull())
        .fetch(BUNDLED.FILE)
        .forEach(sent::forget);
    return db.deleteFrom(BUNDLE)
        .where(BUNDLE.RECEIVED_AT.lt(time.atOffset(ZoneOffset.UTC)))
        .execute();
  }
}
