package fairedge.core.inspect;

import fairedge.core.inspect.finding.Rule;
import fairedge.core.survey.Thresholds;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Which kinds of finding count in an exercise, how much, and from which number on. */
public final class Profile {
  /** The built-in profiles, a column each; and how much each rule counts in it. */
  private static final String[] NAMES = {
    "All quads", "Smooth form", "Flat panels", "Study piece", "Open sheet"
  };

  private static final Map<Rule, String> TABLE = new EnumMap<>(Rule.class);

  static {
    put("MMMrM", Rule.NGON);
    put("MM-rM", Rule.NGON_FLAT);
    put("MMSrM", Rule.TRIANGLE, Rule.ALL_TRIANGLES);
    put("MSr-M", Rule.TRIANGLE_FAN);
    put("SSMrS", Rule.FLAT_CORNER, Rule.WARPED);
    put("MMMrM", Rule.IDLE_VERTEX, Rule.SHORT_EDGE);
    put("SSrrS", Rule.BENT_VERTEX);
    put("MMMSM", Rule.DOUBLE, Rule.TOUCHING, Rule.SEAM);
    put("MMMSM", Rule.SLIT, Rule.LOOSE_VERTEX, Rule.LOOSE_EDGE);
    put("SSSrS", Rule.SHORT_EDGE_BESIDE, Rule.SLIVER, Rule.CONCAVE);
    put("rrS-r", Rule.IDLE_LOOP);
    put("MMMS-", Rule.BORDER);
    put("MMMMM", Rule.CROWDED_EDGE, Rule.BOW_TIE, Rule.REPEATED_CORNER, Rule.UNREADABLE_FACE);
    put("MMMMM", Rule.NO_PLACE, Rule.TWIN_FACE, Rule.NO_AREA);
    put("MMMSM", Rule.FLIPPED, Rule.INSIDE_OUT, Rule.INNER_FACE, Rule.FOLDED, Rule.CROSSING);
    put("MMMMM", Rule.PARTS, Rule.PLACED, Rule.MOVED, Rule.ONE_SIDED, Rule.OFF_LINE);
    put("MMMMM", Rule.TOO_MANY, Rule.LOPSIDED);
    put("SSr-S", Rule.RING_STOP, Rule.DEAD_END, Rule.SPIRAL, Rule.POLE_MANY);
    put("rS--r", Rule.LOOP_END, Rule.POLE_NEW, Rule.JUMP, Rule.STRETCHED);
    put("-r---", Rule.ASKEW, Rule.TIGHT);
    put("-Sr--", Rule.SOFT_EDGE, Rule.NO_COLLAR);
    put("-M---", Rule.PINCH);
  }

  private static void put(String row, Rule... rules) {
    for (Rule rule : rules) {
      TABLE.put(rule, row);
    }
  }

  public static final Profile ALL_QUADS = builtIn(0);
  public static final Profile SMOOTH_FORM = builtIn(1);
  public static final Profile FLAT_PANELS = builtIn(2);
  public static final Profile STUDY_PIECE = builtIn(3);
  public static final Profile OPEN_SHEET = builtIn(4);

  private static final List<Profile> BUILT_IN =
      List.of(ALL_QUADS, SMOOTH_FORM, FLAT_PANELS, STUDY_PIECE, OPEN_SHEET);

  private final String name;
  private final Map<Rule, Severity> severities;
  private final Thresholds thresholds;

  /**
   * @param severities rules that are not named are off
   */
  public Profile(String name, Map<Rule, Severity> severities, Thresholds thresholds) {
    this.name = name;
    this.severities = new EnumMap<>(Rule.class);
    this.severities.putAll(severities);
    this.thresholds = thresholds;
  }

  private static Profile builtIn(int column) {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    TABLE.forEach((rule, row) -> {
      switch (row.charAt(column)) {
        case 'M' -> severities.put(rule, Severity.MUST);
        case 'S' -> severities.put(rule, Severity.SHOULD);
        case 'r' -> severities.put(rule, Severity.REMARK);
        default -> severities.remove(rule);
      }
    });
    return new Profile(NAMES[column], severities, Thresholds.USUAL);
  }

  public static List<Profile> builtIn() {
    return BUILT_IN;
  }

  /**
   * @throws IllegalArgumentException naming the profiles there are
   */
  public static Profile named(String name) {
    return BUILT_IN.stream()
        .filter(p -> p.name.equals(name))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                "no profile is called \"" + name + "\"; there are " + Arrays.toString(NAMES)));
  }

  public String name() {
    return name;
  }

  public Thresholds thresholds() {
    return thresholds;
  }

  /** The same with other thresholds. */
  public Profile with(Thresholds other) {
    return new Profile(name, severities, other);
  }

  /** How much a rule counts; empty where it is off. */
  public Optional<Severity> severityOf(Rule rule) {
    return Optional.ofNullable(severities.get(rule));
  }

  /** Whether another is of the same name and asks for the same. */
  @Override
  public boolean equals(@Nullable Object o) {
    return o instanceof Profile other
        && name.equals(other.name)
        && severities.equals(other.severities)
        && thresholds.equals(other.thresholds);
  }

  @Override
  public int hashCode() {
    return Objects.hash(name, severities, thresholds);
  }
}
