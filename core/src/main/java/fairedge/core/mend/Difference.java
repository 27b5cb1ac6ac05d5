package fairedge.core.mend;

import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.finding.Finding;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/**
 * What of two reports, one made from the other, is not the same. Findings that were not looked at
 * anew are the same objects, and stand in the same order: so both are gone through side by side.
 *
 * @param gone of the earlier, in its order
 * @param come of the later, in its order
 */
record Difference(List<Assessed> gone, List<Assessed> come) {
  /** So far ahead it is looked for where both go on alike. */
  private static final int AHEAD = 64;

  static Difference of(List<Assessed> before, List<Assessed> now) {
    List<Assessed> gone = new ArrayList<>();
    List<Assessed> come = new ArrayList<>();
    int i = 0;
    int k = 0;
    while (i < before.size() && k < now.size()) {
      if (before.get(i).finding() == now.get(k).finding()) {
        i++;
        k++;
        continue;
      }
      int inNow = ahead(now, k, before.get(i).finding());
      int inBefore = ahead(before, i, now.get(k).finding());
      if (inNow < 0 && inBefore < 0) {
        gone.add(before.get(i++));
        come.add(now.get(k++));
      } else if (inBefore < 0 || inNow >= 0 && inNow <= inBefore) {
        come.addAll(now.subList(k, k + inNow));
        k += inNow;
      } else {
        gone.addAll(before.subList(i, i + inBefore));
        i += inBefore;
      }
    }
    gone.addAll(before.subList(i, before.size()));
    come.addAll(now.subList(k, now.size()));
    return new Difference(without(gone, come), without(come, gone));
  }

  private static int ahead(List<Assessed> list, int from, Finding finding) {
    for (int i = 0; i < AHEAD && from + i < list.size(); i++) {
      if (list.get(from + i).finding() == finding) {
        return i;
      }
    }
    return -1;
  }

  /** What stands elsewhere in the other is the same all the same. */
  private static List<Assessed> without(List<Assessed> some, List<Assessed> others) {
    Set<Finding> known = Collections.newSetFromMap(new IdentityHashMap<>());
    others.forEach(a -> known.add(a.finding()));
    return some.stream().filter(a -> !known.contains(a.finding())).toList();
  }
}
