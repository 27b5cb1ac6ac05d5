package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Takes a surface apart along edges, and joins it again. Along a seam every vertex is doubled in
 * its place, one for each side; where a seam ends inside the surface it is not. Nothing moves.
 * Cost: the faces at the seam; to join, the borders.
 */
public final class Pieces {
  private final Site site;
  private final MeshEdit edit;
  private final Mesh mesh;
  private final List<Remark> remarks = new ArrayList<>();

  private Pieces(Site site) {
    this.site = site;
    this.edit = site.edit();
    this.mesh = site.mesh();
  }

  /**
   * @param faces to become pieces of their own; or
   * @param edges to cut along
   * @throws Refusal.Raised where nothing would come apart
   */
  public static Done part(Site site, Collection<Integer> faces, Collection<Integer> edges) {
    Pieces pieces = new Pieces(site);
    Set<Integer> seam = new TreeSet<>();
    if (!faces.isEmpty()) {
      seam.addAll(pieces.round(Asked.faces(site, faces)));
      if (seam.isEmpty() && edges.isEmpty()) {
        throw Refusal.because("These faces are pieces of their own already.");
      }
    }
    if (faces.isEmpty() || !edges.isEmpty()) {
      seam.addAll(Asked.edges(site, edges));
    }
    return pieces.cut(seam, faces);
  }

  /** The edges between chosen faces and others. */
  private Set<Integer> round(Set<Integer> faces) {
    Set<Integer> seam = new TreeSet<>();
    for (int f : faces) {
      for (int e : mesh.edges(f)) {
        for (int other : mesh.facesOn(e)) {
          if (!faces.contains(other)) {
            seam.add(e);
          }
        }
      }
    }
    return seam;
  }

  private Done cut(Set<Integer> seam, Collection<Integer> chosen) {
    seam.forEach(e -> EdgeRuns.requireSides(site, e, false));
    List<Joint> joints = Joint.of(mesh, Region.along(mesh, seam));
    Set<Integer> ends = new HashSet<>();
    Map<Integer, Integer> corners = new HashMap<>();
    for (Joint joint : joints) {
      if (joint.isEnd()) {
        ends.add(joint.vertex());
      } else {
        // The first keeps the vertex.
        for (Fan fan : joint.fans().subList(1, joint.fans().size())) {
          int doubled = edit.makeVertex(mesh.position(joint.vertex()));
          fan.corners().forEach(c -> corners.put(c, doubled));
        }
      }
    }
    for (int e : seam) {
      if (ends.contains(mesh.first(e)) && ends.contains(mesh.second(e))) {
        throw Refusal.because(
            "Both ends of this edge lie inside the surface: nothing can come apart along it. Choose"
                + " the next edges too.",
            Element.edge(e));
      }
    }
    Map<Integer, List<Integer>> sides = sidesOf(seam);
    relay(corners);
    tell(sides);
    return new Done(
        List.of(),
        remarks,
        0,
        chosen.isEmpty() ? Chosen.NOTHING : Chosen.faces(List.copyOf(chosen)));
  }

  /** The two faces at each edge of the seam. */
  private Map<Integer, List<Integer>> sidesOf(Set<Integer> seam) {
    Map<Integer, List<Integer>> sides = new TreeMap<>();
    for (int e : seam) {
      int c = mesh.firstSideOn(e);
      sides.put(e, List.of(mesh.faceOf(c), mesh.faceOf(mesh.nextOnEdge(c))));
    }
    return sides;
  }

  private void relay(Map<Integer, Integer> corners) {
    StripLayer faces = new StripLayer(site);
    corners.forEach((c, v) -> faces.replace(c, v));
    faces.lay(List.of());
  }

  /** Says where both sides of the seam hang together still. */
  private void tell(Map<Integer, List<Integer>> sides) {
    Map<Integer, Integer> pieceOf = new HashMap<>();
    int pieces = 0;
    int slit = Mesh.NONE;
    for (List<Integer> pair : sides.values()) {
      for (int f : pair) {
        if (!pieceOf.containsKey(f)) {
          pieces++;
          for (int other : Whole.of(mesh, List.of(f))) {
            pieceOf.put(other, pieces);
          }
        }
      }
      int one = pieceOf.getOrDefault(pair.getFirst(), 0);
      slit = one == pieceOf.getOrDefault(pair.getLast(), 0) ? pair.getFirst() : slit;
    }
    if (slit != Mesh.NONE) {
      remarks.add(
          Remark.of(
              pieces == 1
                  ? "Nothing is parted by it: it leaves a slit."
                  : "A part of it leaves a slit: the surface hangs together on both its sides.",
              Element.face(slit)));
    }
    if (pieces > 1) {
      remarks.add(Remark.of("What hung together is %d pieces now.".formatted(pieces), null));
    }
  }

