package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE_PICTURE;

import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Pictures of briefs, by exercise and name. */
@Repository
public class PictureShelf {
  private final DSLContext db;

  PictureShelf(DSLContext db) {
    this.db = db;
  }

  public void put(UUID exercise, String name, byte[] png) {
    db.insertInto(EXERCISE_PICTURE)
        .set(EXERCISE_PICTURE.EXERCISE_ID, exercise)
        .set(EXERCISE_PICTURE.NAME, name)
        .set(EXERCISE_PICTURE.PNG, png)
        .onConflictDoNothing()
        .execute();
  }

  public Optional<byte[]> find(UUID exercise, String name) {
    return db.select(EXERCISE_PICTURE.PNG)
        .from(EXERCISE_PICTURE)
        .where(EXERCISE_PICTURE.EXERCISE_ID.eq(exercise), EXERCISE_PICTURE.NAME.eq(name))
        .fetchOptional(EXERCISE_PICTURE.PNG);
  }

  public int count(UUID exercise) {
    return db.fetchCount(EXERCISE_PICTURE, EXERCISE_PICTURE.EXERCISE_ID.eq(exercise));
  }
}
