package fairedge.core.format.svg;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** An affine map of the plane, as SVG's {@code matrix(a b c d e f)}. */
record Matrix(double a, double b, double c, double d, double e, double f) {
  static final Matrix SAME = new Matrix(1, 0, 0, 1, 0, 0);

  private static final Pattern CALL =
      Pattern.compile("\\s*+,?+\\s*+([a-zA-Z]++)\\s*+\\(([^)]*+)\\)");

  /** First the other, then this. */
  Matrix after(Matrix o) {
    return new Matrix(
        a * o.a + c * o.b,
        b * o.a + d * o.b,
        a * o.c + c * o.d,
        b * o.c + d * o.d,
        a * o.e + c * o.f + e,
        b * o.e + d * o.f + f);
  }

  double x(double x, double y) {
    return a * x + c * y + e;
  }

  double y(double x, double y) {
    return b * x + d * y + f;
  }

  /**
   * @throws SvgFault if the text is no list of transforms
   */
  static Matrix read(String text, int line) throws SvgFault {
    Matrix all = SAME;
    Matcher calls = CALL.matcher(text);
    int end = 0;
    // Anchored at the end of the last, so that no text is looked through twice.
    while (calls.region(end, text.length()).lookingAt()) {
      all = all.after(one(calls.group(1), Scanner.numbers(calls.group(2), line), line));
      end = calls.end();
    }
    if (!text.substring(end).isBlank()) {
      throw new SvgFault("The transform \"" + Scanner.brief(text) + "\" can't be read.", line);
    }
    return all;
  }

  private static Matrix one(String name, List<Double> n, int line) throws SvgFault {
    return switch (name + n.size()) {
      case "matrix6" -> new Matrix(n.get(0), n.get(1), n.get(2), n.get(3), n.get(4), n.get(5));
      case "translate1" -> moved(n.get(0), 0);
      case "translate2" -> moved(n.get(0), n.get(1));
      case "scale1" -> new Matrix(n.get(0), 0, 0, n.get(0), 0, 0);
      case "scale2" -> new Matrix(n.get(0), 0, 0, n.get(1), 0, 0);
      case "rotate1" -> turned(n.get(0));
      case "rotate3" ->
          moved(n.get(1), n.get(2)).after(turned(n.get(0))).after(moved(-n.get(1), -n.get(2)));
      case "skewX1" -> new Matrix(1, 0, tangent(n.get(0)), 1, 0, 0);
      case "skewY1" -> new Matrix(1, tangent(n.get(0)), 0, 1, 0, 0);
      default ->
          throw new SvgFault(
              "A transform \"%s\" with %d numbers is none.".formatted(name, n.size()), line);
    };
  }

  private static Matrix moved(double x, double y) {
    return new Matrix(1, 0, 0, 1, x, y);
  }

  private static Matrix turned(double degrees) {
    double sin = StrictMath.sin(StrictMath.toRadians(degrees));
    double cos = StrictMath.cos(StrictMath.toRadians(degrees));
    return new Matrix(cos, sin, -sin, cos, 0, 0);
  }

  private static double tangent(double degrees) {
    return StrictMath.tan(StrictMath.toRadians(degrees));
  }
}
