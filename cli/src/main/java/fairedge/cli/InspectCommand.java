package fairedge.cli;

import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import fairedge.json.CheckView;
import fairedge.json.ExerciseZip;
import fairedge.json.FindingView;
import fairedge.json.FindingView.ElementView;
import fairedge.json.FindingView.SeverityView;
import fairedge.json.ProfileView;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Prints the report of each file. */
@Command(
    name = "inspect",
    description = "Inspects mesh files and prints what is found.",
    mixinStandardHelpOptions = true,
    exitCodeListHeading = "Exit:%n",
    exitCodeList = {"0:nothing must be mended", "1:something must", "2:unreadable, or wrong use"})
final class InspectCommand implements Callable<Integer> {
  @Spec private @Nullable CommandSpec spec;

  @Parameters(
      arity = "1..*",
      paramLabel = "FILE",
      description = "OBJ, PLY, OFF, STL, glTF or GLB files")
  private List<Path> files = List.of();

  @Option(names = "--profile", paramLabel = "NAME", description = "what counts, and how much")
  private String profile = Profile.ALL_QUADS.name();

  @Option(
      names = "--weld",
      paramLabel = "X",
      description = "distance of doubles; 1e-6 S if not given")
  private @Nullable Double weld;

  @Option(names = "--idle-angle", paramLabel = "X", description = "largest turn at an idle vertex")
  private @Nullable Double idleAngle;

  @Option(
      names = "--sliver",
      paramLabel = "X",
      description = "slenderness under which a face is a sliver")
  private @Nullable Double sliver;

  @Option(
      names = "--threshold",
      paramLabel = "NAME=X",
      description = "any other number of the profile")
  private Map<String, Double> numbers = Map.of();

  @Option(names = "--starter", paramLabel = "FILE", description = "what the work began from")
  private @Nullable Path starter;

  @Option(
      names = "--asked",
      paramLabel = "FILE",
      description = "what is asked of the shape, as JSON: docs/formats.md")
  private @Nullable Path asked;

  @Option(
      names = "--reference",
      paramLabel = "FILE",
      description = "a solution: new edges that it does not have are told")
  private @Nullable Path reference;

  @Option(
      names = "--exercise",
      paramLabel = "FILE",
      description = "an exported exercise: its profile, starter, references and marks")
  private @Nullable Path exercise;

  @Option(names = "--json", description = "every figure, and every finding with its elements")
  private boolean json;

  /** A report with the name of its file. */
  record FileReport(String file, double scale, List<String> remarks, CheckView report) {}

  @Override
  public Integer call() {
    PrintStream out = System.out;
    List<FileReport> reports = new ArrayList<>();
    boolean unreadable = false;
    try {
      By by = exercise == null ? asSaid() : asExercise(exercise);
      for (Path file : files) {
        try {
          reports.add(report(file, by));
        } catch (MeshFile.Unreadable e) {
          unreadable = true;
          System.err.println("fair-edge: " + e.getMessage());
        }
      }
    } catch (MeshFile.Unreadable e) {
      System.err.println("fair-edge: " + e.getMessage());
      return 2;
    }
    if (json) {
      Printed.json(out, reports);
    } else {
      reports.forEach(r -> print(out, r));
    }
    boolean must = reports.stream().anyMatch(r -> r.report().must() > 0);
    return unreadable ? 2 : must ? 1 : 0;
  }

  /**
   * By what files are inspected.
   *
   * @param began what the work began from
   */
  private record By(Profile profile, @Nullable Mesh began, Wanted wanted, List<Mesh> references) {}

  private By asSaid() throws MeshFile.Unreadable {
    Profile counting = chosenProfile();
    Wanted wanted = wanted();
    return new By(
        counting,
        starter == null ? null : MeshFile.read(starter).mesh(),
        wanted,
        reference == null ? List.of() : List.of(MeshFile.read(reference).mesh()));
  }

