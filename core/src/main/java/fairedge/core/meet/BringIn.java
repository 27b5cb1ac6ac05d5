package fairedge.core.meet;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Naming;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Lays a mesh that comes from elsewhere beside what is there, as parts of their own. It comes as
 * the text of an OBJ file, so that a step holds all that it needs and can be read by whoever likes.
 * Cost: what comes.
 */
public final class BringIn {
  /** More faces would make a step too heavy to be kept. */
  public static final int MOST_FACES = 200_000;

  private BringIn() {}

  /**
   * @param obj its vertices and faces, in the unit of the mesh
   * @param name of what comes; empty: as the file names it
   * @param by how far it is moved
   * @param scale by how much it is larger, from its own origin; more than 0
   * @return its faces chosen
   * @throws Refusal.Raised where it can't be read, is empty or too large
   */
  public static Done bringIn(Site site, String obj, String name, Vec3 by, double scale) {
    if (!by.isFinite() || !(scale > 0) || !Double.isFinite(scale)) {
      throw Refusal.because("A part is moved by numbers and scaled by more than 0.");
    }
    Mesh from = read(obj);
    if (from.faceCount() == 0) {
      throw Refusal.because("There is no face in what would be brought in.");
    }
    List<Remark> remarks = new ArrayList<>();
    if (from.carries(Attribute.TEXTURE) || from.carries(Attribute.NORMAL)) {
      remarks.add(Remark.of("Its places on a texture and its own normals stay behind.", null));
    }
    Map<Integer, Integer> vertices = new TreeMap<>();
    List<Integer> faces = new ArrayList<>();
    for (int f = 0; f < from.faceEnd(); f++) {
      int[] ring = from.vertices(f);
      for (int i = 0; i < ring.length; i++) {
        int v = ring[i];
        if (!from.hasPlace(v)) {
          throw Refusal.because("A vertex of what would be brought in has no place.");
        }
        ring[i] =
            vertices.computeIfAbsent(
                v, n -> site.edit().makeVertex(from.position(v).times(scale).plus(by)));
      }
      int laid = Pruning.layFace(site.edit(), ring, Mesh.NONE);
      Label label = from.labels().get(from.labelOf(f));
      if (!label.equals(Label.NONE)) {
        site.edit().labelFace(laid, label);
      }
      faces.add(laid);
    }
    if (!name.isBlank()) {
      Naming.name(site, faces, name);
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(faces));
  }

  private static Mesh read(String obj) {
    byte[] bytes = obj.getBytes(StandardCharsets.UTF_8);
    try {
      return ObjReader.read(new ByteArrayInputStream(bytes), Limits.ofFaces(MOST_FACES)).mesh();
    } catch (BadFile bad) {
      throw Refusal.because("What would be brought in can't be read. " + bad.getMessage() + ".");
    } catch (IOException broken) {
      throw new UncheckedIOException(broken);
    }
  }
}
