package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.count;
import static fairedge.core.survey.Say.words;

import fairedge.core.inspect.finding.SurfaceFinding.Border;
import fairedge.core.inspect.finding.SurfaceFinding.BowTie;
import fairedge.core.inspect.finding.SurfaceFinding.Concave;
import fairedge.core.inspect.finding.SurfaceFinding.Crossing;
import fairedge.core.inspect.finding.SurfaceFinding.CrowdedEdge;
import fairedge.core.inspect.finding.SurfaceFinding.Flipped;
import fairedge.core.inspect.finding.SurfaceFinding.Folded;
import fairedge.core.inspect.finding.SurfaceFinding.InnerFaces;
import fairedge.core.inspect.finding.SurfaceFinding.InsideOut;
import fairedge.core.inspect.finding.SurfaceFinding.NoArea;
import fairedge.core.inspect.finding.SurfaceFinding.NoPlace;
import fairedge.core.inspect.finding.SurfaceFinding.OneSurface;
import fairedge.core.inspect.finding.SurfaceFinding.OtherParts;
import fairedge.core.inspect.finding.SurfaceFinding.RepeatedCorner;
import fairedge.core.inspect.finding.SurfaceFinding.Sliver;
import fairedge.core.inspect.finding.SurfaceFinding.Tangled;
import fairedge.core.inspect.finding.SurfaceFinding.TwinFaces;
import fairedge.core.inspect.finding.SurfaceFinding.UnreadableFace;
import fairedge.core.inspect.finding.SurfaceFinding.Warped;

/** How {@link SurfaceFinding} is told. */
final class SurfaceWords {
  private SurfaceWords() {}

  static String title(SurfaceFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case Border f -> "Open border of " + size + " edges";
      case CrowdedEdge f -> f.uses() + " faces on one edge";
      case BowTie f -> f.fans() + " surfaces touch in one vertex";
      case Flipped f -> size == 1 ? "Face turned over" : size + " faces turned over";
      case OneSurface f -> "One-sided surface";
      case InsideOut f -> "Part turned inside out";
      case RepeatedCorner f -> "Corner repeated in the file";
      case UnreadableFace f -> "Face left out, line " + f.line();
      case NoPlace f -> "Vertex without a place";
      case TwinFaces f -> size + " faces in one place";
      case InnerFaces f -> count(size, "face", "faces") + " inside the form";
      case NoArea f -> "Face without area";
      case Sliver f -> "Sliver of " + count(f.sides(), "side", "sides");
      case Concave f -> "Concave face";
      case Warped f -> words("Face warped by %.0f\u00b0", f.warp());
      case Folded f -> "Surface folded back";
      case Crossing f -> size + " faces cross";
      case Tangled f -> "Faces cross all over";
      case OtherParts f -> count(f.parts(), "part", "parts") + " instead of " + f.wanted();
    };
  }

  static String sentence(SurfaceFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case Border f ->
          "The surface is open along "
              + size
              + " edges here: close it with quads, unless it is meant to be open.";
      case CrowdedEdge f ->
          f.uses()
              + " faces meet at this edge: a surface has 2 sides at most there, and no ring or loop"
              + " can tell how to go on.";
      case BowTie f ->
          f.fans()
              + " pieces of surface hang together in this one vertex only: part them, or join them"
              + " along an edge.";
      case Flipped f when size == 1 ->
          "This face is wound against its neighbours, so its back shows: turn it.";
      case Flipped f ->
          "These "
              + size
              + " faces are wound against their neighbours, so their backs show: turn them.";
      case OneSurface f ->
          "This surface of "
              + f.faces()
              + " faces comes back to itself with its back in front: no turning of faces makes all"
              + " of it alike.";
      case InsideOut f ->
          words(
              "All %d faces of this closed part show their backs (its volume is %.4g): turn them.",
              f.faces(), f.volume());
      case RepeatedCorner f ->
          "Line " + f.line() + " of the file: " + f.reading() + "; it was read without.";
      case UnreadableFace f ->
          "The face in line " + f.line() + " of the file was left out: " + f.reading() + ".";
      case NoPlace f ->
          "A number of this vertex is missing or not finite, so it and the faces at it can't be"
              + " measured (1 vertex).";
      case TwinFaces f ->
          size
              + " faces have the same corners: one hides the other, and what is between has no"
              + " inside. Delete all but one.";
      case InnerFaces f -> ofInner(size);
      case NoArea f ->
          words(
              "The %d corners of this face lie in one line or one place (slenderness %.1e): it has"
                  + " no normal, and shades wrong. Weld its corners or delete it.",
              f.sides(), f.slenderness());
      case Sliver f ->
          words(
              "This face is long and thin (slenderness %.4f): its front can hardly be told, it"
                  + " shades in streaks, and a cut across it lands anywhere. Weld its short side or"
                  + " lift an edge.",
              f.slenderness());
      case Concave f ->
          words(
              "A corner of this face turns back by %.1f\u00b0, so the face has a notch: it can be"
                  + " triangulated across its outside, and a cut through it may leave it. Connect"
                  + " that corner across the face.",
              f.back());
      case Warped f ->
          words(
              "The corners of this face point up to %.1f\u00b0 away from its front: it is bent like"
                  + " a saddle, and every program may show it bent along another diagonal.",
              f.warp());
      case Folded f ->
          words(
              "The 2 faces at this edge turn by %.1f\u00b0 and all but lie on each other: the"
                  + " surface is folded back on itself.",
              f.turn());
      case Crossing f ->
          size
              + " faces pass through each other or lie on each other ("
              + count(f.pairs(), "pair", "pairs")
              + "): the form has no clear inside here, and nothing can be built from it. Move them"
              + " apart, or cut one at the other and weld.";
      case Tangled f ->
          "More than "
              + f.told()
              + " pairs of faces cross or lie in each other's way: the form is too tangled for them"
              + " to be told one by one. This is about the whole mesh.";
      case OtherParts f -> ofParts(f);
    };
  }

  private static String ofInner(int size) {
    String them = size == 1 ? "it" : "them";
    return (size == 1 ? "This face lies" : "These " + size + " faces lie")
        + " inside the form, with solid on both sides: nobody sees "
        + them
        + ", and no surface can be smooth where walls meet. Delete "
        + them
        + ".";
  }

  private static String ofParts(OtherParts f) {
    return "The exercise asks for "
        + count(f.wanted(), "part", "parts")
        + ", and this mesh has "
        + f.parts()
        + ": "
        + (f.parts() > f.wanted()
            ? "somewhere it is cut right apart, or something lies beside it."
            : "what should be separate is joined by an edge.")
        + " This is about the whole mesh.";
  }
}
