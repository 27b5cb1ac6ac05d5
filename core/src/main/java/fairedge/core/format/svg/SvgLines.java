package fairedge.core.format.svg;

import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.MissingResourceException;
import java.util.Set;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/**
 * The lines of an SVG drawing as straight pieces, fitted into a square from -1 to 1 with y upwards:
 * paths, basic shapes and their transforms. Text, pictures, clones, styles and whatever is only
 * defined is left out. Nothing outside the text is ever read: no DTD, no entity, no address. Cost:
 * the text, and the points, of which there are at most {@value #MOST_POINTS}.
 */
public final class SvgLines {
  public static final int MOST_POINTS = 2000;
  private static final int DEEPEST = 200;

  /** What is not drawn where it stands. */
  private static final Set<String> ASIDE =
      Set.of(
          "defs",
          "clipPath",
          "mask",
          "symbol",
          "marker",
          "pattern",
          "metadata",
          "style",
          "script",
          "title",
          "desc",
          "text",
          "foreignObject",
          "linearGradient",
          "radialGradient",
          "filter");

  /** A point of a line. */
  public record Point(double x, double y) {}

  /** A run of straight pieces. */
  public record Line(List<Point> points, boolean closed) {
    public Line {
      points = List.copyOf(points);
    }
  }

  private final List<Line> lines = new ArrayList<>();
  private final Pen.Budget budget = new Pen.Budget(MOST_POINTS);
  private final Deque<Matrix> matrices = new ArrayDeque<>(List.of(Matrix.SAME));

  private SvgLines() {}

  /**
   * @throws SvgFault if it is no SVG, has no lines or too many points
   */
  public static List<Line> read(String text) throws SvgFault {
    SvgLines reader = new SvgLines();
    try {
      reader.readAll(factory().createXMLStreamReader(new StringReader(text)));
    } catch (XMLStreamException e) {
      int line = e.getLocation() == null ? 0 : e.getLocation().getLineNumber();
      throw new SvgFault("This is no well-formed SVG file.", line);
    } catch (MissingResourceException e) {
      // The JDK's reader lacks the words for some of its own errors, and throws this in their
      // place.
      throw new SvgFault("This is no well-formed SVG file.", 0);
    }
    if (reader.lines.isEmpty()) {
      throw new SvgFault("The drawing has no lines: paths, shapes or polygons.", 0);
    }
    return fitted(reader.lines);
  }

  private static XMLInputFactory factory() {
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
    factory.setXMLResolver((id, system, base, namespace) -> {
      throw new XMLStreamException("nothing outside is read");
    });
    return factory;
  }

  private void readAll(XMLStreamReader xml) throws XMLStreamException, SvgFault {
    boolean begun = false;
    while (xml.hasNext()) {
      int event = xml.next();
      if (event == XMLStreamConstants.START_ELEMENT) {
        if (!begun && !xml.getLocalName().equals("svg")) {
          throw new SvgFault(
              "The file begins with <" + Scanner.brief(xml.getLocalName()) + ">, not with <svg>.",
              lineOf(xml));
        }
        begun = true;
        if (isAside(xml)) {
          skip(xml);
        } else {
          enter(xml);
        }
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        matrices.pop();
      }
    }
  }

  private static boolean isAside(XMLStreamReader xml) {
    String style = xml.getAttributeValue(null, "style");
    return ASIDE.contains(xml.getLocalName())
        || "none".equals(xml.getAttributeValue(null, "display"))
        || style != null && style.replace(" ", "").contains("display:none");
  }

  private static void skip(XMLStreamReader xml) throws XMLStreamException, SvgFault {
    int depth = 1;
    while (depth > 0) {
      int event = xml.next();
      depth += event == XMLStreamConstants.START_ELEMENT ? 1 : 0;
      depth -= event == XMLStreamConstants.END_ELEMENT ? 1 : 0;
      if (depth > DEEPEST) {
        throw new SvgFault("The drawing is nested too deeply.", lineOf(xml));
      }
    }
  }

  private static int lineOf(XMLStreamReader xml) {
    return xml.getLocation().getLineNumber();
  }

  private void enter(XMLStreamReader xml) throws SvgFault {
    if (matrices.size() > DEEPEST) {
      throw new SvgFault("The drawing is nested too deeply.", lineOf(xml));
    }
    int line = lineOf(xml);
    String transform = xml.getAttributeValue(null, "transform");
    Matrix matrix = matrices.element();
    matrix = transform == null ? matrix : matrix.after(Matrix.read(transform, line));
    matrices.push(matrix);
    Pen pen = new Pen(matrix, line, budget);
    draw(xml, pen, line);
    lines.addAll(pen.lines());
  }

