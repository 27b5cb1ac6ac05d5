package fairedge.server.practice;

import fairedge.core.format.LengthUnit;
import fairedge.core.format.Meant;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.picture.MeshPicture;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.PracticeView.FormView;
import fairedge.server.practice.PracticeView.PieceStage;
import fairedge.server.practice.PracticeView.PracticePiece;
import fairedge.server.practice.PracticeView.PracticeProblem;
import fairedge.server.practice.store.PracticeStore;
import fairedge.server.practice.store.PracticeStore.Piece;
import fairedge.server.practice.store.PracticeStore.Ready;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.LockSupport;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Free practice: on a form off the shelf or a mesh of one's own, seen by its owner alone. */
@Service
public class Practices {
  private static final List<String> UNITS = List.of("mm", "cm", "m", "in");
  private static final MeshPicture.Size PICTURE = new MeshPicture.Size(140, 84, 2);
  private static final int LONGEST_TITLE = 80;

  /** So long a file is waited for that was sent in. */
  private static final Duration PATIENCE = Duration.ofSeconds(12);

  private static final Duration LOOKS_EVERY = Duration.ofMillis(40);

  /** How many pieces one account may keep in sight; more would only bury them. */
  private static final int MOST_PIECES = 100;

  private final PracticeStore store;
  private final MeshFiles meshes;
  private final SentFiles sent;
  private final JobQueue jobs;
  private final TransactionTemplate transactions;
  private final Clock clock;

  private final Map<Form, byte[]> drawnForms = new ConcurrentHashMap<>();

