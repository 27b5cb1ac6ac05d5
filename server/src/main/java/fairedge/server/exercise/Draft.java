package fairedge.server.exercise;

import fairedge.core.survey.Wanted;
import fairedge.json.CreditRuleView;
import fairedge.json.ProfileView;
import org.jspecify.annotations.Nullable;

/**
 * What an instructor writes of an exercise, to be left and come back to. Nothing of it holds before
 * it is made ready.
 *
 * @param summary one line of what is asked
 * @param brief as Markdown
 * @param profile what counts; it may be unsound while it is a draft
 * @param wanted what is asked of the shape
 * @param tells how much of the check students are told before their first answer
 * @param rule by what a hand-in gets credits; null: none are given
 */
public record Draft(
    String title,
    String summary,
    String brief,
    ProfileView profile,
    Wanted wanted,
    Exercise.Tells tells,
    @Nullable CreditRuleView rule) {

  static Draft of(Exercise e) {
    return new Draft(
        e.title(),
        e.summary(),
        e.brief(),
        ProfileView.of(e.profile()),
        e.wanted(),
        e.tells(),
        CreditRuleView.of(e.rule()));
  }
}
