package fairedge.server.print;

import fairedge.server.platform.Paper;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** The sizes of paper that there are. */
public enum Sheet {
  a4(Paper.A4),
  letter(Paper.LETTER);

  private final PDRectangle size;

  Sheet(PDRectangle size) {
    this.size = size;
  }

  PDRectangle size() {
    return size;
  }
}
