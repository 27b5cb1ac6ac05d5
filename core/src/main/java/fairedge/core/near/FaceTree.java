package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.BitSet;

/**
 * The faces of a mesh by the boxes round them; those without a place are left out. Built at the
 * first question, then kept up to date by what changes touch. Cost: n log n at first; log n for
 * each face touched; for a question the faces found and log n.
 */
public final class FaceTree {
  private final Mesh mesh;
  private final BoxTree tree = new BoxTree();
  private boolean isBuilt;

  public FaceTree(Mesh mesh) {
    this.mesh = mesh;
  }

  /** To be told after faces were made, freed or altered, also by taking a change back. */
  public void update(BitSet touched) {
    if (!isBuilt) {
      return;
    }
    double[] corners = new double[6];
    for (int f = touched.nextSetBit(0); f >= 0; f = touched.nextSetBit(f + 1)) {
      if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
        box(f, corners, 0);
        tree.put(f, corners);
      } else if (tree.has(f)) {
        tree.remove(f);
      }
    }
  }

  /**
   * The faces, by id, whose boxes may meet a region: as they were when last told of, and all that
   * have been touched since.
   */
  public int[] meeting(Region region, BitSet touchedSince) {
    if (!isBuilt) {
      build();
    }
    BitSet found = new BitSet();
    found.or(touchedSince);
    tree.find(region, found::set);
    return found.stream().filter(mesh::hasFace).toArray();
  }

  /**
   * The faces whose boxes come so near to what is touched, the touched ones themselves, and perhaps
   * some more beside them. Asked for while a change is in force of which the tree has not been
   * told, it gives all of these too.
   *
   * @param room positive
   */
  public BitSet near(ElementSet touched, double room) {
    if (!isBuilt) {
      build();
    }
    BitSet found = (BitSet) touched.faces().clone();
    Nearby nearby = new Nearby(room, found);
    BitSet vertices = (BitSet) touched.vertices().clone();
    BitSet edges = (BitSet) touched.edges().clone();
    double[] box = new double[6];
    touched.faces().stream()
        .filter(f -> mesh.hasFace(f) && mesh.isMeasurable(f))
        .forEach(f -> {
          box(f, box, 0);
          nearby.ask(box);
          for (int e : mesh.edges(f)) {
            edges.clear(e);
            vertices.clear(mesh.first(e));
            vertices.clear(mesh.second(e));
          }
        });
    // A side of a face that is gone may lie on others.
    edges.stream()
        .filter(e -> mesh.hasEdge(e) && isPlaced(mesh.first(e)) && isPlaced(mesh.second(e)))
        .forEach(e -> {
          Vec3 a = mesh.position(mesh.first(e));
          Vec3 b = mesh.position(mesh.second(e));
          for (int i = 0; i < 3; i++) {
            box[i] = Math.min(a.along(i), b.along(i));
            box[3 + i] = Math.max(a.along(i), b.along(i));
          }
          vertices.clear(mesh.first(e));
          vertices.clear(mesh.second(e));
          nearby.ask(box);
        });
    vertices.stream()
        .filter(this::isPlaced)
        .forEach(v -> {
          Arrays.setAll(box, i -> mesh.position(v).along(i % 3));
          nearby.ask(box);
        });
    nearby.answer();
    return found;
  }

  private boolean isPlaced(int v) {
    return mesh.hasVertex(v) && mesh.hasPlace(v);
  }

  /**
   * Asks for what is near to many boxes, for several at once where they lie side by side, as those
   * of a cut do: more is found then, but little.
   */
  private final class Nearby {
    private final double room;
    private final BitSet found;
    private final double[] joined = new double[6];
    private double sizes;

    Nearby(double room, BitSet found) {
      this.room = room;
      this.found = found;
    }

    void ask(double[] box) {
      double size = size(box);
      if (sizes == 0 || size(union(box)) > sizes + size) {
        answer();
        System.arraycopy(box, 0, joined, 0, 6);
        sizes = size;
      } else {
        System.arraycopy(union(box), 0, joined, 0, 6);
        sizes += size;
      }
    }

    void answer() {
      if (sizes > 0) {
        tree.find(within(joined, room), found::set);
        sizes = 0;
      }
    }

    private double[] union(double[] box) {
      double[] both = new double[6];
      for (int i = 0; i < 3; i++) {
        both[i] = Math.min(joined[i], box[i]);
        both[3 + i] = Math.max(joined[3 + i], box[3 + i]);
      }
      return both;
    }

    /** Half the surface, with what is looked at round it. */
    private double size(double[] box) {
      double x = box[3] - box[0] + 2 * room;
      double y = box[4] - box[1] + 2 * room;
      double z = box[5] - box[2] + 2 * room;
      return x * y + y * z + z * x;
    }
  }

  private static Region within(double[] box, double room) {
    return (minX, minY, minZ, maxX, maxY, maxZ) ->
        minX <= box[3] + room
            && minY <= box[4] + room
            && minZ <= box[5] + room
            && maxX >= box[0] - room
            && maxY >= box[1] - room
            && maxZ >= box[2] - room;
  }

  private void build() {
    int[] ids = new int[mesh.faceCount()];
    double[] corners = new double[6 * ids.length];
    int count = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
        box(f, corners, 6 * count);
        ids[count++] = f;
      }
    }
    tree.fill(Arrays.copyOf(ids, count), corners);
    isBuilt = true;
  }

  private void box(int f, double[] corners, int at) {
    Arrays.fill(corners, at, at + 3, Double.POSITIVE_INFINITY);
    Arrays.fill(corners, at + 3, at + 6, Double.NEGATIVE_INFINITY);
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      Vec3 p = mesh.position(mesh.vertexOf(c));
      include(corners, at, p.x());
      include(corners, at + 1, p.y());
      include(corners, at + 2, p.z());
      c = mesh.next(c);
    }
  }

  private static void include(double[] corners, int at, double value) {
    corners[at] = Math.min(corners[at], value);
    corners[at + 3] = Math.max(corners[at + 3], value);
  }
}
