package fairedge.core.format.obj;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import java.io.IOException;

/**
 * Writes OBJ: living vertices by id, the texture coordinates and normals that corners carry, faces
 * by id from their first corner under their object, groups, material and smoothing group, loose
 * edges. Numbers are the shortest that read back to the same double. Cost: the mesh.
 */
public final class ObjWriter {
  private final Mesh mesh;
  private final Appendable out;
  private Label inForce = Label.NONE;

  private ObjWriter(Mesh mesh, Appendable out) {
    this.mesh = mesh;
    this.out = out;
  }

  public static void write(Mesh mesh, Appendable out) throws IOException {
    ObjWriter writer = new ObjWriter(mesh, out);
    for (String name : mesh.materialFiles()) {
      writer.line("mtllib", name);
    }
    int[] number = writer.vertices();
    int[] texture = writer.values(Attribute.TEXTURE, "vt");
    int[] normal = writer.values(Attribute.NORMAL, "vn");
    writer.faces(number, texture, normal);
    writer.looseEdges(number);
  }

  private void line(String keyword, String rest) throws IOException {
    out.append(keyword).append(' ').append(rest).append('\n');
  }

  private int[] vertices() throws IOException {
    int[] number = new int[mesh.vertexEnd()];
    int count = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        number[v] = ++count;
        triple("v", mesh.position(v), true);
      }
    }
    return number;
  }

  private void triple(String keyword, Vec3 p, boolean whole) throws IOException {
    out.append(keyword);
    for (double number : new double[] {p.x(), p.y(), p.z()}) {
      if (whole || !Double.isNaN(number)) {
        out.append(' ').append(Double.toString(number));
      }
    }
    out.append('\n');
  }

  /** Writes those values that a corner carries; the number of each, 0 for the others. */
  private int[] values(Attribute attribute, String keyword) throws IOException {
    int[] number = new int[mesh.valueEnd(attribute)];
    for (int f = 0; f < mesh.faceEnd() && number.length > 0; f++) {
      if (mesh.hasFace(f)) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          int value = mesh.valueAt(attribute, c);
          if (value != Mesh.NONE) {
            number[value] = 1;
          }
          c = mesh.next(c);
        }
      }
    }
    int count = 0;
    for (int i = 0; i < number.length; i++) {
      if (number[i] > 0) {
        number[i] = ++count;
        triple(keyword, mesh.value(attribute, i), false);
      }
    }
    return number;
  }

  private void faces(int[] number, int[] texture, int[] normal) throws IOException {
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        label(mesh.labels().get(mesh.labelOf(f)));
        out.append('f');
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          out.append(' ').append(Integer.toString(number[mesh.vertexOf(c)]));
          int t = mesh.valueAt(Attribute.TEXTURE, c);
          int n = mesh.valueAt(Attribute.NORMAL, c);
          if (t != Mesh.NONE || n != Mesh.NONE) {
            out.append('/').append(t == Mesh.NONE ? "" : Integer.toString(texture[t]));
          }
          if (n != Mesh.NONE) {
            out.append('/').append(Integer.toString(normal[n]));
          }
          c = mesh.next(c);
        }
        out.append('\n');
      }
    }
  }

  /** Says what changes; a new object is in no group until one is named. */
  private void label(Label next) throws IOException {
    if (next.equals(inForce)) {
      return;
    }
    String group = inForce.group();
    if (!next.object().equals(inForce.object())) {
      line("o", next.object());
      group = "";
    }
    if (!next.group().equals(group)) {
      line("g", next.group());
    }
    if (!next.material().equals(inForce.material())) {
      line("usemtl", next.material());
    }
    if (!next.smoothing().equals(inForce.smoothing())) {
      line("s", next.smoothing().isEmpty() ? "off" : next.smoothing());
    }
    inForce = next;
  }

  private void looseEdges(int[] number) throws IOException {
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
        line("l", number[mesh.first(e)] + " " + number[mesh.second(e)]);
      }
    }
  }
}
