package fairedge.json;

import fairedge.core.compare.Comparison;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A finding as the API tells it and the store keeps it.
 *
 * @param key the same for the same fault at the same elements of one workpiece
 * @param family Sides, Vertices ...
 * @param form of the kind: which of its faults it is, {@code idleVertex}
 * @param numbers those of the form by name; what is or is not is 1 or 0
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
    String unit,
    @Nullable String form,
    Map<String, Double> numbers) {

  /** The same, counting otherwise. */
  public FindingView with(SeverityView other) {
    return new FindingView(
        key, kind, family, other, title, sentence, elements, place, reach, measure, unit, form,
        numbers);
  }

  /** How much a finding counts. */
  public enum SeverityView {
    must,
    should,
    remark;

    public static SeverityView of(Severity severity) {
      return valueOf(severity.name().toLowerCase(Locale.ROOT));
    }

    public Severity severity() {
      return Severity.valueOf(name().toUpperCase(Locale.ROOT));
    }
  }

  /**
   * An element by kind and id.
   *
   * @param ends the vertices of an edge, the lower first; null for others
   */
  public record ElementView(Kind kind, int id, @Nullable List<Integer> ends) {
    /** Kinds of element. */
    public enum Kind {
      vertex,
      edge,
      face
    }

    public static ElementView of(Element element, Mesh mesh) {
      Kind kind = Kind.valueOf(element.kind().name().toLowerCase(Locale.ROOT));
      boolean edge = kind == Kind.edge && mesh.hasEdge(element.id());
      List<Integer> ends =
          edge ? List.of(mesh.first(element.id()), mesh.second(element.id())) : null;
      return new ElementView(kind, element.id(), ends);
    }

    /** The same where there may be none. */
    public static @Nullable ElementView ofNullable(@Nullable Element element, Mesh mesh) {
      return element == null ? null : of(element, mesh);
    }
  }

  public static FindingView of(Report.Assessed assessed, Mesh mesh) {
    Finding f = assessed.finding();
    return new FindingView(
        f.key(),
        f.kind().key(),
        f.kind().family().title(),
        SeverityView.of(assessed.severity()),
        f.title(),
        f.sentence(),
        f.elements().stream().map(e -> ElementView.of(e, mesh)).toList(),
        f.place(),
        f.reach(),
        f.measure().value(),
        f.measure().unit().name().toLowerCase(Locale.ROOT),
        FindingNumbers.formOf(f),
        FindingNumbers.of(f));
  }

  public Comparison.Spot spot() {
    return new Comparison.Spot(kind, place, reach);
  }
}