  Practices(
      PracticeStore store,
      MeshFiles meshes,
      SentFiles sent,
      JobQueue jobs,
      TransactionTemplate transactions,
      Clock clock) {
    this.store = store;
    this.meshes = meshes;
    this.sent = sent;
    this.jobs = jobs;
    this.transactions = transactions;
    this.clock = clock;
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

  public PracticeView view(SignedIn account) {
    return new PracticeView(
        Arrays.stream(Form.values())
            .map(f -> new FormView(f.key(), f.title(), f.about(), f.mesh().faceCount()))
            .toList(),
        store.inSight(account.id()),
        Profile.builtIn().stream().map(Profile::name).toList(),
        UNITS);
  }

  /** Begins with a form off the shelf. */
  public PracticePiece beginWith(String form, SignedIn account, Beginning beginning) {
    Form named = form(form);
    requireProfile(beginning.profile());
    Mesh mesh = named.mesh();
    Ready ready = ready(mesh);
    Piece piece = piece(account, beginning, named.title(), "mm");
    return begin(piece, () -> store.insert(piece, ready));
  }

  /**
   * Begins with a copy of a mesh that is kept.
   *
   * @param unit its sign
   */
  public PracticePiece beginWith(
      Mesh mesh, String title, String unit, SignedIn account, Beginning beginning) {
    requireProfile(beginning.profile());
    Ready ready = ready(mesh);
    Piece piece = piece(account, beginning, titled(title), unit);
    return begin(piece, () -> store.insert(piece, ready));
  }

  /**
   * Begins with a mesh of one's own: its file is kept at once, and read by a job. Most are read in
   * a moment, which is waited for; of the others the piece says that it is being read.
   *
   * @throws Problem if it is read in that moment, and can't be
   */
  public PracticePiece beginWith(MeshFile file, SignedIn account, Beginning beginning) {
    LengthUnit unit =
        LengthUnit.named(file.unit())
            .orElseThrow(() ->
                Problem.of(
                    Problem.Kind.BAD_INPUT,
                    "The unit is one of " + String.join(", ", UNITS) + "."));
    requireProfile(beginning.profile());
    Piece piece = piece(account, beginning, title(file.name()), unit.sign());
    PracticePiece begun =
        begin(
            piece,
            () -> {
              keep(piece.id(), file);
              store.insert(piece, file.up());
              jobs.add(PracticeJob.NAME, piece.id().toString(), JobQueue.Rank.USUAL);
            });
    return awaitRead(begun);
  }

  /** In no transaction: no connection is held while it waits. */
  private PracticePiece awaitRead(PracticePiece begun) {
    PracticePiece now = begun;
    long patience = System.nanoTime() + PATIENCE.toNanos();
    while (now.stage() == PieceStage.reading && System.nanoTime() < patience) {
      LockSupport.parkNanos(LOOKS_EVERY.toNanos());
      now = store.piece(begun.id()).orElseThrow();
    }
    PracticeProblem problem = now.problem();
    if (problem != null) {
      store.putAway(now.id(), clock.instant());
      throw badFile(problem);
    }
    return now;
  }

  /** Pieces that were put away before a time. */
  public List<UUID> putAwayBefore(Instant time) {
    return store.putAwayBefore(time);
  }

  /** All pieces of an account, also those that are put away. */
  public List<UUID> idsOf(UUID account) {
    return store.idsOf(account);
  }

  /** Lets go of a piece on which nothing is cut any more. */
  public void forget(UUID id) {
    store.forget(id);
  }

  private static Problem badFile(PracticeProblem problem) {
    return Problem.of(
        Problem.Kind.BAD_FILE,
        problem.detail(),
        Map.of("line", problem.line(), "found", problem.found(), "expected", problem.expected()));
  }

  private void keep(UUID id, MeshFile file) {
    try {
      sent.keep(id, file.bytes());
    } catch (IOException broken) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "The file did not come through in full.");
    }
  }

  private Piece piece(SignedIn account, Beginning beginning, String title, String unit) {
    // As exactly as the store keeps it.
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    return new Piece(
        UUID.randomUUID(),
        account.id(),
        beginning.clientKey(),
        title,
        unit,
        beginning.profile(),
        now);
  }

  /** Keeps a new piece, unless the same request did before. */
  private PracticePiece begin(Piece piece, Runnable insert) {
    return Objects.requireNonNull(
        transactions.execute(status -> {
          store.lockPractice(piece.accountId());
          Optional<PracticePiece> known = store.findByKey(piece.accountId(), piece.clientKey());
          if (known.isPresent()) {
            return known.get();
          }
          if (store.inSight(piece.accountId()).size() >= MOST_PIECES) {
            throw Problem.of(
                Problem.Kind.BAD_INPUT,
                "You keep %d practice pieces already: put some away.".formatted(MOST_PIECES));
          }
          insert.run();
          return store.piece(piece.id()).orElseThrow();
        }));
  }

  /** Keeps a mesh that a piece begins with, and draws it. */
  Ready ready(Mesh mesh) {
    return new Ready(meshes.keep(mesh), Tolerance.of(mesh.bounds()).scale(), draw(mesh));
  }

  /** A piece as it is now, for its owner. */
  public PracticePiece piece(UUID id, SignedIn account) {
    return store
        .piece(id)
        .filter(p -> store.isOf(id, account.id()))
        .orElseThrow(() -> Problem.notFound("practice piece"));
  }

  private static void requireProfile(String name) {
    if (Profile.builtIn().stream().noneMatch(p -> p.name().equals(name))) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no check profile of that name.");
    }
  }

  private static String title(String fileName) {
    String plain =
        fileName
            .replaceAll("\\p{Cntrl}", "")
            .replaceAll("(?i)\\.(obj|ply|off|stl|glb|gltf)$", "")
            .strip();
    return plain.isEmpty() ? "A mesh of my own" : titled(plain);
  }

  private static String titled(String text) {
    return text.length() > LONGEST_TITLE ? text.substring(0, LONGEST_TITLE) : text;
  }

  /** Puts a piece out of sight, or brings it back. */
  public PracticePiece keep(UUID id, SignedIn account, boolean inSight) {
    piece(id, account);
    store.putAway(id, inSight ? null : clock.instant());
    return piece(id, account);
  }

  /** A piece that can be cut. */
  public Practice requireOf(SignedIn account, UUID id) {
    PracticePiece piece = piece(id, account);
    if (piece.problem() != null) {
      throw badFile(piece.problem());
    }
    if (piece.stage() == PieceStage.reading) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "This file is being read still.");
    }
    return require(id);
  }

  public Practice require(UUID id) {
    return store.find(id).orElseThrow(() -> Problem.notFound("practice piece"));
  }

  /** What a piece was begun with, as a PNG. */
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
    return Form.named(name).orElseThrow(() -> Problem.notFound("form"));
  }
}
