package fairedge.core.step;

import fairedge.core.cut.View;
import fairedge.core.geometry.Polygon;
import fairedge.core.mesh.Mesh;

/**
 * What a change does, as the slip says it before and the step after.
 *
 * @param quadsFront quads split that face the eye
 * @param facesFront faces split that face the eye, quads among them
 * @param quadsBehind quads split that are turned away
 * @param facesBehind faces split that are turned away, quads among them
 */
public record Effect(
    int quadsFront,
    int facesFront,
    int quadsBehind,
    int facesBehind,
    int newVertices,
    int usedVertices) {

  /** The first sentence of the slip. */
  public String sentence() {
    if (facesFront + facesBehind == 0) {
      return newVertices == 0
          ? "Changes nothing."
          : "Splits no face. Adds " + counted(newVertices, "vertex", "vertices") + ".";
    }
    String used = usedVertices == 0 ? "" : ", uses " + usedVertices;
    String added =
        newVertices == 0
            ? usedVertices == 0 ? "" : " Adds no vertex, uses " + usedVertices + "."
            : " Adds " + counted(newVertices, "vertex", "vertices") + used + ".";
    return "Splits " + split() + "." + added;
  }

  private String split() {
    boolean onlyQuads = quadsFront + quadsBehind == facesFront + facesBehind;
    String one = onlyQuads ? "quad" : "face";
    if (facesBehind == 0) {
      return counted(facesFront, one, one + "s") + " in front, none behind";
    }
    if (facesFront == 0) {
      return counted(facesBehind, one, one + "s") + " behind, none in front";
    }
    return counted(facesFront, one, one + "s") + " in front and " + facesBehind + " behind";
  }

  private static String counted(int n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
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
        receipt.usedVertices());
  }

  private static boolean facesTheEye(Mesh mesh, int f, View view) {
    if (!mesh.isMeasurable(f)) {
      return false;
    }
    Polygon shape = mesh.polygon(f);
    return shape.newell().dot(view.sightTo(shape.middle())) < 0;
  }
}
