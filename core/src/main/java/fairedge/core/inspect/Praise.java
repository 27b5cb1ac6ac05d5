package fairedge.core.inspect;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What there is to praise of a mesh, in figures: of a first one what is good, of a later one what
 * has become better. Cost: none to speak of.
 */
public final class Praise {
  /** From this share on it is worth a word by itself. */
  private static final double GOOD = 0.9;

  private Praise() {}

  /**
   * @param before figures of the attempt before; null for the first
   * @param gone how many findings of it are gone
   */
  public static List<String> of(Figures now, @Nullable Figures before, int gone) {
    List<String> praise = new ArrayList<>();
    add(
        praise,
        "of edges in complete loops",
        now.loops().shareComplete(),
        before == null ? null : before.loops().shareComplete());
    add(praise, "quads", quads(now), before == null ? null : quads(before));
    if (gone > 0) {
      praise.add(
          gone == 1 ? "1 fault of last time is gone" : gone + " faults of last time are gone");
    }
    return praise;
  }

  private static double quads(Figures f) {
    return f.faces() == 0 ? 0 : (double) f.quads() / f.faces();
  }

  private static void add(List<String> praise, String what, double now, @Nullable Double before) {
    String share = percent(now);
    if (before != null && now > before && !share.equals(percent(before))) {
      praise.add("%s %s, %s last time".formatted(share, what, percent(before)));
    } else if (now >= GOOD) {
      praise.add("%s %s".formatted(share, what));
    }
  }

  /** Never all of it while something is missing. */
  private static String percent(double share) {
    return String.format(Locale.ROOT, "%.0f %%", share == 1 ? 100 : Math.min(99, 100 * share));
  }
}
