package fairedge.picture;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
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
  private final Side side = Side.STANDARD;
  private final Frame frame;
  private final Raster raster;

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

  private MeshPicture(Mesh mesh, Size size) {
    this.mesh = mesh;
    this.size = size;
    int width = size.width() * size.density();
    int height = size.height() * size.density();
    double margin = (size.isSmall() ? 4 : 14) * size.density();
    this.frame = Frame.around(mesh, side, width, height, margin);
    this.raster = new Raster(width, height, size.density() > 1 ? 3 : 4);
  }

  /**
   * The picture as a PNG.
   *
   * @param marks the heaviest first
   */
  public static byte[] png(Mesh mesh, List<Mark> marks, Size size) {
    MeshPicture picture = new MeshPicture(mesh, size);
    picture.drawFaces();
    picture.drawEdges();
    BufferedImage image = picture.raster.picture();
    picture.drawMarks(image, marks);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private double[] at(Vec3 p) {
    return new double[] {frame.x(p), frame.y(p), frame.depth(p)};
  }

  private void drawFaces() {
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
      covered += Math.abs(mesh.polygon(f).newell().dot(side.towards()));
    }
    double times = covered * frame.scale() * frame.scale() / raster.area();
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
      nearest = Math.min(nearest, frame.depth(mesh.position(v)));
    }
    return (float) Math.max(0, nearest);
  }

  private void drawFace(Polygon shape, Vec3 light) {
    Vec3 normal = shape.newell().unit();
    boolean turnedAway = normal.dot(side.towards()) < 0;
    double lit = turnedAway ? 0 : Math.clamp(0.5 + 0.5 * normal.dot(light), 0, 1);
    int colour = colour(SHADE.towards(LIT, lit * lit));
    int[] triangles = shape.triangles();
    for (int i = 0; i < triangles.length; i += 3) {
      raster.triangle(
          at(shape.corner(triangles[i])),
          at(shape.corner(triangles[i + 1])),
          at(shape.corner(triangles[i + 2])),
          colour);
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
          raster.line(
              at(mesh.position(mesh.first(e))),
              at(mesh.position(mesh.second(e))),
              outline ? 2 * wide : wide,
              LIFT,
              INK);
        }
      }
    }
  }

  /** Of the edges on the picture, in dots; of very many every so manieth is measured. */
  private double meanEdge() {
    double sum = 0;
    int count = 0;
    int stride = 1 + mesh.edgeEnd() / 20_000;
    for (int e = 0; e < mesh.edgeEnd(); e += stride) {
      if (mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e))) {
        sum += mesh.length(e) * frame.scale();
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
    return mesh.isMeasurable(f) && mesh.polygon(f).newell().dot(side.towards()) > 0;
  }

  private void drawMarks(BufferedImage image, List<Mark> marks) {
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    double field = (size.isSmall() ? 12 : 16) * size.density();
    int most = size.isSmall() ? MOST_MARKS_SMALL : MOST_MARKS;
    List<double[]> taken = new ArrayList<>();
    for (Mark mark : marks) {
      if (taken.size() == most) {
        break;
      }
      if (!mark.place().isFinite()) {
        continue;
      }
      double[] place = at(mark.place());
      if (raster.shows(place, 3 * LIFT) && isFree(place, taken, field)) {
        taken.add(place);
        MarkShape.of(mark.kind()).draw(g, mark, place[0], place[1], field);
      }
    }
    g.dispose();
  }

  private static boolean isFree(double[] place, List<double[]> taken, double apart) {
    return taken.stream().noneMatch(t -> Math.hypot(t[0] - place[0], t[1] - place[1]) < apart);
  }
}
