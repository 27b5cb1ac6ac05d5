package fairedge.core.mend;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.Surface;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How far a surface moves by a change: from the vertices that are new, gone or elsewhere to the
 * faces that were touched, as they lie on the other side of the change.
 */
final class SurfaceMove {
  private SurfaceMove() {}

  /** Touched vertices and faces as they lie at one time. */
  record Lie(Map<Integer, Vec3> vertices, List<Vec3[]> faces) {
    static final Lie NOTHING = new Lie(Map.of(), List.of());

    static Lie of(Mesh mesh, ElementSet touched) {
      Map<Integer, Vec3> vertices = new HashMap<>();
      touched.vertices().stream()
          .filter(v -> mesh.hasVertex(v) && mesh.hasPlace(v) && mesh.isInFace(v))
          .forEach(v -> vertices.put(v, mesh.position(v)));
      return new Lie(vertices, polygons(mesh, touched.faces()));
    }

    private static List<Vec3[]> polygons(Mesh mesh, BitSet faces) {
      List<Vec3[]> polygons = new ArrayList<>();
      faces.stream()
          .filter(f -> mesh.hasFace(f) && mesh.isMeasurable(f))
          .forEach(f ->
              polygons.add(
                  Arrays.stream(mesh.vertices(f)).mapToObj(mesh::position).toArray(Vec3[]::new)));
      return polygons;
    }

    /** The places that the other has not, or elsewhere. */
    List<Vec3> otherThan(Lie other) {
      return vertices.entrySet().stream()
          .filter(e -> !e.getValue().equals(other.vertices.get(e.getKey())))
          .sorted(Map.Entry.comparingByKey())
          .map(Map.Entry::getValue)
          .toList();
    }
  }

  /**
   * @param before the mesh as it was
   * @param after how it lies after the change; {@link Lie#NOTHING} where that is not asked
   */
  static double between(Mesh before, ElementSet touched, Lie after) {
    if (after == Lie.NOTHING) {
      return 0;
    }
    Lie was = Lie.of(before, touched);
    return Math.max(
        farthest(was.otherThan(after), after.faces()), farthest(after.otherThan(was), was.faces()));
  }

  private static double farthest(List<Vec3> places, List<Vec3[]> faces) {
    if (places.isEmpty() || faces.isEmpty()) {
      return 0;
    }
    MeshBuilder builder = new MeshBuilder();
    for (Vec3[] face : faces) {
      builder.face(Arrays.stream(face).mapToInt(builder::vertex).toArray());
    }
    Surface surface = new Surface(builder.build());
    double farthest = 0;
    int triangle = 0;
    for (Vec3 place : places) {
      triangle = surface.nearest(place, triangle);
      farthest = Math.max(farthest, surface.distance(triangle, place));
    }
    return farthest;
  }
}
