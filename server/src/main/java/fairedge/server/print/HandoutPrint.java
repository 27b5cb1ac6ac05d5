package fairedge.server.print;

import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H1;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.H2;
import static org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes.P;

import fairedge.picture.MeshPicture;
import fairedge.picture.MeshPicture.Size;
import fairedge.picture.PictureView;
import fairedge.server.demonstration.DemonstrationView.FrameKind;
import fairedge.server.demonstration.DemonstrationView.FrameView;
import fairedge.server.demonstration.Demonstrations.Handout;
import fairedge.server.platform.Paper;
import fairedge.server.platform.Paper.Ink;
import fairedge.server.review.NoteView.CameraView;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A demonstration on paper: a picture and a caption a step, questions with room to answer. */
final class HandoutPrint {
  private static final Size PICTURE = new Size(300, 190, 3);
  private static final float GAP = 16;
  private static final float ROOM = 54;
  private static final Ink TEXT = Ink.plain(10).in(Flow.INK);
  private static final Ink SECOND = Ink.plain(8.5f).in(Flow.SECOND);
  private static final Ink HEAD = Ink.plain(11).in(Flow.INK).heavy();

  private final Handout handout;
  private final Flow flow;
  private final Paper.Part all;

  private HandoutPrint(Paper paper, Sheet sheet, Handout handout) throws IOException {
    this.handout = handout;
    this.flow = new Flow(paper, sheet.size(), handout.title());
    this.all = paper.part();
  }

  static void write(Paper paper, Sheet sheet, Handout handout) throws IOException {
    HandoutPrint print = new HandoutPrint(paper, sheet, handout);
    print.head();
    for (int i = 0; i < handout.frames().size(); i++) {
      print.frame(i, handout.frames().get(i));
    }
    print.answers();
  }

  private void head() throws IOException {
    write(H1, Ink.plain(20).in(Flow.INK).heavy(), handout.title());
    if (handout.by() != null) {
      write(P, SECOND, "Shown by " + handout.by());
    }
    if (!handout.about().isEmpty()) {
      write(P, TEXT, handout.about());
    }
    flow.down(GAP);
  }

  private void write(String type, Ink ink, String text) throws IOException {
    flow.text(all.child(type), ink, flow.left(), flow.wide(), text);
  }

  private void frame(int number, FrameView frame) throws IOException {
    if (frame.kind() == FrameKind.question) {
      question(number, frame);
      return;
    }
    float wide = flow.wide() * 0.46f;
    float high = wide * PICTURE.height() / PICTURE.width();
    flow.need(high + GAP);
    int page = flow.page();
    float top = flow.y();
    all.figure(named(number, frame) + ", as it is seen then")
        .picture(drawn(frame), new PDRectangle(flow.left(), top - high, wide, high));
    float x = flow.left() + wide + 14;
    float room = flow.wide() - wide - 14;
    flow.text(all.child(H2), HEAD, x, room, named(number, frame));
    if (frame.kind() != FrameKind.starter && !frame.text().isEmpty()) {
      flow.text(all.child(P), TEXT, x, room, frame.text());
    }
    if (!frame.did().isEmpty()) {
      flow.text(all.child(P), SECOND, x, room, frame.did());
    }
    flow.below(page, top - high);
    flow.down(GAP);
  }

  private void question(int number, FrameView frame) throws IOException {
    flow.need(ROOM + 30);
    write(H2, HEAD, "%d. %s".formatted(number, frame.text()));
    flow.down(ROOM);
    flow.rule();
    flow.down(GAP);
  }

  /** What is asked is answered at the end, where nobody reads it by chance. */
  private void answers() throws IOException {
    if (handout.frames().stream().noneMatch(f -> f.kind() == FrameKind.question)) {
      return;
    }
    flow.newPage();
    write(H2, Ink.plain(14).in(Flow.INK).heavy(), "Answers");
    flow.down(6);
    for (int i = 0; i < handout.frames().size(); i++) {
      FrameView frame = handout.frames().get(i);
      if (frame.kind() == FrameKind.question) {
        write(P, HEAD, "%d. %s".formatted(i, frame.text()));
        write(P, TEXT, frame.answer());
        flow.down(8);
      }
    }
  }

  private static String named(int number, FrameView frame) {
    String name = frame.brief() == null ? frame.title() : frame.title() + ", " + frame.brief();
    return frame.kind() == FrameKind.starter ? name : "%d. %s".formatted(number, name);
  }

  private BufferedImage drawn(FrameView frame) {
    CameraView camera = frame.camera();
    PictureView view =
        camera == null
            ? new PictureView.Standard()
            : new PictureView.From(camera.eye(), camera.target());
    return MeshPicture.noted(handout.mesh().apply(frame), List.of(), List.of(), view, PICTURE);
  }
}
