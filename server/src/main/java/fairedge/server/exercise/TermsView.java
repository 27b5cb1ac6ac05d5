package fairedge.server.exercise;

import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What counts in an exercise, and all that could.
 *
 * @param wanted what is asked of the shape
 * @param builtIn examples to copy
 */
public record TermsView(
    ExerciseView exercise,
    int revision,
    ProfileView profile,
    Wanted wanted,
    List<RuleView> rules,
    List<ThresholdView> thresholds,
    List<ProfileView> builtIn) {

  /** A kind of finding, or a form of one, that can count. */
  public record RuleView(String key, String kind, String family) {}

  /**
   * A number from which on something is a finding.
   *
   * @param usual of the built-in profiles; null where it depends on the size of the form
   */
  public record ThresholdView(
      String key,
      String kind,
      String words,
      String unit,
      @Nullable Double usual,
      double least,
      double most) {
    static ThresholdView of(Threshold t) {
      return new ThresholdView(
          t.key(),
          Kind.toldWith(t).key(),
          t.words(),
          t.unit().name(),
          Double.isNaN(t.usual()) ? null : t.usual(),
          t.least(),
          t.most());
    }
  }

  static TermsView of(Exercise e) {
    return new TermsView(
        ExerciseView.of(e),
        e.version(),
        ProfileView.of(e.profile()),
        e.wanted(),
        Arrays.stream(Rule.values())
            .map(r -> new RuleView(r.key(), r.kind().key(), r.kind().family().title()))
            .toList(),
        Arrays.stream(Threshold.values()).map(ThresholdView::of).toList(),
        Profile.builtIn().stream().map(ProfileView::of).toList());
  }
}
