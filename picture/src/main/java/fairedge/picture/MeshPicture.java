package fairedge.picture;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;

/**
 * Draws a mesh as a mesh view shows it: clay by the light that falls on each face, the edges in
 * ink, the outline heavier, and the marks of what was found, each by its form. The ground is clear,
 * so that the picture lies on any paper. The same input gives the same bytes.
 *
 * <p>Faces that can't be measured are left out; marks that the model hides are too, of those that
 * would cover each other the heaviest stays, and there are never so many that they cover the model.
 * Cost: the mesh, and the pixels.
 */
public final class MeshPicture {
  private static final int INK = 0x10283A;
  private static final Vec3 SHADE = new Vec3(0xBF, 0xB1, 0x87);
  private static final Vec3 LIT = new Vec3(0xF4, 0xEC, 0xD3);

  /** Edges shorter than this on the mean would only blacken the form; the outline is enough. */
  private static final double SHORTEST_EDGE = 3.2;

  /** How much nearer, as a share of the model's depth, a line lies than the faces at it. */
  private static final double LIFT = 0.006;

  /** Edges that would cover the picture so many times would blacken it too. */
  private static final double MOST_INK = 8;

  /** Where faces cover the picture so many times, most of them lie behind others. */
  private static final double MANY_TIMES = 30;

  /** More marks than these would cover the model. */
  private static final int MOST_MARKS = 40;

  private static final int MOST_MARKS_SMALL = 5;

  /** Pictures lower than this have finer lines and smaller marks. */
  private static final int SMALL = 90;

  private final Mesh mesh;
  private final Size size;
  private final Projection projection;
  private final Raster raster;

  /** Where marks came to stand, in dots. */
  private final List<double[]> marks = new ArrayList<>();

  /**
   * How large a picture is.
   *
   * @param width on screen
   * @param height on screen
   * @param density how many dots for one pixel of the screen, each way; 1 to 4
   */
  public record Size(int width, int height, int density) {
    public Size {
      if (width < 16 || height < 16 || width > 4000 || height > 4000) {
        throw new IllegalArgumentException("a picture is 16 to 4000 pixels wide and high");
      }
      if (density < 1 || density > 4) {
        throw new IllegalArgumentException("a picture has 1 to 4 dots a pixel");
      }
    }

    boolean isSmall() {
      return height < SMALL;
    }
  }

  private MeshPicture(Mesh mesh, PictureView view, Size size) {
    this.mesh = mesh;
    this.size = size;
    int width = size.width() * size.density();
    int height = size.height() * size.density();
    double margin = (size.isSmall() ? 4 : 14) * size.density();
    this.projection = Projection.of(mesh, view, width, height, margin);
    this.raster = new Raster(width, height, finer(size.density()));
  }

  private static int finer(int density) {
    return switch (density) {
      case 1 -> 4;
      case 2 -> 3;
      default -> 2;
    };
  }

  /**
   * The picture as a PNG.
   *
   * @param marks the heaviest first
   */
  public static byte[] png(Mesh mesh, List<Mark> marks, Size size) {
    BufferedImage image = new MeshPicture(mesh, new PictureView.Standard(), size).drawn(marks);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  /**
   * The picture on white, with notes: lines that were drawn on the surface, and pins.
   *
   * @param marks the heaviest first
   */
  public static BufferedImage noted(
      Mesh mesh, List<Mark> marks, List<Pin> pins, PictureView view, Size size) {
    MeshPicture picture = new MeshPicture(mesh, view, size);
    BufferedImage drawn = picture.drawn(marks);
    BufferedImage sheet =
        new BufferedImage(drawn.getWidth(), drawn.getHeight(), BufferedImage.TYPE_INT_RGB);
    Graphics2D g = picture.on(sheet);
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, sheet.getWidth(), sheet.getHeight());
    g.drawImage(drawn, 0, 0, null);
    g.scale(size.density(), size.density());
    picture.drawNotes(g, pins);
    g.dispose();
    return sheet;
  }

