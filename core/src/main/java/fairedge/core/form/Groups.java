package fairedge.core.form;

import java.util.HashMap;
import java.util.Map;

/** Numbers that hang together, by joining pairs of them. Cost of a question: nearly constant. */
final class Groups {
  private final Map<Integer, Integer> towards = new HashMap<>();

  /** The number that stands for all that hang together with this one: the lowest of them. */
  int of(int number) {
    int at = number;
    int next = towards.getOrDefault(at, at);
    while (next != at) {
      // Halved on the way, so that long chains cost no more than their numbers.
      int beyond = towards.getOrDefault(next, next);
      towards.put(at, beyond);
      at = beyond;
      next = towards.getOrDefault(at, at);
    }
    return at;
  }

  void join(int one, int other) {
    int a = of(one);
    int b = of(other);
    if (a != b) {
      towards.put(Math.max(a, b), Math.min(a, b));
    }
  }
}
