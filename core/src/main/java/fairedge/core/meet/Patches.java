package fairedge.core.meet;

import fairedge.core.flow.Spread;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Projection;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.meet.MeetLine.Run;
import fairedge.core.meet.MeetLine.Stretch;
import fairedge.core.meet.TrianglePair.Piece;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What the line parts one skin into, and how each patch lies to the other skin: told at any piece
 * of the line beside it, by the side on which a corner lies; without one, by a ray. Cost: the faces
 * of the part, and the other skin for each patch that the line does not touch.
 */
final class Patches {
  private static final int MOST_LOOKS = 64;

  private final Mesh mesh;
  private final SkinCut cut;
  private final Skin own;
  private final Skin other;

  /** By face the number of its patch, and one; 0 where it has none. */
  private final int[] patchOf;

  private final List<int[]> patches = new ArrayList<>();
  private final List<@Nullable Lying> lying = new ArrayList<>();

  /**
   * @param before the faces of the part before it was cut
   */
  Patches(SkinCut cut, Skin other, Collection<Stretch> line, BitSet before) {
    this.mesh = cut.mesh();
    this.cut = cut;
    this.own = cut.skin();
    this.other = other;
    this.patchOf = new int[mesh.faceEnd()];
    part(before);
    for (Stretch stretch : line) {
      stretch.runs().forEach(run -> tell(stretch, run));
    }
    for (int i = 0; i < patches.size(); i++) {
      if (lying.get(i) == null) {
        lying.set(i, byRay(patches.get(i)));
      }
    }
  }

  /** The faces that lie so, in the order of their ids. */
  int[] that(Predicate<Lying> wanted) {
    int[] all =
        IntStream.range(0, patches.size())
            .filter(i -> wanted.test(Objects.requireNonNull(lying.get(i))))
            .flatMap(i -> Arrays.stream(patches.get(i)))
            .toArray();
    Arrays.sort(all);
    return all;
  }

  private void part(BitSet before) {
    BitSet across = new BitSet();
    BitSet seeds = (BitSet) before.clone();
    for (int e : cut.edges()) {
      across.set(e);
      for (int f : mesh.facesOn(e)) {
        seeds.set(f);
      }
    }
    Spread spread = new Spread(mesh, across);
    for (int seed = seeds.nextSetBit(0); seed >= 0; seed = seeds.nextSetBit(seed + 1)) {
      int[] patch = spread.from(seed);
      if (patch.length > 0) {
        patches.add(patch);
        lying.add(null);
        for (int f : patch) {
          patchOf[f] = patches.size();
        }
      }
    }
  }

  /** What a piece of the line says of the patches on both sides of it. */
  private void tell(Stretch stretch, Run run) {
    int from = cut.vertexOf(stretch.from());
    for (int sign : new int[] {-1, 1}) {
      int k = cut.isA() ? run.piece().cornerOfA(sign) : run.piece().cornerOfB(sign);
      if (k >= 0) {
        // Of a's skin what lies to the left lies behind b's; of b's the other way round.
        boolean isLeft = (sign < 0 == cut.isA()) == run.isForward();
        int e = cut.edgeOf(stretch);
        note(faceBeside(e, from, isLeft), lies(run, sign, own.place(cut.triangle(run), k)));
        if (cut.along(run) >= 0) {
          tellAcross(run, faceBeside(e, from, !isLeft));
        }
      }
    }
  }

  /** Where the line runs along a side the triangle across it may lie on the other skin. */
  private void tellAcross(Run run, int f) {
    int t = own.across(cut.along(run), cut.triangle(run));
    Piece piece = run.piece();
    int on = cut.isA() ? piece.tb() : piece.ta();
    int side = cut.isA() ? piece.alongB() : piece.alongA();
    if (t != Mesh.NONE) {
      Vec3 corner = own.place(t, own.opposite(t, cut.along(run)));
      boolean isOn =
          side(on, corner) == 0 && (side < 0 || isSameSide(on, other.opposite(on, side), corner));
      if (isOn) {
        note(f, isAlike(on, t) ? Lying.SAME : Lying.OPPOSITE);
      }
    }
  }

