package fairedge.server.inspection;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.json.CheckView;
import java.util.List;
import org.springframework.stereotype.Service;

/** Runs the core's inspector on a mesh by a profile; knows no workpiece and no submission. */
@Service
public class Inspections {
  public CheckView inspect(Mesh mesh, String profile, Tolerance tolerance) {
    return inspect(mesh, List.of(), profile, tolerance);
  }

  /**
   * @param oddities what was odd about the mesh's file
   */
  public CheckView inspect(Mesh mesh, List<Oddity> oddities, String profile, Tolerance tolerance) {
    Report report = new Inspector(Profile.named(profile), tolerance).inspect(mesh, oddities);
    return CheckView.of(report, mesh);
  }
}
