package fairedge.server.exercise;

import fairedge.core.survey.Wanted;
import fairedge.json.CreditRuleView;
import fairedge.json.ProfileView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an instructor writes of an exercise, to be left and come back to. Nothing of it holds before
 * it is made ready.
 *
 * @param summary one line of what is asked
 * @param brief as Markdown
 * @param profile what counts; it may be unsound while it is a draft
 * @param wanted what is asked of the shape, and what is marked on the starter
 * @param tells how much of the check students are told before their first answer
 * @param rule by what a hand-in gets credits; null: none are given
 * @param references solutions, of which the one whose lines are met best counts
 * @param shows when students see them
 * @param showsLines whether the bench shows the required lines
 * @param sheet name of the picture that lies behind the model to be traced; null: none
 * @param mends when students see mends
 */
public record Draft(
    String title,
    String summary,
    String brief,
    ProfileView profile,
    Wanted wanted,
    Exercise.Tells tells,
    @Nullable CreditRuleView rule,
    List<Reference> references,
    Exercise.Shows shows,
    Boolean showsLines,
    @Nullable String sheet,
    Exercise.Mends mends) {

  /** What was kept before there were references has none. */
  @SuppressWarnings("ConstantValue")
  public Draft {
    references = references == null ? List.of() : List.copyOf(references);
    shows = shows == null ? Exercise.Shows.withAnswer : shows;
    showsLines = showsLines == null || showsLines;
    mends = mends == null ? Exercise.Mends.inPractice : mends;
  }

  static Draft of(Exercise e) {
    return new Draft(
        e.title(),
        e.summary(),
        e.brief(),
        ProfileView.of(e.profile()),
        e.wanted(),
        e.tells(),
        CreditRuleView.of(e.rule()),
        e.references(),
        e.shows(),
        e.showsLines(),
        e.sheet(),
        e.mends());
  }

  Draft withTitle(String other) {
    return new Draft(
        other,
        summary,
        brief,
        profile,
        wanted,
        tells,
        rule,
        references,
        shows,
        showsLines,
        sheet,
        mends);
  }

  Draft withProfile(ProfileView other) {
    return new Draft(
        title,
        summary,
        brief,
        other,
        wanted,
        tells,
        rule,
        references,
        shows,
        showsLines,
        sheet,
        mends);
  }

  Draft withWanted(Wanted other) {
    return new Draft(
        title,
        summary,
        brief,
        profile,
        other,
        tells,
        rule,
        references,
        shows,
        showsLines,
        sheet,
        mends);
  }

  Draft withReferences(List<Reference> others) {
    return new Draft(
        title,
        summary,
        brief,
        profile,
        wanted,
        tells,
        rule,
        others,
        shows,
        showsLines,
        sheet,
        mends);
  }

  /** With another name for a picture, wherever it is named. */
  Draft renaming(String picture, String now) {
    return new Draft(
        title,
        summary,
        brief.replace("picture:" + picture, "picture:" + now),
        profile,
        wanted,
        tells,
        rule,
        references,
        shows,
        showsLines,
        picture.equals(sheet) ? now : sheet,
        mends);
  }
}
