package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.count;
import static fairedge.core.survey.Say.words;

import fairedge.core.inspect.finding.VerticesFinding.BentVertex;
import fairedge.core.inspect.finding.VerticesFinding.DoubleVertices;
import fairedge.core.inspect.finding.VerticesFinding.IdleLoop;
import fairedge.core.inspect.finding.VerticesFinding.IdleVertex;
import fairedge.core.inspect.finding.VerticesFinding.LooseEdge;
import fairedge.core.inspect.finding.VerticesFinding.LooseVertex;
import fairedge.core.inspect.finding.VerticesFinding.Seam;
import fairedge.core.inspect.finding.VerticesFinding.ShortEdge;
import fairedge.core.inspect.finding.VerticesFinding.Slit;
import fairedge.core.inspect.finding.VerticesFinding.Touching;

/** How {@link VerticesFinding} is told. */
final class VerticesWords {
  private VerticesWords() {}

  static String title(VerticesFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case IdleVertex f -> "Idle vertex";
      case BentVertex f -> "Bend where 2 edges meet";
      case DoubleVertices f -> size + " vertices in one place";
      case Seam f -> "Seam of " + count(size, "edge", "edges");
      case Touching f -> "Vertex on an edge it is no end of";
      case ShortEdge f ->
          f.welded() ? "Edge without length" : "Edge much shorter than those beside it";
      case Slit f -> "Slit in a face";
      case LooseVertex f -> "Loose vertex";
      case LooseEdge f -> "Loose edge";
      case IdleLoop f -> "Loop of " + size + " edges that does nothing";
    };
  }

  static String sentence(VerticesFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case IdleVertex f ->
          words(
              "Only 2 edges meet at this vertex and it turns by %.1f\u00b0: it shapes nothing, and"
                  + " gives the faces at it a side too many.",
              f.turn());
      case BentVertex f ->
          words(
              "Only 2 edges meet at this vertex, and they bend by %.1f\u00b0: no loop runs through"
                  + " it. Carry the cut on to a vertex or an edge, or take the bend out.",
              f.turn());
      case DoubleVertices f ->
          size
              + " vertices lie in one place ("
              + count(f.pairs(), "pair", "pairs")
              + "). The surface may be torn here without showing it: weld them.";
      case Seam f ->
          count(size, "border edge lies", "border edges lie")
              + " side by side with others and are not joined: the surface looks whole here and is"
              + " torn. Weld the two sides.";
      case Touching f ->
          words(
              "This vertex lies on an edge that does not end at it (%.2g apart): a T-junction. The"
                  + " surface is not joined here and gapes as soon as it bends. Split the edge"
                  + " there and weld.",
              f.distance());
      case ShortEdge f ->
          words(
              "This edge is %.4g long, %.2g %% of the mean edge of the faces at it: 2 vertices that"
                  + " ought to be one. Weld them.",
              f.length(), 100 * f.share());
      case Slit f ->
          "A face goes along one edge to this vertex and back: the same face lies on both sides"
              + " of it. Connect the vertex across the face, or lay the face anew.";
      case LooseVertex f -> "1 vertex here belongs to no edge and no face: delete it.";
      case LooseEdge f -> "1 edge here belongs to no face: delete it, or close it to a face.";
      case IdleLoop f ->
          "This new loop of "
              + size
              + " edges lies flat all along, bends nothing and holds no edge: take it out, or move"
              + " it to where the form turns.";
    };
  }
}
