package fairedge.server.print;

import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H1;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H2;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H3;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.L;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.LI;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.P;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.TABLE;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.TD;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.TH;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.TR;

import fairedge.json.CreditsView;
import fairedge.json.CreditsView.CreditLineView;
import fairedge.json.FindingView;
import fairedge.server.platform.Paper;
import fairedge.server.platform.Paper.Ink;
import fairedge.server.print.AnswerPictures.Drawn;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.ThreadView;
import fairedge.server.review.SaidAnswers.Said;
import fairedge.server.review.Saying;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jspecify.annotations.Nullable;

/** Writes one answer onto paper: what its student reads on the screen, and nothing else. */
final class AnswerPrint {
  private static final Ink TEXT = Ink.plain(9.5f).in(Flow.INK);
  private static final Ink SECOND = Ink.plain(8.5f).in(Flow.SECOND);
  private static final Ink HEAD = Ink.plain(12).in(Flow.INK).heavy();
  private static final float GAP = 14;

  /** A column of figures at the right. */
  private static final float FIGURES = 70;

  private static final float WHY = 210;
  private static final int MOST_WAVED = 40;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEEE d MMMM yyyy, HH:mm", Locale.ENGLISH);

  private final Said said;
  private final Drawn drawn;
  private final Flow flow;
  private final Paper.Part all;

  private AnswerPrint(Paper paper, Sheet sheet, Said said, Drawn drawn) throws IOException {
    this.said = said;
    this.drawn = drawn;
    this.flow = new Flow(paper, sheet.size(), title(said) + ", " + said.student());
    this.all = paper.part();
  }

  /** What a document with this answer alone is called. */
  static String title(Said said) {
    return "%s, attempt %d".formatted(exercise(said), said.submission().attempt());
  }

  private static String exercise(Said said) {
    return said.assignment().exercise().title();
  }

  /** Adds an answer, from a new page on. */
  static void write(Paper paper, Sheet sheet, Said said, Drawn drawn) throws IOException {
    AnswerPrint print = new AnswerPrint(paper, sheet, said, drawn);
    print.head();
    print.overview();
    print.credits();
    print.notes();
    print.waved();
    WakePrint.write(print.flow, print.all, said.steps());
  }

  private void text(String type, Ink ink, String text) throws IOException {
    flow.text(all.child(type), ink, flow.left(), flow.wide(), text);
  }

  private void head() throws IOException {
    boolean isAccepted = said.saying().words().verdict() == Verdict.accepted;
    text(H1, Ink.plain(20).in(Flow.INK).heavy(), exercise(said));
    text(
        P,
        TEXT,
        "%s, attempt %d, handed in %s"
            .formatted(
                said.student(), said.submission().attempt(), when(said.submission().handedInAt())));
    text(
        P,
        SECOND,
        "%s, %s %s%s"
            .formatted(
                said.course(),
                said.saying().number() > 1 ? "amended" : "answered",
                when(said.saying().outAt()),
                said.by() == null ? "" : " by " + said.by()));
    flow.down(6);
    CreditsView credits = said.saying().credits();
    text(
        P,
        Ink.plain(14).in(Flow.MAGENTA).heavy(),
        (isAccepted ? "Accepted" : "Try again")
            + (credits == null
                ? ""
                : ", %s of %s credits".formatted(amount(credits.total()), amount(credits.of()))));
    flow.down(4);
    String word = said.saying().words().word();
    if (!word.isBlank()) {
      text(P, TEXT, word);
    }
    flow.down(GAP);
  }

  private String when(Instant at) {
    return WHEN.format(at.atZone(ZoneId.of(said.zone())));
  }

  private void overview() throws IOException {
    float high = flow.wide() * AnswerPictures.WHOLE.height() / AnswerPictures.WHOLE.width();
    flow.need(high + GAP);
    picture(
        drawn.whole(),
        new PDRectangle(flow.left(), flow.y() - high, flow.wide(), high),
        "The mesh that was handed in, with %s on it"
            .formatted(counted(said.notes().size(), "note")));
    flow.down(high + 4);
    text(P, SECOND, found());
    flow.down(GAP);
  }

  private void picture(BufferedImage image, PDRectangle where, String words) throws IOException {
    all.figure(words).picture(image, where);
    flow.paper()
        .aside(out -> {
          out.setStrokingColor(Flow.RULE);
          out.setLineWidth(0.6f);
          out.addRect(
              where.getLowerLeftX(), where.getLowerLeftY(), where.getWidth(), where.getHeight());
          out.stroke();
        });
  }

  private String found() {
    var counts = said.check().notCounting(said.waved());
    if (counts.must() + counts.should() == 0) {
      return "The check found nothing to mend.";
    }
    return "The check found %s."
        .formatted(
            counts.must() == 0
                ? counts.should() + " that should be mended"
                : counts.should() == 0
                    ? counts.must() + " to mend"
                    : "%d to mend, %d that should be mended"
                        .formatted(counts.must(), counts.should()));
  }

