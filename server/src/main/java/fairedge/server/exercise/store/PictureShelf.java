package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE_PICTURE;

import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Pictures of briefs, by exercise and hash. */
@Repository
public class PictureShelf {
  private final DSLContext db;

  PictureShelf(DSLContext db) {
    this.db = db;
  }

  public void put(UUID exercise, byte[] hash, byte[] png) {
    db.insertInto(EXERCISE_PICTURE)
        .set(EXERCISE_PICTURE.EXERCISE_ID, exercise)
        .set(EXERCISE_PICTURE.SHA256, hash)
        .set(EXERCISE_PICTURE.PNG, png)
        .onConflictDoNothing()
        .execute();
  }

  public Optional<byte[]> find(UUID exercise, byte[] hash) {
    return db.select(EXERCISE_PICTURE.PNG)
        .from(EXERCISE_PICTURE)
        .where(EXERCISE_PICTURE.EXERCISE_ID.eq(exercise), EXERCISE_PICTURE.SHA256.eq(hash))
        .fetchOptional(EXERCISE_PICTURE.PNG);
  }

  public int count(UUID exercise) {
    return db.fetchCount(EXERCISE_PICTURE, EXERCISE_PICTURE.EXERCISE_ID.eq(exercise));
  }
}
