package fairedge.server.bench;

import fairedge.core.format.MeshFormat;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Forming;
import fairedge.core.survey.Wanted;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * The mesh of a workpiece in other forms: as a file, as the smooth surface of its cage, through a
 * lens.
 */
@Service
public class MeshOutlet {
  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Replays replays;
  private final Inspections inspections;
  private final Mends mends;
  private final Turns turns;

  MeshOutlet(
      WorkpieceStore store,
      Workpieces workpieces,
      Workshop workshop,
      Replays replays,
      Inspections inspections,
      Mends mends,
      Turns turns) {
    this.turns = turns;
    this.store = store;
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.replays = replays;
    this.inspections = inspections;
    this.mends = mends;
  }

  /** The mesh after a step, as a file; of the state in force where no step is named. */
  public byte[] file(UUID id, SignedIn student, @Nullable Long step, MeshFormat format) {
    Head head = workpieces.require(id, student);
    if (step != null && !store.hasStep(id, step)) {
      throw Problem.notFound("step");
    }
    return turns.here(
        student.id(),
        () ->
            written(step == null ? copy(head, null) : replays.rebuild(head, step).mesh(), format));
  }

  /** The mesh after a step, for whoever may see what came of it; the caller's to change. */
  public Mesh after(long step, SignedIn account) {
    return turns.here(account.id(), () -> replays.rebuild(store.headOf(step), step).mesh());
  }

  private static byte[] written(Mesh mesh, MeshFormat format) {
    ByteArrayOutputStream file = new ByteArrayOutputStream();
    try {
      format.write(mesh, file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return file.toByteArray();
  }

  /**
   * The smooth surface of which the mesh is the cage, as a surface message; of a copy, so that no
   * hand waits for it.
   */
  public byte[] smooth(UUID id, SignedIn student, @Nullable Integer level) {
    return looked(
        id, student, null, mesh -> inspections.smooth(mesh, mesh.bounds().centre(), level));
  }

  /**
   * The same as it would be after a change.
   *
   * @throws Problem if the change is refused
   */
  public byte[] smoothAfter(
      UUID id, SignedIn student, long revision, Change change, @Nullable Integer level) {
    Task task = workshop.task(workpieces.require(id, student));
    return looked(
        id,
        student,
        revision,
        mesh -> {
          mends.after(mesh, task.terms(), change);
          return inspections.smooth(mesh, mesh.bounds().centre(), level);
        });
  }

  /** How the mesh fares when it is bent: the places of its vertices as a delta of its message. */
  public Tried bend(UUID id, SignedIn student, @Nullable Long revision, BendAsked asked) {
    Head head = workpieces.require(id, student);
    Task task = workshop.task(head);
    task.told().requireAll();
    Terms terms = task.terms();
    return looked(
        id,
        student,
        revision,
        mesh ->
            Tried.of(
                inspections.bend(mesh, terms, asked),
                revision == null ? head.revision() : revision));
  }

  /**
   * What a lens shows of it; of a copy, so that no hand waits for it.
   *
   * @param revision at which it must stand; null for any
   */
  public LensPicture look(UUID id, SignedIn student, @Nullable Long revision, Lens lens) {
    Task task = workshop.task(workpieces.require(id, student));
    if (lens != Lens.SUBDIVIDED) {
      task.told().requireAll();
    }
    Terms terms = task.terms();
    return looked(id, student, revision, mesh -> inspections.look(mesh, terms, lens));
  }

  /** What its exercise marks on it. */
  public MarksView marks(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    Task task = workshop.task(head);
    Wanted wanted = task.terms().wanted();
    return turns.here(
        student.id(),
        () ->
            workshop.read(
                head,
                (now, held) ->
                    new MarksView(
                        held.locked().stream().boxed().toList(),
                        wanted.held(),
                        wanted.hardLines(),
                        wanted.coveredEnds(),
                        task.showsLines() ? wanted.lines() : List.of())));
  }

  /** What hangs together by itself. */
  public PartsView parts(UUID id, SignedIn student, @Nullable Long revision) {
    return looked(id, student, revision, PartsView::of);
  }

  /** The hinges of the last fold in force; none where it was never folded. */
  public HingesView hinges(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    return turns.here(
        student.id(),
        () ->
            workshop.read(
                head,
                (now, held) ->
                    store
                        .findLast(now, ChangeKind.FOLD)
                        .filter(Forming.FoldChange.class::isInstance)
                        .map(Forming.FoldChange.class::cast)
                        .map(fold -> HingesView.of(fold, held.workpiece.mesh()))
                        .orElse(HingesView.NONE)));
  }

  /** The ring and the loop of an edge, likewise. */
  public Along along(UUID id, SignedIn student, @Nullable Long revision, int edge) {
    workshop.task(workpieces.require(id, student)).told().requireAll();
    return looked(id, student, revision, mesh -> inspections.along(mesh, edge));
  }

  /** Looks at a copy, when it is its turn. */
  private <T> T looked(UUID id, SignedIn student, @Nullable Long revision, Function<Mesh, T> look) {
    Head head = workpieces.require(id, student);
    return turns.here(
        student.id(),
        () -> {
          Mesh mesh = copy(head, revision);
          return turns.bySize(student.id(), mesh.faceCount(), () -> look.apply(mesh));
        });
  }

  private Mesh copy(Head head, @Nullable Long revision) {
    return workshop.read(
        head,
        (now, held) -> {
          if (revision != null) {
            Workpieces.requireFresh(now, revision);
          }
          return held.workpiece.mesh().copy();
        });
  }
}
