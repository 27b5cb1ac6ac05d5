package fairedge.core.fill;

import static fairedge.core.Changes.made;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying.CapChange;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Cap;
import java.util.Map;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Grids in flat faces that are not convex: no quad turns over, or it is refused. */
class GridFillTest {
  private static final Map<String, double[]> FORMS =
      Map.of(
          "L", new double[] {0, 0, 2, 0, 2, 1, 1, 1, 1, 2, 0, 2},
          "U", new double[] {0, 0, 3, 0, 3, 2, 2, 2, 2, 1, 1, 1, 1, 2, 0, 2},
          "plus",
              new double[] {1, 0, 2, 0, 2, 1, 3, 1, 3, 2, 2, 2, 2, 3, 1, 3, 1, 2, 0, 2, 0, 1, 1, 1},
          "star", star(5, 2, 0.8),
          "long L", divided(new double[] {0, 0, 4, 0, 4, 1, 1, 1, 1, 4, 0, 4}, 4),
          "horseshoe", divided(new double[] {0, 0, 3, 0, 3, 3, 2, 3, 2, 1, 1, 1, 1, 3, 0, 3}, 3),
          "comb",
              new double[] {
                0, 0, 5, 0, 5, 3, 4, 3, 4, 1, 3, 1, 3, 3, 2, 3, 2, 1, 1, 1, 1, 3, 0, 3
              });

  private static double[] star(int tips, double outer, double inner) {
    double[] places = new double[4 * tips];
    for (int i = 0; i < 2 * tips; i++) {
      double r = i % 2 == 0 ? outer : inner;
      places[2 * i] = r * Math.cos(Math.PI * i / tips);
      places[2 * i + 1] = r * Math.sin(Math.PI * i / tips);
    }
    return places;
  }

  /** Each side in so many equal parts. */
  private static double[] divided(double[] form, int parts) {
    int n = form.length / 2;
    double[] places = new double[parts * form.length];
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < parts; k++) {
        for (int c = 0; c < 2; c++) {
          double from = form[2 * i + c];
          double to = form[2 * ((i + 1) % n) + c];
          places[2 * (i * parts + k) + c] = from + (to - from) * k / parts;
        }
      }
    }
    return places;
  }

  /** In a plane that lies askew. */
  private static Mesh face(double[] form) {
    Vec3 across = new Vec3(2, 1, -1).unit();
    Vec3 up = new Vec3(1, 1, 3).cross(across).unit();
    MeshBuilder builder = new MeshBuilder();
    int[] ring = new int[form.length / 2];
    for (int i = 0; i < ring.length; i++) {
      ring[i] =
          builder.vertex(
              new Vec3(7, -3, 2).plus(across.times(form[2 * i])).plus(up.times(form[2 * i + 1])));
    }
    builder.face(ring);
    return builder.build();
  }

  @ParameterizedTest
  @ValueSource(strings = {"L", "U", "plus", "star", "long L", "horseshoe", "comb"})
  void concaveFace_keepsItsArea_orIsRefused_withAStartThatDoes(String name) {
    double[] form = FORMS.get(name);
    int n = form.length / 2;
    int done = 0;
    for (int a = 1; a < n / 2; a++) {
      for (int start = 0; start < n; start += 1 + n / 16) {
        Mesh mesh = face(form);
        double before = area(mesh);
        CapChange cap = new CapChange(new Cap.Plan(0, null, Cap.Form.GRID, a, start, 0, 0));
        Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
        if (workpiece.apply(cap) instanceof Outcome.Refused refused) {
          String reason = refused.refusal().reason();
          if (reason.contains("none does")) {
            Element other = Objects.requireNonNull(refused.refusal().element());
            Cap.Plan there = new Cap.Plan(0, null, Cap.Form.GRID, a, other.id(), 0, 0);
            made(mesh, new CapChange(there));
          } else {
            assertThat(reason).contains("part it first");
            continue;
          }
        }
        assertMesh(mesh).as("%s %d from %d", name, a, start).isSound();
        assertMesh(mesh).hasFacesOfSides(4, a * (n / 2 - a));
        assertThat(area(mesh)).as("%s %d from %d", name, a, start).isCloseTo(before, within(1e-9));
        done++;
      }
    }
    // Three teeth of a comb can't be had with so few quads.
    assertThat(done > 0).as(name).isEqualTo(!name.equals("comb"));
  }

  @Test
  void roundFace_isFilledAsBefore_byBlending() {
    double[] round = star(8, 2, 2);
    Mesh mesh = face(round);
    double before = area(mesh);
    made(mesh, new CapChange(new Cap.Plan(0, null, Cap.Form.GRID, 4, 0, 0, 0)));
    assertThat(area(mesh)).isCloseTo(before, within(1e-12));
    Vec3 middle = mesh.position(mesh.vertexEnd() - 5);
    assertThat(middle.distance(new Vec3(7, -3, 2))).isLessThan(1e-12);
  }
}
