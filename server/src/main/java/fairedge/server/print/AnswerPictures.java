package fairedge.server.print;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.picture.Mark;
import fairedge.picture.MeshPicture;
import fairedge.picture.MeshPicture.Size;
import fairedge.picture.PictureView;
import fairedge.picture.Pin;
import fairedge.picture.PinForm;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.review.SaidAnswers.Said;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** The pictures of an answer: the whole, and the place of each note as its writer saw it. */
final class AnswerPictures {
  /** At 96 pixels to the inch: printed, there are 288 dots to it. */
  static final Size WHOLE = new Size(664, 226, 3);

  static final Size NOTE = new Size(312, 208, 3);
  private static final Size GLANCE = new Size(96, 64, 1);

  /** So many faces are drawn for one answer; of the notes after them the whole shows the place. */
  private static final long MOST_FACES = 20_000_000;

  private AnswerPictures() {}

  /**
   * @param notes of the first notes, in their order; mostly of all
   */
  record Drawn(BufferedImage whole, List<BufferedImage> notes) {}

  /** Draws all of them, on all processors that the caller has. */
  static Drawn of(Said said, Mesh mesh) {
    List<Mark> marks = marks(said);
    List<Pin> pins =
        IntStream.range(0, said.notes().size())
            .mapToObj(i -> pin(i + 1, said.notes().get(i)))
            .toList();
    long most = Math.max(1, MOST_FACES / Math.max(1, mesh.faceCount()));
    List<BufferedImage> all =
        IntStream.rangeClosed(0, (int) Math.min(most, pins.size()))
            .parallel()
            .mapToObj(i ->
                i == 0
                    ? MeshPicture.noted(mesh, marks, pins, new PictureView.Standard(), WHOLE)
                    : MeshPicture.noted(
                        mesh,
                        marks,
                        List.of(pins.get(i - 1)),
                        view(mesh, said.notes().get(i - 1)),
                        NOTE))
            .toList();
    return new Drawn(all.getFirst(), all.subList(1, all.size()));
  }

  /** What is marked on the screen: what is to be mended, and remarks that a note is about. */
  private static List<Mark> marks(Said said) {
    Set<Integer> waved = said.waved();
    List<FindingView> findings = said.check().findings();
    return IntStream.range(0, findings.size())
        .filter(i -> !waved.contains(i))
        .filter(i -> findings.get(i).severity() != SeverityView.remark || isAbout(said, i))
        .mapToObj(findings::get)
        .sorted(Comparator.comparing(FindingView::severity))
        .flatMap(f ->
            // What another version of the engine found and this one does not know has no mark.
            Kind.find(f.kind()).stream()
                .map(kind -> new Mark(kind, f.severity().severity(), f.place())))
        .toList();
  }

  private static boolean isAbout(Said said, int finding) {
    return said.notes().stream().anyMatch(n -> Integer.valueOf(finding).equals(n.finding()));
  }

  private static Pin pin(int number, NoteView note) {
    PinForm form =
        switch (note.kind()) {
          case mend -> PinForm.DISC;
          case ask -> PinForm.RING;
          case praise -> PinForm.FLAG;
        };
    return new Pin(number, form, note.place(), note.strokes());
  }

  /** As its writer saw it; where that is not known, from a side from which its place is seen. */
  private static PictureView view(Mesh mesh, NoteView note) {
    CameraView camera = note.camera();
    return camera != null
        ? new PictureView.From(camera.eye(), camera.target())
        : seen(mesh, note.place());
  }

  private static PictureView seen(Mesh mesh, Vec3 place) {
    List<PictureView> sides = new ArrayList<>(List.of(new PictureView.Standard()));
    for (int elevation : new int[] {27, -25, 70, -70}) {
      for (int azimuth = -28; azimuth < 332; azimuth += 60) {
        sides.add(new PictureView.Sideways(azimuth, elevation));
      }
    }
    return Stream.concat(
            sides.stream().filter(side -> MeshPicture.shows(mesh, side, GLANCE, place)),
            Stream.of(sides.getFirst()))
        .findFirst()
        .orElseThrow();
  }
}
