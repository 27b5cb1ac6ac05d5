package fairedge.core.lens;

import fairedge.core.inspect.flow.JumpFinder;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.FaceShapes;
import fairedge.core.survey.Say;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * {@link Lens#SPACING}: how stretched each quad is (longest side to shortest), and where widths
 * jump across an edge ({@link JumpFinder}). The last tone of each begins at the profile's number.
 * Cost: the faces and edges.
 */
final class SpacingLens {
  private SpacingLens() {}

  static LensPicture of(Subject subject) {
    Mesh mesh = subject.mesh();
    FaceShapes shapes = subject.shapes();
    double stretched = subject.threshold(Threshold.STRETCHED);
    double jump = subject.threshold(Threshold.JUMP);
    double[] aspects =
        measured(mesh.faceEnd(), f -> mesh.hasFace(f) ? shapes.aspect(f) : Double.NaN);
    double[] ratios =
        measured(
            mesh.edgeEnd(), e -> mesh.hasEdge(e) ? JumpFinder.ratioAt(subject, e) : Double.NaN);
    List<Tone> faces =
        List.of(
            tone("mild", "Stretched 2 to 1", 2, stretched / 2, aspects),
            tone(
                "much",
                "Stretched " + Say.number(stretched / 2) + " to 1",
                stretched / 2,
                stretched,
                aspects),
            tone(
                "over",
                "Over " + Say.number(stretched) + " to 1",
                stretched,
                Double.POSITIVE_INFINITY,
                aspects));
    double half = 1 + (jump - 1) / 2;
    List<Tone> edges =
        List.of(
            tone("step", "Widths step by over " + Say.number(half) + " to 1", half, jump, ratios),
            tone(
                "jump",
                "Widths jump by over " + Say.number(jump) + " to 1",
                jump,
                Double.POSITIVE_INFINITY,
                ratios));
    int over = faces.getLast().ids().length;
    int jumps = edges.getLast().ids().length;
    String sentence =
        over + jumps == 0
            ? "Evenly spaced: no quad is stretched over the limit, and no widths jump."
            : Say.count(over, "quad is", "quads are")
                + " stretched over "
                + Say.number(stretched)
                + " to 1; widths jump at "
                + Say.count(jumps, "edge.", "edges.");
    return new LensPicture(sentence, faces, edges, List.of());
  }

  private static double[] measured(int end, IntToDoubleFunction measure) {
    return IntStream.range(0, end).parallel().mapToDouble(measure).toArray();
  }

  /** Those with over {@code from}, up to {@code to}. */
  private static Tone tone(String name, String words, double from, double to, double[] measured) {
    int[] ids =
        IntStream.range(0, measured.length)
            .filter(i -> measured[i] > from && measured[i] <= to)
            .toArray();
    return new Tone(name, words, false, ids);
  }
}
