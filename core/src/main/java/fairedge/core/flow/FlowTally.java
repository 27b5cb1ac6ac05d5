package fairedge.core.flow;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Rings or loops in numbers, kept as they come and go. */
public final class FlowTally {
  private final Map<Integer, Integer> lengths = new TreeMap<>();
  private final Map<String, Integer> ends = new TreeMap<>();
  private final Map<Integer, Integer> poles = new TreeMap<>();
  private int count;
  private int closed;
  private int complete;
  private int edgesInComplete;

  /** A ring or a loop as it is counted. */
  interface Counted {
    int length();

    boolean closed();

    boolean isComplete();

    /** Why it ends at its open ends. */
    List<String> causes();

    /** The valences of the poles at which it ends. */
    List<Integer> poles();

    /** How many edges it crosses or runs along. */
    int edges();
  }

  /**
   * @param by 1 for one that comes, -1 for one that goes
   */
  void add(Counted one, int by) {
    count += by;
    closed += one.closed() ? by : 0;
    complete += one.isComplete() ? by : 0;
    edgesInComplete += one.isComplete() ? by * one.edges() : 0;
    merge(lengths, one.length(), by);
    one.causes().forEach(cause -> merge(ends, cause, by));
    one.poles().forEach(valence -> merge(poles, valence, by));
  }

  private static <K> void merge(Map<K, Integer> counts, K key, int by) {
    counts.merge(key, by, (had, more) -> had + more == 0 ? null : had + more);
  }

  public int count() {
    return count;
  }

  public int closed() {
    return closed;
  }

  public int complete() {
    return complete;
  }

  /** How many edges complete ones cross or run along. */
  public int edgesInComplete() {
    return edgesInComplete;
  }

  /** How many have which length. */
  public Map<Integer, Integer> lengths() {
    return new TreeMap<>(lengths);
  }

  /** How many open ends have which cause. */
  public Map<String, Integer> ends() {
    return new TreeMap<>(ends);
  }

  /** How many open ends lie at poles of which valence. */
  public Map<Integer, Integer> poles() {
    return new TreeMap<>(poles);
  }
}
