package fairedge.core.inspect;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which kinds of finding count in an exercise, how much, and from which number on. */
public final class Profile {
  /** The built-in profiles, a column each; and how much each rule counts in it. */
  private static final String[] NAMES = {
    "All quads", "Smooth form", "Flat panels", "Study piece", "Open sheet"
  };

  private static final Map<Rule, String> TABLE = new EnumMap<>(Rule.class);

  static {
    TABLE.put(Rule.NGON, "MMMrM");
    TABLE.put(Rule.NGON_FLAT, "MM-rM");
    TABLE.put(Rule.TRIANGLE, "MMSrM");
    TABLE.put(Rule.TRIANGLE_FAN, "MSr-M");
    TABLE.put(Rule.FLAT_CORNER, "SSMrS");
    TABLE.put(Rule.ALL_TRIANGLES, "MMSrM");
    TABLE.put(Rule.IDLE_VERTEX, "MMMrM");
    TABLE.put(Rule.BENT_VERTEX, "SSrrS");
    TABLE.put(Rule.DOUBLE, "MMMSM");
    TABLE.put(Rule.LOOSE_VERTEX, "MMMSM");
    TABLE.put(Rule.LOOSE_EDGE, "MMMSM");
    TABLE.put(Rule.BORDER, "MMMS-");
    for (Rule always :
        List.of(
            Rule.CROWDED_EDGE,
            Rule.BOW_TIE,
            Rule.REPEATED_CORNER,
            Rule.UNREADABLE_FACE,
            Rule.NO_PLACE,
            Rule.TWIN_FACE,
            Rule.NO_AREA)) {
      TABLE.put(always, "MMMMM");
    }
    TABLE.put(Rule.FLIPPED, "MMMSM");
    TABLE.put(Rule.INSIDE_OUT, "MMMSM");
    TABLE.put(Rule.RING_STOP, "SSr-S");
    TABLE.put(Rule.POLE_MANY, "SSr-S");
    TABLE.put(Rule.POLE_NEW, "rS--r");
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
}
