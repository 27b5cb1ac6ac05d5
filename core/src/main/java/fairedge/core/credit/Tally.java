package fairedge.core.credit;

import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Met;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What an inspection counted, as far as credits go by it.
 *
 * @param findings how many of each kind there are, by severity, listed or not
 * @param completeLoops the share of edges of faces that lie in complete loops, 0 to 1
 * @param budget the most faces that are asked for; null: any number
 * @param met how far what is asked of the shape is met
 */
public record Tally(
    Map<Kind, Map<Severity, Integer>> findings,
    int faces,
    int quads,
    double completeLoops,
    @Nullable Integer budget,
    Met met) {

  public Tally {
    Map<Kind, Map<Severity, Integer>> copy = new EnumMap<>(Kind.class);
    findings.forEach((kind, counts) -> copy.put(kind, Map.copyOf(counts)));
    findings = copy;
  }

  public static Tally of(
      Map<Kind, Map<Severity, Integer>> findings,
      Figures figures,
      @Nullable Integer budget,
      Met met) {
    return new Tally(
        findings, figures.faces(), figures.quads(), figures.loops().shareComplete(), budget, met);
  }

  /**
   * The same findings as another profile would have them count, as far as they are known: what the
   * one before left out is not found by it, and where two forms of a kind counted alike, both count
   * as the heavier of them would.
   */
  public Tally reassessed(Profile before, Profile now) {
    Map<Kind, Map<Severity, Integer>> counts = new EnumMap<>(Kind.class);
    findings.forEach((kind, by) ->
        by.forEach((severity, count) ->
            heaviest(kind, severity, before, now)
                .ifPresent(s ->
                    counts
                        .computeIfAbsent(kind, k -> new EnumMap<>(Severity.class))
                        .merge(s, count, Integer::sum))));
    return new Tally(counts, faces, quads, completeLoops, budget, met);
  }

  private static Optional<Severity> heaviest(
      Kind kind, Severity severity, Profile before, Profile now) {
    return Arrays.stream(Rule.values())
        .filter(r -> r.kind() == kind && before.severityOf(r).equals(Optional.of(severity)))
        .flatMap(r -> now.severityOf(r).stream())
        .min(Comparator.naturalOrder());
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
      case LINES_MET -> met.lines() == null ? 100 : 100 * met.lines();
      case MOVED -> met.moved() == null ? 0 : met.moved();
    };
  }
}
