package fairedge.core.inspect.finding;

import java.util.Arrays;
import java.util.Locale;

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
  SEAM(Kind.SEAM),
  TOUCHING(Kind.TOUCHING),
  /** At the weld distance or less. */
  SHORT_EDGE(Kind.SHORT_EDGE),
  /** Much shorter than the edges beside it. */
  SHORT_EDGE_BESIDE(Kind.SHORT_EDGE),
  SLIT(Kind.SLIT),
  LOOSE_VERTEX(Kind.LOOSE_VERTEX),
  LOOSE_EDGE(Kind.LOOSE_EDGE),
  IDLE_LOOP(Kind.IDLE_LOOP),
  BORDER(Kind.BORDER),
  CROWDED_EDGE(Kind.CROWDED_EDGE),
  BOW_TIE(Kind.BOW_TIE),
  FLIPPED(Kind.FLIPPED),
  INSIDE_OUT(Kind.INSIDE_OUT),
  REPEATED_CORNER(Kind.REPEATED_CORNER),
  UNREADABLE_FACE(Kind.UNREADABLE_FACE),
  NO_PLACE(Kind.NO_PLACE),
  TWIN_FACE(Kind.TWIN_FACE),
  INNER_FACE(Kind.INNER_FACE),
  NO_AREA(Kind.NO_AREA),
  SLIVER(Kind.SLIVER),
  CONCAVE(Kind.CONCAVE),
  WARPED(Kind.WARPED),
  FOLDED(Kind.FOLDED),
  CROSSING(Kind.CROSSING),
  PARTS(Kind.PARTS),
  RING_STOP(Kind.RING_STOP),
  LOOP_END(Kind.LOOP_END),
  DEAD_END(Kind.DEAD_END),
  POLE_MANY(Kind.POLE),
  POLE_NEW(Kind.POLE),
  SPIRAL(Kind.SPIRAL),
  JUMP(Kind.JUMP),
  STRETCHED(Kind.STRETCHED),
  ASKEW(Kind.ASKEW),
  SOFT_EDGE(Kind.SOFT_EDGE),
  PINCH(Kind.PINCH),
  TIGHT(Kind.TIGHT),
  NO_COLLAR(Kind.NO_COLLAR),
  PLACED(Kind.PLACED),
  MOVED(Kind.MOVED),
  ONE_SIDED(Kind.ONE_SIDED),
  OFF_LINE(Kind.OFF_LINE),
  TOO_MANY(Kind.TOO_MANY),
  LOPSIDED(Kind.LOPSIDED);

  private final Kind kind;

  Rule(Kind kind) {
    this.kind = kind;
  }

  public Kind kind() {
    return kind;
  }

  /** The name in profiles: {@code ngon-flat}. */
  public String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /**
   * @throws IllegalArgumentException if no rule has this name
   */
  public static Rule named(String key) {
    return Arrays.stream(values())
        .filter(r -> r.key().equals(key))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("no rule is called \"" + key + "\""));
  }
}
