package fairedge.server.practice;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.picture.MeshPicture;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.FormView;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.store.PracticeStore;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Free practice: on a form off the shelf or a mesh of one's own, seen by its owner alone. */
@Service
public class Practices {
  private static final List<String> UNITS = List.of("mm", "cm", "m", "in");
  private static final MeshPicture.Size PICTURE = new MeshPicture.Size(140, 84, 2);
  private static final int LONGEST_TITLE = 80;

  /** How many pieces one account may keep in sight; more would only bury them. */
  private static final int MOST_PIECES = 100;

  private final PracticeStore store;
  private final MeshFiles meshes;
  private final Clock clock;
  private final Limits limits;

  private final Map<Form, byte[]> drawnForms = new ConcurrentHashMap<>();

  /** So few files are read at once that they fit in memory. */
  private final Semaphore readers = new Semaphore(2);

  Practices(
      PracticeStore store,
      MeshFiles meshes,
      Clock clock,
      @Value("${fair-edge.limits.faces}") int mostFaces) {
    this.store = store;
    this.meshes = meshes;
    this.clock = clock;
    this.limits = Limits.ofFaces(mostFaces);
  }

  /**
   * How a piece is begun.
   *
   * @param profile what it is checked as, by name
   * @param clientKey a repeated request is known by it
   */
  public record Beginning(String profile, UUID clientKey) {}

  /** A file as it came in. */
  public record MeshFile(String name, String unit, Meant.Up up, InputStream bytes) {}

  @Transactional(readOnly = true)
  public PracticeView view(SignedIn account) {
    return new PracticeView(
        Arrays.stream(Form.values())
            .map(f -> new FormView(nameOf(f), f.title(), f.about(), f.mesh().faceCount()))
            .toList(),
        store.inSight(account.id()).stream().map(PracticePiece::of).toList(),
        Profile.builtIn().stream().map(Profile::name).toList(),
        UNITS);
  }

  /** Begins with a form off the shelf. */
  @Transactional
  public PracticePiece beginWith(String form, SignedIn account, Beginning beginning) {
    Form named = form(form);
    return begun(account, beginning)
        .orElseGet(() -> begin(account, beginning, named.title(), "mm", named::mesh));
  }

  /** Begins with a mesh of one's own. */
  @Transactional
  public PracticePiece beginWith(MeshFile file, SignedIn account, Beginning beginning) {
    LengthUnit unit =
        LengthUnit.named(file.unit())
            .orElseThrow(() ->
                Problem.of(
                    Problem.Kind.BAD_INPUT,
                    "The unit is one of " + String.join(", ", UNITS) + "."));
    Supplier<Mesh> mesh = () -> new Meant(unit, file.up()).mesh(read(file.bytes()), unit);
    return begun(account, beginning)
        .orElseGet(() -> begin(account, beginning, title(file.name()), unit.sign(), mesh));
  }

  /** What was begun by the same request before. */
  private Optional<PracticePiece> begun(SignedIn account, Beginning beginning) {
    store.lockPractice(account.id());
    Optional<Practice> known = store.findByKey(beginning.clientKey());
    if (known.isPresent() && !known.get().accountId().equals(account.id())) {
      throw Problem.notFound("practice piece");
    }
    return known.map(PracticePiece::of);
  }

  private PracticePiece begin(
      SignedIn account, Beginning beginning, String title, String unit, Supplier<Mesh> starter) {
    requireProfile(beginning.profile());
    if (store.inSight(account.id()).size() >= MOST_PIECES) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "You keep %d practice pieces already: put some away.".formatted(MOST_PIECES));
    }
    Mesh mesh = starter.get();
    Practice practice =
        new Practice(
            UUID.randomUUID(),
            account.id(),
            title,
            unit,
            meshes.keep(mesh),
            Tolerance.of(mesh.bounds()).scale(),
            beginning.profile(),
            // As exactly as the store keeps it.
            clock.instant().truncatedTo(ChronoUnit.MICROS),
            null);
    store.insert(practice, beginning.clientKey(), draw(mesh));
    return PracticePiece.of(practice);
  }

  private static void requireProfile(String name) {
    if (Profile.builtIn().stream().noneMatch(p -> p.name().equals(name))) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no check profile of that name.");
    }
  }

  private Mesh read(InputStream bytes) {
    if (!readers.tryAcquire()) {
      throw Problem.of(
          Problem.Kind.TOO_MANY, "Other files are being read just now: try again in a moment.");
    }
    try {
      return MeshFormat.read(bytes, limits).mesh();
    } catch (BadFile bad) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          String.valueOf(bad.getMessage()),
          Map.of("line", bad.line(), "found", bad.found(), "expected", bad.expected()));
    } catch (IOException broken) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The file did not come through in full.");
    } finally {
      readers.release();
    }
  }

  private static String title(String fileName) {
    String plain =
        fileName
            .replaceAll("\\p{Cntrl}", "")
            .replaceAll("(?i)\\.(obj|ply|off|stl|glb|gltf)$", "")
            .strip();
    if (plain.isEmpty()) {
      return "A mesh of my own";
    }
    return plain.length() > LONGEST_TITLE ? plain.substring(0, LONGEST_TITLE) : plain;
  }

  /** Puts a piece out of sight, or brings it back. */
  @Transactional
  public PracticePiece keep(UUID id, SignedIn account, boolean inSight) {
    Practice practice = requireOf(account, id);
    store.putAway(id, inSight ? null : clock.instant());
    return PracticePiece.of(practice);
  }

  public Practice requireOf(SignedIn account, UUID id) {
    return store
        .find(id)
        .filter(p -> p.accountId().equals(account.id()))
        .orElseThrow(() -> Problem.notFound("practice piece"));
  }

  public Practice require(UUID id) {
    return store.find(id).orElseThrow(() -> Problem.notFound("practice piece"));
  }

  /** What a piece was begun with, as a PNG. */
  @Transactional(readOnly = true)
  public byte[] picture(UUID id, SignedIn account) {
    requireOf(account, id);
    return store.picture(id).orElseThrow();
  }

  /** A form of the shelf as a PNG; drawn at the first call. */
  public byte[] formPicture(String form) {
    return drawnForms.computeIfAbsent(form(form), f -> draw(f.mesh()));
  }

  private static byte[] draw(Mesh mesh) {
    return MeshPicture.png(mesh, List.of(), PICTURE);
  }

  private static Form form(String name) {
    return Arrays.stream(Form.values())
        .filter(f -> nameOf(f).equals(name))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("form"));
  }

  private static String nameOf(Form form) {
    return form.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
