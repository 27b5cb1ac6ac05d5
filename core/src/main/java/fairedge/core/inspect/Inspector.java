package fairedge.core.inspect;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;

/**
 * Inspects a mesh. Never fails on one that could be read; the same mesh gives the same report in
 * the same order: by kind, then as the finder of the kind says. Cost: n log n in the elements of
 * the mesh.
 */
public final class Inspector {
  private static final List<Finder> FINDERS =
      List.of(
          new NgonFinder(),
          new TriangleFinder(),
          new FlatCornerFinder(),
          new IdleVertexFinder(),
          new BentVertexFinder(),
          new DoubleFinder(),
          new LooseFinder(),
          new BorderFinder(),
          new CrowdedFinder(),
          new OrientationFinder(),
          new ReadingFinder(),
          new TwinFaceFinder(),
          new NoAreaFinder(),
          new FlowFinder());

  private final Profile profile;
  private final Tolerance tolerance;
  private final @Nullable Starter starter;

  /**
   * @param tolerance by the scale of the mesh; in a workpiece by that of its starter
   */
  public Inspector(Profile profile, Tolerance tolerance) {
    this(profile, tolerance, null);
  }

  /**
   * @param starter what the work began from; null where nothing counts as new
   */
  public Inspector(Profile profile, Tolerance tolerance, @Nullable Starter starter) {
    this.profile = profile;
    this.tolerance = tolerance;
    this.starter = starter;
  }

  public Report inspect(Mesh mesh) {
    return inspect(mesh, List.of());
  }

  /**
   * @param oddities what was odd about the mesh's file
   */
  public Report inspect(Mesh mesh, List<Oddity> oddities) {
    Subject subject = Subject.of(mesh, tolerance, profile.thresholds(), oddities, starter);
    CompletableFuture<Figures> figures = CompletableFuture.supplyAsync(() -> Figures.of(subject));
    List<Finding> found = new ArrayList<>();
    for (Finder finder : FINDERS) {
      found.addAll(finder.find(subject));
    }
    // Stable: within a kind the finder's order stays.
    found.sort(Comparator.comparing(Finding::kind));
    List<Report.Assessed> assessed = new ArrayList<>();
    for (Finding finding : found) {
      profile
          .severityOf(finding.rule())
          .ifPresent(severity -> assessed.add(new Report.Assessed(finding, severity)));
    }
    return new Report(figures.join(), List.copyOf(assessed));
  }
}
