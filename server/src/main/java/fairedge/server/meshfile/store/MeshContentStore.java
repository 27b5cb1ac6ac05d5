package fairedge.server.meshfile.store;

import static fairedge.schema.generated.Tables.MESH_CONTENT;
import static java.time.ZoneOffset.UTC;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

@Repository
public class MeshContentStore {
  private final DSLContext db;

  MeshContentStore(DSLContext db) {
    this.db = db;
  }

  /** Keeps a mesh, or notes that it is kept once more. */
  public void keep(byte[] hash, byte[] bytes, int vertices, int edges, int faces) {
    db.insertInto(MESH_CONTENT)
        .set(MESH_CONTENT.SHA256, hash)
        .set(MESH_CONTENT.BYTES, bytes)
        .set(MESH_CONTENT.VERTICES, vertices)
        .set(MESH_CONTENT.EDGES, edges)
        .set(MESH_CONTENT.FACES, faces)
        .onConflict(MESH_CONTENT.SHA256)
        .doUpdate()
        .set(MESH_CONTENT.KEPT_AT, DSL.currentOffsetDateTime())
        .execute();
  }

  public Optional<byte[]> find(byte[] hash) {
    return db.select(MESH_CONTENT.BYTES)
        .from(MESH_CONTENT)
        .where(MESH_CONTENT.SHA256.eq(hash))
        .fetchOptional(MESH_CONTENT.BYTES);
  }

  public Optional<Integer> faceCount(byte[] hash) {
    return db.select(MESH_CONTENT.FACES)
        .from(MESH_CONTENT)
        .where(MESH_CONTENT.SHA256.eq(hash))
        .fetchOptional(MESH_CONTENT.FACES);
  }

  /** Meshes that were last kept before an instant, in the order of their hashes, after one. */
  public List<byte[]> keptBefore(Instant before, byte[] after, int most) {
    return db.select(MESH_CONTENT.SHA256)
        .from(MESH_CONTENT)
        .where(MESH_CONTENT.SHA256.gt(after), MESH_CONTENT.KEPT_AT.lt(before.atOffset(UTC)))
        .orderBy(MESH_CONTENT.SHA256)
        .limit(most)
        .fetch(MESH_CONTENT.SHA256);
  }

  /** Lets go of these, but for those that were kept again meanwhile. */
  public int forget(List<byte[]> hashes, Instant before) {
    return db.deleteFrom(MESH_CONTENT)
        .where(MESH_CONTENT.SHA256.in(hashes), MESH_CONTENT.KEPT_AT.lt(before.atOffset(UTC)))
        .execute();
  }
}
