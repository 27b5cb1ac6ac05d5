package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.count;
import static fairedge.core.survey.Say.words;

import fairedge.core.inspect.finding.FlowFinding.Askew;
import fairedge.core.inspect.finding.FlowFinding.DeadEnd;
import fairedge.core.inspect.finding.FlowFinding.Jump;
import fairedge.core.inspect.finding.FlowFinding.LoopEnd;
import fairedge.core.inspect.finding.FlowFinding.Pole;
import fairedge.core.inspect.finding.FlowFinding.RingStop;
import fairedge.core.inspect.finding.FlowFinding.Spiral;
import fairedge.core.inspect.finding.FlowFinding.Stretched;

/** How {@link FlowFinding} is told. */
final class FlowWords {
  private FlowWords() {}

  static String title(FlowFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case RingStop f ->
          (f.rings() == 1 ? "Ring stops" : f.rings() + " rings stop") + " at the " + what(f);
      case LoopEnd f -> "Loop ends where " + meeting(f.valence());
      case DeadEnd f -> "Cut that ends nowhere";
      case Pole f ->
          (f.fresh() ? "New pole" : "Pole")
              + " where "
              + f.valence()
              + " edges meet"
              + (f.curved() ? ", where the form bends most" : "");
      case Spiral f -> (f.ring() ? "Ring" : "Loop") + " in a spiral";
      case Jump f -> words("Widths jump by %.1f to 1", f.ratio());
      case Stretched f -> words("Quad stretched %.0f to 1", f.aspect());
      case Askew f -> (size == 1 ? "Edge" : size + " edges") + " askew to the bend";
    };
  }

  private static String what(RingStop f) {
    return f.sides() == 3 ? "triangle" : f.sides() + "-sided face";
  }

  private static String meeting(int valence) {
    return count(valence, "edge meets", "edges meet");
  }

  static String sentence(FlowFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case RingStop f ->
          count(f.rings(), "ring ends", "rings end")
              + " at this "
              + what(f)
              + ", so no loop can run on across it.";
      case LoopEnd f ->
          "This loop of "
              + count(f.edges(), "edge", "edges")
              + " ends inside the surface, at a vertex where "
              + meeting(f.valence())
              + ": it can't be slid or followed further.";
      case DeadEnd f ->
          "The "
              + count(f.edges(), "new edge", "new edges")
              + " of this loop end"
              + (f.edges() == 1 ? "s" : "")
              + " at "
              + fault(f)
              + ": carry the cut on to a border or back to its beginning, or take it out.";
      case Pole f ->
          f.valence()
              + " edges meet at this inner vertex"
              + (f.fresh() ? ", and the starter has no pole here" : "")
              + ": edge loops end here, and the surface tightens when it is subdivided"
              + (f.curved()
                  ? ". This is in the tenth of the form that bends most, where it shows."
                  : ".");
      case Spiral f when f.ring() ->
          "One ring passes "
              + count(size, "quad", "quads")
              + " both ways: a loop inserted here crosses itself.";
      case Spiral f ->
          "One loop comes round beside itself at "
              + count(size, "quad", "quads")
              + ": it runs in a spiral and never closes, so nothing can be chosen or tightened"
              + " all round. Turn an edge where it begins.";
      case Jump f ->
          words(
              "The quads on both sides of %s differ in width by up to %.1f to 1: a subdivided"
                  + " surface bulges on the wide side. Spread the loops, or insert one between.",
              size == 1 ? "this edge" : "these " + size + " edges", f.ratio());
      case Stretched f ->
          words(
              "The longest side of this quad is %.1f times its shortest: what bends along it has no"
                  + " vertices to bend at. Insert loops across it.",
              f.aspect());
      case Askew f ->
          words(
              "%s up to %.0f\u00b0 off the way the form bends: such edges show as ripples when the"
                  + " surface is smooth. Let them run along the bend, or square to it.",
              size == 1 ? "This new edge runs" : "These " + size + " new edges run", f.off());
    };
  }

  private static String fault(DeadEnd f) {
    return switch (f.sides()) {
      case 2 -> "a vertex where only 2 edges meet";
      case 3 -> "a triangle";
      default -> "a face of " + f.sides() + " sides";
    };
  }
}
