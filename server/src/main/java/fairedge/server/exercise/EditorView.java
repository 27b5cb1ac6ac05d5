package fairedge.server.exercise;

import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.survey.Threshold;
import fairedge.json.ProfileView;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise as its instructor writes it.
 *
 * @param isMine whether whoever asks may write
 * @param revision of the draft
 * @param version that holds; null: it was never made ready
 * @param isChanged whether the draft is another than the version that holds
 * @param countsOtherwise whether other things count by it: then what was handed in is inspected
 *     anew
 * @param starter null while there is none
 * @param references those of the draft, in its order
 * @param keptAt when the draft was kept last
 * @param missing before it can be made ready
 * @param countable what can count
 */
public record EditorView(
    UUID id,
    boolean isMine,
    String owner,
    long revision,
    @Nullable Integer version,
    boolean isChanged,
    boolean countsOtherwise,
    boolean isPutAway,
    @Nullable StarterView starter,
    Draft draft,
    List<ReferenceView> references,
    @Nullable Instant keptAt,
    List<Missing> missing,
    Countable countable) {

  /**
   * The mesh that students begin with.
   *
   * @param from where it came from, in words
   * @param isFixed whether somebody has begun with it
   */
  public record StarterView(String hash, String from, String unit, int faces, boolean isFixed) {}

  /** A solution that the exercise knows of. */
  public record ReferenceView(String hash, String from, int faces) {}

  /** A part of the editor. */
  public enum Section {
    starter,
    brief,
    counts,
    references,
    credits,
    setting
  }

  /** Something that is missing, and where it is written. */
  public record Missing(Section section, String what) {}

  /**
   * What can count.
   *
   * @param builtIn examples to copy
   */
  public record Countable(
      List<RuleView> rules, List<ThresholdView> thresholds, List<ProfileView> builtIn) {
    static final Countable ALL =
        new Countable(
            Arrays.stream(Rule.values())
                .map(r -> new RuleView(r.key(), r.kind().key(), r.kind().family().title()))
                .toList(),
            Arrays.stream(Threshold.values()).map(ThresholdView::of).toList(),
            Profile.builtIn().stream().map(ProfileView::of).toList());
  }

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
}
