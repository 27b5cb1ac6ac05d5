package fairedge.server.room.store;

import static fairedge.schema.generated.Tables.BENCH_SHOW;

import fairedge.server.platform.Json;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.room.ShowView.SightView;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Benches that are shown to classes. */
@Repository
public class ShowStore {
  private final DSLContext db;
  private final Json json;

  ShowStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** One that is shown. */
  public record Show(UUID course, UUID workpiece, UUID account, Instant begunAt, SightView sight) {}

  /** In place of any other of the class. */
  public void begin(Show show) {
    db.insertInto(BENCH_SHOW)
        .set(BENCH_SHOW.COURSE_ID, show.course())
        .set(BENCH_SHOW.WORKPIECE_ID, show.workpiece())
        .set(BENCH_SHOW.ACCOUNT_ID, show.account())
        .set(BENCH_SHOW.BEGUN_AT, show.begunAt().atOffset(ZoneOffset.UTC))
        .set(BENCH_SHOW.LENS, show.sight().lens())
        .set(BENCH_SHOW.CAPTION, show.sight().caption())
        .onConflict(BENCH_SHOW.COURSE_ID)
        .doUpdate()
        .set(BENCH_SHOW.WORKPIECE_ID, show.workpiece())
        .set(BENCH_SHOW.ACCOUNT_ID, show.account())
        .set(BENCH_SHOW.BEGUN_AT, show.begunAt().atOffset(ZoneOffset.UTC))
        .setNull(BENCH_SHOW.CAMERA)
        .set(BENCH_SHOW.LENS, show.sight().lens())
        .set(BENCH_SHOW.CAPTION, show.sight().caption())
        .execute();
  }

  /**
   * @return false where somebody else shows by now, or nobody
   */
  public boolean see(UUID course, UUID account, SightView sight) {
    return db.update(BENCH_SHOW)
            .set(BENCH_SHOW.CAMERA, sight.camera() == null ? null : json.write(sight.camera()))
            .set(BENCH_SHOW.LENS, sight.lens())
            .set(BENCH_SHOW.CAPTION, sight.caption())
            .where(BENCH_SHOW.COURSE_ID.eq(course), BENCH_SHOW.ACCOUNT_ID.eq(account))
            .execute()
        > 0;
  }

  public boolean end(UUID course) {
    return db.deleteFrom(BENCH_SHOW).where(BENCH_SHOW.COURSE_ID.eq(course)).execute() > 0;
  }

  public Optional<Show> of(UUID course) {
    return shows(BENCH_SHOW.COURSE_ID.eq(course)).stream().findFirst();
  }

  public List<Show> ofWorkpiece(UUID workpiece) {
    return shows(BENCH_SHOW.WORKPIECE_ID.eq(workpiece));
  }

  private List<Show> shows(Condition condition) {
    return db.selectFrom(BENCH_SHOW)
        .where(condition)
        .fetch(r ->
            new Show(
                r.getCourseId(),
                r.getWorkpieceId(),
                r.getAccountId(),
                r.getBegunAt().toInstant(),
                new SightView(
                    r.getCamera() == null ? null : json.read(r.getCamera(), CameraView.class),
                    r.getLens(),
                    r.getCaption())));
  }

  public void forgetOf(UUID account) {
    db.deleteFrom(BENCH_SHOW).where(BENCH_SHOW.ACCOUNT_ID.eq(account)).execute();
  }
}
