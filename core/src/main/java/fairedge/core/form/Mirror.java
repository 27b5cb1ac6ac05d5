package fairedge.core.form;

import fairedge.core.cut.Halves;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Keeps what lies on one side of a plane and lays its image on the other. Border edges with both
 * ends within a distance of the plane are laid on it and joined; faces in it go; a vertex that
 * touches it alone has an image of its own. The image looks outwards as what it is made of does.
 * Area, and volume if it is closed, are twice those of the half as it is laid on the plane. Loose
 * edges have no image. Cost: the mesh.
 */
public final class Mirror {
  /** Border vertices that lie so many joining distances from the plane are told. */
  private static final double NEAR = 10;

  private final Site site;
  private final MeshEdit edit;
  private final Mesh mesh;
  private final MirrorPlane plane;
  private final double join;
  private final List<Remark> remarks = new ArrayList<>();

  private Mirror(Site site, MirrorPlane plane, double join) {
    this.site = site;
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.plane = plane;
    this.join = Math.max(join, site.merge());
  }

  /**
   * @param ahead whether what lies on the side to which the plane's normal points (the higher one,
   *     with an axis) is kept
   * @param join the distance within which borders are joined; 0 for what counts as one place
   * @throws Refusal.Raised where the plane is none, nothing lies on that side, or a border that is
   *     joined would lose its length
   */
  public static Done copy(Site site, MirrorBy by, boolean ahead, double join) {
    if (!(join >= 0) || !Double.isFinite(join)) {
      throw Refusal.because("The distance for joining is 0 or more.");
    }
    return new Mirror(site, MirrorPlane.of(site, by), join).copy(ahead);
  }

  private Done copy(boolean ahead) {
    // What is to be joined is laid on the plane first, or the cut would leave slivers of it.
    lay(atPlane());
    Vec3 kept = ahead ? plane.normal() : plane.normal().times(-1);
    Halves.Gone gone = Halves.keep(site, plane.origin(), kept, join);
    if (mesh.faceCount() == 0) {
      throw Refusal.because("Nothing lies on the side that is to be kept.");
    }
    tell(gone);
    TreeSet<Integer> joined = joined();
    Map<Integer, Integer> images = new HashMap<>();
    joined.forEach(v -> images.put(v, v));
    List<Integer> laid = new ArrayList<>();
    int end = mesh.faceEnd();
    for (int f = 0; f < end; f++) {
      if (mesh.hasFace(f)) {
        laid.add(image(f, images));
      }
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(laid));
  }

  private int image(int f, Map<Integer, Integer> images) {
    int[] round = mesh.vertices(f);
    int[] turned = new int[round.length];
    for (int i = 0; i < round.length; i++) {
      int v = round[(round.length - i) % round.length];
      if (!mesh.hasPlace(v)) {
        throw Refusal.because("This vertex has no place.", Element.vertex(v));
      }
      turned[i] = images.computeIfAbsent(v, of -> edit.makeVertex(plane.image(mesh.position(of))));
    }
    return Pruning.layFace(edit, turned, f);
  }

  private boolean isNear(int v, double within) {
    return Math.abs(plane.distance(mesh.position(v))) <= within;
  }

  /** The border edges with both ends at the plane. */
  private List<Integer> atPlane() {
    List<Integer> edges = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e)
          && mesh.uses(e) == 1
          && isNear(mesh.first(e), join)
          && isNear(mesh.second(e), join)) {
        edges.add(e);
      }
    }
    return edges;
  }

  private TreeSet<Integer> lay(List<Integer> edges) {
    TreeSet<Integer> vertices = new TreeSet<>();
    for (int e : edges) {
      vertices.add(mesh.first(e));
      vertices.add(mesh.second(e));
    }
    vertices.forEach(v -> edit.moveVertex(v, plane.onto(mesh.position(v))));
    for (int e : edges) {
      if (mesh.length(e) <= site.merge()) {
        throw Refusal.because(
            "Laid on the plane this border edge would lose its length.", Element.edge(e));
      }
    }
    return vertices;
  }

  /** The vertices that the halves share. */
  private TreeSet<Integer> joined() {
    List<Integer> edges = atPlane();
    TreeSet<Integer> joined = lay(edges);
    TreeSet<Integer> near = new TreeSet<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1) {
        for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
          if (isNear(v, NEAR * join) && !joined.contains(v)) {
            near.add(v);
          }
        }
      }
    }
    tell(edges.size(), near);
    return joined;
  }

  private void tell(Halves.Gone gone) {
    if (gone.beyond() > 0) {
      remarks.add(
          Remark.of(
              gone.beyond() == 1
                  ? "One face beyond the plane is replaced."
                  : "%d faces beyond the plane are replaced.".formatted(gone.beyond()),
              null));
    }
    if (gone.inPlane() > 0) {
      remarks.add(
          Remark.of(
              gone.inPlane() == 1
                  ? "One face in the plane goes."
                  : "%d faces in the plane go.".formatted(gone.inPlane()),
              null));
    }
  }

  private void tell(int edges, TreeSet<Integer> near) {
    remarks.add(
        Remark.of(
            switch (edges) {
              case 0 -> "No border lies at the plane: the two halves are not joined.";
              case 1 -> "The halves are joined at one edge.";
              default -> "The halves are joined at %d edges.".formatted(edges);
            },
            null));
    if (!near.isEmpty()) {
      int v = near.getFirst();
      String text =
          near.size() == 1
              ? "One border vertex near the plane is not joined."
              : "%d border vertices near the plane are not joined.".formatted(near.size());
      remarks.add(new Remark(text, Element.vertex(v), mesh.position(v), null));
    }
  }
}
