package fairedge.core.work;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.FaceTree;
import fairedge.core.near.RayCast;
import fairedge.core.near.Region;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/** Where a change is at work: the mesh under edit, what is near, what may be touched. */
public final class Site {
  private final MeshEdit edit;
  private final Tolerance tolerance;
  private final FaceTree near;
  private final Scope.Limits limits;
  private final int firstNewVertex;
  private final int firstNewFace;

  /**
   * @param near the faces as they are before the edit begins
   */
  public Site(MeshEdit edit, Tolerance tolerance, FaceTree near, Scope scope) {
    this.edit = edit;
    this.tolerance = tolerance;
    this.near = near;
    this.limits = scope.limits(edit.mesh().faceEnd());
    this.firstNewVertex = edit.mesh().vertexEnd();
    this.firstNewFace = edit.mesh().faceEnd();
  }

  /** The same for a second change within the edit: what is near is as the first one left it. */
  public Site renewed() {
    return renewed(Scope.WHOLE);
  }

  /** The same with its own scope. */
  public Site renewed(Scope scope) {
    near.update(edit.journal().touched().faces());
    return new Site(edit, tolerance, near, scope);
  }

  public MeshEdit edit() {
    return edit;
  }

  public Mesh mesh() {
    return edit.mesh();
  }

  public Tolerance tolerance() {
    return tolerance;
  }

  public double merge() {
    return tolerance.merge();
  }

  /** Vertices with lower ids were there before the change. */
  public int firstNewVertex() {
    return firstNewVertex;
  }

  /** Whether a face may be touched; one that the change made may. */
  public boolean allows(int face) {
    return face >= firstNewFace || limits.allows(face);
  }

  /** Whether all faces may be touched. */
  public boolean isWhole() {
    return limits.isWhole();
  }

  public boolean shows(int face) {
    return face >= firstNewFace || limits.shows(face);
  }

  /** The mean direction of the faces at a vertex, by their area. */
  public Vec3 normalAt(int v) {
    Vec3 sum = Vec3.ZERO;
    for (int f : mesh().facesAt(v)) {
      sum = mesh().isMeasurable(f) ? sum.plus(mesh().polygon(f).newell()) : sum;
    }
    return sum.unit();
  }

  /** The faces in view whose boxes may meet a region. */
  public int[] facesMeeting(Region region) {
    int[] found = near.meeting(region, edit.journal().touched().faces());
    if (limits.isWhole()) {
      return found;
    }
    return Arrays.stream(found).filter(this::shows).toArray();
  }

  /** For lines of sight; to be used before the edit begins. */
  public RayCast rays() {
    return new RayCast(mesh(), near);
  }

  /** Says which faces that may not be cut gained corners by it. */
  public List<Remark> neighboursThatGained() {
    List<Remark> remarks = new ArrayList<>();
    if (limits.isWhole()) {
      return remarks;
    }
    BitSet told = new BitSet();
    for (int v = firstNewVertex; v < mesh().vertexEnd(); v++) {
      for (int f : mesh().hasVertex(v) ? mesh().facesAt(v) : new int[0]) {
        if (!allows(f) && !told.get(f)) {
          told.set(f);
          String text =
              "A face that is not chosen gains a corner: it has %d sides now."
                  .formatted(mesh().size(f));
          remarks.add(new Remark(text, Element.face(f), mesh().position(v), null));
        }
      }
    }
    return remarks;
  }
}