  private void credits() throws IOException {
    CreditsView credits = said.saying().credits();
    if (credits == null) {
      return;
    }
    flow.need(60);
    text(H2, HEAD, "Credits");
    flow.down(2);
    Paper.Part table = all.child(TABLE);
    Paper.Part head = table.child(TR);
    row(head, TH, SECOND, "For", "Counted", "Credits");
    for (CreditLineView line : credits.lines()) {
      row(
          table.child(TR),
          TD,
          TEXT,
          line.name(),
          line.byHand() == null ? line.why() : "by hand: " + line.byHand().reason(),
          "%s of %s".formatted(line.isOpen() ? "open" : amount(line.gets()), amount(line.of())));
    }
    if (credits.daysLate() > 0) {
      row(
          table.child(TR),
          TD,
          TEXT,
          "Late",
          counted(credits.daysLate(), "day"),
          "-" + amount(credits.offForLate()));
    }
    row(
        table.child(TR),
        TD,
        TEXT.heavy(),
        "All",
        "",
        "%s of %s".formatted(amount(credits.total()), amount(credits.of())));
    flow.down(GAP);
  }

  private void row(Paper.Part row, String cell, Ink ink, String name, String why, String figure)
      throws IOException {
    float names = flow.wide() - WHY - FIGURES;
    float line = ink.size() * 1.36f;
    flow.need(
        line
            * Math.max(
                flow.paper().lines(name, ink.size(), names - 8).size(),
                flow.paper().lines(why, SECOND.size(), WHY - 8).size()));
    flow.rule();
    flow.down(2);
    int page = flow.page();
    float top = flow.y();
    Paper.Part first = cell(row, cell);
    flow.text(first, ink, flow.left(), names - 8, name);
    float below = flow.y();
    flow.down(below - top);
    if (!why.isEmpty()) {
      flow.text(cell(row, cell), SECOND, flow.left() + names, WHY - 8, why);
    } else {
      cell(row, cell);
    }
    float baseline = top - line + ink.size() * 0.36f;
    float x = flow.left() + flow.wide() - flow.paper().width(figure, ink.size());
    cell(row, cell).text(x, baseline, ink, figure);
    flow.below(page, below);
    flow.down(2);
  }

  private static Paper.Part cell(Paper.Part row, String type) {
    Paper.Part cell = row.child(type);
    if (type.equals(TH)) {
      cell.ofColumn();
    }
    return cell;
  }

  private void notes() throws IOException {
    if (said.notes().isEmpty()) {
      return;
    }
    flow.need(60 + noteHigh());
    text(H2, HEAD, "Notes");
    flow.down(4);
    for (int i = 0; i < said.notes().size(); i++) {
      note(i, said.notes().get(i));
    }
  }

  private float noteWide() {
    return 0.47f * flow.wide();
  }

  private float noteHigh() {
    return noteWide() * AnswerPictures.NOTE.height() / AnswerPictures.NOTE.width();
  }

  private void note(int index, NoteView note) throws IOException {
    float high = index < drawn.notes().size() ? noteHigh() : 0;
    flow.need(high + GAP);
    int page = flow.page();
    float bottom = flow.y() - high;
    String kind =
        switch (note.kind()) {
          case mend -> "mend this";
          case ask -> "a question";
          case praise -> "praise";
        };
    String name = "Note %d: %s".formatted(index + 1, kind);
    float x = flow.left() + noteWide() + GAP;
    float wide = flow.wide() - noteWide() - GAP;
    Paper.Part part = all.child(H3);
    flow.text(part, Ink.plain(10).in(Flow.MAGENTA).heavy(), x, wide, name);
    if (index < drawn.notes().size()) {
      picture(
          drawn.notes().get(index),
          new PDRectangle(flow.left(), bottom, noteWide(), high),
          "Where note %d is on the mesh".formatted(index + 1));
    }
    FindingView about = about(note);
    if (about != null) {
      flow.text(all.child(P), SECOND, x, wide, "%s. %s".formatted(about.title(), about.sentence()));
      flow.down(2);
    }
    flow.text(all.child(P), TEXT, x, wide, note.text());
    if (note.mend() != null) {
      flow.down(2);
      flow.text(all.child(P), SECOND, x, wide, "A mend goes with it: " + note.mend().does());
    }
    ThreadView thread = note.thread();
    if (thread != null && thread.reply() != null) {
      flow.down(3);
      flow.text(all.child(P), SECOND, x, wide, "Your reply: " + thread.reply());
    }
    flow.below(page, bottom);
    flow.down(GAP);
  }

  private @Nullable FindingView about(NoteView note) {
    Integer finding = note.finding();
    return finding == null ? null : said.check().findings().get(finding);
  }

  private void waved() throws IOException {
    List<Saying.WavedNote> waved = said.saying().waved();
    if (waved.isEmpty()) {
      return;
    }
    flow.need(50);
    text(H2, HEAD, "Waved through: they don't count");
    Paper.Part list = all.child(L);
    for (Saying.WavedNote w : waved.subList(0, Math.min(MOST_WAVED, waved.size()))) {
      String title = said.check().findings().get(w.finding()).title();
      flow.text(
          list.child(LI), TEXT, flow.left(), flow.wide(), "%s: %s".formatted(title, w.reason()));
    }
    if (waved.size() > MOST_WAVED) {
      text(P, SECOND, "and %d more".formatted(waved.size() - MOST_WAVED));
    }
    flow.down(GAP);
  }

  private static String counted(int count, String of) {
    return count == 1 ? "one " + of : "%d %ss".formatted(count, of);
  }

  private static String amount(double credits) {
    return new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(credits);
  }
}
