package fairedge.core.inspect.finding;

/**
 * How findings are told, all of them: a title for a row, and a sentence with the numbers and why it
 * matters. Made from the values of the finding alone.
 */
final class Telling {
  private Telling() {}

  static String title(Finding finding) {
    return switch (finding) {
      case SidesFinding f -> SidesWords.title(f);
      case VerticesFinding f -> VerticesWords.title(f);
      case SurfaceFinding f -> SurfaceWords.title(f);
      case FlowFinding f -> FlowWords.title(f);
      case SupportFinding f -> SupportWords.title(f);
      case ShapeFinding f -> ShapeWords.title(f);
    };
  }

  static String sentence(Finding finding) {
    return switch (finding) {
      case SidesFinding f -> SidesWords.sentence(f);
      case VerticesFinding f -> VerticesWords.sentence(f);
      case SurfaceFinding f -> SurfaceWords.sentence(f);
      case FlowFinding f -> FlowWords.sentence(f);
      case SupportFinding f -> SupportWords.sentence(f);
      case ShapeFinding f -> ShapeWords.sentence(f);
    };
  }
}
