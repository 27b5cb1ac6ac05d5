package fairedge.core.inspect.finding;

import fairedge.core.survey.Measure;
import java.util.List;

/** How many sides faces have. */
public sealed interface SidesFinding extends Finding {
  /**
   * A face with more than 4 sides.
   *
   * @param flat all corners within 1e-4 S of the mean plane
   * @param straightCorners corners that turn by at most 1 degree
   */
  record Ngon(Where where, int sides, boolean flat, int straightCorners) implements SidesFinding {
    @Override
    public Rule rule() {
      return flat ? Rule.NGON_FLAT : Rule.NGON;
    }

    @Override
    public Measure measure() {
      return new Measure(sides, Measure.Unit.SIDES);
    }
  }

  /** Triangles: one fan, one pair, or one stray. */
  record Triangle(Where where, Form form, List<Integer> faces) implements SidesFinding {
    /** How triangles lie together; the first that fits. */
    public enum Form {
      FAN,
      PAIR,
      STRAY
    }

    @Override
    public Rule rule() {
      return form == Form.FAN ? Rule.TRIANGLE_FAN : Rule.TRIANGLE;
    }

    @Override
    public Measure measure() {
      return new Measure(faces.size(), Measure.Unit.FACES);
    }
  }

  /** A face of 4 sides or fewer with corners that don't turn. */
  record FlatCorner(Where where, int sides, int straightCorners) implements SidesFinding {
    @Override
    public Rule rule() {
      return Rule.FLAT_CORNER;
    }

    @Override
    public Measure measure() {
      return new Measure(straightCorners, Measure.Unit.CORNERS);
    }
  }

  /**
   * A mesh of triangles.
   *
   * @param pairs how many pairs of them would make quads
   */
  record AllTriangles(Where where, int triangles, int faces, int pairs) implements SidesFinding {
    @Override
    public Rule rule() {
      return Rule.ALL_TRIANGLES;
    }

    @Override
    public Measure measure() {
      return new Measure((double) triangles / faces, Measure.Unit.SHARE);
    }
  }
}
