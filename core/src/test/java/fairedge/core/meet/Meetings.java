package fairedge.core.meet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.flow.Choosing;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.meet.Meet.MeetWay;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Parts met in tests, and held to what must be so whatever comes of it. */
final class Meetings {
  private Meetings() {}

  /** The part of the first face, and all others. */
  static Receipt made(Mesh mesh, MeetWay way) {
    return made(mesh, List.of(0), second(mesh), way);
  }

  private static Change change(
      List<Integer> a, List<Integer> b, MeetWay way, double play, @Nullable Double clean) {
    return new Forming.MeetChange(a, b, null, way, play, null, clean, null);
  }

  private static List<Integer> second(Mesh mesh) {
    boolean[] known = new boolean[mesh.faceEnd()];
    for (int f : new Choosing(mesh).connectedFaces(List.of(0))) {
      known[f] = true;
    }
    for (int f = 0; f < known.length; f++) {
      if (mesh.hasFace(f) && !known[f]) {
        return List.of(f);
      }
    }
    throw new IllegalArgumentException("there is one part only");
  }

  static Receipt made(Mesh mesh, List<Integer> a, List<Integer> b, MeetWay way) {
    return made(mesh, a, b, way, 0);
  }

  static Receipt made(Mesh mesh, List<Integer> a, List<Integer> b, MeetWay way, double play) {
    return made(mesh, a, b, way, play, null);
  }

  static Receipt made(
      Mesh mesh,
      List<Integer> a,
      List<Integer> b,
      MeetWay way,
      double play,
      @Nullable Double clean) {
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Outcome outcome = workpiece.apply(change(a, b, way, play, clean));
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(mesh)).isEmpty();
    byte[] after = MeshBytes.write(mesh);
    workpiece.undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    workpiece.redo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(after);
    return ((Outcome.Made) outcome).receipt();
  }

  static String refused(Mesh mesh, MeetWay way) {
    return refused(mesh, List.of(0), second(mesh), way);
  }

  static String refused(Mesh mesh, List<Integer> a, List<Integer> b, MeetWay way) {
    byte[] before = MeshBytes.write(mesh);
    Change change = change(a, b, way, 0, null);
    Outcome outcome = new Workpiece(mesh, Tolerance.of(mesh.bounds())).apply(change);
    assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Refused.class);
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return ((Outcome.Refused) outcome).refusal().reason();
  }

  static void open(Mesh mesh, int face) {
    new MeshEdit(mesh).removeFace(face);
  }

  static List<Integer> counts(Mesh mesh) {
    return List.of(mesh.vertexCount(), mesh.edgeCount(), mesh.faceCount());
  }

  static int euler(Mesh mesh) {
    return mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount();
  }

  /** Faces fanned from their first corners. */
  static double volume(Mesh mesh) {
    double six = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        int[] round = mesh.vertices(f);
        for (int i = 1; i + 1 < round.length; i++) {
          Vec3 a = mesh.position(round[0]);
          six += a.dot(mesh.position(round[i]).cross(mesh.position(round[i + 1])));
        }
      }
    }
    return six / 6;
  }

  /** Two faces at each edge, wound alike; one fan at each vertex. */
  static void assertSolid(Mesh mesh, String what) {
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e)) {
        assertThat(mesh.uses(e)).as(what + ": the faces at edge " + e).isEqualTo(2);
        int c = mesh.cornerOn(e);
        assertThat(mesh.vertexOf(c)).as(what).isNotEqualTo(mesh.vertexOf(mesh.nextOnEdge(c)));
      }
    }
    Topology topology = new Topology(mesh);
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        assertThat(topology.fans(v)).as(what + ": fans at " + mesh.position(v)).isEqualTo(1);
      }
    }
  }

  private static double result(Solid a, Solid b, MeetWay way, String what) {
    Mesh mesh = a.with(b).mesh();
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Outcome outcome = workpiece.apply(change(List.of(0), List.of(a.faces().size()), way, 0, null));
    if (outcome instanceof Outcome.Refused refused) {
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
      String reason = refused.refusal().reason();
      if (reason.contains("nothing in common") || reason.contains("Nothing would be left")) {
        return 0;
      }
      assertThat(reason)
          .as(what + " " + refused.refusal().element())
          .contains("nothing would change");
      return Double.NaN;
    }
    assertThat(MeshCheck.faults(mesh)).as(what).isEmpty();
    assertSolid(mesh, what);
    double volume = volume(mesh);
    workpiece.undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return volume;
  }

  /** Whether anything came of it. */
  static boolean keepsTheLaws(Solid a, Solid b) {
    String what = "%s%n%s".formatted(text(a), text(b));
    double ofA = volume(a.mesh());
    double ofB = volume(b.mesh());
    double joined = result(a, b, MeetWay.JOIN, "join " + what);
    double common = result(a, b, MeetWay.COMMON, "common " + what);
    double less = result(a, b, MeetWay.SUBTRACT, "subtract " + what);
    double near = 1e-9 * Math.max(1, ofA + ofB);
    double both = Double.isNaN(joined) ? ofA + ofB : joined;
    assertThat(both + common).as("join and common " + what).isCloseTo(ofA + ofB, within(near));
    assertThat((Double.isNaN(less) ? ofA : less) + common)
        .as("subtract and common " + what)
        .isCloseTo(ofA, within(near));
    return common > 0;
  }

  private static String text(Solid s) {
    StringBuilder text = new StringBuilder();
    s.places().forEach(p -> text.append("new Vec3(%s, %s, %s), ".formatted(p.x(), p.y(), p.z())));
    s.faces().forEach(f -> text.append(Arrays.toString(f)));
    return text.toString();
  }
}
