package fairedge.core.meet;

import fairedge.core.flow.Choosing;
import fairedge.core.form.Even;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.meet.MeetLine.Stretch;
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
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Parts that pass through one another, cut along the line in which they meet, joined, taken away
 * from each other, or fitted. Both skins are divided along the line, by its chords and never into
 * triangles; the line parts each into patches, and of these some stay, by how they lie to the other
 * (Requicha and Voelcker, "Boolean operations in solid modeling", 1985). What touches in a plane is
 * told by exact signs. Cost: n log n, what lies along each other, and the line.
 */
public final class Meet {
  /** What is made of the parts. */
  public enum MeetWay {
    /** Both are cut along the line. */
    LINES,
    /** The first alone is cut along it. */
    LINES_ON_FIRST,
    JOIN,
    /** The second is taken away from the first. */
    SUBTRACT,
    /** The same, and the second stays beside it. */
    FIT,
    /** What lies in both. */
    COMMON
  }

  private final Site site;
  private final MeshEdit edit;
  private final Mesh mesh;
  private final MeetWay way;
  private final List<Remark> remarks = new ArrayList<>();

  private Meet(Site site, MeetWay way) {
    this.site = site;
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.way = way;
  }

  /**
   * @param first faces of the parts that are cut; empty for all but the others
   * @param second faces of the parts that they are cut by
   * @param play how far a fitted part is given room on all sides; 0 or more
   * @param clean within which distance the line is cleaned, see {@link LineCleaner}; null to leave
   *     it as it is cut
   * @throws Refusal.Raised where it can't be, or nothing would come of it, with the place
   */
  public static Done meet(
      Site site,
      Collection<Integer> first,
      Collection<Integer> second,
      MeetWay way,
      double play,
      @Nullable Double clean) {
    if (!(play >= 0) || !Double.isFinite(play)) {
      throw Refusal.because("The play is 0 or more.");
    }
    Mesh mesh = site.mesh();
    Choosing choosing = new Choosing(mesh);
    Set<Integer> b = choosing.connectedFaces(Asked.faces(site, second));
    Set<Integer> a =
        first.isEmpty() ? others(mesh, b) : choosing.connectedFaces(Asked.faces(site, first));
    for (int f : a) {
      if (b.contains(f)) {
        throw Refusal.because("These faces belong to one part.", Element.face(f));
      }
    }
    if (a.isEmpty()) {
      throw Refusal.because("There is no other part to meet.");
    }
    return new Meet(site, way).meet(new TreeSet<>(a), new TreeSet<>(b), play, clean);
  }

