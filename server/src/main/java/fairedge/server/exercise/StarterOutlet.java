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
import fairedge.core.survey.Marking;
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
import java.util.List;
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
  private final Pictures pictures;
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
      Pictures pictures,
      TransactionTemplate transactions,
      Turns turns,
      @Value("${fair-edge.limits.file}") DataSize largest) {
    this.pack = pack;
    this.pictures = pictures;
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
    LengthUnit unit = unitOf(file);
    Mesh mesh = turns.await(owner.id(), () -> read(file, unit, unit));
    return editor.setStarter(id, owner, mesh, unit.sign(), plain(file.name()));
  }

  private static LengthUnit unitOf(StarterFile file) {
    return LengthUnit.named(file.unit())
        .orElseThrow(() -> Problem.of(Problem.Kind.BAD_INPUT, "The unit is one of mm, cm, m, in."));
  }

  /** A workpiece of one's own as it stands, as a solution. */
  public EditorView addReference(UUID id, SignedIn owner, UUID workpiece) {
    editor.requireMine(id, owner);
    OwnMeshes.OwnMesh mesh = own.workpiece(workpiece, owner);
    return editor.addReference(id, owner, mesh.mesh(), "made on the bench");
  }

  /** A mesh file as a solution, in the unit of the starter. */
  public EditorView addReference(UUID id, SignedIn owner, StarterFile file) {
    editor.requireMine(id, owner);
    EditorView.StarterView starter = editor.view(id, owner).starter();
    if (starter == null) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "Choose a starter first: a solution is cut from it.");
    }
    LengthUnit own = LengthUnit.named(starter.unit()).orElseThrow();
    Mesh mesh = turns.await(owner.id(), () -> read(file, unitOf(file), own));
    return editor.addReference(id, owner, mesh, plain(file.name()));
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
    byte[] mesh = reference == null ? starter(id, owner) : editor.reference(id, owner, reference);
    return editor.mark(id, owner, revision, sort, gallery.copy(mesh), ids);
  }

  /** What of the starter is marked by the draft. */
  public Marking.Marks marks(UUID id, SignedIn account) {
    Terms terms = shown(id, account).terms();
    return Marking.of(terms.wanted(), gallery.starter(terms), terms.tolerance());
  }

  public byte[] referenceMesh(UUID id, SignedIn account, String hash) {
    return gallery.mesh(reference(id, account, hash), account);
  }

  /** What the check says of a reference, by what counts in the draft. */
  public CheckView referenceCheck(UUID id, SignedIn account, String hash) {
    return gallery.check(reference(id, account, hash), account);
  }

  private Shown reference(UUID id, SignedIn account, String hash) {
    return new Shown(editor.reference(id, account, hash), shown(id, account).terms());
  }

  /** Begins another one with all that one has, its pictures too. */
  public UUID copy(UUID id, SignedIn account) {
    return Objects.requireNonNull(
        transactions.execute(status -> {
          UUID copy = editor.copy(id, account);
          pictures.copy(id, copy, editor.draft(id, account));
          return copy;
        }));
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
                terms.map(t -> gallery.copy(t.starter())).orElse(null),
                terms.map(Terms::references).orElse(List.of()).stream().map(gallery::copy).toList(),
                pictures.named(id, draft)));
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
          if (!unpacked.pictures().isEmpty()) {
            Draft named =
                pictures.take(id, unpacked.draft(), unpacked.pictures(), unpacked.pictureNames());
            editor.keep(id, account, 1, draft -> named);
          }
          if (unpacked.starter() != null) {
            editor.setStarter(id, account, unpacked.starter(), unit, "an exported exercise");
          }
          unpacked
              .references()
              .forEach(m -> editor.addReference(id, account, m, "an exported exercise"));
          return id;
        }));
  }

  private Mesh read(StarterFile file, LengthUnit unit, LengthUnit into) {
    try {
      return new Meant(unit, file.up())
          .mesh(MeshFormat.read(file.bytes(), limits.limits()).mesh(), into);
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

  private Shown shown(UUID id, SignedIn account) {
    Terms terms = editor.terms(id, account).orElseThrow(() -> Problem.notFound("starter"));
    return new Shown(terms.starter(), terms);
  }
}
