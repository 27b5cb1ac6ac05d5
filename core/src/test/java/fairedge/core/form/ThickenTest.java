package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.euler;
import static fairedge.core.form.Formed.isClosed;
import static fairedge.core.form.Formed.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Thicken.Shell;
import fairedge.core.form.Thicken.ShellSide;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts and volumes. */
class ThickenTest {
  private static Receipt made(Mesh mesh, Shell shell) {
    return Formed.made(mesh, new Forming.ThickenChange(List.of(), shell));
  }

  /** A cube without its top. */
  private static Mesh box() {
    Mesh mesh = cube();
    Formed.made(mesh, new Tidying.DeleteChange(List.of(1), List.of(), List.of()));
    return mesh;
  }

  @Test
  void flatSheet_getsItsAreaTimesTheThickness() {
    for (ShellSide side : ShellSide.values()) {
      for (int n = 1; n <= 3; n++) {
        Mesh mesh = Formed.sheet();
        made(mesh, new Shell(0.125, side, n));
        assertThat(volume(mesh)).isCloseTo(2 * 0.125, within(1e-15));
        assertThat(counts(mesh)).containsExactly(6 * (n + 1), 14 + 6 * n + 6 * (n - 1), 4 + 6 * n);
        assertThat(isClosed(mesh)).isTrue();
        double low = side == ShellSide.OUTWARDS ? 0 : side == ShellSide.INWARDS ? -0.125 : -0.0625;
        assertThat(mesh.bounds().min().z()).isCloseTo(low, within(1e-15));
      }
    }
  }

  @Test
  void box_hasWallsOfEvenThickness() {
    Mesh mesh = box();
    made(mesh, new Shell(0.1, ShellSide.INWARDS, 1));
    assertThat(volume(mesh)).isCloseTo(1 - 0.8 * 0.8 * 0.9, within(1e-12));
    assertThat(euler(mesh)).isEqualTo(2);
    Mesh out = box();
    made(out, new Shell(0.1, ShellSide.OUTWARDS, 1));
    assertThat(volume(out)).isCloseTo(1.2 * 1.2 * 1.1 - 1, within(1e-12));
  }

  @Test
  void closedPart_getsASecondSkin() {
    Mesh mesh = cube();
    Receipt receipt = made(mesh, new Shell(0.1, ShellSide.INWARDS, 1));
    assertThat(counts(mesh)).containsExactly(16, 24, 12);
    assertThat(volume(mesh)).isCloseTo(1 - 0.8 * 0.8 * 0.8, within(1e-12));
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("closed"));
  }

  /** The bound is the smallest of all faces, wherever it is. */
  @Test
  void tooThick_isRefusedWithTheBound_ofTheThinnestPlace() {
    assertThat(
            Formed.refused(
                Formed.lBlock(),
                new Forming.ThickenChange(List.of(), new Shell(3, ShellSide.INWARDS, 1))))
        .contains("less than 0.5");
  }

  @Test
  void tooThick_isRefusedWithTheBound() {
    assertThat(
            Formed.refused(
                cube(), new Forming.ThickenChange(List.of(), new Shell(0.6, ShellSide.INWARDS, 1))))
        .contains("less than 0.5");
    assertThat(
            Formed.refused(
                cube(), new Forming.ThickenChange(List.of(), new Shell(0, ShellSide.INWARDS, 1))))
        .contains("more than 0");
  }
}
