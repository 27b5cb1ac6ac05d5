package fairedge.picture;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Reach;
import fairedge.core.cut.Straight;
import fairedge.core.cut.TracePoint;
import fairedge.core.form.Bend;
import fairedge.core.form.Extrude;
import fairedge.core.form.Fold;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.form.Thicken;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mend.Mend;
import fairedge.core.mend.Offer;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import fairedge.picture.KindPlates.KindPlate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The pictures of the handbook's cards are what the engine draws of its own changes. {@code
 * -Dfair-edge.write-pictures=true} draws them anew.
 */
class HandbookPicturesTest {
  private static final Path FOLDER = Path.of("..", "docs", "handbook", "pictures");
  private static final MeshPicture.Size SIZE = new MeshPicture.Size(264, 156, 2);
  private static final boolean IS_WRITTEN = Boolean.getBoolean("fair-edge.write-pictures");

  /** How the last section of a card begins. */
  private static final String MENDS = "\n## What mends it\n\n";

  private static final String READ_ANEW =
      "The fault is in the file, and was left out when it was read: hand the mesh in as it is now,"
          + " or write the file again.";

  /** So many pictures of a mend at the most: the first steps, and the last. */
  private static final int MOST_STEPS = 4;

  private static final View CORNER = new View.Perspective(new Vec3(400, -500, 300));
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  /** A card's two pictures: a form, and what a change makes of it. */
  record Plate(String card, Mesh form, Change change) {
    @Override
    public String toString() {
      return card;
    }
  }

  static Stream<Plate> plates() {
    Mesh bollard = HarbourProps.mooringBollard();
    int upright = bollard.findEdge(36, 48);
    Mesh looped = after(HarbourProps.mooringBollard(), Change.LoopsChange.of(upright, 0.5));
    List<Integer> waist = IntStream.range(112, 124).boxed().toList();
    return Stream.of(
        new Plate("trace", HarbourProps.fairleadBlock(), trace(CORNER, 4, 5, 6)),
        new Plate("straight", HarbourProps.pontoon(), stack()),
        new Plate(
            "loops",
            bollard,
            new Change.LoopsChange(
                upright,
                new LoopPlaces.Even(3, 1, 0, LoopPlaces.Measure.FRACTION),
                Loops.Shape.STRAIGHT,
                false,
                Scope.WHOLE)),
        new Plate("outline", HarbourProps.hatchLid(), disc()),
        new Plate(
            "lift", looped, new Tidying.LiftChange(edgesAmong(looped, waist), List.of(), true)),
        new Plate(
            "delete",
            HarbourProps.hatchLid(),
            new Tidying.DeleteChange(List.of(16), List.of(), List.of())),
        new Plate(
            "weld",
            HarbourProps.ropeLocker(),
            new Tidying.WeldChange(List.of(6, 10), Weld.At.FIRST)),
        new Plate(
            "connect",
            HarbourProps.hatchLid(),
            new Tidying.ConnectChange(List.of(18, 28), Scope.WHOLE)),
        new Plate("face", deleted(), new Tidying.FaceChange(border(deleted()))),
        new Plate(
            "cap",
            HarbourProps.capstan(),
            new Tidying.CapChange(new Cap.Plan(80, null, Cap.Form.GRID, 0, 1, 0, 0))),
        new Plate(
            "slide", looped, new Tidying.SlideChange(waist, 112, 48, 0.7, Slide.SlideBy.FRACTION)),
        new Plate(
            "support",
            HarbourProps.fairleadBlock(),
            new Forming.SupportChange(
                List.of(),
                60.0,
                Support.Holding.asked(
                    Support.SupportWay.LOOPS, 4, null, null, null, null, null, null))),
        new Plate(
            "inset",
            HarbourProps.hatchLid(),
            new Forming.InsetChange(
                List.of(16), false, new Inset.Margin(80, 0, false, true, false))),
        new Plate("extrude", HarbourProps.hatchLid(), extrude(16, 120)),
        new Plate(
            "groove",
            looped,
            new Forming.GrooveChange(
                edgesAmong(looped, waist),
                Groove.Channel.asked(60, 40.0, 25, null, null, null, null, null))),
        new Plate(
            "mirror",
            half(),
            new Forming.MirrorChange(new MirrorBy.AtOffset(Axis.X, 0), true, 0.1)),
        new Plate(
            "thicken",
            deleted(),
            new Forming.ThickenChange(
                List.of(), new Thicken.Shell(30, Thicken.ShellSide.INWARDS, 1))),
        new Plate(
            "meet",
            HarbourProps.plateAndBore(),
            Forming.MeetChange.bore(List.of(), List.of(bore()), 0.1, 14)),
        new Plate("fold", HarbourProps.foldedSailCard(), fold(110)),
        new Plate(
            "bend",
            after(HarbourProps.pontoon(), stack()),
            new Forming.BendChange(
                List.of(), Bend.Bow.asked(null, Axis.X, Axis.Z, null, null, null, 90))));
  }

  /** The bore's end, which only it has as many sides as. */
  private static int bore() {
    Mesh plate = HarbourProps.plateAndBore();
    return IntStream.range(0, plate.faceEnd())
        .filter(f -> plate.hasFace(f) && plate.size(f) > 4)
        .findFirst()
        .orElseThrow();
  }

  private static Change extrude(int face, double distance) {
    return new Forming.ExtrudeChange(
        List.of(face), false, Extrude.Extrusion.asked(null, null, distance, null, null, null));
  }

