package fairedge.core.credit;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What an inspection counted, as far as credits go by it.
 *
 * @param findings how many of each kind there are, by severity, listed or not
 * @param completeLoops the share of edges of faces that lie in complete loops, 0 to 1
 * @param budget the most faces that are asked for; null: any number
 */
public record Tally(
    Map<Kind, Map<Severity, Integer>> findings,
    int faces,
    int quads,
    double completeLoops,
    @Nullable Integer budget) {

  public Tally {
    Map<Kind, Map<Severity, Integer>> copy = new EnumMap<>(Kind.class);
    findings.forEach((kind, counts) -> copy.put(kind, Map.copyOf(counts)));
    findings = copy;
  }

  public static Tally of(
      Map<Kind, Map<Severity, Integer>> findings, Figures figures, @Nullable Integer budget) {
    return new Tally(
        findings, figures.faces(), figures.quads(), figures.loops().shareComplete(), budget);
  }

  int count(Set<Kind> kinds, Severity severity) {
    return kinds.stream()
        .mapToInt(k -> findings.getOrDefault(k, Map.of()).getOrDefault(severity, 0))
        .sum();
  }

  double measured(Measure measure) {
    return switch (measure) {
      case QUADS -> faces == 0 ? 0 : 100.0 * quads / faces;
      case COMPLETE_LOOPS -> 100 * completeLoops;
      case OVER_BUDGET -> budget == null ? 0 : Math.max(0, faces - budget);
    };
  }
}
