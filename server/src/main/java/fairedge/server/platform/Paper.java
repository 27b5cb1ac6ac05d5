package fairedge.server.platform;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.COSObjectable;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.jspecify.annotations.Nullable;

/**
 * A PDF in which everything that is text is tagged, so that it is read aloud in order, and the font
 * is embedded. Lengths are points; the origin is the lower left corner of a page.
 */
public final class Paper implements AutoCloseable {
  /** A4. */
  public static final PDRectangle A4 = PDRectangle.A4;

  private final PDDocument document = new PDDocument();
  private final PDFont font;
  private final PDStructureElement body;
  private final PDStructureTreeRoot tree = new PDStructureTreeRoot();

  /** Of each page, in order, the elements of its marked contents. */
  private final List<COSArray> marked = new ArrayList<>();

  private @Nullable PDPageContentStream stream;
  private @Nullable PDPage page;

  public Paper(String title, String language) throws IOException {
    try (InputStream in =
        Objects.requireNonNull(
            PDDocument.class.getResourceAsStream(
                "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf"))) {
      this.font = PDType0Font.load(document, in, true);
    }
    var catalog = document.getDocumentCatalog();
    document.getDocumentInformation().setTitle(title);
    catalog.setLanguage(language);
    PDMarkInfo info = new PDMarkInfo();
    info.setMarked(true);
    catalog.setMarkInfo(info);
    PDViewerPreferences preferences = new PDViewerPreferences(new COSDictionary());
    preferences.setDisplayDocTitle(true);
    catalog.setViewerPreferences(preferences);
    catalog.setStructureTreeRoot(tree);
    this.body = new PDStructureElement(StandardStructureTypes.DOCUMENT, tree);
    tree.appendKid(body);
  }

  /** Begins a page. */
  public void newPage(PDRectangle size) throws IOException {
    endPage();
    PDPage next = new PDPage(size);
    next.setStructParents(marked.size());
    document.addPage(next);
    marked.add(new COSArray());
    page = next;
    stream = new PDPageContentStream(document, next);
  }

  private void endPage() throws IOException {
    if (stream != null) {
      stream.close();
    }
  }

  /** A part of the document, read as one. */
  public Part part() {
    PDStructureElement section = new PDStructureElement(StandardStructureTypes.SECT, body);
    body.appendKid(section);
    return new Part(section);
  }

  /** What of a page belongs together. */
  public final class Part {
    private final PDStructureElement section;

    private Part(PDStructureElement section) {
      this.section = section;
    }

    public void heading(float x, float y, float size, String text) throws IOException {
      write(StandardStructureTypes.H2, x, y, size, text);
    }

    public void line(float x, float y, float size, String text) throws IOException {
      write(StandardStructureTypes.P, x, y, size, text);
    }

    private void write(String type, float x, float y, float size, String text) throws IOException {
      PDPageContentStream out = Objects.requireNonNull(stream);
      begin(type, null);
      out.beginText();
      out.setFont(font, size);
      out.newLineAtOffset(x, y);
      out.showText(writable(text));
      out.endText();
      out.endMarkedContent();
    }

    /** Small squares in a grid, as a figure that has words. */
    public void squares(float x, float y, float each, boolean[][] dark, String words)
        throws IOException {
      PDPageContentStream out = Objects.requireNonNull(stream);
      begin(StandardStructureTypes.Figure, words);
      for (int row = 0; row < dark.length; row++) {
        for (int column = 0; column < dark[row].length; column++) {
          if (dark[row][column]) {
            out.addRect(x + column * each, y - (row + 1) * each, each, each);
          }
        }
      }
      out.fill();
      out.endMarkedContent();
    }

    private void begin(String type, @Nullable String words) throws IOException {
      COSArray of = marked.getLast();
      PDStructureElement element = new PDStructureElement(type, section);
      element.setPage(page);
      if (words != null) {
        element.setAlternateDescription(words);
      }
      section.appendKid(element);
      COSDictionary properties = new COSDictionary();
      properties.setInt(COSName.MCID, of.size());
      element.getCOSObject().setInt(COSName.K, of.size());
      of.add(element.getCOSObject());
      Objects.requireNonNull(stream)
          .beginMarkedContent(COSName.getPDFName(type), PDPropertyList.create(properties));
    }
  }

  /** A dashed line that means nothing to whoever reads aloud. */
  public void cutLine(float x1, float y1, float x2, float y2) throws IOException {
    PDPageContentStream out = Objects.requireNonNull(stream);
    out.beginMarkedContent(COSName.ARTIFACT);
    out.setLineWidth(0.5f);
    out.setLineDashPattern(new float[] {3, 3}, 0);
    out.moveTo(x1, y1);
    out.lineTo(x2, y2);
    out.stroke();
    out.endMarkedContent();
  }

  /** How wide a text would be. */
  public float width(String text, float size) throws IOException {
    return font.getStringWidth(writable(text)) / 1000 * size;
  }

  /**
   * What the font has no letter for is a question mark: nothing may keep a sheet from being made.
   */
  private String writable(String text) {
    StringBuilder out = new StringBuilder();
    text.codePoints()
        .forEach(c -> {
          String letter = Character.toString(c);
          try {
            font.encode(letter);
            out.append(letter);
          } catch (IOException | IllegalArgumentException unknown) {
            out.append('?');
          }
        });
    return out.toString();
  }

  public byte[] bytes() throws IOException {
    endPage();
    stream = null;
    COSDictionary numbers = new COSDictionary();
    COSArray nums = new COSArray();
    for (int i = 0; i < marked.size(); i++) {
      nums.add(COSInteger.get(i));
      nums.add(marked.get(i));
    }
    numbers.setItem(COSName.NUMS, nums);
    tree.setParentTree(new PDNumberTreeNode(numbers, COSObjectable.class));
    tree.setParentTreeNextKey(marked.size());
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    document.save(bytes);
    return bytes.toByteArray();
  }

  @Override
  public void close() throws IOException {
    document.close();
  }
}
