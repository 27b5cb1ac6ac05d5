package fairedge.server.submission;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.ElementView;
import fairedge.json.FindingView.SeverityView;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What is waved through at which place. */
class WavingsTest {
  private static final Tolerance TOLERANCE =
      Tolerance.of(new Bounds(new Vec3(0, 0, 0), new Vec3(100, 100, 100)));

  private static FindingView finding(String kind, double x, boolean ofTheWhole) {
    return new FindingView(
        kind + " " + x,
        kind,
        "Sides",
        SeverityView.must,
        kind,
        "It is so.",
        ofTheWhole ? List.of() : List.of(new ElementView(ElementView.Kind.face, 1, null)),
        new Vec3(x, 0, 0),
        2,
        1,
        "none",
        null,
        Map.of());
  }

  private static Waving waving(String kind, @Nullable Double x) {
    return new Waving(
        UUID.randomUUID(),
        UUID.randomUUID(),
        UUID.randomUUID(),
        kind,
        x == null ? null : new Vec3(x, 0, 0),
        2,
        "meant so",
        UUID.randomUUID(),
        Instant.EPOCH,
        1);
  }

  private static CheckView check(FindingView... findings) {
    return CheckView.of(null, List.of(findings), List.of(), List.of(), null, 0);
  }

  @Test
  void waving_takesTheNearestOfItsKind_oneToOne() {
    CheckView check =
        check(finding("ngon", 3, false), finding("ngon", 1, false), finding("triangle", 0, false));
    Waving one = waving("ngon", 0.0);
    assertThat(Wavings.matched(List.of(one), check, TOLERANCE)).containsOnly(Map.entry(1, one));
    Waving two = waving("ngon", 0.5);
    assertThat(Wavings.matched(List.of(one, two), check, TOLERANCE)).containsOnlyKeys(0, 1);
  }

  @Test
  void waving_reachesNoFurtherThanTheFindingDid() {
    CheckView check = check(finding("ngon", 50, false));
    assertThat(Wavings.matched(List.of(waving("ngon", 0.0)), check, TOLERANCE)).isEmpty();
  }

  @Test
  void whatIsAboutTheWholeMesh_isKnownByItsKind() {
    CheckView check = check(finding("too-many", 50, true), finding("lopsided", 50, true));
    Waving whole = waving("too-many", null);
    assertThat(Wavings.matched(List.of(whole), check, TOLERANCE)).containsOnly(Map.entry(0, whole));
  }

  @Test
  void whatIsWaved_staysListed_andCountsNoMore() {
    CheckView check = check(finding("ngon", 3, false), finding("ngon", 30, false));
    CheckView counted = check.notCounting(Set.of(0));
    assertThat(counted.findings()).hasSize(2);
    assertThat(counted.must()).isEqualTo(1);
    assertThat(counted.byFamily().getFirst().must()).isEqualTo(1);
    assertThat(check.counting(Set.of(0))).containsExactly(check.findings().get(1));
  }
}
