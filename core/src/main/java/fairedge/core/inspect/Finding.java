package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import java.util.List;
import java.util.stream.Collectors;

/**
 * One fault at one place, as data. How much it counts is the profile's to say.
 *
 * <p>{@code place} is where its mark stands; {@code reach} the mean length of the edges of its
 * faces, by which two attempts' findings are matched; {@code title} a few words for a row; {@code
 * sentence} one plain sentence that names the numbers and why it matters.
 */
public sealed interface Finding {
  /** By what it counts. */
  Rule rule();

  default Kind kind() {
    return rule().kind();
  }

  List<Element> elements();

  Vec3 place();

  double reach();

  Measure measure();

  String title();

  String sentence();

  /** So many elements tell a finding from others of its kind. */
  int NAMED = 3;

  /** The same fault at the same elements of one workpiece has the same key, step after step. */
  default String key() {
    return kind().key()
        + elements().stream().limit(NAMED).map(e -> " " + e).collect(Collectors.joining());
  }

  /**
   * A face with more than 4 sides.
   *
   * @param flat all corners within 1e-4 S of the mean plane
   * @param straightCorners corners that turn by at most 1 degree
   */
  record Ngon(int face, int sides, boolean flat, int straightCorners, Vec3 place, double reach)
      implements Finding {
    @Override
    public Rule rule() {
      return flat ? Rule.NGON_FLAT : Rule.NGON;
    }

    @Override
    public List<Element> elements() {
      return List.of(Element.face(face));
    }

    @Override
    public Measure measure() {
      return new Measure(sides, Measure.Unit.SIDES);
    }

    @Override
    public String title() {
      String corners =
          switch (straightCorners) {
            case 0 -> flat ? ", flat" : ", not flat";
            case 1 -> ", one corner straight";
            default -> ", " + straightCorners + " corners straight";
          };
      return sides + " sides" + corners;
    }

    @Override
    public String sentence() {
      int shaping = sides - straightCorners;
      if (straightCorners > 0 && shaping == 4) {
        return "This face has "
            + sides
            + " sides, but only 4 of its corners turn: a quad with "
            + (straightCorners == 1 ? "an idle vertex" : straightCorners + " idle vertices")
            + ". No loop can run across it.";
      }
      return "This face has "
          + sides
          + " sides"
          + (flat ? " and is flat" : " and is not flat")
          + ". A loop stops here: only a quad has an opposite side to run on from.";
    }
  }

  /** Triangles: one fan, one pair, or one stray. */
  record Triangle(Form form, List<Integer> faces, List<Element> marked, Vec3 place, double reach)
      implements Finding {
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
    public List<Element> elements() {
      return marked;
    }

    @Override
    public Measure measure() {
      return new Measure(faces.size(), Measure.Unit.FACES);
    }

    @Override
    public String title() {
      return switch (form) {
        case FAN -> "Fan of " + faces.size() + " triangles";
        case PAIR -> "Pair of triangles";
        case STRAY -> "Triangle, stray";
      };
    }

    @Override
    public String sentence() {
      return switch (form) {
        case FAN ->
            faces.size()
                + " triangles meet in one vertex. Every ring that comes here stops, and a"
                + " subdivided surface pinches.";
        case PAIR ->
            "2 triangles share an edge and would make a good quad without it: lift that edge.";
        case STRAY ->
            "This face has 3 sides. A ring that comes here has no opposite side and stops.";
      };
    }
  }

  /** A vertex between two edges that run straight on: it shapes nothing. */
  record IdleVertex(int vertex, double turn, Vec3 place, double reach) implements Finding {
    @Override
    public Rule rule() {
      return Rule.IDLE_VERTEX;
    }

    @Override
    public List<Element> elements() {
      return List.of(Element.vertex(vertex));
    }

    @Override
    public Measure measure() {
      return new Measure(turn, Measure.Unit.DEGREES);
    }

    @Override
    public String title() {
      return "Idle vertex";
    }

