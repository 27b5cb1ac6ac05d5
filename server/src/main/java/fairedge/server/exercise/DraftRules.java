package fairedge.server.exercise;

import fairedge.core.credit.CreditRule;
import fairedge.core.inspect.Profile;
import fairedge.json.CreditRuleView;
import fairedge.server.exercise.EditorView.Missing;
import fairedge.server.exercise.EditorView.Section;
import fairedge.server.exercise.store.DraftStore.Written;
import fairedge.server.platform.Problem;
import java.util.ArrayList;
import java.util.List;

/** What a draft may be, and what it still lacks. */
final class DraftRules {
  static final int LONGEST_TITLE = 120;
  private static final int LONGEST_SUMMARY = 200;
  private static final int LONGEST_BRIEF = 40_000;

  private DraftRules() {}

  /** What is missing before it can be made ready. */
  static List<Missing> missing(Written w, Draft draft) {
    List<Missing> missing = new ArrayList<>();
    if (w.starter() == null) {
      missing.add(new Missing(Section.starter, "A starter to cut"));
    }
    if (draft.title().isBlank()) {
      missing.add(new Missing(Section.brief, "A title"));
    }
    if (draft.summary().isBlank()) {
      missing.add(new Missing(Section.brief, "One line of what is asked"));
    }
    if (draft.brief().isBlank()) {
      missing.add(new Missing(Section.brief, "The brief"));
    }
    for (int picture : Pictures.withoutWords(draft.brief())) {
      missing.add(new Missing(Section.brief, "A word on picture " + picture));
    }
    if (draft.profile().severities().isEmpty()) {
      missing.add(new Missing(Section.counts, "Something that counts"));
    }
    return missing;
  }

  /**
   * @throws Problem saying what of it can not be kept
   */
  static void requireSound(Draft draft) {
    profile(draft);
    rule(draft);
    requireNoLonger("A title", draft.title(), LONGEST_TITLE);
    requireNoLonger("The line of what is asked", draft.summary(), LONGEST_SUMMARY);
    requireNoLonger("A brief", draft.brief(), LONGEST_BRIEF);
    if (draft.sheet() != null && !draft.sheet().matches("[0-9a-f]{12}")) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "There is no such picture to trace.");
    }
  }

  private static void requireNoLonger(String what, String text, int most) {
    if (text.length() > most) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "%s has %,d letters at the most.".formatted(what, most));
    }
  }

  static Profile profile(Draft draft) {
    return Problem.unlessUnsound(() -> draft.profile().profile());
  }

  static CreditRule rule(Draft draft) {
    CreditRuleView asked = draft.rule();
    return asked == null ? CreditRule.NONE : Problem.unlessUnsound(asked::rule);
  }
}
