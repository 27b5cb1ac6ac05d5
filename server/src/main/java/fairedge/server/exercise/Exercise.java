package fairedge.server.exercise;

import fairedge.core.credit.CreditRule;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.inspection.Terms;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise, as its newest version has it.
 *
 * @param owner the instructor whose it is, and who alone changes it
 * @param summary one line of what is asked
 * @param starter hash of its starter mesh
 * @param scale S of the starter, in its unit
 * @param version number of the version of which {@code brief} and all after it are
 * @param termsVersion number of the version since which the same counts: by it reports are known
 * @param wanted what is asked of the shape
 * @param tells how much of the check students are told before their first answer
 * @param rule by what a hand-in gets credits
 * @param references solutions, of which the one whose lines are met best counts
 * @param shows when students see them
 * @param showsLines whether the bench shows the required lines
 * @param sheet name of the picture that lies behind the model to be traced; null: none
 * @param mends when students see mends
 */
public record Exercise(
    UUID id,
    UUID owner,
    String title,
    String summary,
    String unit,
    byte[] starter,
    double scale,
    int version,
    int termsVersion,
    String brief,
    Profile profile,
    Wanted wanted,
    Tells tells,
    CreditRule rule,
    List<Reference> references,
    Shows shows,
    boolean showsLines,
    @Nullable String sheet,
    Mends mends) {

  /** How much of the check students are told before their first answer. */
  public enum Tells {
    all,
    /** How many must and should there are in each family, and nothing of where. */
    counts,
    nothing
  }

  /** When students see the references. */
  public enum Shows {
    never,
    withAnswer,
    afterDue
  }

  /** When students see what would mend a finding. */
  public enum Mends {
    /** On this exercise never. */
    inPractice,
    /** From the first answer on. */
    withAnswer,
    always
  }

  /** By what hand-ins are inspected. */
  public Terms terms() {
    return new Terms(
        profile, wanted, tolerance(), starter, references.stream().map(Reference::bytes).toList());
  }

  /**
   * Whether mends are shown to a student.
   *
   * @param isAnswered whether he has an answer to it
   */
  public boolean shows(boolean isAnswered) {
    return mends == Mends.always || mends == Mends.withAnswer && isAnswered;
  }

  public Tolerance tolerance() {
    return new Tolerance(scale);
  }
}
