package fairedge.core.inspect;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * Inspects a mesh. Never fails on one that could be read; the same mesh gives the same report in
 * the same order: by kind, then by the lowest element. Cost: n log n in the elements of the mesh.
 */
public final class Inspector {
  private final Profile profile;
  private final Tolerance tolerance;

  /**
   * @param tolerance by the scale of the mesh; in a workpiece by that of its starter
   */
  public Inspector(Profile profile, Tolerance tolerance) {
    this.profile = profile;
    this.tolerance = tolerance;
  }

  public Report inspect(Mesh mesh) {
    List<Finding> found = new ArrayList<>();
    found.addAll(new NgonFinder(tolerance).find(mesh));
    found.addAll(new TriangleFinder(profile.pairBend()).find(mesh));
    found.addAll(new IdleVertexFinder(profile.idleAngle()).find(mesh));
    Double weld = profile.weld();
    found.addAll(new DoubleFinder(weld == null ? tolerance.weld() : weld).find(mesh));
    List<Report.Assessed> assessed = new ArrayList<>();
    for (Finding finding : found) {
      profile
          .severityOf(finding)
          .ifPresent(severity -> assessed.add(new Report.Assessed(finding, severity)));
    }
    return new Report(Figures.of(mesh), List.copyOf(assessed));
  }
}
