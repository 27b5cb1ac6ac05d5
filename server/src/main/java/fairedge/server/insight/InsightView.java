package fairedge.server.insight;

import fairedge.core.insight.Estimate;
import fairedge.core.insight.Skill;
import fairedge.core.insight.Trend;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What a class, or a student, has learnt over a term.
 *
 * @param exercises what is set, in the order of the class
 * @param kinds of findings in last attempts, the commonest first
 * @param phrases those that were followed by another attempt often enough
 * @param isWhole false while what became of some notes is still being found out
 */
public record InsightView(
    String course,
    String zone,
    int students,
    List<InsightExercise> exercises,
    List<InsightKind> kinds,
    List<InsightSkill> skills,
    List<InsightPhrase> phrases,
    boolean isWhole) {

  /**
   * An exercise.
   *
   * @param handedIn how many have handed it in
   */
  public record InsightExercise(
      UUID assignment, String title, @Nullable Instant dueAt, int handedIn) {}

  /**
   * A kind of finding.
   *
   * @param counts by exercise how many students have it in their last attempt
   */
  public record InsightKind(String kind, List<Integer> counts) {}

  /** Which skill. */
  public enum SkillName {
    quads,
    completeLoops,
    linesMet,
    heldEdges;

    static SkillName of(Skill skill) {
      return values()[skill.ordinal()];
    }
  }

  /**
   * A skill over the term, in shares from 0 to 1.
   *
   * @param points by exercise, from the attempts that count; null where none shows it
   * @param all over all of them; null where there are none
   * @param way which way it goes
   */
  public record InsightSkill(
      SkillName skill, List<@Nullable SkillShare> points, @Nullable SkillShare all, SkillWay way) {}

  /**
   * A share and how sure it is.
   *
   * @param count of how many attempts
   * @param low it lies above this in 19 of 20 cases
   * @param isFew whether they are too few to be sure of anything
   */
  public record SkillShare(int count, double mean, double low, double high, boolean isFew) {
    static SkillShare of(Estimate e) {
      return new SkillShare(e.count(), e.mean(), e.low(), e.high(), e.isFew());
    }
  }

  /** Which way something goes over a term, and how sure that is. */
  public enum SkillWay {
    tooFew,
    noClearWay,
    likelyRises,
    likelyFalls,
    rises,
    falls;

    static SkillWay of(Trend trend) {
      return values()[trend.word().ordinal()];
    }
  }

  /**
   * A phrase that was followed by another attempt.
   *
   * @param kind of which findings it speaks; null: of any
   * @param cured how often what it spoke of was gone
   */
  public record InsightPhrase(String text, @Nullable String kind, int cured, SkillShare share) {}
}