  /** The face on the left of an edge as it runs from one of its ends, or on the right. */
  private int faceBeside(int e, int from, boolean isLeft) {
    int start = mesh.cornerOn(e);
    int c = start;
    do {
      if (mesh.vertexOf(c) == from == isLeft) {
        return mesh.faceOf(c);
      }
      c = mesh.nextOnEdge(c);
    } while (c != start);
    return Mesh.NONE;
  }

  private void note(int f, Lying told) {
    int patch = f == Mesh.NONE ? -1 : patchOf[f] - 1;
    if (patch >= 0) {
      Lying known = lying.get(patch);
      if (known != null && known != told) {
        throw Refusal.because(
            "It can't be told here what lies inside: one of the parts passes through itself. Its"
                + " lines alone can be had.",
            Element.face(f));
      }
      lying.set(patch, told);
    }
  }

  private Lying lies(Run run, int sign, Vec3 corner) {
    Piece piece = run.piece();
    int t = cut.isA() ? piece.tb() : piece.ta();
    int side = cut.isA() ? piece.alongB() : piece.alongA();
    if (side < 0) {
      return sign < 0 ? Lying.INSIDE : Lying.OUTSIDE;
    }
    int u = other.across(side, t);
    int far = other.opposite(u, side);
    Vec3 beyond = other.place(u, far);
    int toU = side(u, corner);
    if (toU == 0 && isSameSide(u, far, corner)) {
      return isAlike(u, cut.triangle(run)) ? Lying.SAME : Lying.OPPOSITE;
    }
    int bends = side(t, beyond);
    boolean isIn =
        toU == 0
            ? sign < 0
            : bends < 0
                ? sign < 0 && toU < 0
                : bends > 0 ? sign < 0 || toU < 0 : flat(t, side, u, far, sign);
    return isIn ? Lying.INSIDE : Lying.OUTSIDE;
  }

  private boolean flat(int t, int side, int u, int far, int sign) {
    if (isSameSide(u, far, other.place(t, other.opposite(t, side)))) {
      throw Refusal.because(
          "A part is folded flat on itself here: it can't be told what lies inside.",
          Element.face(mesh.hasFace(other.faceOf(t)) ? other.faceOf(t) : 0));
    }
    return sign < 0;
  }

  private int side(int t, Vec3 p) {
    return Predicates.side(other.place(t, 0), other.place(t, 1), other.place(t, 2), p);
  }

  /** Whether a place in the plane of a triangle lies on the same side of its side as its corner. */
  private boolean isSameSide(int u, int far, Vec3 p) {
    Projection seen = seen(other, u);
    Vec3 a = other.place(u, (far + 1) % 3);
    Vec3 b = other.place(u, (far + 2) % 3);
    return turn(seen, a, b, p) == turn(seen, a, b, other.place(u, far));
  }

  private boolean isAlike(int u, int t) {
    Projection seen = seen(other, u);
    return turn(seen, own.place(t, 0), own.place(t, 1), own.place(t, 2))
        == turn(seen, other.place(u, 0), other.place(u, 1), other.place(u, 2));
  }

  private static Projection seen(Skin skin, int t) {
    Vec3 a = skin.place(t, 0);
    return Projection.along(skin.place(t, 1).minus(a).cross(skin.place(t, 2).minus(a)));
  }

  private static int turn(Projection seen, Vec3 a, Vec3 b, Vec3 c) {
    return Predicates.turn(
        seen.across(a), seen.up(a), seen.across(b), seen.up(b), seen.across(c), seen.up(c));
  }

  /** By any vertex that does not touch the other skin. */
  private Lying byRay(int[] patch) {
    Inside inside = new Inside(other);
    int looks = 0;
    for (int f : patch) {
      for (int v : mesh.vertices(f)) {
        int at = inside.of(mesh.position(v));
        if (at != 0) {
          return at > 0 ? Lying.INSIDE : Lying.OUTSIDE;
        }
        if (++looks > MOST_LOOKS) {
          throw Refusal.because(
              "The parts touch in so many points here that it can't be told what lies inside.",
              Element.face(f));
        }
      }
    }
    throw Refusal.because("It can't be told here what lies inside.", Element.face(patch[0]));
  }
}
