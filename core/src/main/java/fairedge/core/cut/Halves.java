package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Pruning;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;

/**
 * Cuts a mesh along an endless plane and keeps what lies on one side of it. What lies in the plane
 * goes as well; ends stay open. Old vertices keep their places. Cost: the mesh.
 */
public final class Halves {
  /** How many faces went. */
  public record Gone(int beyond, int inPlane) {}

  private Halves() {}

  /**
   * @param normal to the side that stays, of unit length
   * @param within what lies so near to the plane on the whole lies in it; at least what counts as
   *     one place
   */
  public static Gone keep(Site site, Vec3 origin, Vec3 normal, double within) {
    Mesh mesh = site.mesh();
    FlatPlane plane = new FlatPlane(origin, normal);
    int[] crossed = site.facesMeeting(plane.region(site.merge()));
    List<Chord> chords = new Section(mesh, plane, site.merge()).chords(crossed);
    new FaceCutter(site.edit(), site.merge()).cut(chords);
    List<Integer> beyond = new ArrayList<>();
    List<Integer> inPlane = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
          double d = plane.distance(mesh.position(mesh.vertexOf(c)));
          low = Math.min(low, d);
          high = Math.max(high, d);
        }
        if (high <= within && low >= -within) {
          inPlane.add(f);
        } else if (high <= site.merge()) {
          beyond.add(f);
        }
      }
    }
    List<Integer> gone = new ArrayList<>(beyond);
    gone.addAll(inPlane);
    Pruning.removeFaces(site.edit(), gone);
    return new Gone(beyond.size(), inPlane.size());
  }
}