  private static void draw(XMLStreamReader xml, Pen pen, int line) throws SvgFault {
    switch (xml.getLocalName()) {
      case "path" -> pen.draw(text(xml, "d"));
      case "rect" -> rectangle(xml, pen, line);
      case "circle" -> ellipse(xml, pen, number(xml, "r", line), number(xml, "r", line), line);
      case "ellipse" -> ellipse(xml, pen, number(xml, "rx", line), number(xml, "ry", line), line);
      case "line" -> {
        pen.moveTo(number(xml, "x1", line), number(xml, "y1", line));
        pen.lineTo(number(xml, "x2", line), number(xml, "y2", line));
      }
      case "polyline" -> points(xml, pen, line, false);
      case "polygon" -> points(xml, pen, line, true);
      default -> {
        // Groups and what is not drawn as lines.
      }
    }
  }

  private static String text(XMLStreamReader xml, String name) {
    String value = xml.getAttributeValue(null, name);
    return value == null ? "" : value;
  }

  /** A length; its unit is left aside, as lines are fitted anyway. */
  private static double number(XMLStreamReader xml, String name, int line) throws SvgFault {
    @Nullable String value = xml.getAttributeValue(null, name);
    return value == null || value.isBlank() ? 0 : new Scanner(value, line).number();
  }

  private static void rectangle(XMLStreamReader xml, Pen pen, int line) throws SvgFault {
    double x = number(xml, "x", line);
    double y = number(xml, "y", line);
    double w = number(xml, "width", line);
    double h = number(xml, "height", line);
    if (w > 0 && h > 0) {
      pen.moveTo(x, y);
      pen.lineTo(x + w, y);
      pen.lineTo(x + w, y + h);
      pen.lineTo(x, y + h);
      pen.close();
    }
  }

  private static void ellipse(XMLStreamReader xml, Pen pen, double rx, double ry, int line)
      throws SvgFault {
    double x = number(xml, "cx", line);
    double y = number(xml, "cy", line);
    if (rx > 0 && ry > 0) {
      pen.moveTo(x + rx, y);
      pen.arcTo(rx, ry, 0, false, true, x - rx, y);
      pen.arcTo(rx, ry, 0, false, true, x + rx, y);
      pen.close();
    }
  }

  private static void points(XMLStreamReader xml, Pen pen, int line, boolean closed)
      throws SvgFault {
    List<Double> n = Scanner.numbers(text(xml, "points"), line);
    for (int i = 0; i + 1 < n.size(); i += 2) {
      if (i == 0) {
        pen.moveTo(n.get(0), n.get(1));
      } else {
        pen.lineTo(n.get(i), n.get(i + 1));
      }
    }
    if (closed && n.size() >= 6) {
      pen.close();
    }
  }

  /** Into a square from -1 to 1, y upwards; a closed line does not repeat its first point. */
  private static List<Line> fitted(List<Line> lines) throws SvgFault {
    double minX = Double.POSITIVE_INFINITY;
    double minY = Double.POSITIVE_INFINITY;
    double maxX = Double.NEGATIVE_INFINITY;
    double maxY = Double.NEGATIVE_INFINITY;
    for (Line line : lines) {
      for (Point p : line.points()) {
        minX = Math.min(minX, p.x());
        maxX = Math.max(maxX, p.x());
        minY = Math.min(minY, p.y());
        maxY = Math.max(maxY, p.y());
      }
    }
    double half = Math.max(maxX - minX, maxY - minY) / 2;
    if (!(half > 0) || !Double.isFinite(half)) {
      throw new SvgFault("The drawing has no size.", 0);
    }
    double x = (minX + maxX) / 2;
    double y = (minY + maxY) / 2;
    List<Line> fitted = new ArrayList<>();
    for (Line line : lines) {
      List<Point> points = new ArrayList<>();
      for (Point p : line.points()) {
        Point at = new Point((p.x() - x) / half, (y - p.y()) / half);
        if (points.isEmpty() || !isSame(points.getLast(), at)) {
          points.add(at);
        }
      }
      boolean closed = line.closed() || isSame(points.getFirst(), points.getLast());
      if (closed && points.size() > 1 && isSame(points.getFirst(), points.getLast())) {
        points.removeLast();
      }
      if (points.size() >= (closed ? 3 : 2)) {
        fitted.add(new Line(points, closed));
      }
    }
    if (fitted.isEmpty()) {
      throw new SvgFault("The drawing has no line with a length.", 0);
    }
    return fitted;
  }

  private static boolean isSame(Point a, Point b) {
    return Math.abs(a.x() - b.x()) < 1e-9 && Math.abs(a.y() - b.y()) < 1e-9;
  }
}
