package fairedge.server.inspection;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import org.springframework.stereotype.Service;

/** Runs the core's inspector on a mesh by a profile; knows no workpiece and no submission. */
@Service
public class Inspections {
  public CheckView inspect(Mesh mesh, String profile, Tolerance tolerance) {
    Report report = new Inspector(Profile.named(profile), tolerance).inspect(mesh);
    return CheckView.of(report.figures(), report.findings().stream().map(FindingView::of).toList());
  }
}