  private By asExercise(Path zip) {
    CommandLine self = Objects.requireNonNull(spec).commandLine();
    if (starter != null || reference != null || asked != null) {
      throw new ParameterException(
          self,
          "--exercise brings its starter, references and what is asked: leave out the others");
    }
    try (InputStream in = new BufferedInputStream(Files.newInputStream(zip), 1 << 16)) {
      ExerciseZip read = ExerciseZip.read(in, Limits.NONE, Long.MAX_VALUE);
      JsonNode text = Printed.JSON.readTree(read.text());
      Profile counts =
          Printed.JSON.treeToValue(text.at("/exercise/profile"), ProfileView.class).profile();
      Wanted wanted = Printed.JSON.treeToValue(text.at("/exercise/wanted"), Wanted.class);
      return new By(counts, read.starter(), wanted, read.references());
    } catch (ExerciseZip.Bad | JacksonException | IllegalArgumentException e) {
      throw new ParameterException(self, zip + ": " + e.getMessage());
    } catch (IOException e) {
      throw new ParameterException(self, zip + ": it can't be read (" + e.getMessage() + ")");
    }
  }

  private Wanted wanted() {
    if (asked == null) {
      return Wanted.NOTHING;
    }
    CommandLine self = Objects.requireNonNull(spec).commandLine();
    try {
      return Printed.JSON.readValue(Files.readAllBytes(asked), Wanted.class);
    } catch (JacksonException e) {
      throw new ParameterException(
          self,
          "%s: line %d: %s".formatted(asked, e.getLocation().getLineNr(), e.getOriginalMessage()));
    } catch (IOException e) {
      throw new ParameterException(self, asked + ": it can't be read (" + e.getMessage() + ")");
    }
  }

  private Profile chosenProfile() {
    try {
      Profile named = Profile.named(profile);
      Thresholds thresholds = named.thresholds();
      thresholds =
          weld == null ? thresholds : thresholds.with(Threshold.WELD, positive("--weld", weld));
      thresholds =
          idleAngle == null
              ? thresholds
              : thresholds.with(Threshold.IDLE_ANGLE, positive("--idle-angle", idleAngle));
      thresholds =
          sliver == null
              ? thresholds
              : thresholds.with(Threshold.SLIVER, positive("--sliver", sliver));
      for (Map.Entry<String, Double> number : numbers.entrySet()) {
        thresholds = thresholds.with(Threshold.named(number.getKey()), number.getValue());
      }
      return named.with(thresholds);
    } catch (IllegalArgumentException e) {
      CommandLine self = Objects.requireNonNull(spec).commandLine();
      throw new ParameterException(self, e.getMessage());
    }
  }

  private static double positive(String option, double value) {
    if (!(value >= 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(option + " is a number from 0 on, not " + value);
    }
    return value;
  }

  private static FileReport report(Path file, By by) throws MeshFile.Unreadable {
    ReadResult read = MeshFile.read(file);
    Mesh began = by.began();
    Tolerance tolerance = Tolerance.of((began == null ? read.mesh() : began).bounds());
    Starter starter = began == null ? null : new Starter(began, tolerance.flat());
    var report =
        new Inspector(by.profile(), tolerance, starter)
            .asking(by.wanted(), by.references())
            .inspect(read.mesh(), read.oddities());
    return new FileReport(
        file.toString(), tolerance.scale(), read.remarks(), CheckView.of(report, read.mesh()));
  }

  private static void print(PrintStream out, FileReport report) {
    Figures figures = report.report().figures();
    out.printf(
        "%s: %d vertices, %d edges, %d faces (%d quads, %d triangles, %d n-gons)%n",
        report.file(),
        figures.vertices(),
        figures.edges(),
        figures.faces(),
        figures.quads(),
        figures.triangles(),
        figures.ngons());
    report.remarks().forEach(remark -> out.println("  remark " + remark));
    for (FindingView f : report.report().findings()) {
      out.printf(
          "  %-6s %-15s %s, %s%n", word(f.severity()), f.kind(), f.title(), at(f.elements()));
    }
    CheckView check = report.report();
    if (check.pardoned() > 0) {
      out.printf("  %d of the starter pardoned%n", check.pardoned());
    }
    check.leftOut().forEach(left -> out.printf("  left out %s: %s%n", left.kind(), left.why()));
    out.println(
        check.findings().isEmpty()
            ? "  clean"
            : "  %d must, %d should, %d remarks"
                .formatted(check.must(), check.should(), check.remarks()));
  }

  private static String word(SeverityView severity) {
    return severity.name();
  }

  private static String at(List<ElementView> elements) {
    String named =
        elements.stream()
            .limit(3)
            .map(e -> e.kind() + " " + (e.ends() == null ? e.id() : e.ends().toString()))
            .collect(Collectors.joining(", "));
    return elements.size() > 3 ? named + " and " + (elements.size() - 3) + " more" : named;
  }
}
