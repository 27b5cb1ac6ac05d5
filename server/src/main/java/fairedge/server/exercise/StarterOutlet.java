package fairedge.server.exercise;

import fairedge.core.format.LengthUnit;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.json.CheckView;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Gallery;
import fairedge.server.inspection.Gallery.Shown;
import fairedge.server.inspection.Terms;
import fairedge.server.inspection.Tried;
import fairedge.server.meshfile.FileLimits;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Starters of exercises: chosen from whichever source, and looked at beside the editor. */
@Service
public class StarterOutlet {
  private final Editor editor;
  private final Exercises exercises;
  private final Gallery gallery;
  private final OwnMeshes own;
  private final FileLimits limits;
  private final Turns turns;

  StarterOutlet(
      Editor editor,
      Exercises exercises,
      Gallery gallery,
      OwnMeshes own,
      FileLimits limits,
      Turns turns) {
    this.editor = editor;
    this.exercises = exercises;
    this.gallery = gallery;
    this.own = own;
    this.limits = limits;
    this.turns = turns;
  }

  /** A form off the shelf. */
  public EditorView useForm(UUID id, SignedIn owner, String name) {
    Form form = Form.named(name).orElseThrow(() -> Problem.notFound("form"));
    return editor.setStarter(id, owner, form.mesh(), "mm", form.title() + " from the shelf");
  }

  /** A workpiece of one's own as it stands. */
  public EditorView useWorkpiece(UUID id, SignedIn owner, UUID workpiece) {
    editor.requireStarterFree(id, owner);
    OwnMeshes.OwnMesh mesh = own.workpiece(workpiece, owner);
    return editor.setStarter(id, owner, mesh.mesh(), mesh.unit(), mesh.from());
  }

  /** What another exercise begins with that one may read. */
  public EditorView useExercise(UUID id, SignedIn owner, UUID other) {
    Exercise from = exercises.requireToRead(other, owner);
    return editor.setStarter(
        id, owner, gallery.copy(from.starter()), from.unit(), "the starter of " + from.title());
  }

  /**
   * A mesh file of any format, however messy.
   *
   * @throws Problem saying where it can't be read
   */
  public EditorView useFile(UUID id, SignedIn owner, SentMesh file) {
    editor.requireStarterFree(id, owner);
    LengthUnit unit = file.lengths();
    Mesh mesh = turns.await(owner.id(), () -> file.read(limits.limits(), unit));
    return editor.setStarter(id, owner, mesh, unit.sign(), file.plainName());
  }

  /** Its hash. */
  public byte[] starter(UUID id, SignedIn account) {
    return shown(id, account).mesh();
  }

  public byte[] mesh(UUID id, SignedIn account) {
    return gallery.mesh(shown(id, account), account);
  }

  /** What the check says of it, by what counts in the draft, pardoned or not. */
  public CheckView check(UUID id, SignedIn account) {
    Shown shown = shown(id, account);
    return gallery.check(new Shown(shown.mesh(), shown.terms().withoutPardons()), account);
  }

  /** The same of what counts. */
  public CheckView counted(UUID id, SignedIn account) {
    return gallery.check(shown(id, account), account);
  }

  public byte[] smooth(UUID id, SignedIn account, @Nullable Integer level) {
    return gallery.smooth(shown(id, account), account, level);
  }

  public Tried bend(UUID id, SignedIn account, BendAsked asked) {
    return gallery.bend(shown(id, account), account, asked);
  }

  public LensPicture look(UUID id, SignedIn account, Lens lens) {
    return gallery.look(shown(id, account), account, lens);
  }

  public Along along(UUID id, SignedIn account, int edge) {
    return gallery.along(shown(id, account), account, edge);
  }

  /** What is shown of it, by what counts in the draft. */
  Shown shown(UUID id, SignedIn account) {
    Terms terms = editor.terms(id, account).orElseThrow(() -> Problem.notFound("starter"));
    return new Shown(terms.starter(), terms);
  }
}
