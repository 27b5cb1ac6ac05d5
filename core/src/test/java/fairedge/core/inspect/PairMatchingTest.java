package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.inspect.PairMatching.Candidate;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class PairMatchingTest {
  /** How many pairs, and what they cost together. */
  private record Score(int pairs, double cost) {
    boolean beats(Score o) {
      return pairs > o.pairs || pairs == o.pairs && cost < o.cost;
    }
  }

  @Test
  void choice_isTheBestOfAll() {
    SplittableRandom random = new SplittableRandom(5);
    for (int round = 0; round < 400; round++) {
      List<Candidate> candidates = candidates(random, 2 + random.nextInt(9));
      List<Candidate> chosen = PairMatching.best(candidates);
      Score best = bestOf(candidates, 0, 0L);
      assertThat(chosen).hasSize(best.pairs());
      assertThat(chosen.stream().mapToDouble(Candidate::cost).sum())
          .isCloseTo(best.cost(), within(1e-9));
      assertThat(chosen.stream().flatMap(c -> List.of(c.face(), c.other()).stream()))
          .doesNotHaveDuplicates();
    }
  }

  private static List<Candidate> candidates(SplittableRandom random, int faces) {
    List<Candidate> result = new ArrayList<>();
    for (int f = 0; f < faces; f++) {
      for (int g = f + 1; g < faces; g++) {
        if (random.nextDouble() < 0.35) {
          result.add(new Candidate(f, g, result.size(), random.nextDouble(90)));
        }
      }
    }
    return result;
  }

  /** Every choice there is. */
  private static Score bestOf(List<Candidate> all, int from, long used) {
    if (from == all.size()) {
      return new Score(0, 0);
    }
    Score without = bestOf(all, from + 1, used);
    Candidate c = all.get(from);
    long mask = 1L << c.face() | 1L << c.other();
    if ((used & mask) != 0) {
      return without;
    }
    Score rest = bestOf(all, from + 1, used | mask);
    Score with = new Score(rest.pairs() + 1, rest.cost() + c.cost());
    return with.beats(without) ? with : without;
  }
}
