package fairedge.core.inspect;

/** What a profile gives a severity to: a kind, or a form of one. */
public enum Rule {
  NGON(Kind.NGON),
  NGON_FLAT(Kind.NGON),
  TRIANGLE(Kind.TRIANGLE),
  TRIANGLE_FAN(Kind.TRIANGLE),
  FLAT_CORNER(Kind.FLAT_CORNER),
  ALL_TRIANGLES(Kind.ALL_TRIANGLES),
  IDLE_VERTEX(Kind.IDLE_VERTEX),
  BENT_VERTEX(Kind.BENT_VERTEX),
  DOUBLE(Kind.DOUBLE),
  LOOSE_VERTEX(Kind.LOOSE_VERTEX),
  LOOSE_EDGE(Kind.LOOSE_EDGE),
  BORDER(Kind.BORDER),
  CROWDED_EDGE(Kind.CROWDED_EDGE),
  BOW_TIE(Kind.BOW_TIE),
  FLIPPED(Kind.FLIPPED),
  INSIDE_OUT(Kind.INSIDE_OUT),
  REPEATED_CORNER(Kind.REPEATED_CORNER),
  UNREADABLE_FACE(Kind.UNREADABLE_FACE),
  NO_PLACE(Kind.NO_PLACE),
  TWIN_FACE(Kind.TWIN_FACE),
  NO_AREA(Kind.NO_AREA),
  RING_STOP(Kind.RING_STOP),
  POLE_MANY(Kind.POLE),
  POLE_NEW(Kind.POLE);

  private final Kind kind;

  Rule(Kind kind) {
    this.kind = kind;
  }

  public Kind kind() {
    return kind;
  }
}
