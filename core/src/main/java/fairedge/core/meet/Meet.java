package fairedge.core.meet;

import fairedge.core.flow.Spread;
import fairedge.core.form.Even;
import fairedge.core.form.Inset;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Move;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
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

  /** Whose material the faces have that the second part leaves in the first. */
  public enum Whose {
    SECOND,
    FIRST,
    /** One that is named. */
    NAMED
  }

  /**
   * The material of cut faces.
   *
   * @param name counts where it is named
   */
  public record CutMaterial(Whose whose, String name) {
    public CutMaterial {
      Objects.requireNonNull(whose, "whose");
      name = Objects.requireNonNullElse(name, "").strip();
    }
  }

  /**
   * How parts meet.
   *
   * @param placed how the second is moved before they do; null: it stays
   * @param play how far a fitted part is given room on all sides; 0 or more
   * @param material of faces where something is taken away; null: the second's
   * @param clean within which distance the line is cleaned, see {@link LineCleaner}; null to leave
   *     it as it is cut
   * @param collar how wide a ring of quads goes round what the second part brings; null for none
   */
  public record How(
      MeetWay way,
      Move.@Nullable Motion placed,
      double play,
      @Nullable CutMaterial material,
      @Nullable Double clean,
      @Nullable Double collar) {
    public How {
      Objects.requireNonNull(way, "way");
    }
  }

  private final Site site;
  private final MeshEdit edit;
  private final Mesh mesh;
  private final How how;
  private final MeetWay way;
  private final List<Remark> remarks = new ArrayList<>();

  private Meet(Site site, How how) {
    this.site = site;
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.how = how;
    this.way = how.way();
  }

  /**
   * @param first faces of the parts that are cut; empty for all but the others
   * @param second faces of the parts that they are cut by
   * @throws Refusal.Raised where it can't be, or nothing would come of it, with the place
   */
  public static Done meet(
      Site site, Collection<Integer> first, Collection<Integer> second, How how) {
    if (!(how.play() >= 0) || !Double.isFinite(how.play())) {
      throw Refusal.because("The play is 0 or more.");
    }
    Mesh mesh = site.mesh();
    BitSet b = connected(mesh, Asked.faces(site, second));
    BitSet a = first.isEmpty() ? others(mesh, b) : connected(mesh, Asked.faces(site, first));
    if (a.intersects(b)) {
      BitSet both = (BitSet) a.clone();
      both.and(b);
      throw Refusal.because("These faces belong to one part.", Element.face(both.nextSetBit(0)));
    }
    if (a.isEmpty()) {
      throw Refusal.because("There is no other part to meet.");
    }
    return new Meet(site, how).meet(a, b);
  }

  private static BitSet connected(Mesh mesh, Collection<Integer> faces) {
    Spread spread = new Spread(mesh);
    faces.forEach(spread::from);
    return spread.known();
  }

  private static BitSet others(Mesh mesh, BitSet faces) {
    BitSet others = new BitSet();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && !faces.get(f)) {
        others.set(f);
      }
    }
    return others;
  }

  private boolean isLinesOnly() {
    return way == MeetWay.LINES || way == MeetWay.LINES_ON_FIRST;
  }

  private Done meet(BitSet a, BitSet given) {
    if (how.placed() != null) {
      place(given, how.placed());
    }
    if (!isLinesOnly()) {
      Solids.require(mesh, a, "The first part");
      Solids.require(mesh, given, "The second part");
    }
    BitSet b = way == MeetWay.FIT ? widened(given, how.play()) : given;
    Skin skinA = new Skin(mesh, a);
    Skin skinB = new Skin(mesh, b);
    MeetLine line = new MeetLine(skinA, skinB, site.merge());
    SkinCut cutA = new SkinCut(edit, skinA, skinB, true, line);
    SkinCut cutB = new SkinCut(edit, skinB, skinA, false, line);
    cutA.cut();
    if (way != MeetWay.LINES_ON_FIRST) {
      cutB.cut();
    }
    if (isLinesOnly()) {
      if (line.stretches().isEmpty()) {
        throw Refusal.because("These parts don't pass through one another.");
      }
      tell("As cut", edges(cutA, cutB), new int[0]);
      return done(edges(cutA, cutB));
    }
    Patches ofA = new Patches(cutA, skinB, line.stretches(), a);
    Patches ofB = new Patches(cutB, skinA, line.stretches(), b);
    int[] brought = choose(ofA, ofB);
    new Joining(edit, cutA, cutB, line, way == MeetWay.JOIN).join();
    label(brought, a);
    tell("As cut", edges(cutA, cutB), brought);
    finish(cutA, cutB, brought);
    return done(edges(cutA, cutB));
  }

  private void place(BitSet part, Move.Motion placed) {
    if (placed.along() != 0) {
      throw Refusal.because("A part is placed as a whole, not along its normals.");
    }
    Set<Integer> vertices = new TreeSet<>();
    for (int f : IdSet.idsOf(part)) {
      for (int v : mesh.vertices(f)) {
        vertices.add(v);
      }
    }
    Move.move(site, vertices, placed, null);
  }

  /** Cleans the line and lays a collar round it, as asked. */
  private void finish(SkinCut a, SkinCut b, int[] brought) {
    Double within = how.clean();
    if (within != null) {
      TreeSet<Integer> vertices = new TreeSet<>();
      for (int e : edges(a, b)) {
        vertices.add(mesh.first(e));
        vertices.add(mesh.second(e));
      }
      remarks.addAll(new LineCleaner(site, vertices, within).clean());
    }
    Double width = how.collar();
    if (width != null) {
      Set<Integer> line = edges(a, b);
      if (line.isEmpty()) {
        throw Refusal.because("There is no line for a collar to go round.");
      }
      remarks.addAll(
          Inset.inset(
                  site, inner(line, brought), false, new Inset.Margin(width, 0, true, false, false))
              .remarks());
    }
    if (within != null || width != null) {
      tell("Then", edges(a, b), brought);
    }
  }

  /** All that the second part left, on its side of the line. */
  private Set<Integer> inner(Set<Integer> line, int[] brought) {
    BitSet across = new BitSet();
    line.forEach(across::set);
    Spread spread = new Spread(mesh, across);
    Arrays.stream(brought).filter(mesh::hasFace).forEach(spread::from);
    Set<Integer> inner = new TreeSet<>();
    spread.known().stream().forEach(inner::add);
    return inner;
  }

  /** What the line leaves beside it. */
  private void tell(String when, Set<Integer> line, int[] brought) {
    if (!line.isEmpty()) {
      double near = how.clean() != null ? how.clean() : site.tolerance().brief();
      LineTally tally = LineTally.of(mesh, line, brought, site.merge(), near);
      remarks.add(Remark.of(when + ": " + tally.words(), tally.shortest()));
    }
  }

  /** Faces that the second part left in the first belong to it, of the material that was asked. */
  private void label(int[] brought, BitSet first) {
    if (way != MeetWay.SUBTRACT && way != MeetWay.FIT) {
      return;
    }
    CutMaterial material = how.material();
    OptionalInt like = first.stream().filter(mesh::hasFace).findFirst();
    Label own = like.isPresent() ? labelOf(like.getAsInt()) : Label.NONE;
    for (int f : brought) {
      Label was = labelOf(f);
      String of =
          material == null
              ? was.material()
              : switch (material.whose()) {
                case SECOND -> was.material();
                case FIRST -> own.material();
                case NAMED -> material.name();
              };
      Label now = new Label(own.object(), own.group(), of, was.smoothing());
      if (!now.equals(was)) {
        edit.labelFace(f, now);
      }
    }
  }

  private Label labelOf(int f) {
    return mesh.labels().get(mesh.labelOf(f));
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

  /**
   * Takes out what does not stay, and turns over what shows its other side.
   *
   * @return what of the second part stays
   */
  private int[] choose(Patches a, Patches b) {
    boolean inside = way == MeetWay.COMMON;
    Lying stays = inside ? Lying.INSIDE : Lying.OUTSIDE;
    boolean takes = way == MeetWay.SUBTRACT || way == MeetWay.FIT;
    Lying onStays = takes ? Lying.OPPOSITE : Lying.SAME;
    Lying ofB = takes ? Lying.INSIDE : stays;
    int[] goneA = a.that(l -> l != stays && l != onStays);
    int[] goneB = b.that(l -> l != ofB);
    int[] brought = b.that(l -> l == ofB);
    if (brought.length + a.that(l -> l == stays || l == onStays).length == 0) {
      throw Refusal.because(
          inside
              ? "These parts have nothing in common."
              : "Nothing would be left of the first part.");
    }
    boolean isSame =
        switch (way) {
          case JOIN -> goneA.length + goneB.length == 0;
          // What lies on the second from outside touches it only.
          case SUBTRACT, FIT -> brought.length + goneA.length == 0;
          default -> false;
        };
    if (isSame) {
      throw Refusal.because("These parts don't pass through one another: nothing would change.");
    }
    Pruning.removeFaces(
        edit, IntStream.concat(Arrays.stream(goneA), Arrays.stream(goneB)).toArray());
    if (takes) {
      for (int f : brought) {
        Pruning.turnOver(edit, f);
      }
    }
    return brought;
  }

  /** A copy of a part whose faces all lie so far out; the part itself stays. */
  private BitSet widened(BitSet part, double play) {
    int[] faces = IdSet.idsOf(part);
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
    BitSet made = new BitSet();
    for (int f : faces) {
      int[] ring = mesh.vertices(f);
      for (int i = 0; i < ring.length; i++) {
        ring[i] = copies.getOrDefault(ring[i], ring[i]);
      }
      made.set(Pruning.layFace(edit, ring, f));
    }
    return made;
  }
}
