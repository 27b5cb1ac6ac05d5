package fairedge.json;

import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Thresholds;
import fairedge.json.FindingView.SeverityView;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * A check profile as the API tells it and the store keeps it.
 *
 * @param severities how much each rule counts, by its name; those that are not named are off
 * @param thresholds the numbers that are not the usual ones, by their names
 */
public record ProfileView(
    String name, Map<String, SeverityView> severities, Map<String, Double> thresholds) {
  private static final int LONGEST_NAME = 60;

  public static ProfileView of(Profile profile) {
    Map<String, SeverityView> severities = new TreeMap<>();
    for (Rule rule : Rule.values()) {
      profile.severityOf(rule).ifPresent(s -> severities.put(rule.key(), SeverityView.of(s)));
    }
    Map<String, Double> thresholds = new TreeMap<>();
    profile.thresholds().set().forEach((t, value) -> thresholds.put(t.key(), value));
    return new ProfileView(profile.name(), severities, thresholds);
  }

  /**
   * @throws IllegalArgumentException saying what can't be
   */
  public Profile profile() {
    requireWhole();
    if (name.isBlank() || name.length() > LONGEST_NAME) {
      throw new IllegalArgumentException(
          "a profile has a name of " + LONGEST_NAME + " letters at the most");
    }
    Map<Rule, Severity> counts = new EnumMap<>(Rule.class);
    severities.forEach((rule, severity) -> counts.put(Rule.named(rule), severity.severity()));
    Thresholds numbers = Thresholds.USUAL;
    for (Map.Entry<String, Double> number : thresholds.entrySet()) {
      numbers = numbers.with(Threshold.named(number.getKey()), number.getValue());
    }
    return new Profile(name, counts, numbers);
  }

  /** Whoever reads JSON may find nothing where the record has something. */
  @SuppressWarnings("ConstantValue")
  private void requireWhole() {
    boolean isWhole =
        name != null
            && severities != null
            && thresholds != null
            && severities.values().stream().allMatch(Objects::nonNull)
            && thresholds.values().stream().allMatch(Objects::nonNull);
    if (!isWhole) {
      throw new IllegalArgumentException(
          "a profile has a name, a severity for each rule that counts, and a number for each"
              + " threshold");
    }
  }
}
