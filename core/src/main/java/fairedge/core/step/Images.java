package fairedge.core.step;

import fairedge.core.cut.Anchor;
import fairedge.core.form.MirrorPlane;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.Region;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * Which elements are the images of which in a mirror, told by place. Cost of one: the faces near
 * its image.
 */
final class Images {
  /** Places so near to each other's images are images, as a share of the model's size. */
  private static final double ALIKE = 1e-6;

  private final Site site;
  private final Mesh mesh;
  private final MirrorPlane plane;
  private final double alike;

  Images(Site site, MirrorPlane plane) {
    this.site = site;
    this.mesh = site.mesh();
    this.plane = plane;
    this.alike = ALIKE * site.tolerance().scale();
  }

  boolean isOnPlane(Vec3 p) {
    return Math.abs(plane.distance(p)) <= alike;
  }

  boolean areAlike(Vec3 p, Vec3 q) {
    return p.distance(q) <= alike;
  }

  private int[] near(Vec3 p) {
    Region box =
        (lowX, lowY, lowZ, highX, highY, highZ) ->
            lowX <= p.x() + alike
                && highX >= p.x() - alike
                && lowY <= p.y() + alike
                && highY >= p.y() - alike
                && lowZ <= p.z() + alike
                && highZ >= p.z() - alike;
    return site.facesMeeting(box);
  }

  private static Refusal.Raised uneven(String what, Element element) {
    return Refusal.because(
        "The form is uneven here: this %s has no image on the other side.".formatted(what),
        element);
  }

  /** All vertices of faces at a place: where surfaces lie on each other there are several. */
  private TreeSet<Integer> verticesAt(Vec3 p) {
    TreeSet<Integer> there = new TreeSet<>();
    for (int f : near(p)) {
      for (int v : mesh.hasFace(f) ? mesh.vertices(f) : new int[0]) {
        if (mesh.position(v).distance(p) <= alike) {
          there.add(v);
        }
      }
    }
    return there;
  }

  /**
   * That an edge runs between the images of the ends of another.
   *
   * @throws Refusal.Raised where none does
   */
  void requireEdge(int e) {
    TreeSet<Integer> second = verticesAt(plane.image(mesh.position(mesh.second(e))));
    for (int v : verticesAt(plane.image(mesh.position(mesh.first(e))))) {
      if (second.stream().anyMatch(w -> mesh.findEdge(v, w) != Mesh.NONE)) {
        return;
      }
    }
    throw uneven("edge", Element.edge(e));
  }

  private int vertexAt(Vec3 p) {
    int best = Mesh.NONE;
    double nearest = alike;
    for (int f : near(p)) {
      for (int v : mesh.hasFace(f) ? mesh.vertices(f) : new int[0]) {
        double away = mesh.position(v).distance(p);
        if (away < nearest || away == nearest && v < best) {
          best = v;
          nearest = away;
        }
      }
    }
    return best;
  }

  /**
   * @throws Refusal.Raised where there is none
   */
  int vertex(int v) {
    if (!mesh.hasVertex(v) || isOnPlane(mesh.position(v))) {
      return v;
    }
    int image = vertexAt(plane.image(mesh.position(v)));
    if (image == Mesh.NONE) {
      throw uneven("vertex", Element.vertex(v));
    }
    return image;
  }

  int edge(int e) {
    if (!mesh.hasEdge(e)) {
      return e;
    }
    int image = mesh.findEdge(vertex(mesh.first(e)), vertex(mesh.second(e)));
    if (image == Mesh.NONE) {
      throw uneven("edge", Element.edge(e));
    }
    return image;
  }

  int face(int f) {
    if (!mesh.hasFace(f)) {
      return f;
    }
    int[] wanted = Arrays.stream(mesh.vertices(f)).map(this::vertex).sorted().toArray();
    for (int g : mesh.facesAt(wanted[0])) {
      if (Arrays.equals(Arrays.stream(mesh.vertices(g)).sorted().toArray(), wanted)) {
        return g;
      }
    }
    throw uneven("face", Element.face(f));
  }

  /** Elements with their images, by id. */
  List<Integer> withVertices(Collection<Integer> vertices) {
    TreeSet<Integer> all = new TreeSet<>(vertices);
    vertices.forEach(v -> all.add(vertex(v)));
    return List.copyOf(all);
  }

  List<Integer> withEdges(Collection<Integer> edges) {
    TreeSet<Integer> all = new TreeSet<>(edges);
    edges.forEach(e -> all.add(edge(e)));
    return List.copyOf(all);
  }

  List<Integer> withFaces(Collection<Integer> faces) {
    TreeSet<Integer> all = new TreeSet<>(faces);
    faces.forEach(f -> all.add(face(f)));
    return List.copyOf(all);
  }

  View view(View view) {
    return switch (view) {
      case View.Perspective p -> new View.Perspective(plane.image(p.eye()));
      case View.Parallel p -> new View.Parallel(plane.turned(p.direction()));
    };
  }

  /**
   * An anchor at a place: on a vertex or an edge there, else in a face.
   *
   * @throws Refusal.Raised where nothing lies there
   */
  Anchor anchorAt(Vec3 p) {
    int v = vertexAt(p);
    if (v != Mesh.NONE) {
      return new Anchor.OnVertex(v);
    }
    int[] faces = near(p);
    Anchor best = null;
    double nearest = alike;
    for (int f : faces) {
      for (int e : mesh.hasFace(f) ? mesh.edges(f) : new int[0]) {
        Vec3 a = mesh.position(mesh.first(e));
        Vec3 b = mesh.position(mesh.second(e));
        double away = p.distanceToSegment(a, b);
        if (away <= nearest) {
          Vec3 along = b.minus(a);
          nearest = away;
          best = new Anchor.OnEdge(e, p.minus(a).dot(along) / along.dot(along));
        }
      }
    }
    if (best != null) {
      return best;
    }
    for (int f : faces) {
      if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
        Vec3 on = mesh.polygon(f).onSurface(p);
        if (on != null && on.distance(p) <= Math.max(alike, site.tolerance().flat())) {
          return new Anchor.InFace(f, on);
        }
      }
    }
    throw Refusal.because(
        "The form is uneven here: nothing lies where the image of this point is.");
  }
}
