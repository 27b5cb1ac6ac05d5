package fairedge.core.form;

import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.TreeSet;

/** Faces with all that hangs together with them over edges. Cost: those faces. */
final class Whole {
  private Whole() {}

  static TreeSet<Integer> of(Mesh mesh, Collection<Integer> faces) {
    TreeSet<Integer> found = new TreeSet<>(faces);
    Deque<Integer> next = new ArrayDeque<>(found);
    while (!next.isEmpty()) {
      for (int e : mesh.edges(next.remove())) {
        for (int f : mesh.facesOn(e)) {
          if (found.add(f)) {
            next.add(f);
          }
        }
      }
    }
    return found;
  }
}
