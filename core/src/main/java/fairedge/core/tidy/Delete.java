package fairedge.core.tidy;

import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * Takes elements out; what was a surface has a hole there. With an edge or vertex its faces go.
 * What is left bare goes too. Cost: the faces and their corners.
 */
public final class Delete {
  private Delete() {}

  /**
   * @throws Refusal.Raised if no face would be left
   */
  public static Done delete(
      Site site,
      Collection<Integer> faces,
      Collection<Integer> edges,
      Collection<Integer> vertices) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> gone = faces.isEmpty() ? new TreeSet<>() : Asked.faces(site, faces);
    TreeSet<Integer> loose = new TreeSet<>();
    for (int e : edges.isEmpty() ? edges : Asked.edges(site, edges)) {
      addFacesOn(mesh, e, gone, loose);
    }
    TreeSet<Integer> points = vertices.isEmpty() ? new TreeSet<>() : Asked.vertices(site, vertices);
    for (int v : points) {
      for (int e : mesh.edgesAt(v)) {
        addFacesOn(mesh, e, gone, loose);
      }
    }
    if (gone.size() == mesh.faceCount()) {
      throw Refusal.because("No face would be left.");
    }
    Pruning.removeFaces(site.edit(), gone);
    Pruning.removeBare(site.edit(), loose);
    for (int v : points) {
      if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE) {
        site.edit().removeVertex(v);
      }
    }
    return new Done(List.of(), List.of(), 0);
  }

  private static void addFacesOn(Mesh mesh, int e, TreeSet<Integer> faces, TreeSet<Integer> loose) {
    for (int f : mesh.facesOn(e)) {
      faces.add(f);
    }
    if (mesh.cornerOn(e) == Mesh.NONE) {
      loose.add(e);
    }
  }

  /** Takes out all edges and vertices that are in no face. Cost: the mesh. */
  public static Done looseParts(Site site) {
    Mesh mesh = site.mesh();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
        site.edit().removeEdge(e);
      }
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.edgeAt(v) == Mesh.NONE) {
        site.edit().removeVertex(v);
      }
    }
    return new Done(List.of(), List.of(), 0);
  }
}
