package fairedge.core.inspect;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Findings that are told with words and a place. */
final class Tell {
  private Tell() {}

  static Finding ofFace(
      Subject subject, Rule rule, int f, Measure measure, String title, String sentence) {
    Mesh mesh = subject.mesh();
    return new Finding.Told(
        rule,
        List.of(Element.face(f)),
        Places.onFace(mesh, f),
        Places.meanEdge(mesh, f),
        measure,
        title,
        sentence);
  }

  static Finding ofEdge(
      Subject subject, Rule rule, int e, Measure measure, String title, String sentence) {
    Mesh mesh = subject.mesh();
    return new Finding.Told(
        rule,
        List.of(Element.edge(e)),
        Places.onEdge(mesh, e),
        Places.meanEdge(mesh, mesh.facesOn(e)),
        measure,
        title,
        sentence);
  }

  /** About the whole mesh; its mark stands on the first face. */
  static Finding ofWhole(
      Subject subject, Rule rule, Measure measure, String title, String sentence) {
    Mesh mesh = subject.mesh();
    int first = 0;
    while (!mesh.hasFace(first)) {
      first++;
    }
    return ofFace(
        subject, rule, first, measure, title, sentence + " This is about the whole mesh.");
  }

  /** Vertices, then edges. */
  static List<Element> elements(int[] vertices, int[] edges) {
    List<Element> elements = new ArrayList<>();
    for (int v : vertices) {
      elements.add(Element.vertex(v));
    }
    for (int e : edges) {
      elements.add(Element.edge(e));
    }
    return List.copyOf(elements);
  }

  /** Along edges; the mark stands at the one in their middle. */
  static Finding ofEdges(
      Subject subject, Rule rule, int[] edges, Measure measure, String title, String sentence) {
    Mesh mesh = subject.mesh();
    List<Element> elements = new ArrayList<>();
    for (int e : edges) {
      elements.add(Element.edge(e));
    }
    int middle = edges[edges.length / 2];
    return new Finding.Told(
        rule,
        List.copyOf(elements),
        Places.onEdge(mesh, middle),
        Places.meanEdge(mesh, mesh.facesOn(middle)),
        measure,
        title,
        sentence);
  }

  /** Words with numbers in them, as everywhere. */
  static String words(String format, Object... numbers) {
    return String.format(Locale.ROOT, format, numbers);
  }

  /** A number to three digits, without noughts at its end. */
  static String number(double value) {
    if (!Double.isFinite(value)) {
      return "beyond measure";
    }
    return new BigDecimal(value).round(new MathContext(3)).stripTrailingZeros().toPlainString();
  }

  /** A count with its noun. */
  static String count(long n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }
}
