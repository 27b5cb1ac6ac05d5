package fairedge.core.inspect;

import fairedge.core.compare.Comparison;
import fairedge.core.compare.Comparison.Spot;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.PointGrid;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Wanted.Pardon;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The starter's faults that an exercise pardons. A fault of a mesh is one of them if it is matched
 * with it as between attempts ({@link Comparison}), one to one, and its faces have the same corners
 * within 1e-4 S; one about the whole mesh if the starter has one of its kind. Cost: the faults of
 * the kinds that are pardoned, with the corners of their faces.
 */
final class Pardons {
  static final Pardons NONE = new Pardons(List.of(), Set.of(), new Tolerance(1));

  /** A fault that is pardoned, as the starter has it. */
  private record Pardoned(Spot spot, List<Vec3> corners) {}

  private final List<Pardoned> faults;
  private final Set<String> whole;
  private final Set<String> kinds;
  private final Tolerance tolerance;

  private Pardons(List<Pardoned> faults, Set<String> whole, Tolerance tolerance) {
    this.faults = faults;
    this.whole = whole;
    this.kinds = faults.stream().map(f -> f.spot().kind()).collect(Collectors.toSet());
    this.tolerance = tolerance;
  }

  /**
   * @param found all that is found in the starter
   * @param chosen what of it is pardoned
   */
  static Pardons of(List<Finding> found, Mesh starter, List<Pardon> chosen, Tolerance tolerance) {
    Set<String> allOf = new HashSet<>();
    List<Spot> single = new ArrayList<>();
    for (Pardon pardon : chosen) {
      Vec3 place = pardon.place();
      if (place == null) {
        allOf.add(pardon.kind());
      } else {
        single.add(new Spot(pardon.kind(), place, 0));
      }
    }
    List<Spot> spots = found.stream().map(f -> spot(f, null)).toList();
    Set<Integer> matched = new TreeSet<>(Comparison.of(spots, single, tolerance).match());
    List<Pardoned> faults = new ArrayList<>();
    Set<String> whole = new HashSet<>();
    for (int i = 0; i < found.size(); i++) {
      Finding f = found.get(i);
      String kind = f.kind().key();
      if (allOf.contains(kind) || matched.contains(i)) {
        if (f.where().isWhole()) {
          whole.add(kind);
        } else {
          faults.add(new Pardoned(spots.get(i), corners(f, starter, null)));
        }
      }
    }
    return new Pardons(faults, whole, tolerance);
  }

  /**
   * Which of some findings are pardoned, by their indices.
   *
   * @param placement what brings the mesh to where the starter lies; null where it lies there
   */
  BitSet among(List<Finding> found, Mesh mesh, @Nullable Placement placement) {
    BitSet pardoned = new BitSet();
    if (faults.isEmpty() && whole.isEmpty()) {
      return pardoned;
    }
    List<Integer> asked = new ArrayList<>();
    for (int i = 0; i < found.size(); i++) {
      Finding f = found.get(i);
      if (f.where().isWhole()) {
        pardoned.set(i, whole.contains(f.kind().key()));
      } else if (kinds.contains(f.kind().key())) {
        asked.add(i);
      }
    }
    List<Spot> now = asked.stream().map(i -> spot(found.get(i), placement)).toList();
    List<Spot> before = faults.stream().map(Pardoned::spot).toList();
    List<Integer> match = Comparison.of(before, now, tolerance).match();
    for (int k = 0; k < now.size(); k++) {
      int i = asked.get(k);
      pardoned.set(
          i,
          match.get(k) >= 0
              && isSame(
                  faults.get(match.get(k)).corners(), corners(found.get(i), mesh, placement)));
    }
    return pardoned;
  }

  private static Spot spot(Finding f, @Nullable Placement placement) {
    double scale = placement == null ? 1 : placement.scale();
    return new Spot(f.kind().key(), moved(f.place(), placement), f.reach() * scale);
  }

  private static Vec3 moved(Vec3 place, @Nullable Placement placement) {
    return placement == null ? place : placement.moved(place);
  }

  /** Those of its faces; of what is in no face its own. */
  private static List<Vec3> corners(Finding f, Mesh mesh, @Nullable Placement placement) {
    Set<Integer> faces = new TreeSet<>();
    Set<Integer> bare = new TreeSet<>();
    for (Element element : f.elements()) {
      switch (element.kind()) {
        case FACE -> faces.add(element.id());
        case EDGE -> {
          addAll(faces, mesh.facesOn(element.id()));
          bare.add(mesh.first(element.id()));
          bare.add(mesh.second(element.id()));
        }
        case VERTEX -> {
          addAll(faces, mesh.facesAt(element.id()));
          bare.add(element.id());
        }
      }
    }
    List<Vec3> corners = new ArrayList<>();
    for (int face : faces) {
      for (int v : mesh.vertices(face)) {
        corners.add(moved(mesh.position(v), placement));
      }
    }
    if (faces.isEmpty()) {
      bare.forEach(v -> corners.add(moved(mesh.position(v), placement)));
    }
    return corners;
  }

  private static void addAll(Set<Integer> set, int[] ids) {
    for (int id : ids) {
      set.add(id);
    }
  }

  private boolean isSame(List<Vec3> before, List<Vec3> now) {
    return before.size() == now.size() && haveAll(before, now) && haveAll(now, before);
  }

  private boolean haveAll(List<Vec3> places, List<Vec3> asked) {
    PointGrid grid = new PointGrid(tolerance.flat());
    places.stream().filter(Vec3::isFinite).forEach(grid::add);
    return asked.stream().allMatch(p -> !p.isFinite() || grid.hasNear(p));
  }
}
