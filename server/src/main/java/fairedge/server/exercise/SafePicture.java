package fairedge.server.exercise;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Sha256;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A picture that somebody sent, drawn anew: a PNG with its pixels and nothing else, whatever its
 * file said of itself. Drawn anew once more it is the same bytes.
 *
 * @param png not to be changed
 */
record SafePicture(byte[] png) {
  /** Bytes of a file. */
  static final int LARGEST = 12_000_000;

  /** Wider or higher ones are made smaller. */
  private static final int WIDEST = 1600;

  private static final int NAME_BYTES = 6;
  private static final int MOST_PIXELS = 40_000_000;
  private static final Set<String> KNOWN = Set.of("png", "jpeg", "webp");

  /** By which texts name it: the first digits of its hash. */
  String name() {
    return nameOf(png);
  }

  /** Of a file that somebody else named. */
  static String nameOf(byte[] file) {
    return HexFormat.of().formatHex(Sha256.of(file), 0, NAME_BYTES);
  }

  /**
   * @throws Problem saying why it can't be taken
   */
  static SafePicture of(byte[] file) {
    if (file.length > LARGEST) {
      throw bad("A picture has %d MB at the most.".formatted(LARGEST / 1_000_000));
    }
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw bad("This is no picture: PNG, JPEG or WebP is wanted.");
      }
      ImageReader reader = readers.next();
      try {
        if (!KNOWN.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
          throw bad("This picture is none of PNG, JPEG and WebP.");
        }
        reader.setInput(in, true, true);
        return new SafePicture(png(upright(read(reader), turnOf(file))));
      } finally {
        reader.dispose();
      }
    } catch (Problem problem) {
      throw problem;
    } catch (IOException | RuntimeException broken) {
      // Readers fail in many ways on what only says that it is a picture.
      throw bad("This picture can't be read: it is broken, or not what it says it is.");
    }
  }

  private static BufferedImage read(ImageReader reader) throws IOException {
    int width = reader.getWidth(0);
    int height = reader.getHeight(0);
    if ((long) width * height > MOST_PIXELS) {
      throw bad(
          "This picture has %,d by %,d pixels: %d million are the most."
              .formatted(width, height, MOST_PIXELS / 1_000_000));
    }
    ImageReadParam asked = reader.getDefaultReadParam();
    // Twice as fine as it will be, so that it is made smaller smoothly.
    int every = Math.max(1, Math.max(width, height) / (2 * WIDEST));
    asked.setSourceSubsampling(every, every, 0, 0);
    return reader.read(0, asked);
  }

  /** As a camera was held: 1 to 8, as EXIF has it; 1 where nothing is said. */
  private static int turnOf(byte[] file) {
    try {
      ExifIFD0Directory told =
          ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
              .getFirstDirectoryOfType(ExifIFD0Directory.class);
      return told != null && told.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
          ? told.getInt(ExifIFD0Directory.TAG_ORIENTATION)
          : 1;
    } catch (ImageProcessingException | MetadataException | IOException unknown) {
      // What it says of itself goes anyway.
      return 1;
    }
  }

  private static BufferedImage upright(BufferedImage seen, int turn) {
    double scale = Math.min(1, (double) WIDEST / Math.max(seen.getWidth(), seen.getHeight()));
    int width = Math.max(1, (int) Math.round(scale * seen.getWidth()));
    int height = Math.max(1, (int) Math.round(scale * seen.getHeight()));
    boolean lies = turn >= 5 && turn <= 8;
    BufferedImage drawn =
        new BufferedImage(
            lies ? height : width,
            lies ? width : height,
            seen.getColorModel().hasAlpha()
                ? BufferedImage.TYPE_INT_ARGB
                : BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = drawn.createGraphics();
    try {
      pen.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
      pen.setTransform(turned(turn, width, height));
      pen.drawImage(seen, 0, 0, width, height, null);
    } finally {
      pen.dispose();
    }
    return drawn;
  }

  private static AffineTransform turned(int turn, int w, int h) {
    return switch (turn) {
      case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
      case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
      case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
      case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
      case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
      case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
      case 8 -> new AffineTransform(0, -1, 1, 0, 0, w);
      default -> new AffineTransform();
    };
  }

  private static byte[] png(BufferedImage picture) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture, "png", out);
    return out.toByteArray();
  }

  private static Problem bad(String why) {
    return Problem.of(Problem.Kind.BAD_FILE, why);
  }
}
