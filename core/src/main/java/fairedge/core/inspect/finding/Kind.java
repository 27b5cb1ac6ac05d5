package fairedge.core.inspect.finding;

import fairedge.core.survey.Threshold;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** The kinds of finding, in the order of a report. */
public enum Kind {
  NGON("ngon", Family.SIDES),
  TRIANGLE("triangle", Family.SIDES),
  FLAT_CORNER("flat-corner", Family.SIDES),
  ALL_TRIANGLES("all-triangles", Family.SIDES),
  IDLE_VERTEX("idle-vertex", Family.VERTICES),
  BENT_VERTEX("bent-vertex", Family.VERTICES),
  DOUBLE("double", Family.VERTICES),
  SEAM("seam", Family.VERTICES),
  TOUCHING("touching", Family.VERTICES),
  SHORT_EDGE("short-edge", Family.VERTICES),
  SLIT("slit", Family.VERTICES),
  LOOSE_VERTEX("loose-vertex", Family.VERTICES),
  LOOSE_EDGE("loose-edge", Family.VERTICES),
  IDLE_LOOP("idle-loop", Family.VERTICES),
  BORDER("border", Family.SURFACE),
  CROWDED_EDGE("crowded-edge", Family.SURFACE),
  BOW_TIE("bow-tie", Family.SURFACE),
  FLIPPED("flipped", Family.SURFACE),
  INSIDE_OUT("inside-out", Family.SURFACE),
  REPEATED_CORNER("repeated-corner", Family.SURFACE),
  UNREADABLE_FACE("unreadable-face", Family.SURFACE),
  NO_PLACE("no-place", Family.SURFACE),
  TWIN_FACE("twin-face", Family.SURFACE),
  INNER_FACE("inner-face", Family.SURFACE),
  NO_AREA("no-area", Family.SURFACE),
  SLIVER("sliver", Family.SURFACE),
  CONCAVE("concave", Family.SURFACE),
  WARPED("warped", Family.SURFACE),
  FOLDED("folded", Family.SURFACE),
  CROSSING("crossing", Family.SURFACE),
  PARTS("parts", Family.SURFACE),
  RING_STOP("ring-stop", Family.FLOW),
  LOOP_END("loop-end", Family.FLOW),
  DEAD_END("dead-end", Family.FLOW),
  POLE("pole", Family.FLOW),
  SPIRAL("spiral", Family.FLOW),
  JUMP("jump", Family.FLOW),
  STRETCHED("stretched", Family.FLOW),
  ASKEW("askew", Family.FLOW),
  SOFT_EDGE("soft-edge", Family.SUPPORT),
  PINCH("pinch", Family.SUPPORT),
  TIGHT("tight", Family.SUPPORT),
  NO_COLLAR("no-collar", Family.SUPPORT),
  PLACED("placed", Family.SHAPE),
  MOVED("moved", Family.SHAPE),
  ONE_SIDED("one-sided", Family.SHAPE),
  OFF_LINE("off-line", Family.SHAPE),
  TOO_MANY("too-many", Family.SHAPE),
  LOPSIDED("lopsided", Family.SHAPE);

  /** What a kind of finding is about. */
  public enum Family {
    SIDES("Sides"),
    VERTICES("Vertices"),
    SURFACE("Surface"),
    FLOW("Flow"),
    SUPPORT("Support"),
    SHAPE("Shape");

    private final String title;

    Family(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  private final String key;
  private final Family family;

  Kind(String key, Family family) {
    this.key = key;
    this.family = family;
  }

  private static final Map<String, Kind> BY_KEY =
      Arrays.stream(values()).collect(Collectors.toMap(Kind::key, k -> k));

  /** The name of the kind in reports, profiles and the handbook. */
  public String key() {
    return key;
  }

  /**
   * @throws IllegalArgumentException if no kind has this name
   */
  public static Kind named(String key) {
    return find(key)
        .orElseThrow(() -> new IllegalArgumentException("no kind of finding is called " + key));
  }

  /** The kind of this name; none where there is no such, or none any more. */
  public static Optional<Kind> find(String key) {
    return Optional.ofNullable(BY_KEY.get(key));
  }

  public Family family() {
    return family;
  }

  /** The kind with which a number of a profile is told; others may use it too. */
  public static Kind toldWith(Threshold threshold) {
    return switch (threshold) {
      case STRAIGHT -> NGON;
      case IDLE_ANGLE -> IDLE_VERTEX;
      case PAIR_BEND -> TRIANGLE;
      case WELD -> DOUBLE;
      case SEAM -> SEAM;
      case SHORT_EDGE -> SHORT_EDGE;
      case IDLE_LOOP -> IDLE_LOOP;
      case NO_AREA -> NO_AREA;
      case SLIVER, SLIVER_CORNER -> SLIVER;
      case CONCAVE -> CONCAVE;
      case WARPED -> WARPED;
      case FOLDED -> FOLDED;
      case HARD_EDGE, HARD_ALONE -> POLE;
      case FLAT_PATCH, SOFT_EDGE -> SOFT_EDGE;
      case STRIP, TIGHT -> TIGHT;
      case JUMP -> JUMP;
      case STRETCHED -> STRETCHED;
      case ASKEW, CLEAR_BEND -> ASKEW;
      case PINCH -> PINCH;
      case LINE_SHARE, LINE_DISTANCE, LINE_ANGLE -> OFF_LINE;
    };
  }
}
