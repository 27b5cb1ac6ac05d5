package fairedge.server.course;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import fairedge.server.account.Slips.Slip;
import fairedge.server.platform.Paper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Sign-in slips to print: eight to a page, with lines to cut along. */
final class SlipSheet {
  private static final int ACROSS = 2;
  private static final int DOWN = 4;
  private static final float MARGIN = 22;
  private static final float INSET = 18;
  private static final float CODE_SIZE = 74;
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

  private SlipSheet() {}

  /**
   * @param address of the page where a slip is used; also as a square code, without the slip's code
   * @param zone by whose clock the days are
   */
  static byte[] pdf(List<Slip> slips, String course, String address, ZoneId zone) {
    try (Paper paper = new Paper("Sign-in slips for " + course, "en")) {
      boolean[][] code = squareCode(address);
      for (int i = 0; i < slips.size(); i++) {
        if (i % (ACROSS * DOWN) == 0) {
          paper.newPage(Paper.A4);
          cutLines(paper);
        }
        draw(paper, slips.get(i), i % (ACROSS * DOWN), course, address, code, zone);
      }
      return paper.bytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static float width() {
    return Paper.A4.getWidth() / ACROSS;
  }

  private static float height() {
    return Paper.A4.getHeight() / DOWN;
  }

  private static void cutLines(Paper paper) throws IOException {
    for (int i = 1; i < DOWN; i++) {
      paper.cutLine(MARGIN, i * height(), Paper.A4.getWidth() - MARGIN, i * height());
    }
    paper.cutLine(width(), MARGIN, width(), Paper.A4.getHeight() - MARGIN);
  }

  private static void draw(
      Paper paper,
      Slip slip,
      int place,
      String course,
      String address,
      boolean[][] code,
      ZoneId zone)
      throws IOException {
    float x = place % ACROSS * width() + INSET;
    float top = Paper.A4.getHeight() - place / ACROSS * height() - INSET;
    float room = width() - 2 * INSET - CODE_SIZE - 8;
    Paper.Part part = paper.part();
    part.heading(x, top - 14, 14, paper.fitted(slip.name(), 14, room));
    part.line(x, top - 29, 9, paper.fitted(course + ", Fair Edge", 9, room));
    part.line(x, top - 56, 9, "Open");
    part.line(x, top - 69, 10, paper.fitted(address, 10, room));
    part.line(x, top - 92, 9, "Type this code, and choose a password");
    part.line(x, top - 112, 17, slip.code());
    part.line(x, top - 134, 9, "You sign in as");
    part.line(x, top - 147, 11, paper.fitted(slip.signIn(), 11, room));
    part.line(x, top - 168, 8, "Good once, until " + DAY.format(slip.until().atZone(zone)));
    part.squares(
        x + width() - 2 * INSET - CODE_SIZE,
        top,
        CODE_SIZE / code.length,
        code,
        "The address " + address + " as a square code");
  }

  private static boolean[][] squareCode(String address) {
    try {
      BitMatrix matrix =
          new QRCodeWriter()
              .encode(
                  address,
                  BarcodeFormat.QR_CODE,
                  0,
                  0,
                  Map.of(
                      EncodeHintType.MARGIN,
                      0,
                      EncodeHintType.ERROR_CORRECTION,
                      ErrorCorrectionLevel.M));
      boolean[][] dark = new boolean[matrix.getHeight()][matrix.getWidth()];
      for (int row = 0; row < dark.length; row++) {
        for (int column = 0; column < dark[row].length; column++) {
          dark[row][column] = matrix.get(column, row);
        }
      }
      return dark;
    } catch (WriterException e) {
      throw new IllegalArgumentException(address, e);
    }
  }
}
