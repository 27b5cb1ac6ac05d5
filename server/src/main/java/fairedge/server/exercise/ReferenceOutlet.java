package fairedge.server.exercise;

import fairedge.core.format.LengthUnit;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Marking;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.json.CheckView;
import fairedge.server.inspection.Gallery;
import fairedge.server.inspection.Gallery.Shown;
import fairedge.server.inspection.Terms;
import fairedge.server.meshfile.FileLimits;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Solutions that an exercise knows, and what it marks on its starter and on them. */
@Service
public class ReferenceOutlet {
  private final Editor editor;
  private final StarterOutlet starters;
  private final Gallery gallery;
  private final OwnMeshes meshes;
  private final FileLimits limits;
  private final Turns turns;

  ReferenceOutlet(
      Editor editor,
      StarterOutlet starters,
      Gallery gallery,
      OwnMeshes meshes,
      FileLimits limits,
      Turns turns) {
    this.editor = editor;
    this.starters = starters;
    this.gallery = gallery;
    this.meshes = meshes;
    this.limits = limits;
    this.turns = turns;
  }

  /** A workpiece of one's own as it stands, as a solution. */
  public EditorView add(UUID id, SignedIn owner, UUID workpiece) {
    editor.requireMine(id, owner);
    OwnMeshes.OwnMesh mesh = meshes.workpiece(workpiece, owner);
    return editor.addReference(id, owner, mesh.mesh(), "made on the bench");
  }

  /** A mesh file as a solution, in the unit of the starter. */
  public EditorView add(UUID id, SignedIn owner, SentMesh file) {
    editor.requireMine(id, owner);
    EditorView.StarterView starter = editor.view(id, owner).starter();
    if (starter == null) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "Choose a starter first: a solution is cut from it.");
    }
    LengthUnit own = LengthUnit.named(starter.unit()).orElseThrow();
    Mesh mesh = turns.await(owner.id(), () -> file.read(limits.limits(), own));
    return editor.addReference(id, owner, mesh, file.plainName());
  }

  /**
   * Marks elements of the starter, or takes their marks off.
   *
   * @param reference hash of the reference on which a line is chosen; null for the starter
   */
  public EditorView mark(
      UUID id,
      SignedIn owner,
      long revision,
      Marking.Sort sort,
      @Nullable String reference,
      List<Integer> ids) {
    if (reference != null && sort != Marking.Sort.LINE) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Only lines are chosen on a reference.");
    }
    UnaryOperator<Wanted> marking =
        reference == null
            ? onStarter(starters.shown(id, owner).terms(), sort, ids)
            : onReference(editor.reference(id, owner, reference), ids);
    return editor.keep(
        id,
        owner,
        revision,
        draft -> draft.withWanted(Problem.unlessUnsound(() -> marking.apply(draft.wanted()))));
  }

  private UnaryOperator<Wanted> onStarter(Terms terms, Marking.Sort sort, List<Integer> ids) {
    Starter starter = gallery.starter(terms);
    return wanted -> Marking.marked(wanted, sort, starter, terms.tolerance(), ids);
  }

  private UnaryOperator<Wanted> onReference(byte[] reference, List<Integer> edges) {
    Mesh mesh = gallery.copy(reference);
    return wanted -> Marking.lined(wanted, mesh, edges);
  }

  /** What of the starter is marked by the draft. */
  public Marking.Marks marks(UUID id, SignedIn account) {
    Terms terms = starters.shown(id, account).terms();
    return Marking.of(terms.wanted(), gallery.starter(terms), terms.tolerance());
  }

  public byte[] mesh(UUID id, SignedIn account, String hash) {
    return gallery.mesh(reference(id, account, hash), account);
  }

  /** What the check says of a reference, by what counts in the draft. */
  public CheckView check(UUID id, SignedIn account, String hash) {
    return gallery.check(reference(id, account, hash), account);
  }

  private Shown reference(UUID id, SignedIn account, String hash) {
    return new Shown(editor.reference(id, account, hash), starters.shown(id, account).terms());
  }
}
