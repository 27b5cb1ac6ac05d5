package fairedge.picture;

import java.awt.AlphaComposite;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.util.List;

/** Pins as mesh views have them: a stalk from the place to a head that stands clear of it. */
final class PinShape {
  static final Color MAGENTA = new Color(0xA3195B);
  static final Color HALO = new Color(0xF9FBFB);
  private static final double[] LENGTHS = {52, 64, 44, 36};
  private static final double[] TURNS = {-50, -120, -25, -85, 20, -155, 60, 120};
  private static final double APART = 34;
  private static final double INSIDE = 16;
  private static final double NEAR_MARK = 6;
  private static final double MARK_REACH = 12;
  private static final float FAINT = 0.45f;

  /** Digits are drawn as lines on a field so wide and high: no font need be on the machine. */
  private static final double DIGIT_WIDE = 5;

  private static final double DIGIT_HIGH = 8;
  private static final double PITCH = 6.6;

  private final Graphics2D g;
  private final double width;
  private final double height;

  /**
   * @param g whose unit is a pixel of the screen
   */
  PinShape(Graphics2D g, double width, double height) {
    this.g = g;
    this.width = width;
    this.height = height;
  }

  /** A head 36 to 64 away from its foot, off other heads and inside the picture. */
  Point2D freePlace(Point2D foot, List<Point2D> taken) {
    for (double length : LENGTHS) {
      for (double turn : TURNS) {
        double a = StrictMath.toRadians(turn);
        Point2D head =
            new Point2D.Double(
                foot.getX() + length * StrictMath.cos(a), foot.getY() + length * StrictMath.sin(a));
        if (isInside(head) && taken.stream().allMatch(t -> t.distance(head) > APART)) {
          return head;
        }
      }
    }
    return new Point2D.Double(
        Math.clamp(foot.getX() + 37, INSIDE, width - INSIDE),
        Math.clamp(foot.getY() - 37, INSIDE, height - INSIDE));
  }

  private boolean isInside(Point2D p) {
    return p.getX() > INSIDE
        && p.getY() > INSIDE
        && p.getX() < width - INSIDE
        && p.getY() < height - INSIDE;
  }

  /**
   * Draws a pin; a stalk that stands on a mark ends at it, and what the model hides is fainter.
   *
   * @param marks where marks of findings stand
   */
  void draw(Pin pin, Point2D foot, Point2D head, boolean isSeen, List<Point2D> marks) {
    g.setComposite(AlphaComposite.SrcOver.derive(isSeen ? 1 : FAINT));
    boolean isMarked = marks.stream().anyMatch(m -> m.distance(foot) < NEAR_MARK);
    Point2D from = isMarked ? between(foot, head) : foot;
    Shape stalk = new Line2D.Double(from, head);
    line(stalk, HALO, 4.6);
    line(stalk, MAGENTA, 1.8);
    if (!isMarked && pin.strokes().isEmpty()) {
      Shape place = disc(from, 3.2);
      g.setColor(HALO);
      g.fill(place);
      line(place, MAGENTA, 1.6);
    }
    head(pin, head);
    g.setComposite(AlphaComposite.SrcOver);
  }

  /** On the way from one place to another, where a mark ends. */
  private static Point2D between(Point2D from, Point2D to) {
    double share = MARK_REACH / Math.max(MARK_REACH, from.distance(to));
    return new Point2D.Double(
        from.getX() + share * (to.getX() - from.getX()),
        from.getY() + share * (to.getY() - from.getY()));
  }

  private void head(Pin pin, Point2D at) {
    boolean isOpen = pin.form() == PinForm.RING;
    if (pin.form() == PinForm.FLAG) {
      Shape flag = flag(at);
      line(flag, HALO, 4);
      g.setColor(MAGENTA);
      g.fill(flag);
    } else {
      g.setColor(HALO);
      g.fill(disc(at, 12));
      g.setColor(isOpen ? HALO : MAGENTA);
      g.fill(disc(at, 10));
      line(disc(at, 10), MAGENTA, 2);
    }
    number(pin.number(), at, isOpen ? MAGENTA : HALO);
  }

