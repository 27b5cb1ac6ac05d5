package fairedge.core.subdivide;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;

/**
 * The Catmull-Clark surface of a mesh (Catmull and Clark, "Recursively generated B-spline surfaces
 * on arbitrary topological meshes", 1978), one level at a time: every face with n corners becomes n
 * quads. Borders are curves of their own, as are edges of more than two faces: their vertices and
 * edges take part along them only (DeRose et al., "Subdivision surfaces in character animation",
 * 1998); a vertex at which not two such edges meet stays, so does one that several fans share.
 * Faces with a corner that has no place are left out. Cost: the mesh, times four a level.
 */
public final class CatmullClark {
  private final Mesh mesh;
  private final MeshBuilder builder = new MeshBuilder();
  private final int[] ofVertex;
  private final int[] ofEdge;
  private final int[] ofFace;

  private CatmullClark(Mesh mesh) {
    this.mesh = mesh;
    this.ofVertex = new int[mesh.vertexEnd()];
    this.ofEdge = new int[mesh.edgeEnd()];
    this.ofFace = new int[mesh.faceEnd()];
  }

  /** How many faces the mesh has after so many levels. */
  public static long faces(Mesh mesh, int levels) {
    long corners = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      corners += mesh.hasFace(f) ? mesh.size(f) : 0;
    }
    return levels == 0 ? mesh.faceCount() : corners << 2 * (levels - 1);
  }

  /** The mesh refined so many times. */
  public static Mesh refined(Mesh mesh, int levels) {
    Mesh now = mesh;
    for (int i = 0; i < levels; i++) {
      now = new CatmullClark(now).refine();
    }
    return now;
  }

  /**
   * A mesh refined once, and where its elements went.
   *
   * @param ofVertex of each vertex that of the refined mesh, or {@link Mesh#NONE}
   * @param ofEdge of each edge its vertex
   * @param ofFace of each face its vertex
   * @param firstQuad of each face the first of its quads, one a corner in order, each of them
   *     beginning at the corner, with the face's vertex as its third
   */
  public record Refined(Mesh mesh, int[] ofVertex, int[] ofEdge, int[] ofFace, int[] firstQuad) {}

  /** The mesh refined once. Cost: the mesh. */
  public static Refined once(Mesh mesh) {
    CatmullClark step = new CatmullClark(mesh);
    Mesh refined = step.refine();
    int[] firstQuad = new int[mesh.faceEnd()];
    int next = 0;
    for (int f = 0; f < firstQuad.length; f++) {
      firstQuad[f] = step.ofFace[f] == Mesh.NONE ? Mesh.NONE : next;
      next += step.ofFace[f] == Mesh.NONE ? 0 : mesh.size(f);
    }
    return new Refined(refined, step.ofVertex, step.ofEdge, step.ofFace, firstQuad);
  }

  private Mesh refine() {
    for (int v = 0; v < ofVertex.length; v++) {
      ofVertex[v] = mesh.hasVertex(v) && mesh.isInFace(v) ? builder.vertex(place(v)) : Mesh.NONE;
    }
    for (int e = 0; e < ofEdge.length; e++) {
      boolean used = mesh.hasEdge(e) && mesh.cornerOn(e) != Mesh.NONE;
      ofEdge[e] = used ? builder.vertex(placeOnEdge(e)) : Mesh.NONE;
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      boolean there = mesh.hasFace(f) && mesh.isMeasurable(f);
      ofFace[f] = there ? builder.vertex(middle(f)) : Mesh.NONE;
    }
    for (int f = 0; f < ofFace.length; f++) {
      if (ofFace[f] != Mesh.NONE) {
        quads(f, ofFace[f]);
      }
    }
    return builder.build();
  }

  private void quads(int f, int centre) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      builder.face(
          ofVertex[mesh.vertexOf(c)],
          ofEdge[mesh.edgeOf(c)],
          centre,
          ofEdge[mesh.edgeOf(mesh.previous(c))]);
      c = mesh.next(c);
    }
  }

  private Vec3 middle(int f) {
    Vec3 sum = Vec3.ZERO;
    for (int v : mesh.vertices(f)) {
      sum = sum.plus(mesh.position(v));
    }
    return sum.times(1.0 / mesh.size(f));
  }

  private Vec3 placeOnEdge(int e) {
    Vec3 middle = mesh.along(e, 0.5);
    if (mesh.uses(e) != 2) {
      return middle;
    }
    int c = mesh.firstSideOn(e);
    Vec3 faces = middle(mesh.faceOf(c)).plus(middle(mesh.faceOf(mesh.nextOnEdge(c)))).times(0.5);
    return middle.plus(faces).times(0.5);
  }

  private Vec3 place(int v) {
    int[] edges = mesh.edgesAt(v);
    Vec3 at = mesh.position(v);
    Vec3 sharp = Vec3.ZERO;
    Vec3 ends = Vec3.ZERO;
    int sharpCount = 0;
    int count = 0;
    for (int e : edges) {
      int uses = mesh.uses(e);
      if (uses == 0) {
        continue;
      }
      Vec3 end = mesh.position(mesh.otherEnd(e, v));
      ends = ends.plus(end);
      count++;
      if (uses != 2) {
        sharp = sharp.plus(end);
        sharpCount++;
      }
    }
    int[] faces = mesh.facesAt(v);
    if (sharpCount == 2) {
      return at.times(0.75).plus(sharp.times(0.125));
    }
    if (sharpCount != 0 || faces.length != count) {
      return at;
    }
    Vec3 middles = Vec3.ZERO;
    for (int f : faces) {
      middles = middles.plus(middle(f));
    }
    double n = count;
    // (Q + 2 R + (n - 3) S) / n, with Q and R the means of face middles and of edge middles.
    Vec3 edgeMiddles = at.times(n).plus(ends).times(0.5);
    return middles.times(1 / n).plus(edgeMiddles.times(2 / n)).plus(at.times(n - 3)).times(1 / n);
  }
}
