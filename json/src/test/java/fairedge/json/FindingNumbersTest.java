package fairedge.json;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FindingNumbersTest {
  private static final Where HERE = new Where(List.of(Element.face(3)), Vec3.ZERO, 1);

  @Test
  void numbers_areThoseOfTheRecord_byName() {
    Finding ngon = new SidesFinding.Ngon(HERE, 5, true, 0);
    assertThat(FindingNumbers.of(ngon))
        .isEqualTo(Map.of("sides", 5.0, "flat", 1.0, "straightCorners", 0.0));
    assertThat(FindingNumbers.formOf(ngon)).isEqualTo("ngon");
  }

  @Test
  void whatIsBeyondMeasure_isLeftOut() {
    Finding sliver = new SurfaceFinding.Sliver(HERE, 4, Double.POSITIVE_INFINITY);
    assertThat(FindingNumbers.of(sliver)).containsOnlyKeys("sides");
  }
}
