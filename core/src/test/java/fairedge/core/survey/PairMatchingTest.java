package fairedge.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.survey.PairMatching.Candidate;
import java.util.ArrayList;
import java.util.Arrays;
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

  @Test
  void maximumMatching_isAsLargeAsAnyChoice() {
    SplittableRandom random = new SplittableRandom(8);
    for (int round = 0; round < 600; round++) {
      List<Candidate> edges = candidates(random, 2 + random.nextInt(9));
      int n = 11;
      List<List<Integer>> neighbours = new ArrayList<>();
      for (int i = 0; i < n; i++) {
        neighbours.add(new ArrayList<>());
      }
      for (Candidate c : edges) {
        neighbours.get(c.face()).add(c.other());
        neighbours.get(c.other()).add(c.face());
      }
      int[] mate = new int[n];
      Arrays.fill(mate, -1);
      new MaximumMatching(
              neighbours.stream()
                  .map(l -> l.stream().mapToInt(Integer::intValue).toArray())
                  .toArray(int[][]::new),
              mate)
          .augment();
      int matched = 0;
      for (int i = 0; i < n; i++) {
        if (mate[i] >= 0) {
          assertThat(mate[mate[i]]).isEqualTo(i);
          assertThat(neighbours.get(i)).contains(mate[i]);
          matched++;
        }
      }
      assertThat(matched / 2).isEqualTo(bestOf(edges, 0, 0L).pairs());
    }
  }

  @Test
  void longChain_isPairedToItsEnd_howeverCheapTheMiddle() {
    List<Candidate> chain = new ArrayList<>();
    for (int i = 0; i + 1 < 2000; i++) {
      chain.add(new Candidate(i, i + 1, i, i % 2 == 0 ? 10 : 1));
    }
    assertThat(PairMatching.best(chain)).hasSize(1000);
  }

  @Test
  void largeGroup_isLeftWhereNoExchangeOfPairsCostsLess() {
    SplittableRandom random = new SplittableRandom(12);
    for (int round = 0; round < 20; round++) {
      List<Candidate> candidates = net(random, 10);
      List<Candidate> chosen = PairMatching.best(candidates);
      double cost = chosen.stream().mapToDouble(Candidate::cost).sum();
      for (int i = 0; i < chosen.size(); i++) {
        for (int k = i + 1; k < chosen.size(); k++) {
          List<Candidate> others = new ArrayList<>(chosen);
          others.remove(chosen.get(i));
          others.remove(chosen.get(k));
          long[] four = {
            chosen.get(i).face(), chosen.get(i).other(), chosen.get(k).face(), chosen.get(k).other()
          };
          double least = leastOf(candidates, Arrays.stream(four).boxed().toList());
          assertThat(others.stream().mapToDouble(Candidate::cost).sum() + least)
              .isGreaterThanOrEqualTo(cost - 1e-6);
        }
      }
    }
  }

  /** The least that two pairs of four faces cost together. */
  private static double leastOf(List<Candidate> all, List<Long> four) {
    List<Candidate> among =
        all.stream()
            .filter(c -> four.contains((long) c.face()) && four.contains((long) c.other()))
            .toList();
    double least = Double.POSITIVE_INFINITY;
    for (Candidate a : among) {
      for (Candidate b : among) {
        boolean apart =
            a.face() != b.face()
                && a.face() != b.other()
                && a.other() != b.face()
                && a.other() != b.other();
        least = apart ? Math.min(least, a.cost() + b.cost()) : least;
      }
    }
    return least;
  }

  /**
   * n x n faces, each beside those left and right of it, above and below: round every four a way.
   */
  private static List<Candidate> net(SplittableRandom random, int n) {
    List<Candidate> result = new ArrayList<>();
    for (int f = 0; f < n * n; f++) {
      if (f % n + 1 < n) {
        result.add(new Candidate(f, f + 1, result.size(), random.nextDouble(90)));
      }
      if (f + n < n * n) {
        result.add(new Candidate(f, f + n, result.size(), random.nextDouble(90)));
      }
    }
    return result;
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