  /** A border edge by the two places it leads between, each as one of what lies at one place. */
  private record Between(int from, int to) {}

  /**
   * Joins borders that lie on one another, wound against each other, within what counts as one
   * place.
   *
   * @param edges of the border; empty for all
   * @throws Refusal.Raised where none do, with the gap
   */
  public static Done rejoin(Site site, Collection<Integer> edges) {
    return new Pieces(site).rejoin(edges.isEmpty() ? Set.of() : Asked.edges(site, edges));
  }

  private Done rejoin(Set<Integer> asked) {
    Map<Integer, Vec3> places = new TreeMap<>();
    List<Integer> borders = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1) {
        borders.add(e);
        for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
          if (mesh.hasPlace(v)) {
            places.put(v, mesh.position(v));
          }
        }
      }
    }
    Coincident same = new Coincident(places, site.merge());
    Groups groups = new Groups();
    int joined = pairs(borders, asked, same, groups);
    if (joined == 0) {
      throw Refusal.because(nothing(borders, asked, same));
    }
    Map<Integer, Integer> into = new TreeMap<>();
    for (int v : places.keySet()) {
      if (groups.of(v) != v) {
        into.put(v, groups.of(v));
      }
    }
    Map<Integer, Integer> corners = new HashMap<>();
    into.forEach((from, to) -> {
      for (int f : mesh.facesAt(from)) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
          if (mesh.vertexOf(c) == to) {
            throw Refusal.because("A face would lose a side here.", Element.face(f));
          }
          if (mesh.vertexOf(c) == from) {
            corners.put(c, to);
          }
        }
      }
    });
    relay(corners);
    remarks.add(
        Remark.of(
            joined == 1 ? "One edge is joined." : "%d edges are joined.".formatted(joined), null));
    return new Done(List.of(), remarks, 0);
  }

  /** Joins the vertices that go into one; how many edges are joined by it. */
  private int pairs(List<Integer> borders, Set<Integer> asked, Coincident same, Groups groups) {
    Map<Between, List<Integer>> lying =
        new TreeMap<>((p, q) ->
            p.from() == q.from()
                ? Integer.compare(p.to(), q.to())
                : Integer.compare(p.from(), q.from()));
    for (int e : borders) {
      lying.computeIfAbsent(between(e, same, false), b -> new ArrayList<>()).add(e);
    }
    int joined = 0;
    for (int e : borders) {
      List<Integer> against = lying.getOrDefault(between(e, same, true), List.of());
      List<Integer> along = lying.getOrDefault(between(e, same, false), List.of());
      boolean isPair = against.size() == 1 && along.size() == 1 && against.getFirst() > e;
      if (isPair && (asked.isEmpty() || asked.contains(e) || asked.contains(against.getFirst()))) {
        int other = against.getFirst();
        joined++;
        groups.join(start(e), end(other));
        groups.join(end(e), start(other));
      }
    }
    return joined;
  }

  private int start(int e) {
    return mesh.vertexOf(mesh.cornerOn(e));
  }

  private int end(int e) {
    return mesh.otherEnd(e, start(e));
  }

  private Between between(int e, Coincident same, boolean isTurned) {
    int from = same.placeOf(start(e));
    int to = same.placeOf(end(e));
    return isTurned ? new Between(to, from) : new Between(from, to);
  }

  private String nothing(List<Integer> borders, Set<Integer> asked, Coincident same) {
    double gap = Double.POSITIVE_INFINITY;
    TreeSet<Integer> own = new TreeSet<>();
    for (int e : asked.isEmpty() ? borders : asked) {
      own.add(mesh.first(e));
      own.add(mesh.second(e));
    }
    for (int v : own) {
      gap = Math.min(gap, same.gap(v));
    }
    return gap < Double.POSITIVE_INFINITY
        ? String.format(
            Locale.ROOT,
            "No two borders lie on one another here: the nearest of their vertices are %.4g apart.",
            gap)
        : "There are no two borders here that could be joined.";
  }
}
