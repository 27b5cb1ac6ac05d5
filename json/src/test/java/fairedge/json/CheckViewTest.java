package fairedge.json;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.List;
import org.junit.jupiter.api.Test;

class CheckViewTest {
  private final Mesh mesh = scattered(9);
  private final Report report =
      new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds())).inspect(mesh);

  /** Pentagons apart from each other: each an n-gon, and each with a border. */
  private static Mesh scattered(int count) {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < count; i++) {
      int v = builder.vertex(5 * i, 0, 0);
      builder.vertex(5 * i + 2, 0, 0);
      builder.vertex(5 * i + 2, 1, 0);
      builder.vertex(5 * i + 1, 2, 0);
      builder.vertex(5 * i, 1, 0);
      builder.face(v, v + 1, v + 2, v + 3, v + 4);
    }
    return builder.build();
  }

  @Test
  void someFindingsOfAKind_areListed_evenlySpread_theRestIsCounted() {
    CheckView all = CheckView.of(report, mesh);
    assertThat(all.unlisted()).isEmpty();
    assertThat(all.total()).isEqualTo(report.findings().size());
    CheckView some = CheckView.of(report, mesh, 4);
    assertThat(some.must()).isEqualTo(all.must());
    assertThat(some.should()).isEqualTo(all.should());
    assertThat(some.remarks()).isEqualTo(all.remarks());
    assertThat(some.findings()).isSubsetOf(all.findings());
    assertThat(
            some.findings().stream()
                .filter(f -> f.kind().equals("ngon"))
                .map(f -> f.elements().getFirst().id()))
        .containsExactly(2, 4, 6, 8);
    assertThat(some.unlisted())
        .filteredOn(u -> u.kind().equals("ngon"))
        .singleElement()
        .satisfies(u -> {
          assertThat(u.family()).isEqualTo("Sides");
          assertThat(u.count()).isEqualTo(5);
        });
    assertThat(some.findings().size() + some.unlisted().stream().mapToInt(u -> u.count()).sum())
        .isEqualTo(all.total());
  }

  @Test
  void findingThatComesOntoTheList_isNotCalledNew() {
    CheckView four = CheckView.of(report, mesh, 4);
    CheckView five = CheckView.of(report, mesh, 5);
    assertThat(five.newSince(four)).isEmpty();
    assertThat(four.newSince(five)).isEmpty();
    CheckView none = CheckView.of(four.figures(), List.of(), List.of(), List.of(), four.met(), 0);
    assertThat(CheckView.of(report, mesh).newSince(none)).hasSize(report.findings().size());
  }
}
