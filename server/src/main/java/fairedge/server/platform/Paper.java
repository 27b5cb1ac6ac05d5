package fairedge.server.platform;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.io.RandomAccessStreamCache.StreamCacheCreateFunction;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.COSObjectable;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDLayoutAttributeObject;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.PDTableAttributeObject;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.jspecify.annotations.Nullable;

/**
 * A PDF in which everything that is text is tagged, so that it is read aloud in order, and the font
 * is embedded. Lengths are points; the origin is the lower left corner of a page.
 */
public final class Paper implements AutoCloseable {
  /** A4. */
  public static final PDRectangle A4 = PDRectangle.A4;

  /** Letter, as North America has it. */
  public static final PDRectangle LETTER = PDRectangle.LETTER;

  /** How wide a line goes round the letters of what is heavy, as a share of their size. */
  private static final float HEAVIER = 0.028f;

  private final PDDocument document;
  private final PDFont font;
  private final PDStructureElement body;
  private final PDStructureTreeRoot tree = new PDStructureTreeRoot();

  /** Of each page, in order, the elements of its marked contents. */
  private final List<COSArray> marked = new ArrayList<>();

  private final Map<String, PDImageXObject> stamps = new HashMap<>();

  private @Nullable PDPageContentStream stream;
  private @Nullable PDPage page;

  /** A sheet or a few. */
  public Paper(String title, String language) throws IOException {
    this(title, language, IOUtils.createMemoryOnlyStreamCache());
  }

  /** Many pages with pictures, which lie in a file while they are made. */
  public static Paper large(String title, String language) throws IOException {
    return new Paper(title, language, IOUtils.createTempFileOnlyStreamCache());
  }

  private Paper(String title, String language, StreamCacheCreateFunction cache) throws IOException {
    document = new PDDocument(cache);
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
    return new Part(StandardStructureTypes.SECT, body);
  }

  /** What is drawn on a page by hand. */
  public interface Drawing {
    void on(PDPageContentStream out) throws IOException;
  }

  /** How letters look. */
  public record Ink(float size, Color colour, boolean isHeavy) {
    public static final Color BLACK = Color.BLACK;

    public static Ink plain(float size) {
      return new Ink(size, BLACK, false);
    }

    public Ink in(Color other) {
      return new Ink(size, other, isHeavy);
    }

    public Ink heavy() {
      return new Ink(size, colour, true);
    }
  }

  /**
   * An element of the document, as whoever reads aloud meets it: it has others in it, or contents
   * on pages, one after the other.
   */
  public final class Part {
    private final PDStructureElement element;
    private final COSArray kids = new COSArray();

    private Part(String type, PDStructureNode parent) {
      element = new PDStructureElement(type, parent);
      parent.appendKid(element);
    }

    /**
     * An element in this one.
     *
     * @param type one of {@link StandardStructureTypes}
     */
    public Part child(String type) {
      return new Part(type, element);
    }

    /** A figure in this one, told in words. */
    public Part figure(String words) {
      Part figure = child(StandardStructureTypes.Figure);
      figure.element.setAlternateDescription(words);
      return figure;
    }

    public void heading(float x, float y, float size, String text) throws IOException {
      child(StandardStructureTypes.H2).text(x, y, Ink.plain(size), text);
    }

    public void line(float x, float y, float size, String text) throws IOException {
      child(StandardStructureTypes.P).text(x, y, Ink.plain(size), text);
    }

    /** Writes a line of this element. */
    public void text(float x, float y, Ink ink, String text) throws IOException {
      draw(out -> write(out, x, y, ink, text));
    }

    /** Draws something of this element onto the page. */
    public void draw(Drawing drawing) throws IOException {
      PDPageContentStream out = Objects.requireNonNull(stream);
      COSArray of = marked.getLast();
      COSDictionary place = new COSDictionary();
      place.setItem(COSName.TYPE, COSName.getPDFName("MCR"));
      place.setItem(COSName.PG, Objects.requireNonNull(page));
      place.setInt(COSName.MCID, of.size());
      kids.add(place);
      element.getCOSObject().setItem(COSName.K, kids);
      COSDictionary properties = new COSDictionary();
      properties.setInt(COSName.MCID, of.size());
      of.add(element.getCOSObject());
      out.beginMarkedContent(
          COSName.getPDFName(element.getStructureType()), PDPropertyList.create(properties));
      drawing.on(out);
      out.endMarkedContent();
    }

