package fairedge.cli;

import fairedge.core.format.MeshFormat;
import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mend.Mender;
import fairedge.core.mend.Offer;
import fairedge.core.mend.State;
import fairedge.core.mend.Sweep;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.json.CheckView;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Mends what must be mended in each file, or says what would. */
@Command(
    name = "mend",
    description = "Mends mesh files by the least changes that cure, each tried before it is made.",
    mixinStandardHelpOptions = true,
    exitCodeListHeading = "Exit:%n",
    exitCodeList = {
      "0:nothing must be mended any more",
      "1:something must",
      "2:unreadable, or wrong use"
    })
final class MendCommand implements Callable<Integer> {
  @Spec private @Nullable CommandSpec spec;

  @Parameters(arity = "1..*", paramLabel = "FILE", description = "mesh files, or folders of them")
  private List<Path> files = List.of();

  @Option(
      names = "--kind",
      paramLabel = "K",
      description = "only findings of a kind, whatever they count")
  private @Nullable String kind;

  @Option(names = "--all", description = "what should be mended too, and remarks")
  private boolean all;

  @Option(
      names = "--out",
      paramLabel = "OUT",
      description =
          "file to write; of several files the folder. Without it nothing is mended, and it"
              + " is said what would be offered")
  private @Nullable Path out;

  @Option(names = "--profile", paramLabel = "NAME", description = "what counts, and how much")
  private String profile = Profile.ALL_QUADS.name();

  @Option(names = "--json", description = "changes, costs and the report that follows")
  private boolean json;

  /**
   * What became of a file.
   *
   * @param changes made, each aimed at what the one before left
   * @param mended keys of what is gone
   * @param left keys of what was asked for and stands
   * @param offers where nothing is made: what would be
   * @param routes what is to be known of the routes of odd faces; mostly empty
   * @param report of the mesh as it is then
   */
  record FileMended(
      String file,
      List<Change> changes,
      List<String> mended,
      List<String> left,
      List<Offered> offers,
      String routes,
      CheckView report) {}

  /** What would cure one finding. */
  record Offered(String finding, String title, List<String> mends, String reason) {}

  @Override
  public Integer call() {
    Profile counting = named();
    Predicate<Assessed> which = which();
    List<FileMended> mended = new ArrayList<>();
    boolean failed = false;
    List<Path> meshes = meshes();
    boolean isFolder = meshes.size() != 1 || files.stream().anyMatch(Files::isDirectory);
    for (Path file : meshes) {
      try {
        mended.add(mend(file, counting, which, isFolder));
      } catch (MeshFile.Unreadable e) {
        failed = true;
        System.err.println("fair-edge: " + e.getMessage());
      } catch (IOException e) {
        failed = true;
        System.err.println("fair-edge: %s can't be written (%s)".formatted(out, e.getMessage()));
      }
    }
    if (json) {
      Printed.json(System.out, mended);
    } else {
      mended.forEach(m -> print(System.out, m));
    }
    return failed ? 2 : mended.stream().anyMatch(m -> m.report().must() > 0) ? 1 : 0;
  }

  private Profile named() {
    try {
      return Profile.named(profile);
    } catch (IllegalArgumentException e) {
      throw wrong(e);
    }
  }

  private ParameterException wrong(IllegalArgumentException e) {
    return new ParameterException(Objects.requireNonNull(spec).commandLine(), e.getMessage());
  }

  private Predicate<Assessed> which() {
    if (kind != null) {
      try {
        Kind only = Kind.named(kind);
        return a -> a.finding().kind() == only;
      } catch (IllegalArgumentException e) {
        throw wrong(e);
      }
    }
    return a -> all || a.severity() == Severity.MUST;
  }

  private List<Path> meshes() {
    List<Path> meshes = new ArrayList<>();
    for (Path file : files) {
      if (!Files.isDirectory(file)) {
        meshes.add(file);
        continue;
      }
      try (Stream<Path> inside = Files.list(file)) {
        inside
            .filter(p -> MeshFormat.writtenTo(p.toString()).isPresent())
            .sorted()
            .forEach(meshes::add);
      } catch (IOException e) {
        throw wrong(new IllegalArgumentException(file + " can't be read (" + e.getMessage() + ")"));
      }
    }
    return meshes;
  }

  private FileMended mend(Path file, Profile counting, Predicate<Assessed> which, boolean isFolder)
      throws MeshFile.Unreadable, IOException {
    ReadResult read = MeshFile.read(file);
    Mesh mesh = read.mesh();
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Inspector inspector = new Inspector(counting, tolerance);
    Workpiece workpiece = new Workpiece(mesh, tolerance);
    State state = State.of(inspector, workpiece);
    Path to = out;
    if (to == null) {
      Report report = state.report();
      return new FileMended(
          file.toString(),
          List.of(),
          List.of(),
          List.of(),
          offers(workpiece, state, which),
          "",
          CheckView.of(report, mesh));
    }
    Sweep sweep = Sweep.of(workpiece, state, List.of(), which, (dealt, of) -> {});
    for (Change change : sweep.changes()) {
      if (!(workpiece.apply(change) instanceof Outcome.Made)) {
        throw new IllegalStateException("a mend that was tried was refused");
      }
    }
    write(mesh, isFolder ? inFolder(to, file) : to);
    return new FileMended(
        file.toString(),
        sweep.changes(),
        sweep.mended(),
        sweep.left(),
        List.of(),
        sweep.routes(),
        CheckView.of(inspector.inspect(mesh), mesh));
  }

  private static Path inFolder(Path folder, Path file) throws IOException {
    Files.createDirectories(folder);
    return folder.resolve(Objects.requireNonNull(file.getFileName()));
  }

  private static void write(Mesh mesh, Path to) throws IOException {
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(to), 1 << 16)) {
      MeshFormat.writtenTo(to.toString()).orElse(MeshFormat.OBJ).write(mesh, stream);
    }
  }

  private static List<Offered> offers(Workpiece workpiece, State state, Predicate<Assessed> which) {
    Mender mender = new Mender(workpiece, state, List.of());
    List<Offered> offers = new ArrayList<>();
    for (Assessed found : state.report().findings()) {
      if (which.test(found)) {
        Offer offer = mender.of(found.finding());
        offers.add(
            new Offered(
                found.finding().key(),
                found.finding().title(),
                offer.mends().stream().map(m -> m.does()).toList(),
                offer.reason()));
      }
    }
    return offers;
  }

  private static void print(PrintStream to, FileMended file) {
    to.println(file.file() + ":");
    for (Offered offer : file.offers()) {
      to.println("  " + offer.title() + " (" + offer.finding() + ")");
      offer.mends().forEach(does -> to.println("    " + does));
      if (!offer.reason().isEmpty()) {
        to.println("    no mend: " + offer.reason());
      }
    }
    if (file.offers().isEmpty()) {
      to.printf("  %d mended by %d changes%n", file.mended().size(), file.changes().size());
      if (!file.routes().isEmpty()) {
        to.println("  " + file.routes());
      }
      file.left().forEach(key -> to.println("  left: " + key));
    }
    to.printf(
        "  %d must, %d should, %d remarks%n",
        file.report().must(), file.report().should(), file.report().remarks());
  }
}
