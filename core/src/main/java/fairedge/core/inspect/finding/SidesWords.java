package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.count;

import fairedge.core.inspect.finding.SidesFinding.AllTriangles;
import fairedge.core.inspect.finding.SidesFinding.FlatCorner;
import fairedge.core.inspect.finding.SidesFinding.Ngon;
import fairedge.core.inspect.finding.SidesFinding.Triangle;

/** How {@link SidesFinding} is told. */
final class SidesWords {
  private SidesWords() {}

  static String title(SidesFinding finding) {
    return switch (finding) {
      case Ngon f -> f.sides() + " sides" + corners(f);
      case Triangle f ->
          switch (f.form()) {
            case FAN -> "Fan of " + f.faces().size() + " triangles";
            case PAIR -> "Pair of triangles";
            case STRAY -> "Triangle, stray";
          };
      case FlatCorner f ->
          (f.sides() == 3 ? "Triangle" : "Quad")
              + " with "
              + (f.straightCorners() == 1
                  ? "a straight corner"
                  : f.straightCorners() + " straight corners");
      case AllTriangles f -> "The whole mesh is triangles";
    };
  }

  private static String corners(Ngon f) {
    return switch (f.straightCorners()) {
      case 0 -> f.flat() ? ", flat" : ", not flat";
      case 1 -> ", one corner straight";
      default -> ", " + f.straightCorners() + " corners straight";
    };
  }

  static String sentence(SidesFinding finding) {
    return switch (finding) {
      case Ngon f when f.straightCorners() > 0 && f.sides() - f.straightCorners() == 4 ->
          "This face has "
              + f.sides()
              + " sides, but only 4 of its corners turn: a quad with "
              + (f.straightCorners() == 1
                  ? "an idle vertex"
                  : f.straightCorners() + " idle vertices")
              + ". No loop can run across it.";
      case Ngon f ->
          "This face has "
              + f.sides()
              + " sides"
              + (f.flat() ? " and is flat" : " and is not flat")
              + ". A loop stops here: only a quad has an opposite side to run on from.";
      case Triangle f -> ofTriangle(f);
      case FlatCorner f ->
          "This face has "
              + f.sides()
              + " sides, but "
              + count(f.straightCorners(), "of its corners does", "of its corners do")
              + " not turn: its shape is that of a face with fewer sides.";
      case AllTriangles f ->
          f.triangles()
              + " of "
              + f.faces()
              + " faces are triangles, as after an export that cuts every face: "
              + f.pairs()
              + " pairs of them would make quads. This is about the whole mesh.";
    };
  }

  private static String ofTriangle(Triangle f) {
    return switch (f.form()) {
      case FAN ->
          f.faces().size()
              + " triangles meet in one vertex. Every ring that comes here stops, and a"
              + " subdivided surface pinches.";
      case PAIR ->
          "2 triangles share an edge and would make a good quad without it: lift that edge.";
      case STRAY -> "This face has 3 sides. A ring that comes here has no opposite side and stops.";
    };
  }
}
