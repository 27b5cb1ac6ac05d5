package fairedge.core.format.svg;

import fairedge.core.format.svg.SvgLines.Line;
import fairedge.core.format.svg.SvgLines.Point;
import java.util.ArrayList;
import java.util.List;

/** Draws path data as straight pieces, mapped by a matrix. */
final class Pen {
  /** Pieces to a Bézier curve, and to a full turn of an arc. */
  private static final int CURVE = 12;

  private static final int TURN = 48;

  private final Matrix matrix;
  private final int line;
  private final Budget budget;
  private final List<Line> lines = new ArrayList<>();
  private List<Point> open = new ArrayList<>();
  private double x;
  private double y;
  private double startX;
  private double startY;
  private double controlX;
  private double controlY;
  private char last = ' ';

  /** How many points may still be drawn. */
  static final class Budget {
    private int left;

    Budget(int left) {
      this.left = left;
    }

    void take(int line) throws SvgFault {
      if (--left < 0) {
        throw new SvgFault("The drawing has too many points: simplify it.", line);
      }
    }
  }

  Pen(Matrix matrix, int line, Budget budget) {
    this.matrix = matrix;
    this.line = line;
    this.budget = budget;
  }

  List<Line> lines() {
    end(false);
    return lines;
  }

  void moveTo(double px, double py) throws SvgFault {
    end(false);
    x = startX = px;
    y = startY = py;
    put(px, py);
  }

  void lineTo(double px, double py) throws SvgFault {
    if (open.isEmpty()) {
      put(x, y);
    }
    x = px;
    y = py;
    put(px, py);
  }

  void close() {
    end(true);
    x = startX;
    y = startY;
  }

  private void put(double px, double py) throws SvgFault {
    budget.take(line);
    open.add(new Point(matrix.x(px, py), matrix.y(px, py)));
  }

  private void end(boolean closed) {
    if (open.size() > 1) {
      lines.add(new Line(open, closed));
    }
    open = new ArrayList<>();
  }

  /** By de Casteljau's weights (Bernstein polynomials) of the third degree. */
  void cubicTo(double ax, double ay, double bx, double by, double px, double py) throws SvgFault {
    double fromX = x;
    double fromY = y;
    for (int i = 1; i <= CURVE; i++) {
      double t = (double) i / CURVE;
      double s = 1 - t;
      double k0 = s * s * s;
      double k1 = 3 * s * s * t;
      double k2 = 3 * s * t * t;
      double k3 = t * t * t;
      lineTo(k0 * fromX + k1 * ax + k2 * bx + k3 * px, k0 * fromY + k1 * ay + k2 * by + k3 * py);
    }
    x = px;
    y = py;
    controlX = bx;
    controlY = by;
  }

  void quadraticTo(double ax, double ay, double px, double py) throws SvgFault {
    cubicTo(
        x + 2.0 / 3 * (ax - x),
        y + 2.0 / 3 * (ay - y),
        px + 2.0 / 3 * (ax - px),
        py + 2.0 / 3 * (ay - py),
        px,
        py);
    controlX = ax;
    controlY = ay;
  }

  /** From ends to centre as in SVG 2, appendix B.2.4. */
  void arcTo(
      double rx, double ry, double degrees, boolean large, boolean sweep, double px, double py)
      throws SvgFault {
    double a = Math.abs(rx);
    double b = Math.abs(ry);
    if (a == 0 || b == 0 || x == px && y == py) {
      lineTo(px, py);
      return;
    }
    double cos = StrictMath.cos(StrictMath.toRadians(degrees));
    double sin = StrictMath.sin(StrictMath.toRadians(degrees));
    double dx = (x - px) / 2;
    double dy = (y - py) / 2;
    double u = cos * dx + sin * dy;
    double v = -sin * dx + cos * dy;
    double over = u * u / (a * a) + v * v / (b * b);
    if (over > 1) {
      a *= Math.sqrt(over);
      b *= Math.sqrt(over);
    }
    double rest = a * a * b * b - a * a * v * v - b * b * u * u;
    double k = Math.sqrt(Math.max(0, rest / (a * a * v * v + b * b * u * u)));
    k = large == sweep ? -k : k;
    double cu = k * a * v / b;
    double cv = -k * b * u / a;
    double middleX = cos * cu - sin * cv + (x + px) / 2;
    double middleY = sin * cu + cos * cv + (y + py) / 2;
    double from = StrictMath.atan2((v - cv) / b, (u - cu) / a);
    double turn = StrictMath.atan2((-v - cv) / b, (-u - cu) / a) - from;
    turn += sweep && turn < 0 ? 2 * Math.PI : !sweep && turn > 0 ? -2 * Math.PI : 0;
    int pieces = Math.max(2, (int) Math.ceil(TURN * Math.abs(turn) / (2 * Math.PI)));
    for (int i = 1; i < pieces; i++) {
      double at = from + turn * i / pieces;
      double eu = a * StrictMath.cos(at);
      double ev = b * StrictMath.sin(at);
      lineTo(cos * eu - sin * ev + middleX, sin * eu + cos * ev + middleY);
    }
    lineTo(px, py);
  }

  /**
   * Draws the data of a path.
   *
   * @throws SvgFault at what is no path data
   */
  void draw(String data) throws SvgFault {
    Scanner scanner = new Scanner(data, line);
    char command = ' ';
    while (!scanner.isDone()) {
      if (scanner.isLetter()) {
        command = scanner.letter();
      } else if (command == ' ' || command == 'Z' || command == 'z') {
        throw scanner.fault("a command");
      }
      step(command, scanner);
      last = command;
      // What follows a move without a command of its own is a line.
      command = command == 'M' ? 'L' : command == 'm' ? 'l' : command;
    }
  }

  private void step(char command, Scanner s) throws SvgFault {
    boolean relative = Character.isLowerCase(command);
    double ox = relative ? x : 0;
    double oy = relative ? y : 0;
    switch (Character.toUpperCase(command)) {
      case 'M' -> moveTo(ox + s.number(), oy + s.number());
      case 'L' -> lineTo(ox + s.number(), oy + s.number());
      case 'H' -> lineTo(ox + s.number(), y);
      case 'V' -> lineTo(x, oy + s.number());
      case 'C' ->
          cubicTo(
              ox + s.number(),
              oy + s.number(),
              ox + s.number(),
              oy + s.number(),
              ox + s.number(),
              oy + s.number());
      case 'S' -> {
        boolean smooth = "CcSs".indexOf(last) >= 0;
        cubicTo(
            smooth ? 2 * x - controlX : x,
            smooth ? 2 * y - controlY : y,
            ox + s.number(),
            oy + s.number(),
            ox + s.number(),
            oy + s.number());
      }
      case 'Q' -> quadraticTo(ox + s.number(), oy + s.number(), ox + s.number(), oy + s.number());
      case 'T' -> {
        boolean smooth = "QqTt".indexOf(last) >= 0;
        quadraticTo(
            smooth ? 2 * x - controlX : x,
            smooth ? 2 * y - controlY : y,
            ox + s.number(),
            oy + s.number());
      }
      case 'A' ->
          arcTo(
              s.number(),
              s.number(),
              s.number(),
              s.flag(),
              s.flag(),
              ox + s.number(),
              oy + s.number());
      case 'Z' -> close();
      default -> throw new SvgFault("\"" + command + "\" is no command of a path.", line);
    }
  }
}
