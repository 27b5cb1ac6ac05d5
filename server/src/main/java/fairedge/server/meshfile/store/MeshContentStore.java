package fairedge.server.meshfile.store;

import static fairedge.schema.generated.Tables.MESH_CONTENT;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class MeshContentStore {
  private final DSLContext db;

  MeshContentStore(DSLContext db) {
    this.db = db;
  }

  public void insertIfNew(byte[] hash, byte[] bytes, int vertices, int edges, int faces) {
    db.insertInto(MESH_CONTENT)
        .set(MESH_CONTENT.SHA256, hash)
        .set(MESH_CONTENT.BYTES, bytes)
        .set(MESH_CONTENT.VERTICES, vertices)
        .set(MESH_CONTENT.EDGES, edges)
        .set(MESH_CONTENT.FACES, faces)
        .onConflictDoNothing()
        .execute();
  }

  public Optional<byte[]> find(byte[] hash) {
    return db.select(MESH_CONTENT.BYTES)
        .from(MESH_CONTENT)
        .where(MESH_CONTENT.SHA256.eq(hash))
        .fetchOptional(MESH_CONTENT.BYTES);
  }
}
