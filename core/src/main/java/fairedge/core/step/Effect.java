package fairedge.core.step;

import fairedge.core.geometry.Polygon;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.List;

/**
 * What a change does, as the slip says it before and the step after.
 *
 * @param quadsFront quads split that face the eye
 * @param facesFront faces split that face the eye, quads among them
 * @param quadsBehind quads split that are turned away
 * @param facesBehind faces split that are turned away, quads among them
 * @param cleaned what else becomes of elements
 */
public record Effect(
    int quadsFront,
    int facesFront,
    int quadsBehind,
    int facesBehind,
    int newVertices,
    int usedVertices,
    Cleaned cleaned) {
  /** Of a change that is refused. */
  static final Effect NONE = new Effect(0, 0, 0, 0, 0, 0, new Cleaned(0, 0, 0, 0, 0, 0));

  /**
   * What cleaning up does.
   *
   * @param goneEdges without those that only went into another, or for which another came
   * @param reshapedFaces that run over other vertices
   */
  public record Cleaned(
      int goneFaces,
      int goneEdges,
      int goneVertices,
      int newFaces,
      int movedVertices,
      int reshapedFaces) {
    private String sentence() {
      List<String> gone = new ArrayList<>();
      add(gone, goneFaces, "face");
      add(gone, goneEdges, "edge");
      add(gone, goneVertices, "vertex");
      StringBuilder said = new StringBuilder();
      if (!gone.isEmpty()) {
        said.append(" Takes out ").append(joined(gone)).append('.');
      }
      if (newFaces > 0) {
        said.append(" Adds ").append(Counted.of(newFaces, "face")).append('.');
      }
      if (movedVertices > 0) {
        said.append(" Moves ").append(Counted.of(movedVertices, "vertex")).append('.');
      }
      if (said.isEmpty() && reshapedFaces > 0) {
        said.append(" Turns ").append(Counted.of(reshapedFaces, "face")).append('.');
      }
      return said.toString();
    }

    private static void add(List<String> to, int n, String one) {
      if (n > 0) {
        to.add(Counted.of(n, one));
      }
    }

    private static String joined(List<String> parts) {
      return parts.size() == 1
          ? parts.getFirst()
          : String.join(", ", parts.subList(0, parts.size() - 1)) + " and " + parts.getLast();
    }
  }

  /** The first sentence of the slip. */
  public String sentence() {
    if (facesFront + facesBehind == 0) {
      String said =
          (newVertices == 0
                  ? ""
                  : "Splits no face. Adds " + Counted.of(newVertices, "vertex") + ".")
              + cleaned.sentence();
      return said.isEmpty() ? "Changes nothing." : said.strip();
    }
    String used = usedVertices == 0 ? "" : ", uses " + usedVertices;
    String added =
        newVertices == 0
            ? usedVertices == 0 ? "" : " Adds no vertex, uses " + usedVertices + "."
            : " Adds " + Counted.of(newVertices, "vertex") + used + ".";
    return "Splits " + split() + "." + added + cleaned.sentence();
  }

  private String split() {
    boolean onlyQuads = quadsFront + quadsBehind == facesFront + facesBehind;
    String one = onlyQuads ? "quad" : "face";
    if (facesBehind == 0) {
      return Counted.of(facesFront, one) + " in front, none behind";
    }
    if (facesFront == 0) {
      return Counted.of(facesBehind, one) + " behind, none in front";
    }
    return Counted.of(facesFront, one) + " in front and " + facesBehind + " behind";
  }

  /**
   * @param after the mesh with the change in force
   */
  public static Effect of(Mesh after, Receipt receipt, View view) {
    int[] counts = new int[4];
    for (Receipt.FaceSplit split : receipt.splitFaces()) {
      int side = facesTheEye(after, split.into().getFirst(), view) ? 0 : 2;
      counts[side] += split.sides() == 4 ? 1 : 0;
      counts[side + 1]++;
    }
    return new Effect(
        counts[0],
        counts[1],
        counts[2],
        counts[3],
        receipt.newVertices().size(),
        receipt.usedVertices(),
        new Cleaned(
            receipt.goneFaces().size(),
            Math.max(
                0,
                receipt.goneEdges().size()
                    - receipt.joinedEdges().size()
                    - receipt.newEdges().size()),
            receipt.goneVertices().size(),
            receipt.newFaces().size(),
            receipt.movedVertices().size(),
            receipt.reshapedFaces().size()));
  }

  private static boolean facesTheEye(Mesh mesh, int f, View view) {
    if (!mesh.isMeasurable(f)) {
      return false;
    }
    Polygon shape = mesh.polygon(f);
    return shape.newell().dot(view.sightTo(shape.middle())) < 0;
  }
}
