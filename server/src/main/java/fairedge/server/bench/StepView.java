package fairedge.server.bench;

import fairedge.json.FindingView.SeverityView;
import java.time.Instant;
import java.util.List;

/**
 * A step in a list of steps.
 *
 * @param tool the name of the tool on screen
 * @param did what it did, in a sentence
 * @param brought findings that were not there before it
 * @param mended how many that were there before it are gone
 */
public record StepView(
    int number, String tool, String did, List<Brought> brought, int mended, Instant madeAt) {

  /** A finding that a step brought, as a mark. */
  public record Brought(String kind, SeverityView severity, String title) {}
}
