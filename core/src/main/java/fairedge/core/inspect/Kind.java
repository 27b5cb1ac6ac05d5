package fairedge.core.inspect;

/** The kinds of finding, in the order of a report. */
public enum Kind {
  NGON("ngon", Family.SIDES),
  TRIANGLE("triangle", Family.SIDES),
  FLAT_CORNER("flat-corner", Family.SIDES),
  ALL_TRIANGLES("all-triangles", Family.SIDES),
  IDLE_VERTEX("idle-vertex", Family.VERTICES),
  BENT_VERTEX("bent-vertex", Family.VERTICES),
  DOUBLE("double", Family.VERTICES),
  LOOSE_VERTEX("loose-vertex", Family.VERTICES),
  LOOSE_EDGE("loose-edge", Family.VERTICES),
  BORDER("border", Family.SURFACE),
  CROWDED_EDGE("crowded-edge", Family.SURFACE),
  BOW_TIE("bow-tie", Family.SURFACE),
  FLIPPED("flipped", Family.SURFACE),
  INSIDE_OUT("inside-out", Family.SURFACE),
  REPEATED_CORNER("repeated-corner", Family.SURFACE),
  UNREADABLE_FACE("unreadable-face", Family.SURFACE),
  NO_PLACE("no-place", Family.SURFACE),
  TWIN_FACE("twin-face", Family.SURFACE),
  NO_AREA("no-area", Family.SURFACE),
  RING_STOP("ring-stop", Family.FLOW),
  POLE("pole", Family.FLOW);

  /** What a kind of finding is about. */
  public enum Family {
    SIDES("Sides"),
    VERTICES("Vertices"),
    SURFACE("Surface"),
    FLOW("Flow");

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

  /** The name of the kind in reports, profiles and the handbook. */
  public String key() {
    return key;
  }

  /**
   * @throws IllegalArgumentException if no kind has this name
   */
  public static Kind named(String key) {
    for (Kind kind : values()) {
      if (kind.key.equals(key)) {
        return kind;
      }
    }
    throw new IllegalArgumentException("no kind of finding is called " + key);
  }

  public Family family() {
    return family;
  }
}