  /** Whether a place is seen from there: it lies in the picture, and nothing covers it. */
  public static boolean shows(Mesh mesh, PictureView view, Size size, Vec3 place) {
    MeshPicture picture = new MeshPicture(mesh, view, size);
    picture.drawFaces();
    return picture.isSeen(place);
  }

  private BufferedImage drawn(List<Mark> marks) {
    drawFaces();
    drawEdges();
    BufferedImage image = raster.picture();
    drawMarks(image, marks);
    return image;
  }

  private boolean isSeen(Vec3 place) {
    return place.isFinite()
        && projection.isAhead(place)
        && raster.shows(projection.lifted(place, 3 * LIFT));
  }

  private void drawFaces() {
    Side side = projection.side();
    Vec3 light = side.towards().plus(side.up().times(0.7)).minus(side.right().times(0.45)).unit();
    for (int f : inOrder()) {
      drawFace(mesh.polygon(f), light);
    }
  }

  /**
   * The faces that can be drawn: by id, or, where they cover the picture many times over, the
   * nearest first, so that what lies behind them need not be drawn at all.
   */
  private int[] inOrder() {
    int[] faces =
        IntStream.range(0, mesh.faceEnd())
            .filter(f -> mesh.hasFace(f) && mesh.isMeasurable(f))
            .toArray();
    double covered = 0;
    for (int f : faces) {
      covered += Math.abs(mesh.polygon(f).newell().dot(projection.side().towards()));
    }
    double times = covered * projection.scale() * projection.scale() / raster.area();
    if (!(times > MANY_TIMES)) {
      return faces;
    }
    raster.skipHidden();
    return Arrays.stream(faces)
        .mapToLong(f -> (long) Float.floatToIntBits(nearest(f)) << Integer.SIZE | f)
        .sorted()
        .mapToInt(key -> (int) key)
        .toArray();
  }

  private float nearest(int f) {
    double nearest = 1;
    for (int v : mesh.vertices(f)) {
      nearest = Math.min(nearest, projection.at(mesh.position(v))[2]);
    }
    return (float) Math.max(0, nearest);
  }

  private void drawFace(Polygon shape, Vec3 light) {
    Vec3 normal = shape.newell().unit();
    boolean turnedAway = !projection.sees(shape.corner(0), normal);
    double lit = turnedAway ? 0 : Math.clamp(0.5 + 0.5 * normal.dot(light), 0, 1);
    int colour = colour(SHADE.towards(LIT, lit * lit));
    int[] triangles = shape.triangles();
    for (int i = 0; i < triangles.length; i += 3) {
      Vec3[] seen =
          projection.ahead(
              shape.corner(triangles[i]),
              shape.corner(triangles[i + 1]),
              shape.corner(triangles[i + 2]));
      for (int k = 0; k < seen.length; k += 3) {
        raster.triangle(
            projection.at(seen[k]), projection.at(seen[k + 1]), projection.at(seen[k + 2]), colour);
      }
    }
  }

  private static int colour(Vec3 rgb) {
    return (int) Math.rint(rgb.x()) << 16
        | (int) Math.rint(rgb.y()) << 8
        | (int) Math.rint(rgb.z());
  }

