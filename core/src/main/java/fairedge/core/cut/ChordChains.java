package fairedge.core.cut;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Strings chords together that end on each other, for the line that is drawn. */
final class ChordChains {
  private final Map<Node, List<Chord>> atNode = new LinkedHashMap<>();
  private final Set<Chord> left;

  private ChordChains(List<Chord> chords) {
    left = new HashSet<>(chords);
    for (Chord chord : chords) {
      atNode.computeIfAbsent(chord.from(), n -> new ArrayList<>()).add(chord);
      atNode.computeIfAbsent(chord.to(), n -> new ArrayList<>()).add(chord);
    }
  }

  /**
   * Chains of chords, each leading on from the last; open ones from an end on, closed ones from
   * their first chord. Cost: the chords.
   */
  static List<List<Chord>> of(List<Chord> chords) {
    ChordChains chains = new ChordChains(chords);
    List<List<Chord>> found = new ArrayList<>();
    chains.atNode.forEach((node, there) -> {
      if (there.size() == 1) {
        chains.walk(there.getFirst(), node, found);
      }
    });
    for (Chord chord : chords) {
      chains.walk(chord, chord.from(), found);
    }
    return found;
  }

  private void walk(Chord first, Node start, List<List<Chord>> found) {
    List<Chord> chain = new ArrayList<>();
    Node at = start;
    Chord next = first;
    while (next != null && left.remove(next)) {
      Chord ahead = next.from().equals(at) ? next : next.reversed();
      chain.add(ahead);
      at = ahead.to();
      next =
          atNode.getOrDefault(at, List.of()).stream()
              .filter(left::contains)
              .findFirst()
              .orElse(null);
    }
    if (!chain.isEmpty()) {
      found.add(chain);
    }
  }
}