  /** All lines of the card, up and down by turns. */
  private static Change fold(double degrees) {
    Mesh card = HarbourProps.foldedSailCard();
    List<Fold.Hinge> hinges =
        IntStream.rangeClosed(1, 5)
            .mapToObj(i ->
                new Fold.Hinge(
                    IntStream.range(0, 3)
                        .mapToObj(j -> card.findEdge(4 * i + j, 4 * i + j + 1))
                        .toList(),
                    i % 2 == 0 ? degrees : -degrees,
                    false))
            .toList();
    return new Forming.FoldChange(hinges, 8);
  }

  private static Mesh half() {
    return after(
        HarbourProps.mooringBollard(),
        Change.StraightChange.of(
            new PlaneBy.Along(Axis.X, 0), Straight.After.KEEP_AHEAD, Straight.Ends.OPEN));
  }

  private static Change trace(View view, int... vertices) {
    return Change.TraceChange.of(
        IntStream.of(vertices)
            .mapToObj(v -> new TracePoint(new Anchor.OnVertex(v), view))
            .toList());
  }

  private static Change stack() {
    return Change.StraightChange.asked(
        new PlaneBy.Along(Axis.X, -1200),
        null,
        null,
        null,
        9,
        300.0,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  private static Change disc() {
    return new Change.OutlineChange(
        new OutlineShape.Regular(12),
        new Outline.Placement(new Vec3(0, 0, 80), new Vec3(150, 0, 0), new Vec3(0, 150, 0), ABOVE),
        Reach.FRONT,
        Scope.WHOLE);
  }

  private static Mesh deleted() {
    return after(
        HarbourProps.hatchLid(), new Tidying.DeleteChange(List.of(16), List.of(), List.of()));
  }

  private static List<Integer> border(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(e -> mesh.hasEdge(e) && mesh.uses(e) == 1)
        .boxed()
        .toList();
  }

  private static List<Integer> edgesAmong(Mesh mesh, List<Integer> vertices) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(mesh::hasEdge)
        .filter(e -> vertices.contains(mesh.first(e)) && vertices.contains(mesh.second(e)))
        .boxed()
        .toList();
  }

  private static Mesh after(Mesh mesh, Change change) {
    Mesh changed = mesh.copy();
    Outcome outcome = new Workpiece(changed, Tolerance.of(mesh.bounds())).apply(change);
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    return changed;
  }

  @ParameterizedTest
  @MethodSource("plates")
  void card_showsAFormBeforeAndAfter(Plate plate) throws IOException {
    isDrawn(plate.card() + "-before.png", plate.form(), List.of());
    isDrawn(plate.card() + "-after.png", after(plate.form(), plate.change()), List.of());
    assertThat(FOLDER.resolveSibling(plate.card() + ".md"))
        .content()
        .contains(
            "pictures/" + plate.card() + "-before.png", "pictures/" + plate.card() + "-after.png");
  }

  static Stream<KindPlate> kinds() {
    return KindPlates.all().stream();
  }

  @ParameterizedTest
  @MethodSource("kinds")
  void card_showsAFaultAndItsMend(KindPlate plate) throws IOException {
    String name = plate.kind().key();
    List<Mark> marks = plate.marks(plate.before());
    assertThat(marks).as("what the engine finds in the fault").isNotEmpty();
    assertThat(plate.marks(plate.after())).as("and in what is mended").isEmpty();
    isDrawn(name + "-before.png", plate.before(), marks);
    isDrawn(name + "-after.png", plate.after(), List.of());
    assertThat(FOLDER.resolveSibling(name + ".md"))
        .content()
        .contains("pictures/" + name + "-before.png", "pictures/" + name + "-after.png");
  }

  /** What the engine offers for the fault of the card, and the first of it made step by step. */
  @ParameterizedTest
  @MethodSource("kinds")
  void card_endsWithItsMends(KindPlate plate) throws IOException {
    Offer offer = plate.offer().orElse(null);
    List<Mend> mends = offer == null ? List.of() : offer.mends();
    List<Change> changes = mends.isEmpty() ? List.of() : mends.getFirst().changes();
    Workpiece workpiece = new Workpiece(plate.before().copy(), plate.tolerance());
    StringBuilder section = new StringBuilder(MENDS);
    mends.forEach(mend -> section.append("- ").append(mend.does()).append("\n"));
    if (mends.isEmpty()) {
      section.append(offer == null ? READ_ANEW : offer.reason()).append("\n");
    } else {
      section.append("\nThe first, step by step:\n\n");
    }
    for (int i = 0; i < changes.size(); i++) {
      assertThat(workpiece.apply(changes.get(i))).isInstanceOf(Outcome.Made.class);
      if (i < MOST_STEPS - 1 || i == changes.size() - 1) {
        String name = "%s-mend-%d.png".formatted(plate.kind().key(), i + 1);
        isDrawn(name, workpiece.mesh(), List.of());
        section.append("![Step %d](pictures/%s)\n".formatted(i + 1, name));
      }
    }
    Path card = FOLDER.resolveSibling(plate.kind().key() + ".md");
    if (IS_WRITTEN) {
      String text = Files.readString(card);
      int end = text.indexOf(MENDS);
      Files.writeString(card, (end < 0 ? text : text.substring(0, end)) + section);
    }
    assertThat(card).content().endsWith(section);
  }

  @Test
  void everyKind_hasItsPictures() {
    assertThat(KindPlates.all()).extracting(KindPlate::kind).containsExactly(Kind.values());
  }

  private static void isDrawn(String file, Mesh mesh, List<Mark> marks) throws IOException {
    byte[] png = MeshPicture.png(mesh, marks, SIZE);
    if (IS_WRITTEN) {
      Files.createDirectories(FOLDER);
      Files.write(FOLDER.resolve(file), png);
    }
    assertThat(FOLDER.resolve(file)).hasBinaryContent(png);
  }
}
