package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.count;
import static fairedge.core.survey.Say.words;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.ShapeFinding.LeftPlace;
import fairedge.core.inspect.finding.ShapeFinding.Locked;
import fairedge.core.inspect.finding.ShapeFinding.Lopsided;
import fairedge.core.inspect.finding.ShapeFinding.Moved;
import fairedge.core.inspect.finding.ShapeFinding.Needless;
import fairedge.core.inspect.finding.ShapeFinding.OffLine;
import fairedge.core.inspect.finding.ShapeFinding.OneSided;
import fairedge.core.inspect.finding.ShapeFinding.Placed;
import fairedge.core.inspect.finding.ShapeFinding.TooMany;

/** How {@link ShapeFinding} is told. */
final class ShapeWords {
  private ShapeWords() {}

  static String title(ShapeFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case Placed f -> "Does not lie where the starter lies";
      case Moved f -> words("Shape moved by %.3g", f.largest());
      case LeftPlace f -> words("Vertex gone from its place by %.3g", f.distance());
      case Locked f -> count(size, "edge", "edges") + " across locked faces";
      case OneSided f -> "Line does not come round: " + count(f.ends(), "open end", "open ends");
      case OffLine f -> words("Line covered by %.0f %%", 100 * Math.floor(100 * f.share()) / 100);
      case Needless f -> count(size, "edge that is", "edges that are") + " not needed here";
      case TooMany f -> count(f.faces() - f.budget(), "face", "faces") + " too many";
      case Lopsided f -> count(size, "edge", "edges") + " without a mirror image";
    };
  }

  static String sentence(ShapeFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case Placed f ->
          "To bring this mesh to where the starter lies, "
              + f.placement().words()
              + ". Set unit and axes when you save it. Everything else here was compared as if it"
              + " lay right. This is about the whole mesh.";
      case Moved f ->
          words(
              "%s %.4g, at %s; %.4g is allowed. The mean distance is %.3g from here to the starter"
                  + " and %.3g from it to here. A cut is to keep the shape.",
              f.missing()
                  ? "The starter has surface that lies off this one by"
                  : "The surface lies off the starter by",
              f.largest(),
              place(f.at()),
              f.allowed(),
              f.mean(),
              f.meanBack());
      case LeftPlace f ->
          words(
              "The exercise holds %s: a vertex is to stay there, and the nearest is %.4g away.",
              place(f.at()), f.distance());
      case Locked f ->
          (size == 1 ? "This edge lies" : "These " + size + " edges lie")
              + " in faces that the exercise locks: the cut is to end before them.";
      case OneSided f ->
          "This line of "
              + count(f.edges(), "new edge", "new edges")
              + " is wanted right round, and has "
              + count(f.ends(), "end", "ends")
              + " inside the surface. Look at the back: lead the cut on until it closes.";
      case OffLine f ->
          words(
              "The exercise asks for edges along a line of length %.4g. %.1f %% of it has edges"
                  + " within %.3g that turn by no more than %.0f\u00b0 from it; at %s the nearest"
                  + " edge is %.3g away.",
              f.length(), 100 * f.share(), f.near(), f.angle(), place(f.at()), f.largest());
      case Needless f ->
          words(
              "%s, and the reference has no edge within %.3g of %s: the cut went another way, or is"
                  + " one too many.",
              size == 1 ? "This edge is new" : "These " + size + " edges are new",
              f.near(),
              size == 1 ? "it" : "them");
      case TooMany f ->
          "The budget is "
              + count(f.budget(), "face", "faces")
              + ", and this mesh has "
              + f.faces()
              + ". Lift loops that shape nothing first. This is about the whole mesh.";
      case Lopsided f ->
          words(
              "Mirrored in the middle plane, %s no edge within %.3g: the halves are not alike"
                  + " here.",
              size == 1 ? "this edge meets" : "these " + size + " edges meet", f.within());
    };
  }

  private static String place(Vec3 p) {
    return words("(%.4g, %.4g, %.4g)", p.x(), p.y(), p.z());
  }
}
