package fairedge.server.meshfile.store;

import static fairedge.schema.generated.Tables.SENT_PART;

import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Parts of files. */
@Repository
public class SentStore {
  private final DSLContext db;

  SentStore(DSLContext db) {
    this.db = db;
  }

  public void insert(UUID file, int number, byte[] bytes) {
    db.insertInto(SENT_PART)
        .set(SENT_PART.FILE, file)
        .set(SENT_PART.NUMBER, number)
        .set(SENT_PART.BYTES, bytes)
        .execute();
  }

  public Optional<byte[]> find(UUID file, int number) {
    return db.select(SENT_PART.BYTES)
        .from(SENT_PART)
        .where(SENT_PART.FILE.eq(file), SENT_PART.NUMBER.eq(number))
        .fetchOptional(SENT_PART.BYTES);
  }

  public boolean has(UUID file, int number) {
    return db.fetchExists(SENT_PART, SENT_PART.FILE.eq(file).and(SENT_PART.NUMBER.eq(number)));
  }

  public void delete(UUID file) {
    db.deleteFrom(SENT_PART).where(SENT_PART.FILE.eq(file)).execute();
  }
}
