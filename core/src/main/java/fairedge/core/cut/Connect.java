package fairedge.core.cut;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;

/**
 * Joins vertices by edges: two of one face by a chord in it; two apart by the way over the surface
 * along the straight line between them. Precondition: the chord stays in the face; the way leads
 * from the one to the other. Result: as of a trace. Cost: the faces at both, or along the way.
 */
public final class Connect {
  private Connect() {}

  /**
   * @param vertices each joined to the next
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done connect(Site site, List<Integer> vertices) {
    Asked.placed(site, vertices);
    if (vertices.size() < 2) {
      throw Refusal.because("Choose at least two vertices to connect.");
    }
    List<Remark> remarks = new ArrayList<>();
    Done across = new Done(List.of(), List.of(), 0);
    for (int i = 1; i < vertices.size(); i++) {
      int a = vertices.get(i - 1);
      int b = vertices.get(i);
      if (a == b) {
        continue;
      }
      int edge = site.mesh().findEdge(a, b);
      if (edge != Mesh.NONE) {
        remarks.add(new Remark("An edge joins these two already.", Element.edge(edge), null, null));
      } else if (!splitOneFace(site, a, b)) {
        across = Trace.overSurface(site, a, b);
      }
    }
    remarks.addAll(across.remarks());
    return new Done(across.pieces(), remarks, vertices.size());
  }

  /** False if no face has both. */
  private static boolean splitOneFace(Site site, int a, int b) {
    Mesh mesh = site.mesh();
    int leaves = Mesh.NONE;
    for (int f : mesh.facesAt(a)) {
      int c = mesh.findCorner(f, a);
      int d = mesh.findCorner(f, b);
      if (d == Mesh.NONE || !site.allows(f)) {
        continue;
      }
      if (isInside(mesh, f, a, b)) {
        site.edit().splitFace(f, c, d, List.of());
        return true;
      }
      leaves = f;
    }
    if (leaves != Mesh.NONE) {
      throw Refusal.because(
          "The straight line between these two leaves their face.", Element.face(leaves));
    }
    return false;
  }

  private static boolean isInside(Mesh mesh, int f, int a, int b) {
    Polygon.Flat flat = mesh.polygon(f).flat();
    Vec3 from = mesh.position(a);
    Vec3 to = mesh.position(b);
    return mesh.isMeasurable(f) && flat.containsSegment(from, to);
  }
}
