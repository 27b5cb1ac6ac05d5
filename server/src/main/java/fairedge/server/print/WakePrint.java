package fairedge.server.print;

import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H2;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.P;

import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.picture.MarkPicture;
import fairedge.server.bench.StepView;
import fairedge.server.platform.Paper;
import fairedge.server.platform.Paper.Ink;
import java.awt.Color;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** The wake on paper: the steps in rows of dots, and below them how many must be mended. */
final class WakePrint {
  private static final int IN_A_ROW = 7;
  private static final int MOST = 140;
  private static final float DEEPEST = 22;
  private static final float HIGH = 56 + DEEPEST;
  private static final float MARK = 8;
  private static final int MOST_MARKS = 3;
  private static final int MARK_DOTS = 48;
  private static final Color WATER = new Color(0xB4D3DF);
  private static final Ink TOOL = Ink.plain(8).in(Flow.INK);
  private static final Ink BRIEF = Ink.plain(7).in(Flow.SECOND);

  private final Flow flow;
  private final int most;

  private WakePrint(Flow flow, List<StepView> steps) {
    this.flow = flow;
    this.most = Math.max(5, steps.stream().mapToInt(WakePrint::depth).max().orElse(0));
  }

  /** Writes nothing where there are no steps. */
  static void write(Flow flow, Paper.Part all, List<StepView> steps) throws IOException {
    if (steps.isEmpty()) {
      return;
    }
    flow.need(30 + HIGH);
    Ink head = Ink.plain(12).in(Flow.INK).heavy();
    flow.text(all.child(H2), head, flow.left(), flow.wide(), "Wake");
    flow.down(4);
    WakePrint print = new WakePrint(flow, steps);
    int shown = Math.min(MOST, steps.size());
    for (int from = 0; from < shown; from += IN_A_ROW) {
      print.row(all, steps.subList(from, Math.min(shown, from + IN_A_ROW)));
    }
    String more = shown < steps.size() ? " %d steps more.".formatted(steps.size() - shown) : "";
    flow.text(
        all.child(P),
        Ink.plain(8.5f).in(Flow.SECOND),
        flow.left(),
        flow.wide(),
        "Each dot is a step; the water below it is how many must be mended after it." + more);
  }

  private static int depth(StepView step) {
    return step.depth() == null ? 0 : step.depth();
  }

  private static String words(StepView step) {
    String name = step.brief() == null ? step.tool() : step.tool() + ", " + step.brief();
    return step.depth() == null
        ? "%d %s".formatted(step.number(), name)
        : "%d %s, %d to mend after it".formatted(step.number(), name, step.depth());
  }

  private void row(Paper.Part all, List<StepView> steps) throws IOException {
    flow.need(HIGH);
    float each = flow.wide() / IN_A_ROW;
    float line = flow.y() - 18;
    String words = steps.stream().map(WakePrint::words).collect(Collectors.joining("; "));
    Paper.Part figure = all.figure("Steps: " + words);
    figure.draw(out -> dots(out, steps, each, line));
    for (int i = 0; i < steps.size(); i++) {
      StepView step = steps.get(i);
      float middle = flow.left() + (i + 0.5f) * each;
      marks(figure, step, middle, line + 6);
      centred(figure, TOOL, middle, line - 14, each, step.tool());
      if (step.brief() != null) {
        centred(figure, BRIEF, middle, line - 22, each, step.brief());
      }
      if (step.depth() != null) {
        centred(figure, BRIEF, middle, line - 36 - deep(step), each, String.valueOf(step.depth()));
      }
    }
    flow.down(HIGH);
  }

  /** The findings that a step brought, above its dot. */
  private void marks(Paper.Part of, StepView step, float middle, float y) throws IOException {
    List<StepView.Brought> shown =
        step.brought().stream()
            .filter(b -> Kind.find(b.kind()).isPresent())
            .limit(step.brought().size() > MOST_MARKS ? MOST_MARKS - 1 : MOST_MARKS)
            .toList();
    int more = step.brought().size() - shown.size();
    float x = middle - 0.5f * (MARK + 1) * (shown.size() + (more > 0 ? 1 : 0));
    for (StepView.Brought b : shown) {
      Severity severity = b.severity().severity();
      PDImageXObject mark =
          flow.paper()
              .stamp(
                  b.kind() + severity,
                  () -> MarkPicture.of(Kind.named(b.kind()), severity, MARK_DOTS));
      float at = x;
      of.draw(out -> out.drawImage(mark, at, y, MARK, MARK));
      x += MARK + 1;
    }
    if (more > 0) {
      of.text(x, y + 1.5f, BRIEF, "+" + more);
    }
  }

  private float deep(StepView step) {
    return DEEPEST * depth(step) / most;
  }

  private void centred(Paper.Part of, Ink ink, float x, float y, float room, String text)
      throws IOException {
    String fits = flow.paper().fitted(text, ink.size(), room - 4);
    of.text(x - 0.5f * flow.paper().width(fits, ink.size()), y, ink, fits);
  }

  private void dots(PDPageContentStream out, List<StepView> steps, float each, float line)
      throws IOException {
    float left = flow.left();
    float top = line - 28;
    out.saveGraphicsState();
    out.setNonStrokingColor(WATER);
    for (int i = 0; i < steps.size(); i++) {
      float deep = deep(steps.get(i));
      out.addRect(left + i * each, top - deep, each, deep);
    }
    out.fill();
    out.setStrokingColor(Flow.INK);
    out.setLineWidth(0.8f);
    out.setLineDashPattern(new float[] {3, 2}, 0);
    out.moveTo(left, line);
    out.lineTo(left + steps.size() * each, line);
    out.stroke();
    out.setLineDashPattern(new float[] {}, 0);
    out.setNonStrokingColor(Color.WHITE);
    for (int i = 0; i < steps.size(); i++) {
      disc(out, left + (i + 0.5f) * each, line, 3);
      out.fillAndStroke();
    }
    out.restoreGraphicsState();
  }

  /** By four curves, as a circle is drawn with them. */
  private static void disc(PDPageContentStream out, float x, float y, float r) throws IOException {
    float k = 0.5523f * r;
    out.moveTo(x + r, y);
    out.curveTo(x + r, y + k, x + k, y + r, x, y + r);
    out.curveTo(x - k, y + r, x - r, y + k, x - r, y);
    out.curveTo(x - r, y - k, x - k, y - r, x, y - r);
    out.curveTo(x + k, y - r, x + r, y - k, x + r, y);
    out.closePath();
  }
}
