package fairedge.core.format.svg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.format.svg.SvgLines.Line;
import fairedge.core.format.svg.SvgLines.Point;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SvgLinesTest {
  private static List<Line> drawing(String inside) throws SvgFault {
    return SvgLines.read("<svg xmlns='http://www.w3.org/2000/svg'>" + inside + "</svg>");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<rect x='3' y='4' width='10' height='10'/> | 4 | true",
        "<path d='M0 0h10v10H0z'/> | 4 | true",
        "<path d='m0,0 10,0 0,10 -10,0z'/> | 4 | true",
        "<path d='M0 0 L10-.5.5.5'/> | 3 | false",
        "<polygon points='0,0 10,0 5,9'/> | 3 | true",
        "<polyline points='0,0 10,0 5,9'/> | 3 | false",
        "<line x1='0' y1='0' x2='3' y2='4'/> | 2 | false",
        "<circle cx='5' cy='5' r='5'/> | 48 | true",
        "<path d='M0 0C0 5 5 10 10 10S20 5 20 0'/> | 25 | false",
        "<path d='M0 0Q5 10 10 0T20 0'/> | 25 | false",
        "<path d='M0 0a5 5 0 0110 0'/> | 25 | false",
        "<g transform='translate(4 2) rotate(45) scale(2,3) skewX(9)'><rect width='1'"
            + " height='1'/></g> | 4 | true"
      })
  void shapes_becomeLines(String shape, int points, boolean closed) throws SvgFault {
    List<Line> lines = drawing(shape);
    assertThat(lines).hasSize(1);
    assertThat(lines.getFirst().points()).hasSize(points);
    assertThat(lines.getFirst().closed()).isEqualTo(closed);
  }

  @Test
  void linesAreFitted_withYUpwards() throws SvgFault {
    List<Point> points = drawing("<polygon points='10,20 30,20 10,30'/>").getFirst().points();
    assertThat(points).containsExactly(new Point(-1, 0.5), new Point(1, 0.5), new Point(-1, -0.5));
  }

  @Test
  void arcOfAHalfTurn_liesOnItsCircle() throws SvgFault {
    List<Point> points = drawing("<path d='M0 0A5 5 0 0 1 10 0z'/>").getFirst().points();
    assertThat(points)
        .allSatisfy(p -> assertThat(Math.hypot(p.x(), p.y() + 0.5)).isCloseTo(1, within(1e-9)));
  }

  @Test
  void nestedTransforms_apply_andWhatIsOnlyDefinedIsLeftOut() throws SvgFault {
    List<Line> lines =
        drawing(
            "<defs><rect width='99' height='99'/></defs><g display='none'><rect width='9'"
                + " height='9'/></g><text>M0 0</text><g transform='rotate(90)'><g"
                + " transform='scale(2 1)'><rect width='10' height='10'/></g></g>");
    assertThat(lines).hasSize(1);
    double height =
        lines.getFirst().points().stream().mapToDouble(p -> Math.abs(p.x())).max().orElseThrow();
    assertThat(height).isCloseTo(0.5, within(1e-12));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "no xml",
        "<svg",
        "<html/>",
        "<svg/>",
        "<svg><path d='M0 0'/></svg>",
        "<svg><path d='M0 0 L x y'/></svg>",
        "<svg><path d='0 0 L 1 1'/></svg>",
        "<svg><path d='M0 0 K 1 1'/></svg>",
        "<svg><path d='M0 0 L 1e999 1'/></svg>",
        "<svg><rect width='1' height='1' transform='twist(4)'/></svg>",
        "<svg><rect width='1' height='1' transform='scale(2) ,'/></svg>",
        "<!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><svg><path d='&x;'/></svg>",
        "<!DOCTYPE svg [<!ENTITY a 'aaaa'><!ENTITY b '&a;&a;&a;&a;'>]><svg><text>&b;</text></svg>"
      })
  void whatIsNoDrawing_isRefusedInWords(String text) {
    assertThatExceptionOfType(SvgFault.class)
        .isThrownBy(() -> SvgLines.read(text))
        .satisfies(fault -> assertThat(fault.getMessage()).endsWith("."));
  }

  @Test
  void tooManyPoints_orTooDeep_areRefused_withTheLine() {
    String many = "<svg>\n<path d='M0 0" + " l1 1".repeat(3000) + "'/></svg>";
    assertThatExceptionOfType(SvgFault.class)
        .isThrownBy(() -> SvgLines.read(many))
        .satisfies(fault -> assertThat(fault.line()).isEqualTo(2));
    String blank = "<svg><g transform='" + " ".repeat(900_000) + "'></g></svg>";
    assertThatExceptionOfType(SvgFault.class).isThrownBy(() -> SvgLines.read(blank));
    String deep = "<svg>" + "<g>".repeat(5000) + "</g>".repeat(5000) + "</svg>";
    assertThatExceptionOfType(SvgFault.class).isThrownBy(() -> SvgLines.read(deep));
  }

  @Test
  void doctypeOfTheStandard_isPassedOver() throws SvgFault {
    assertThat(
            SvgLines.read(
                "<?xml version='1.0'?><!DOCTYPE svg PUBLIC '-//W3C//DTD SVG 1.1//EN'"
                    + " 'http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd'><svg><rect width='1'"
                    + " height='2'/></svg>"))
        .hasSize(1);
  }
}
