package fairedge.core.inspect.finding;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.survey.Measure;
import java.util.List;
import java.util.stream.Collectors;

/**
 * One fault at one place, as data: a record for each kind, or form of a kind, with the numbers that
 * tell about it; a family's records stand together. How much it counts is the profile's to say, and
 * how it is told {@link Telling}'s.
 */
public sealed interface Finding
    permits SidesFinding,
        VerticesFinding,
        SurfaceFinding,
        FlowFinding,
        SupportFinding,
        ShapeFinding {
  /** So many elements tell a finding from others of its kind. */
  int NAMED = 3;

  /** At which elements it is, and where. */
  Where where();

  /** By what it counts. */
  Rule rule();

  /** The number that tells how bad it is. */
  Measure measure();

  default Kind kind() {
    return rule().kind();
  }

  default List<Element> elements() {
    return where().elements();
  }

  /** Where its mark stands. */
  default Vec3 place() {
    return where().place();
  }

  /** The mean length of the edges of its faces, by which findings of two attempts are matched. */
  default double reach() {
    return where().reach();
  }

  /** A few words for a row. */
  default String title() {
    return Telling.title(this);
  }

  /** One plain sentence that names the numbers and why it matters. */
  default String sentence() {
    return Telling.sentence(this);
  }

  /** The same fault at the same elements of one workpiece has the same key, step after step. */
  default String key() {
    return kind().key()
        + elements().stream().limit(NAMED).map(e -> " " + e).collect(Collectors.joining());
  }
}
