package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import org.junit.jupiter.api.Test;

class PraiseTest {
  private static Figures figures(Mesh mesh) {
    return new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds())).inspect(mesh).figures();
  }

  @Test
  void first_isPraisedForWhatIsGood_andForNothingElse() {
    Figures bollard = figures(HarbourProps.mooringBollard());
    assertThat(Praise.of(bollard, null, 0)).contains("100 % quads");
    Figures lid = figures(HarbourProps.hatchLid());
    assertThat(Praise.of(lid, null, 0)).noneMatch(p -> p.contains("100 % quads"));
  }

  @Test
  void later_isPraisedForWhatBecameBetter_withTheFigureOfLastTime() {
    Figures bollard = figures(HarbourProps.mooringBollard());
    Figures lid = figures(HarbourProps.hatchLid());
    assertThat(Praise.of(bollard, lid, 0)).anyMatch(p -> p.equals("100 % quads, 89 % last time"));
    assertThat(Praise.of(lid, bollard, 0)).noneMatch(p -> p.contains("last time"));
    assertThat(Praise.of(lid, lid, 1)).contains("1 fault of last time is gone");
    assertThat(Praise.of(lid, lid, 7)).contains("7 faults of last time are gone");
  }
}
