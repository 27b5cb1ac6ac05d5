package fairedge.server.exercise;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fairedge.core.mesh.Mesh;
import fairedge.picture.MeshPicture;
import fairedge.server.course.Right;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Pictures of starters, for rows in which nothing is handed in yet. Drawn at the first call and
 * remembered by the mesh, a few kilobytes each: starters are few and don't change.
 */
@Service
public class StarterPictures {
  /** As large as the picture of a submission in a row. */
  private static final MeshPicture.Size ROW = new MeshPicture.Size(88, 52, 2);

  private static final int REMEMBERED = 500;

  private final Assignments assignments;
  private final MeshFiles meshes;
  private final Turns turns;
  private final Cache<ByteBuffer, byte[]> drawn =
      Caffeine.newBuilder().maximumSize(REMEMBERED).build();

  StarterPictures(Assignments assignments, MeshFiles meshes, Turns turns) {
    this.assignments = assignments;
    this.meshes = meshes;
    this.turns = turns;
  }

  /** As a PNG, for anyone in the class. */
  public byte[] picture(UUID id, SignedIn account) {
    return picture(assignments.requireTo(Right.SEE, id, account).exercise().starter(), account);
  }

  /**
   * As a PNG, for somebody who may see it.
   *
   * @param starter hash of its mesh
   */
  public byte[] picture(byte[] starter, SignedIn account) {
    ByteBuffer key = ByteBuffer.wrap(starter);
    byte[] known = drawn.getIfPresent(key);
    if (known != null) {
      return known;
    }
    Mesh mesh = meshes.require(starter);
    byte[] png =
        turns.bySize(account.id(), mesh.faceCount(), () -> MeshPicture.png(mesh, List.of(), ROW));
    drawn.put(key, png);
    return png;
  }
}
