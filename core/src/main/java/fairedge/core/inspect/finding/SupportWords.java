package fairedge.core.inspect.finding;

import static fairedge.core.survey.Say.words;

import fairedge.core.inspect.finding.SupportFinding.NoCollar;
import fairedge.core.inspect.finding.SupportFinding.Pinch;
import fairedge.core.inspect.finding.SupportFinding.SoftEdge;
import fairedge.core.inspect.finding.SupportFinding.Tight;

/** How {@link SupportFinding} is told. */
final class SupportWords {
  private SupportWords() {}

  static String title(SupportFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case SoftEdge f -> size == 1 ? "Hard edge goes soft" : size + " hard edges go soft";
      case Pinch f ->
          f.folds() ? "Surface folds here when smooth" : "Surface pinches here when smooth";
      case Tight f -> "Support strip too tight";
      case NoCollar f -> "Outline without a collar";
    };
  }

  static String sentence(SupportFinding finding) {
    int size = finding.elements().size();
    return switch (finding) {
      case SoftEdge f ->
          words(
              "Subdivided, the surface moves away from %s by up to %.0f %% of the flat beside: hold"
                  + " it with a support loop on each side.",
              size == 1 ? "this hard edge" : "these " + size + " hard edges", 100 * f.share());
      case Pinch f ->
          words(
              "Subdivided, the surface of this face turns by up to %.0f\u00b0 from its front%s: it"
                  + " shows as a crease or a spike. Even out the faces round it.",
              f.turn(), f.folds() ? " and folds over" : "");
      case Tight f ->
          words(
              "This support strip is %.3g wide, %.3f %% of the size of the form: it catches the"
                  + " light as a line and takes no further loop. Slide it out a little.",
              f.width(), 100 * f.share());
      case NoCollar f ->
          "No closed ring of quads goes round this hard outline of "
              + size
              + " edges: it can't be held by a support loop, and the flat round it will dent. Inset"
              + " a ring round it.";
    };
  }
}