    /** Draws a picture of this element, and tells where it lies. */
    public void picture(BufferedImage image, PDRectangle where) throws IOException {
      PDLayoutAttributeObject layout = new PDLayoutAttributeObject();
      layout.setBBox(where);
      layout.setPlacement(PDLayoutAttributeObject.PLACEMENT_BLOCK);
      element.addAttribute(layout);
      PDImageXObject drawn = LosslessFactory.createFromImage(document, image);
      draw(out ->
          out.drawImage(
              drawn,
              where.getLowerLeftX(),
              where.getLowerLeftY(),
              where.getWidth(),
              where.getHeight()));
    }

    /** Of a cell of a table's head: it is of its column. */
    public void ofColumn() {
      PDTableAttributeObject table = new PDTableAttributeObject();
      table.setScope(PDTableAttributeObject.SCOPE_COLUMN);
      element.addAttribute(table);
    }

    /** Small squares in a grid, as a figure that has words. */
    public void squares(float x, float y, float each, boolean[][] dark, String words)
        throws IOException {
      figure(words)
          .draw(out -> {
            for (int row = 0; row < dark.length; row++) {
              for (int column = 0; column < dark[row].length; column++) {
                if (dark[row][column]) {
                  out.addRect(x + column * each, y - (row + 1) * each, each, each);
                }
              }
            }
            out.fill();
          });
    }
  }

  private void write(PDPageContentStream out, float x, float y, Ink ink, String text)
      throws IOException {
    out.setNonStrokingColor(ink.colour());
    out.beginText();
    out.setFont(font, ink.size());
    if (ink.isHeavy()) {
      out.setStrokingColor(ink.colour());
      out.setLineWidth(ink.size() * HEAVIER);
      out.setRenderingMode(RenderingMode.FILL_STROKE);
    } else {
      out.setRenderingMode(RenderingMode.FILL);
    }
    out.newLineAtOffset(x, y);
    out.showText(writable(text));
    out.endText();
  }

  /** A small picture that stands in many places, and once in the document. */
  public PDImageXObject stamp(String name, Supplier<BufferedImage> picture) throws IOException {
    PDImageXObject known = stamps.get(name);
    if (known == null) {
      known = LosslessFactory.createFromImage(document, picture.get());
      stamps.put(name, known);
    }
    return known;
  }

  /** Something that means nothing to whoever reads aloud. */
  public void aside(Drawing drawing) throws IOException {
    PDPageContentStream out = Objects.requireNonNull(stream);
    out.beginMarkedContent(COSName.ARTIFACT);
    drawing.on(out);
    out.endMarkedContent();
  }

  /** Words that belong to the page and not to what is read: its number, for one. */
  public void aside(float x, float y, Ink ink, String text) throws IOException {
    aside(out -> write(out, x, y, ink, text));
  }

  /** A dashed line that means nothing to whoever reads aloud. */
  public void cutLine(float x1, float y1, float x2, float y2) throws IOException {
    aside(out -> {
      out.setLineWidth(0.5f);
      out.setLineDashPattern(new float[] {3, 3}, 0);
      out.moveTo(x1, y1);
      out.lineTo(x2, y2);
      out.stroke();
    });
  }

  /** A text in lines that are no wider than this; a word that is wider is cut. */
  public List<String> lines(String text, float size, float wide) throws IOException {
    List<String> lines = new ArrayList<>();
    for (String paragraph : text.strip().split("\\R")) {
      String line = "";
      for (String word : paragraph.strip().split("\\s+")) {
        String longer = line.isEmpty() ? word : line + " " + word;
        if (width(longer, size) <= wide) {
          line = longer;
          continue;
        }
        if (!line.isEmpty()) {
          lines.add(line);
        }
        line = word;
        while (width(line, size) > wide) {
          int fits = fitting(line, size, wide);
          lines.add(line.substring(0, fits));
          line = line.substring(fits);
        }
      }
      lines.add(line);
    }
    return lines;
  }

  /** How many letters of a word fit; at least one. */
  private int fitting(String word, float size, float wide) throws IOException {
    int fits = word.offsetByCodePoints(0, 1);
    while (fits < word.length()) {
      int next = word.offsetByCodePoints(fits, 1);
      if (width(word.substring(0, next), size) > wide) {
        break;
      }
      fits = next;
    }
    return fits;
  }

  /** As much of a text as fits into a line so wide. */
  public String fitted(String text, float size, float room) throws IOException {
    String cut = text;
    while (cut.length() > 1 && width(cut, size) > room) {
      cut = cut.substring(0, cut.length() - 2).stripTrailing() + "…";
    }
    return cut;
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
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    writeTo(bytes);
    return bytes.toByteArray();
  }

  /** Ends the document and writes it. */
  public void writeTo(OutputStream out) throws IOException {
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
    document.save(out);
  }

  @Override
  public void close() throws IOException {
    document.close();
  }
}
