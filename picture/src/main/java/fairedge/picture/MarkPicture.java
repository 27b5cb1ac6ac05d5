package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;

/** The mark of a kind of finding by itself, on white: for lists on paper. */
public final class MarkPicture {
  private MarkPicture() {}

  /**
   * @param size its width and height in dots
   */
  public static BufferedImage of(Kind kind, Severity severity, int size) {
    BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, size, size);
    Mark mark = new Mark(kind, severity, Vec3.ZERO);
    MarkShape.of(kind).draw(g, mark, 0.5 * size, 0.5 * size, 0.9 * size);
    g.dispose();
    return image;
  }
}