  private static Set<Integer> others(Mesh mesh, Set<Integer> faces) {
    Set<Integer> others = new TreeSet<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && !faces.contains(f)) {
        others.add(f);
      }
    }
    return others;
  }

  private boolean isLinesOnly() {
    return way == MeetWay.LINES || way == MeetWay.LINES_ON_FIRST;
  }

  private Done meet(
      TreeSet<Integer> a, TreeSet<Integer> given, double play, @Nullable Double clean) {
    if (!isLinesOnly()) {
      Solids.require(mesh, a, "The first part");
      Solids.require(mesh, given, "The second part");
    }
    TreeSet<Integer> b = way == MeetWay.FIT ? widened(given, play) : given;
    Skin skinA = new Skin(mesh, a);
    Skin skinB = new Skin(mesh, b);
    MeetLine line = new MeetLine(skinA, skinB, site.merge());
    SkinCut cutA = new SkinCut(edit, skinA, true, line);
    SkinCut cutB = new SkinCut(edit, skinB, false, line);
    cutA.cut();
    if (way != MeetWay.LINES_ON_FIRST) {
      cutB.cut();
    }
    if (isLinesOnly()) {
      if (line.stretches().isEmpty()) {
        throw Refusal.because("These parts don't pass through one another.");
      }
      tellLine(line, cutA);
      return done(edges(cutA, cutB));
    }
    Patches ofA = new Patches(cutA, skinB, line.stretches(), a);
    Patches ofB = new Patches(cutB, skinA, line.stretches(), b);
    choose(ofA, ofB);
    new Joining(edit, cutA, cutB, line, way == MeetWay.JOIN).join();
    tellLine(line, cutA);
    if (clean != null) {
      TreeSet<Integer> vertices = new TreeSet<>();
      for (int e : edges(cutA, cutB)) {
        vertices.add(mesh.first(e));
        vertices.add(mesh.second(e));
      }
      remarks.addAll(new LineCleaner(site, vertices, clean).clean());
    }
    return done(edges(cutA, cutB));
  }

  /** The line comes back chosen. */
  private Done done(Set<Integer> line) {
    return new Done(List.of(), remarks, 0, new Chosen(List.of(), List.copyOf(line), List.of()));
  }

  private Set<Integer> edges(SkinCut a, SkinCut b) {
    Set<Integer> all = new TreeSet<>(a.edges());
    all.addAll(b.edges());
    all.removeIf(e -> !mesh.hasEdge(e) || mesh.uses(e) == 0);
    return all;
  }

  /** Takes out what does not stay, and turns over what shows its other side. */
  private void choose(Patches a, Patches b) {
    List<Integer> gone = new ArrayList<>();
    boolean inside = way == MeetWay.COMMON;
    Lying stays = inside ? Lying.INSIDE : Lying.OUTSIDE;
    boolean takes = way == MeetWay.SUBTRACT || way == MeetWay.FIT;
    Lying onStays = takes ? Lying.OPPOSITE : Lying.SAME;
    Lying ofB = takes ? Lying.INSIDE : stays;
    for (Lying lying : Lying.values()) {
      if (lying != stays && lying != onStays) {
        gone.addAll(a.that(lying));
      }
      if (lying != ofB) {
        gone.addAll(b.that(lying));
      }
    }
    int left = a.that(stays).size() + a.that(onStays).size() + b.that(ofB).size();
    if (left == 0) {
      throw Refusal.because(
          inside
              ? "These parts have nothing in common."
              : "Nothing would be left of the first part.");
    }
    boolean isSame =
        switch (way) {
          case JOIN -> gone.isEmpty();
          case SUBTRACT, FIT -> b.that(ofB).isEmpty() && a.that(stays).size() == left;
          default -> false;
        };
    if (isSame && a.that(Lying.INSIDE).isEmpty() && a.that(Lying.SAME).isEmpty()) {
      throw Refusal.because("These parts don't pass through one another: nothing would change.");
    }
    Pruning.removeFaces(edit, gone);
    if (takes) {
      b.that(ofB).forEach(f -> Pruning.turnOver(edit, f));
    }
  }

  /** A copy of a part whose faces all lie so far out; the part itself stays. */
  private TreeSet<Integer> widened(TreeSet<Integer> faces, double play) {
    Map<Integer, Even> moves = new HashMap<>();
    for (int f : faces) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        moves.computeIfAbsent(mesh.vertexOf(c), v -> new Even()).corner(mesh, c, 1);
      }
    }
    Map<Integer, Integer> copies = new HashMap<>();
    for (int v : new TreeSet<>(moves.keySet())) {
      Vec3 move = play == 0 ? Vec3.ZERO : moves.getOrDefault(v, new Even()).move();
      if (move.length() > Even.FARTHEST) {
        move = move.unit().times(Even.FARTHEST);
        remarks.add(
            Remark.of(
                "The faces meet so sharply here that there is less play.", Element.vertex(v)));
      }
      copies.put(v, edit.makeVertex(mesh.position(v).plus(move.times(play))));
    }
    TreeSet<Integer> made = new TreeSet<>();
    for (int f : List.copyOf(faces)) {
      int[] ring = mesh.vertices(f);
      for (int i = 0; i < ring.length; i++) {
        ring[i] = copies.getOrDefault(ring[i], ring[i]);
      }
      made.add(Pruning.layFace(edit, ring, f));
    }
    return made;
  }

  /** What the line leaves beside it, before anything is cleaned. */
  private void tellLine(MeetLine line, SkinCut a) {
    if (line.stretches().isEmpty()) {
      return;
    }
    TreeSet<Integer> beside = new TreeSet<>();
    double shortest = Double.POSITIVE_INFINITY;
    Element where = null;
    for (Stretch s : line.stretches()) {
      int e = a.edgeOf(s);
      if (mesh.hasEdge(e)) {
        for (int f : mesh.facesOn(e)) {
          beside.add(f);
        }
        if (mesh.length(e) < shortest) {
          shortest = mesh.length(e);
          where = Element.edge(e);
        }
      }
    }
    long many = beside.stream().filter(f -> mesh.size(f) > 4).count();
    long three = beside.stream().filter(f -> mesh.size(f) == 3).count();
    remarks.add(
        Remark.of(
            String.format(
                Locale.ROOT,
                "The line has %d edges. Of the %d faces beside it %d have more than four sides, %d"
                    + " are triangles; its shortest edge is %.4g long.",
                line.stretches().size(),
                beside.size(),
                many,
                three,
                shortest),
            where));
  }
}