  private void drawEdges() {
    double wide = (size.isSmall() ? 0.6 : 1) * size.density();
    double mean = meanEdge();
    boolean onlyOutline =
        mean < SHORTEST_EDGE * size.density()
            || mean * wide * mesh.edgeCount() > MOST_INK * raster.area();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e)
          && mesh.hasPlace(mesh.first(e))
          && mesh.hasPlace(mesh.second(e))
          && mesh.cornerOn(e) != Mesh.NONE) {
        boolean outline = isOutline(e);
        if (outline || !onlyOutline) {
          drawEdge(
              mesh.position(mesh.first(e)),
              mesh.position(mesh.second(e)),
              outline ? 2 * wide : wide);
        }
      }
    }
  }

  private void drawEdge(Vec3 a, Vec3 b, double wide) {
    boolean isFirst = projection.isAhead(a);
    boolean isSecond = projection.isAhead(b);
    if (isFirst || isSecond) {
      Vec3 from = isFirst ? a : projection.onNear(a, b);
      Vec3 to = isSecond ? b : projection.onNear(a, b);
      raster.line(projection.lifted(from, LIFT), projection.lifted(to, LIFT), wide, INK);
    }
  }

  /** Of the edges on the picture, in dots; of very many every so manieth is measured. */
  private double meanEdge() {
    double sum = 0;
    int count = 0;
    int stride = 1 + mesh.edgeEnd() / 20_000;
    for (int e = 0; e < mesh.edgeEnd(); e += stride) {
      if (mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e))) {
        sum += mesh.length(e) * projection.scale();
        count++;
      }
    }
    return count == 0 ? 0 : sum / count;
  }

  /** A border, or where the form turns away from the eye. */
  private boolean isOutline(int e) {
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    return c == d || facesTheEye(mesh.faceOf(c)) != facesTheEye(mesh.faceOf(d));
  }

  private boolean facesTheEye(int f) {
    if (!mesh.isMeasurable(f)) {
      return false;
    }
    Polygon shape = mesh.polygon(f);
    return projection.sees(shape.corner(0), shape.newell());
  }

  private void drawMarks(BufferedImage image, List<Mark> asked) {
    Graphics2D g = on(image);
    double field = (size.isSmall() ? 12 : 16) * size.density();
    int most = size.isSmall() ? MOST_MARKS_SMALL : MOST_MARKS;
    for (Mark mark : asked) {
      if (marks.size() == most) {
        break;
      }
      if (!isSeen(mark.place())) {
        continue;
      }
      double[] place = projection.at(mark.place());
      if (isFree(place, marks, field)) {
        marks.add(place);
        MarkShape.of(mark.kind()).draw(g, mark, place[0], place[1], field);
      }
    }
    g.dispose();
  }

  private static boolean isFree(double[] place, List<double[]> taken, double apart) {
    return taken.stream().noneMatch(t -> Math.hypot(t[0] - place[0], t[1] - place[1]) < apart);
  }

  private static Graphics2D on(BufferedImage image) {
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    return g;
  }

  private void drawNotes(Graphics2D g, List<Pin> pins) {
    PinShape shape = new PinShape(g, size.width(), size.height());
    pins.forEach(pin -> pin.strokes().forEach(stroke -> drawStroke(shape, stroke)));
    List<Point2D> marked = marks.stream().map(this::onScreen).toList();
    List<Point2D> taken = new ArrayList<>();
    for (Pin pin : pins) {
      if (pin.place().isFinite() && projection.isAhead(pin.place())) {
        Point2D foot = onPicture(pin.place());
        Point2D head = shape.freePlace(foot, taken);
        taken.add(head);
        shape.draw(pin, foot, head, isSeen(pin.place()), marked);
      }
    }
  }

  private void drawStroke(PinShape shape, List<Vec3> stroke) {
    Path2D seen = new Path2D.Double();
    Path2D hidden = new Path2D.Double();
    for (int i = 1; i < stroke.size(); i++) {
      Vec3 a = stroke.get(i - 1);
      Vec3 b = stroke.get(i);
      if (projection.isAhead(a) && projection.isAhead(b)) {
        Path2D piece = isSeen(a) && isSeen(b) ? seen : hidden;
        Point2D from = onPicture(a);
        Point2D to = onPicture(b);
        if (piece.getCurrentPoint() == null || !piece.getCurrentPoint().equals(from)) {
          piece.moveTo(from.getX(), from.getY());
        }
        piece.lineTo(to.getX(), to.getY());
      }
    }
    shape.stroke(hidden, false);
    shape.stroke(seen, true);
  }

  /** In pixels of the screen. */
  private Point2D onPicture(Vec3 place) {
    return onScreen(projection.at(place));
  }

  private Point2D onScreen(double[] at) {
    return new Point2D.Double(at[0] / size.density(), at[1] / size.density());
  }
}
