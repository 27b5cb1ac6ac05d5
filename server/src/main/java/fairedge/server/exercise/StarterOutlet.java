package fairedge.server.exercise;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
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
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.util.unit.DataSize;

/** Starters of exercises: chosen from whichever source, and looked at beside the editor. */
@Service
public class StarterOutlet {
  private static final int LONGEST_NAME = 80;

  private final Editor editor;
  private final Exercises exercises;
  private final Gallery gallery;
  private final OwnMeshes own;
  private final FileLimits limits;
  private final Pack pack;
  private final TransactionTemplate transactions;
  private final long largest;
  private final Turns turns;

  StarterOutlet(
      Editor editor,
      Exercises exercises,
      Gallery gallery,
      OwnMeshes own,
      FileLimits limits,
      Pack pack,
      TransactionTemplate transactions,
      Turns turns,
      @Value("${fair-edge.limits.file}") DataSize largest) {
    this.pack = pack;
    this.transactions = transactions;
    this.largest = largest.toBytes();
    this.editor = editor;
    this.exercises = exercises;
    this.gallery = gallery;
    this.own = own;
    this.limits = limits;
    this.turns = turns;
  }

  /** A form off the shelf. */
  public EditorView useForm(UUID id, SignedIn owner, String name) {
    Form form =
        Arrays.stream(Form.values())
            .filter(f -> f.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(name))
            .findFirst()
            .orElseThrow(() -> Problem.notFound("form"));
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

  /** A file as it came in. */
  public record StarterFile(String name, String unit, Meant.Up up, InputStream bytes) {}

  /**
   * A mesh file of any format, however messy.
   *
   * @throws Problem saying where it can't be read
   */
  public EditorView useFile(UUID id, SignedIn owner, StarterFile file) {
    editor.requireStarterFree(id, owner);
    LengthUnit unit =
        LengthUnit.named(file.unit())
            .orElseThrow(
                () -> Problem.of(Problem.Kind.BAD_INPUT, "The unit is one of mm, cm, m, in."));
    Mesh mesh = turns.await(owner.id(), () -> read(file, unit));
    return editor.setStarter(id, owner, mesh, unit.sign(), plain(file.name()));
  }

  /** An exercise as a zip: what is written of it, and its starter. */
  public byte[] export(UUID id, SignedIn account) {
    Draft draft = editor.draft(id, account);
    Optional<Terms> terms = editor.terms(id, account);
    EditorView.StarterView starter = editor.view(id, account).starter();
    return turns.here(
        account.id(),
        () ->
            pack.pack(
                draft,
                starter == null ? "mm" : starter.unit(),
                terms.map(t -> gallery.copy(t.starter())).orElse(null)));
  }

  /**
   * Begins an exercise with what an export holds: all of it, or nothing.
   *
   * @throws Problem saying what of it can't be read
   */
  public UUID importFrom(InputStream zip, SignedIn account) {
    Pack.Unpacked unpacked =
        turns.await(account.id(), () -> pack.unpack(zip, limits.limits(), largest));
    String unit =
        LengthUnit.named(unpacked.unit())
            .map(LengthUnit::sign)
            .orElseThrow(
                () -> Problem.of(Problem.Kind.BAD_FILE, "Its unit is none of mm, cm, m, in."));
    return Objects.requireNonNull(
        transactions.execute(status -> {
          UUID id = editor.begin(account, unpacked.draft());
          if (unpacked.starter() != null) {
            editor.setStarter(id, account, unpacked.starter(), unit, "an exported exercise");
          }
          return id;
        }));
  }

  private Mesh read(StarterFile file, LengthUnit unit) {
    try {
      return new Meant(unit, file.up())
          .mesh(MeshFormat.read(file.bytes(), limits.limits()).mesh(), unit);
    } catch (BadFile bad) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          String.valueOf(bad.getMessage()),
          Map.of("line", bad.line(), "found", bad.found(), "expected", bad.expected()));
    } catch (IOException broken) {
      throw new UncheckedIOException(broken);
    }
  }

  private static String plain(String name) {
    String plain = name.replaceAll("\\p{Cntrl}", "").strip();
    if (plain.isEmpty()) {
      return "a file";
    }
    return plain.length() > LONGEST_NAME ? plain.substring(0, LONGEST_NAME) : plain;
  }

  /** Its hash. */
  public byte[] starter(UUID id, SignedIn account) {
    return shown(id, account).mesh();
  }

  public byte[] mesh(UUID id, SignedIn account) {
    return gallery.mesh(shown(id, account), account);
  }

  /** What the check says of it, by what counts in the draft. */
  public CheckView check(UUID id, SignedIn account) {
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

  private Shown shown(UUID id, SignedIn account) {
    Terms terms = editor.terms(id, account).orElseThrow(() -> Problem.notFound("starter"));
    return new Shown(terms.starter(), terms);
  }
}
