package fairedge.picture;

import fairedge.core.inspect.finding.Kind;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;

/**
 * The forms by which kinds of finding are told apart, on a field of 16 by 16: the same as in the
 * front end. Must mend is filled, should mend outlined, a remark a dot.
 */
enum MarkShape {
  NGON(0xA8390F, polygon(8, 1.2, 13.9, 4.6, 13.9, 11.4, 8, 14.8, 2.1, 11.4, 2.1, 4.6)),
  TRIANGLE(0x7A5200, polygon(8, 1.8, 15, 14, 1, 14)),
  VERTEX(0x0B5C96, new Ellipse2D.Double(1.6, 1.6, 12.8, 12.8)),
  FLOW(0x0B675A, polygon(1, 6, 5.6, 6, 5.6, 2.6, 11, 8, 5.6, 13.4, 5.6, 10, 1, 10)),
  SUPPORT(0x4A6410, polygon(1.8, 14.2, 1.8, 7, 7, 1.8, 14.2, 1.8, 14.2, 7.2, 7.2, 7.2, 7.2, 14.2)),
  /** A form and its ghost. */
  SHAPE(0x44566A, polygon(1.6, 1.6, 10, 1.6, 10, 6, 14.4, 6, 14.4, 14.4, 6, 14.4, 6, 10, 1.6, 10)),
  SURFACE(0x4A3FA3, polygon(2, 2, 13.6, 2, 10.8, 5.2, 13.8, 7.8, 10.2, 10.8, 13, 14, 2, 14));

  static final double FIELD = 16;
  private static final Color PAPER = new Color(0xF9FBFB);
  private static final double HALO = 2.5;

  private final Color colour;
  private final Shape body;

  MarkShape(int colour, Shape body) {
    this.colour = new Color(colour);
    this.body = body;
  }

  private static Shape polygon(double... xy) {
    Path2D path = new Path2D.Double();
    path.moveTo(xy[0], xy[1]);
    for (int i = 2; i < xy.length; i += 2) {
      path.lineTo(xy[i], xy[i + 1]);
    }
    path.closePath();
    return path;
  }

  static MarkShape of(Kind kind) {
    return switch (kind) {
      case NGON -> NGON;
      case TRIANGLE, FLAT_CORNER, ALL_TRIANGLES -> TRIANGLE;
      default ->
          switch (kind.family()) {
            case VERTICES -> VERTEX;
            case FLOW -> FLOW;
            case SUPPORT -> SUPPORT;
            case SHAPE -> SHAPE;
            default -> SURFACE;
          };
    };
  }

  /**
   * Draws a mark with its middle at a place.
   *
   * @param size of the whole field, in pixels
   */
  void draw(Graphics2D g, Mark mark, double x, double y, double size) {
    Graphics2D on = (Graphics2D) g.create();
    on.transform(AffineTransform.getTranslateInstance(x - size / 2, y - size / 2));
    on.transform(AffineTransform.getScaleInstance(size / FIELD, size / FIELD));
    switch (mark.severity()) {
      case MUST -> whole(on, 1, colour, 2);
      case SHOULD -> whole(on, 1.9, PAPER, 1.9);
      case REMARK -> dot(on);
    }
    on.dispose();
  }

  private void whole(Graphics2D on, double outline, Color fill, double extra) {
    Shape bar = new Line2D.Double(13.6, 2, 13.6, 14);
    on.setColor(PAPER);
    on.setStroke(round(2 * HALO + outline));
    on.draw(body);
    if (this == FLOW) {
      on.draw(bar);
    }
    on.setColor(fill);
    on.fill(body);
    on.setColor(colour);
    on.setStroke(round(outline));
    on.draw(body);
    if (this == FLOW) {
      on.setStroke(round(extra));
      on.draw(bar);
    }
    if (this == VERTEX) {
      on.setColor(fill.equals(colour) ? PAPER : colour);
      on.fill(new Ellipse2D.Double(5.6, 5.6, 4.8, 4.8));
    }
  }

  private void dot(Graphics2D on) {
    on.setColor(PAPER);
    on.fill(new Ellipse2D.Double(2.5, 2.5, 11, 11));
    on.setColor(colour);
    on.fill(new Ellipse2D.Double(5, 5, 6, 6));
  }

  private static BasicStroke round(double wide) {
    return new BasicStroke((float) wide, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND);
  }
}
