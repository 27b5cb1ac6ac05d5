package fairedge.core.inspect;

/** The kinds of finding, in the order of a report. */
public enum Kind {
  NGON("ngon", Family.SIDES),
  TRIANGLE("triangle", Family.SIDES),
  IDLE_VERTEX("idle-vertex", Family.VERTICES),
  DOUBLE("double", Family.VERTICES);

  /** What a kind of finding is about. */
  public enum Family {
    SIDES("Sides"),
    VERTICES("Vertices");

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

  public Family family() {
    return family;
  }
}
