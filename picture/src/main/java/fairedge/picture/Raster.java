package fairedge.picture;

import java.awt.image.BufferedImage;
import java.util.Arrays;

/**
 * Colours with depths on a grid finer than the picture; what is nearer covers what is farther. The
 * picture's pixels are means of the grid's, so that edges come out smooth. Colours are opaque RGB,
 * what nothing covers is clear.
 */
final class Raster {
  private static final int CLEAR = 0;
  private static final int OPAQUE = 0xFF000000;

  /** How wide and high a tile is, in dots. */
  private static final int TILE = 16;

  /** A side that rises less over a row says nothing certain of where it lies in it. */
  private static final double LEVEL = 1e-6;

  /** So many dots are looked at; what comes after them is left out. */
  private static final long MOST_DOTS = 100_000_000;

  private final int fine;
  private final int width;
  private final int height;
  private final int[] colours;
  private final float[] depths;
  private final int tiles;

  /** Of each tile the farthest depth in it; not a number where that is not known. */
  private final float[] farthest;

  private boolean skipsHidden;
  private long left = MOST_DOTS;

  /**
   * @param fine how many times finer than the picture, each way
   */
  Raster(int width, int height, int fine) {
    this.fine = fine;
    this.width = width * fine;
    this.height = height * fine;
    this.colours = new int[this.width * this.height];
    this.depths = new float[colours.length];
    Arrays.fill(depths, Float.POSITIVE_INFINITY);
    tiles = this.width / TILE + 1;
    farthest = new float[tiles * (this.height / TILE + 1)];
    Arrays.fill(farthest, Float.POSITIVE_INFINITY);
  }

  /**
   * From now on tiles all of which are covered by what is nearer are passed over: it pays where
   * very much lies behind each other, and what is nearer is drawn first.
   */
  void skipHidden() {
    skipsHidden = true;
    Arrays.fill(farthest, Float.NaN);
  }

  /** Fills a triangle given by three places (x, y in pixels of the picture; depth). */
  void triangle(double[] a, double[] b, double[] c, int colour) {
    double ax = a[0] * fine;
    double ay = a[1] * fine;
    double bx = b[0] * fine;
    double by = b[1] * fine;
    double cx = c[0] * fine;
    double cy = c[1] * fine;
    double area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    if (area == 0 || !Double.isFinite(area)) {
      return;
    }
    int fromY = (int) Math.max(0, Math.ceil(Math.min(ay, Math.min(by, cy)) - 0.5));
    int toY = (int) Math.min(height - 1, Math.floor(Math.max(ay, Math.max(by, cy)) - 0.5));
    int fromX = (int) Math.max(0, Math.ceil(Math.min(ax, Math.min(bx, cx)) - 0.5));
    int toX = (int) Math.min(width - 1, Math.floor(Math.max(ax, Math.max(bx, cx)) - 0.5));
    float nearest = (float) Math.min(a[2], Math.min(b[2], c[2]));
    for (int y = fromY; y <= toY && left > 0; y++) {
      double py = y + 0.5;
      // Only what the three sides leave of the row, with a dot to spare for rounding.
      double low = fromX;
      double high = toX;
      for (int side = 0; side < 3; side++) {
        double px = side == 0 ? ax : side == 1 ? bx : cx;
        double qx = side == 0 ? bx : side == 1 ? cx : ax;
        double at = side == 0 ? ay : side == 1 ? by : cy;
        double rise = (side == 0 ? by : side == 1 ? cy : ay) - at;
        if (Math.abs(rise) > LEVEL) {
          double x = px + (qx - px) * ((py - at) / rise) - 0.5;
          if (rise > 0 == area > 0) {
            high = Math.min(high, x + 1);
          } else {
            low = Math.max(low, x - 1);
          }
        }
      }
      int end = (int) Math.floor(high);
      left -= Math.max(1, end - low);
      for (int x = (int) Math.ceil(low); x <= end; x++) {
        if (skipsHidden && x % TILE == 0 && isHidden(x, y, nearest)) {
          x += TILE - 1;
          continue;
        }
        double px = x + 0.5;
        double wa = ((bx - px) * (cy - py) - (by - py) * (cx - px)) / area;
        double wb = ((cx - px) * (ay - py) - (cy - py) * (ax - px)) / area;
        double wc = 1 - wa - wb;
        if (wa >= 0 && wb >= 0 && wc >= 0) {
          put(y * width + x, (float) (wa * a[2] + wb * b[2] + wc * c[2]), colour);
        }
      }
    }
  }

  private boolean isHidden(int x, int y, float nearest) {
    int tile = y / TILE * tiles + x / TILE;
    if (Float.isNaN(farthest[tile])) {
      farthest[tile] = farthestIn(x / TILE * TILE, y / TILE * TILE);
    }
    return nearest >= farthest[tile];
  }

  private float farthestIn(int fromX, int fromY) {
    float most = 0;
    for (int y = fromY; y < Math.min(height, fromY + TILE); y++) {
      for (int x = fromX; x < Math.min(width, fromX + TILE); x++) {
        most = Math.max(most, depths[y * width + x]);
      }
    }
    return most;
  }

  private void put(int at, float depth, int colour) {
    if (depth < depths[at]) {
      depths[at] = depth;
      colours[at] = colour | OPAQUE;
      if (skipsHidden) {
        farthest[at / width / TILE * tiles + at % width / TILE] = Float.NaN;
      }
    }
  }

  /** Draws a line so many pixels wide between two places. */
  void line(double[] a, double[] b, double wide, int colour) {
    double dx = b[0] - a[0];
    double dy = b[1] - a[1];
    double length = Math.hypot(dx, dy);
    if (!(length > 0)) {
      return;
    }
    double half = 0.5 * wide;
    double ox = -dy / length * half;
    double oy = dx / length * half;
    // Half its width longer at both ends, so that lines meet in corners without a notch.
    double ex = dx / length * half;
    double ey = dy / length * half;
    double[] p = {a[0] + ox - ex, a[1] + oy - ey, a[2]};
    double[] q = {a[0] - ox - ex, a[1] - oy - ey, a[2]};
    double[] r = {b[0] - ox + ex, b[1] - oy + ey, b[2]};
    double[] s = {b[0] + ox + ex, b[1] + oy + ey, b[2]};
    triangle(p, q, r, colour);
    triangle(p, r, s, colour);
  }

  /** Whether nothing nearer covers a place. */
  boolean shows(double[] place) {
    int x = (int) (place[0] * fine);
    int y = (int) (place[1] * fine);
    return x >= 0 && y >= 0 && x < width && y < height && place[2] <= depths[y * width + x];
  }

  /** In pixels of the picture. */
  double area() {
    return (double) width * height / (fine * fine);
  }

  BufferedImage picture() {
    BufferedImage image =
        new BufferedImage(width / fine, height / fine, BufferedImage.TYPE_INT_ARGB);
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        image.setRGB(x, y, mean(x * fine, y * fine));
      }
    }
    return image;
  }

  private int mean(int left, int top) {
    int covered = 0;
    int red = 0;
    int green = 0;
    int blue = 0;
    for (int y = top; y < top + fine; y++) {
      for (int x = left; x < left + fine; x++) {
        int colour = colours[y * width + x];
        if (colour != CLEAR) {
          covered++;
          red += colour >> 16 & 0xFF;
          green += colour >> 8 & 0xFF;
          blue += colour & 0xFF;
        }
      }
    }
    if (covered == 0) {
      return CLEAR;
    }
    int alpha = covered * 255 / (fine * fine);
    return alpha << 24 | red / covered << 16 | green / covered << 8 | blue / covered;
  }
}
