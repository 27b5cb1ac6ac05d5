package fairedge.core.inspect;

import fairedge.core.survey.Deviation;
import fairedge.core.survey.LineCover;
import fairedge.core.survey.Subject;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How far a mesh meets what is asked of its shape, as numbers.
 *
 * @param lines the share of the length of the required lines that has edges along it; null where no
 *     line is required
 * @param moved the largest distance between its surface and the starter's, either way; where it is
 *     no more than what is allowed, that of vertices; null where the exercise does not ask
 */
public record Met(@Nullable Double lines, @Nullable Double moved) {
  public static final Met NOTHING_ASKED = new Met(null, null);

  static Met of(Subject subject) {
    List<LineCover> covers = subject.lineCovers();
    double length = covers.stream().mapToDouble(LineCover::length).sum();
    double met = covers.stream().mapToDouble(c -> c.length() * c.share()).sum();
    Double lines = covers.isEmpty() ? null : length > 0 ? met / length : 1.0;
    Double moved =
        subject.deviation().map(Deviation.Both::farther).map(Deviation::largest).orElse(null);
    return new Met(lines, moved);
  }
}
