package fairedge.server.bench;

import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.BringIn;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.core.step.Forming;
import fairedge.core.work.View;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.OwnMeshes;
import fairedge.server.exercise.SentMesh;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Parts that come to a workpiece from the shelf, from a file, or from another workpiece. */
@Service
public class Incoming {
  private final Bench bench;
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final OwnMeshes own;
  private final Turns turns;

  Incoming(Bench bench, Workpieces workpieces, Workshop workshop, OwnMeshes own, Turns turns) {
    this.bench = bench;
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.own = own;
    this.turns = turns;
  }

  /** A form off the shelf. */
  public Bench.Stepped form(UUID id, SignedIn student, Bench.Asked asked, View view, String name) {
    Form form = Form.named(name).orElseThrow(() -> Problem.notFound("form"));
    Head head = workpieces.require(id, student);
    return bring(head, student, asked, view, form.mesh(), form.title(), LengthUnit.MM);
  }

  /** A workpiece of one's own as it stands. */
  public Bench.Stepped workpiece(
      UUID id, SignedIn student, Bench.Asked asked, View view, UUID other) {
    Head head = workpieces.require(id, student);
    OwnMeshes.OwnMesh from = own.workpiece(other, student);
    return bring(head, student, asked, view, from.mesh(), "", unit(from.unit()));
  }

  /**
   * A mesh file of any format.
   *
   * @throws Problem saying where it can't be read
   */
  public Bench.Stepped file(
      UUID id, SignedIn student, Bench.Asked asked, View view, SentMesh file) {
    Head head = workpieces.require(id, student);
    LengthUnit unit = unit(workshop.task(head).view().unit());
    Mesh mesh =
        turns.await(student.id(), () -> file.read(Limits.ofFaces(BringIn.MOST_FACES), unit));
    return bring(head, student, asked, view, mesh, "", unit);
  }

  /** Puts it with its middle on the top of what is there, so that it is seen, and cuts into it. */
  private Bench.Stepped bring(
      Head head,
      SignedIn student,
      Bench.Asked asked,
      View view,
      Mesh mesh,
      String name,
      LengthUnit unit) {
    double scale = unit.in(unit(workshop.task(head).view().unit()));
    Bounds there = workshop.read(head, (now, held) -> held.workpiece.mesh().bounds());
    Vec3 middle = there.centre();
    Vec3 top = there.isEmpty() ? middle : new Vec3(middle.x(), middle.y(), there.max().z());
    Vec3 by = top.minus(mesh.bounds().centre().times(scale));
    return bench.step(
        head.id(), student, asked, new Forming.BringInChange(text(mesh), name, by, scale), view);
  }

  private static LengthUnit unit(String sign) {
    return LengthUnit.named(sign).orElse(LengthUnit.MM);
  }

  private static String text(Mesh mesh) {
    if (mesh.faceCount() > BringIn.MOST_FACES) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A part that is brought in has at most %,d faces.".formatted(BringIn.MOST_FACES));
    }
    StringBuilder text = new StringBuilder();
    try {
      ObjWriter.write(mesh, text);
    } catch (IOException never) {
      throw new UncheckedIOException(never);
    }
    return text.toString();
  }
}
