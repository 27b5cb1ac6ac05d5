package fairedge.core.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The forms on models of every size and far from the origin, just under and just over their bounds,
 * and on forms whose edges all but run straight on or lead back: the same counts everywhere, or a
 * reason, and never an unsound mesh.
 */
class NearDegenerateFormsTest {
  enum World {
    PLAIN(1, 0, 1e-12),
    FAR(1, 1e6, 1e-8),
    TINY(1e-6, 0, 1e-12),
    HUGE(1e6, 0, 1e-12);

    private final double scale;
    private final double shift;

    /** How exactly volumes can come out there, as a share. */
    private final double exact;

    World(double scale, double shift, double exact) {
      this.scale = scale;
      this.shift = shift;
      this.exact = exact;
    }

    Mesh place(Mesh mesh) {
      MeshBuilder b = new MeshBuilder();
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        b.vertex(mesh.position(v).times(scale).plus(new Vec3(shift, -shift, shift)));
      }
      for (int f = 0; f < mesh.faceEnd(); f++) {
        b.face(mesh.vertices(f));
      }
      return b.build();
    }

    /** As a share of the unit cube of this world, reckoned about a corner of it. */
    double volume(Mesh mesh) {
      MeshBuilder b = new MeshBuilder();
      Vec3 origin = mesh.position(0);
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        Vec3 p = mesh.hasVertex(v) ? mesh.position(v).minus(origin) : Vec3.ZERO;
        b.vertex(p.times(1 / scale));
      }
      for (int f = 0; f < mesh.faceEnd(); f++) {
        if (mesh.hasFace(f)) {
          b.face(mesh.vertices(f));
        }
      }
      return Formed.volume(b.build());
    }
  }

  private static List<Integer> edges(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd()).filter(mesh::hasEdge).boxed().toList();
  }

  private static Support.Holding strip(double width, int segments, double profile) {
    return Support.Holding.asked(
        Support.SupportWay.BEVEL, width, null, null, segments, profile, null, null);
  }

  @ParameterizedTest
  @EnumSource(World.class)
  void countsAndVolumes_areTheSameInEveryWorld(World world) {
    double w = 0.2 * world.scale;
    Mesh lines = world.place(Formed.cube());
    Support.Holding holding = Support.Holding.asked(null, w, null, null, null, null, null, null);
    Formed.made(lines, new Forming.SupportChange(edges(lines), null, holding));
    assertThat(Formed.counts(lines)).containsExactly(56, 108, 54);
    assertThat(world.volume(lines)).isCloseTo(1, within(world.exact));

    Mesh strips = world.place(Formed.cube());
    Formed.made(strips, new Forming.SupportChange(edges(strips), null, strip(w, 1, 0)));
    assertThat(Formed.counts(strips)).containsExactly(24, 48, 26);
    double left = 1 - 6 * 0.04 + 16 * 0.008 / 3;
    assertThat(world.volume(strips)).isCloseTo(left, within(world.exact));

    Mesh inset = world.place(Formed.cube());
    Formed.made(
        inset,
        new Forming.InsetChange(List.of(1, 2), false, new Inset.Margin(w, 0, false, false, false)));
    assertThat(Formed.counts(inset)).containsExactly(14, 24, 12);
    assertThat(world.volume(inset)).isCloseTo(1, within(world.exact));

    Mesh pulled = world.place(Formed.cube());
    Extrude.Extrusion by =
        new Extrude.Extrusion(Extrude.Heading.NORMAL, null, 0.5 * world.scale, 3, 1, 0);
    Formed.made(pulled, new Forming.ExtrudeChange(List.of(1), false, by));
    assertThat(Formed.counts(pulled)).containsExactly(20, 36, 18);
    assertThat(world.volume(pulled)).isCloseTo(1.5, within(world.exact));

    Mesh shell = world.place(Formed.sheet());
    Formed.made(
        shell,
        new Forming.ThickenChange(List.of(), Thicken.Shell.asked(0.1 * world.scale, null, null)));
    assertThat(world.volume(shell)).isCloseTo(0.2, within(world.exact));
  }

  static Stream<Arguments> bounds() {
    return DoubleStream.of(1e-15, 1e-12, 1e-9, 1e-6)
        .boxed()
        .flatMap(share ->
            Stream.of(World.PLAIN, World.TINY, World.HUGE)
                .map(world -> Arguments.of(share, world)));
  }

  /** The bound itself is too wide; a hair less is not, where numbers can tell a hair. */
  @ParameterizedTest
  @MethodSource("bounds")
  void aHairUnderTheBound_isMade_andTheBoundIsNot(double hair, World world) {
    double half = 0.5 * world.scale;
    for (double width : new double[] {half, half * (1 + hair), half * (1 - hair)}) {
      Mesh mesh = world.place(Formed.cube());
      Inset.Margin margin = new Inset.Margin(width, 0, false, false, false);
      Outcome outcome = Formed.apply(mesh, new Forming.InsetChange(List.of(1), false, margin));
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      if (width >= half) {
        assertThat(outcome).isInstanceOf(Outcome.Refused.class);
      } else if (hair >= 1e-9) {
        assertThat(outcome).isInstanceOf(Outcome.Made.class);
      }
    }
  }

  /** A sheet whose middle line bends by a hair, or leads back but for one. */
  private static Mesh bent(double by) {
    MeshBuilder b = new MeshBuilder();
    double[][] places = {
      {-1, -1}, {0, -1}, {1, -1}, {-1, 0}, {0, 0}, {1, by}, {-1, 1}, {0, 1}, {1, 1 + by}
    };
    for (double[] p : places) {
      b.vertex(p[0], p[1], 0);
    }
    for (int row = 0; row < 2; row++) {
      for (int i = 0; i < 2; i++) {
        int a = 3 * row + i;
        b.face(a, a + 1, a + 4, a + 3);
      }
    }
    return b.build();
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, 1e-16, 1e-12, 1e-9, 1e-7, 1e-4, -1e-9, 0.9})
  void aLineThatAllButRunsStraightOn_getsItsStrip(double by) {
    for (Change change :
        List.of(
            new Forming.SupportChange(
                line(), null, Support.Holding.asked(null, 0.1, null, null, null, null, null, null)),
            new Forming.SupportChange(line(), null, strip(0.1, 3, 0.5)),
            new Forming.GrooveChange(
                line(), Groove.Channel.asked(0.2, 0.1, 0.05, 2, null, null, null, null)))) {
      Mesh mesh = bent(by);
      Formed.made(mesh, change);
      assertThat(IntStream.range(0, mesh.faceEnd()).filter(mesh::hasFace).map(mesh::size).toArray())
          .containsOnly(4);
    }
  }

  private static List<Integer> line() {
    Mesh mesh = bent(0);
    return List.of(mesh.findEdge(3, 4), mesh.findEdge(4, 5));
  }

  /** Faces as thin as can be told, and thinner: made, or refused with a reason; never broken. */
  @ParameterizedTest
  @ValueSource(doubles = {1e-3, 1e-6, 1e-7, 1e-9, 1e-12, 1e-16, 0})
  void thinForms_areDoneRightOrRefused(double thin) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(new Vec3(i & 1, i >> 1 & 1, thin * (i >> 2)));
    }
    for (int[] f :
        new int[][] {
          {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
        }) {
      b.face(f);
    }
    Mesh flat = b.build();
    Extrude.Extrusion even = new Extrude.Extrusion(Extrude.Heading.EVEN, null, 0.1, 1, 1, 0);
    for (Change change :
        List.<Change>of(
            new Forming.InsetChange(
                List.of(1), false, new Inset.Margin(0.1, 0.1, false, false, true)),
            new Forming.InsetChange(List.of(1), false, new Inset.Margin(0.1, 0, true, false, true)),
            new Forming.ExtrudeChange(List.of(1, 2), false, even),
            new Forming.SupportChange(
                edges(flat),
                null,
                Support.Holding.asked(null, 0.1, null, null, null, null, null, true)),
            new Forming.GrooveChange(
                List.of(0), Groove.Channel.asked(0.1, 0.05, 0.1, 1, null, null, null, true)),
            new Forming.ThickenChange(List.of(), Thicken.Shell.asked(0.1, null, null)),
            new Forming.MirrorChange(
                new MirrorBy.AtBox(Axis.Z, MirrorBy.InBox.MIDDLE), true, 1e-6))) {
      Mesh mesh = flat.copy();
      Outcome outcome = Formed.apply(mesh, change);
      assertThat(MeshCheck.faults(mesh)).as("%s", change).isEmpty();
      if (outcome instanceof Outcome.Refused refused) {
        assertThat(refused.refusal().reason()).isNotBlank();
      }
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        assertThat(!mesh.hasVertex(v) || mesh.position(v).isFinite()).isTrue();
      }
    }
  }
}