  private static Shape flag(Point2D at) {
    Path2D path = new Path2D.Double();
    path.moveTo(at.getX() - 13, at.getY() - 9.5);
    path.lineTo(at.getX() + 13, at.getY() - 9.5);
    path.lineTo(at.getX() + 8, at.getY());
    path.lineTo(at.getX() + 13, at.getY() + 9.5);
    path.lineTo(at.getX() - 13, at.getY() + 9.5);
    path.closePath();
    return path;
  }

  private void number(int number, Point2D at, Color colour) {
    String digits = Integer.toString(number);
    double x = at.getX() - 0.5 * (PITCH * digits.length() - (PITCH - DIGIT_WIDE));
    double y = at.getY() - 0.5 * DIGIT_HIGH;
    g.setColor(colour);
    g.setStroke(round(1.5));
    for (int i = 0; i < digits.length(); i++) {
      Graphics2D on = (Graphics2D) g.create();
      on.translate(x + PITCH * i, y);
      on.draw(digit(digits.charAt(i)));
      on.dispose();
    }
  }

  private static Shape digit(char c) {
    Path2D p = new Path2D.Double();
    switch (c) {
      case '0' -> p.append(new Ellipse2D.Double(0, 0, 5, 8), false);
      case '1' -> lines(p, 0.8, 1.8, 2.8, 0, 2.8, 8);
      case '2' -> {
        p.append(new Arc2D.Double(0, 0, 5, 4.6, 165, -215, Arc2D.OPEN), false);
        lines(p, 4.1, 3.9, 0, 8, 5, 8);
      }
      case '3' -> {
        p.append(new Arc2D.Double(0.2, 0, 4.4, 3.9, 160, -250, Arc2D.OPEN), false);
        p.append(new Arc2D.Double(0, 3.9, 5, 4.1, 90, -250, Arc2D.OPEN), false);
      }
      case '4' -> lines(p, 3.8, 8, 3.8, 0, 0, 5.6, 5, 5.6);
      case '5' -> {
        lines(p, 4.5, 0, 0.9, 0, 0.5, 3.6);
        p.append(new Arc2D.Double(0, 2.8, 5, 5.2, 140, -290, Arc2D.OPEN), false);
      }
      case '6' -> {
        p.append(new Ellipse2D.Double(0, 3, 5, 5), false);
        lines(p, 0.3, 4.6, 3.6, 0);
      }
      case '7' -> lines(p, 0, 0, 5, 0, 1.9, 8);
      case '8' -> {
        p.append(new Ellipse2D.Double(0.4, 0, 4.2, 3.8), false);
        p.append(new Ellipse2D.Double(0, 3.8, 5, 4.2), false);
      }
      default -> {
        p.append(new Ellipse2D.Double(0, 0, 5, 5), false);
        lines(p, 4.7, 3.4, 1.4, 8);
      }
    }
    return p;
  }

  private static void lines(Path2D path, double... xy) {
    path.moveTo(xy[0], xy[1]);
    for (int i = 2; i < xy.length; i += 2) {
      path.lineTo(xy[i], xy[i + 1]);
    }
  }

  /** A piece of a stroke, full where the eye sees it, else faint. */
  void stroke(Shape piece, boolean isSeen) {
    if (isSeen) {
      line(piece, HALO, 6);
      line(piece, MAGENTA, 2.6);
    } else {
      line(piece, new Color(0xA3, 0x19, 0x5B, 0x4D), 1.4);
    }
  }

  private void line(Shape shape, Color colour, double wide) {
    g.setColor(colour);
    g.setStroke(round(wide));
    g.draw(shape);
  }

  private static Shape disc(Point2D at, double r) {
    return new Ellipse2D.Double(at.getX() - r, at.getY() - r, 2 * r, 2 * r);
  }

  private static BasicStroke round(double wide) {
    return new BasicStroke((float) wide, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND);
  }
}
