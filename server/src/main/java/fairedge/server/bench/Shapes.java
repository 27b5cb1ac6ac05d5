package fairedge.server.bench;

import fairedge.core.cut.OutlineShape;
import fairedge.core.format.svg.SvgFault;
import fairedge.core.format.svg.SvgLines;
import fairedge.server.platform.Problem;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** Shapes to cut with, read from files. Nothing is kept. */
@Service
public class Shapes {
  /** The lines of a drawing, as an outline takes them. */
  public record ShapeView(List<OutlineShape.Path> paths) {}

  public ShapeView read(String svg) {
    try {
      return new ShapeView(SvgLines.read(svg).stream().map(Shapes::line).toList());
    } catch (SvgFault fault) {
      String where = fault.line() > 0 ? "Line %d: ".formatted(fault.line()) : "";
      throw Problem.of(
          Problem.Kind.REFUSED, where + fault.getMessage(), Map.of("line", fault.line()));
    }
  }

  private static OutlineShape.Path line(SvgLines.Line line) {
    return new OutlineShape.Path(
        line.points().stream().map(p -> new OutlineShape.Point(p.x(), p.y())).toList(),
        line.closed());
  }
}