    @Override
    public String sentence() {
      return String.format(
          java.util.Locale.ROOT,
          "Only 2 edges meet at this vertex and it turns by %.1f\u00b0: it shapes nothing, and"
              + " gives the faces at it a side too many.",
          turn);
    }
  }

  /**
   * A cluster of vertices in one place.
   *
   * @param pairs how many pairs of them lie within the weld distance
   * @param apart the largest distance of such a pair
   */
  record DoubleVertices(List<Integer> vertices, long pairs, double apart, Vec3 place, double reach)
      implements Finding {
    @Override
    public Rule rule() {
      return Rule.DOUBLE;
    }

    @Override
    public List<Element> elements() {
      return vertices.stream().map(Element::vertex).toList();
    }

    @Override
    public Measure measure() {
      return new Measure(pairs, Measure.Unit.PAIRS);
    }

    @Override
    public String title() {
      return vertices.size() + " vertices in one place";
    }

    @Override
    public String sentence() {
      return vertices.size()
          + " vertices lie in one place ("
          + pairs
          + (pairs == 1 ? " pair" : " pairs")
          + "). The surface may be torn here without showing it: weld them.";
    }
  }

  /** A finding that needs no more than its words and its place. */
  record Told(
      Rule rule,
      List<Element> elements,
      Vec3 place,
      double reach,
      Measure measure,
      String title,
      String sentence)
      implements Finding {}

  /** Faces to turn, so that neighbours are wound alike. */
  record Flipped(List<Integer> faces, List<Element> elements, Vec3 place, double reach)
      implements Finding {
    @Override
    public Rule rule() {
      return Rule.FLIPPED;
    }

    @Override
    public Measure measure() {
      return new Measure(faces.size(), Measure.Unit.FACES);
    }

    @Override
    public String title() {
      return faces.size() == 1 ? "Face turned over" : faces.size() + " faces turned over";
    }

    @Override
    public String sentence() {
      return faces.size() == 1
          ? "This face is wound against its neighbours, so its back shows: turn it."
          : "These "
              + faces.size()
              + " faces are wound against their neighbours, so their backs show: turn them.";
    }
  }

  /**
   * A face at which open rings end.
   *
   * @param rings how many
   */
  record RingStop(int face, int sides, int rings, Vec3 place, double reach) implements Finding {
    @Override
    public Rule rule() {
      return Rule.RING_STOP;
    }

    @Override
    public List<Element> elements() {
      return List.of(Element.face(face));
    }

    @Override
    public Measure measure() {
      return new Measure(rings, Measure.Unit.RINGS);
    }

    private String what() {
      return sides == 3 ? "triangle" : sides + "-sided face";
    }

    @Override
    public String title() {
      return rings == 1 ? "Ring stops at the " + what() : rings + " rings stop at the " + what();
    }

    @Override
    public String sentence() {
      return (rings == 1 ? "1 ring ends" : rings + " rings end")
          + " at this "
          + what()
          + ", so no loop can run on across it.";
    }
  }

  /** An inner vertex where not 4 edges meet. */
  record Pole(int vertex, int valence, boolean fresh, boolean curved, Vec3 place, double reach)
      implements Finding {
    @Override
    public Rule rule() {
      return valence >= 6 ? Rule.POLE_MANY : Rule.POLE_NEW;
    }

    @Override
    public List<Element> elements() {
      return List.of(Element.vertex(vertex));
    }

    @Override
    public Measure measure() {
      return new Measure(valence, Measure.Unit.EDGES);
    }

    @Override
    public String title() {
      return (fresh ? "New pole" : "Pole")
          + " where "
          + valence
          + " edges meet"
          + (curved ? ", where the form bends most" : "");
    }

    @Override
    public String sentence() {
      return valence
          + " edges meet at this inner vertex"
          + (fresh ? ", and the starter has no pole here" : "")
          + ": edge loops end here, and the surface tightens when it is subdivided"
          + (curved ? ". This is in the tenth of the form that bends most, where it shows." : ".");
    }
  }
}
