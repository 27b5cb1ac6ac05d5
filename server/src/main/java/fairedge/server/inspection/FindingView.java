package fairedge.server.inspection;

import fairedge.core.compare.Comparison;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Finding;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.mesh.Element;
import java.util.List;
import java.util.Locale;

/**
 * A finding as the API tells it and the store keeps it.
 *
 * @param key the same for the same fault at the same elements of one workpiece
 * @param family Sides, Vertices ...
 */
public record FindingView(
    String key,
    String kind,
    String family,
    SeverityView severity,
    String title,
    String sentence,
    List<ElementView> elements,
    Vec3 place,
    double reach,
    double measure,
    String unit) {

  /** How much a finding counts. */
  public enum SeverityView {
    must,
    should,
    remark
  }

  /** An element by kind and id. */
  public record ElementView(Kind kind, int id) {
    /** Kinds of element. */
    public enum Kind {
      vertex,
      edge,
      face
    }

    public static ElementView of(Element element) {
      return new ElementView(
          Kind.valueOf(element.kind().name().toLowerCase(Locale.ROOT)), element.id());
    }
  }

  public static FindingView of(Report.Assessed assessed) {
    Finding f = assessed.finding();
    return new FindingView(
        f.key(),
        f.kind().key(),
        f.kind().family().title(),
        severityOf(assessed.severity()),
        f.title(),
        f.sentence(),
        f.elements().stream().map(ElementView::of).toList(),
        f.place(),
        f.reach(),
        f.measure().value(),
        f.measure().unit().name().toLowerCase(Locale.ROOT));
  }

  private static SeverityView severityOf(Severity severity) {
    return SeverityView.valueOf(severity.name().toLowerCase(Locale.ROOT));
  }

  public Comparison.Spot spot() {
    return new Comparison.Spot(kind, place, reach);
  }
}
