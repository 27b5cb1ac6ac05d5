package fairedge.server.print;

import fairedge.server.platform.Paper;
import fairedge.server.platform.Paper.Ink;
import java.awt.Color;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Writes down pages, one after the other: what has no room any more goes onto the next. Lengths are
 * points.
 */
final class Flow {
  static final float MARGIN = 48;
  static final Color INK = new Color(0x10283A);
  static final Color SECOND = new Color(0x3F5769);
  static final Color RULE = new Color(0xB9CBD3);
  static final Color MAGENTA = new Color(0xA3195B);

  private static final float FOOT = 30;
  private static final float LEADING = 1.36f;

  private final Paper paper;
  private final PDRectangle size;
  private final String foot;
  private int page;
  private float y;

  /**
   * @param foot what stands at the foot of every page, beside its number
   */
  Flow(Paper paper, PDRectangle size, String foot) throws IOException {
    this.paper = paper;
    this.size = size;
    this.foot = foot;
    newPage();
  }

  Paper paper() {
    return paper;
  }

  float left() {
    return MARGIN;
  }

  float wide() {
    return size.getWidth() - 2 * MARGIN;
  }

  /** How far down the page it has come: the upper border of what comes next. */
  float y() {
    return y;
  }

  int page() {
    return page;
  }

  void down(float by) {
    y -= by;
  }

  /** Goes on below both of two columns that began on one page. */
  void below(int pageThen, float other) {
    if (page == pageThen) {
      y = Math.min(y, other);
    }
  }

  void newPage() throws IOException {
    paper.newPage(size);
    page++;
    y = size.getHeight() - MARGIN;
    Ink small = Ink.plain(8).in(SECOND);
    paper.aside(MARGIN, FOOT, small, paper.fitted(foot, 8, wide() - 40));
    String number = Integer.toString(page);
    paper.aside(size.getWidth() - MARGIN - paper.width(number, 8), FOOT, small, number);
  }

  /** Sees to it that something so high has room in one piece, if a page has. */
  void need(float high) throws IOException {
    if (y - high < MARGIN && y < size.getHeight() - MARGIN) {
      newPage();
    }
  }

  /** Writes a text of one element in as many lines as it takes, over pages. */
  void text(Paper.Part of, Ink ink, float x, float wide, String text) throws IOException {
    for (String line : paper.lines(text, ink.size(), wide)) {
      need(ink.size() * LEADING);
      y -= ink.size() * LEADING;
      of.text(x, y + ink.size() * (LEADING - 1), ink, line);
    }
  }

  /** A line across, that is not read. */
  void rule() throws IOException {
    paper.aside(out -> {
      out.setStrokingColor(RULE);
      out.setLineWidth(0.6f);
      out.moveTo(MARGIN, y);
      out.lineTo(MARGIN + wide(), y);
      out.stroke();
    });
  }
}
