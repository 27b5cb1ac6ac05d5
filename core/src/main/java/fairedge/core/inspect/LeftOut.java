package fairedge.core.inspect;

import fairedge.core.inspect.finding.Kind;
import fairedge.core.survey.Subject;
import java.util.Comparator;
import java.util.List;

/**
 * A kind of which not all was looked for, because it would have taken too long: of what was left
 * out nothing is told, neither that there is a fault nor that there is none.
 *
 * @param why as a sentence
 */
public record LeftOut(Kind kind, String why) {
  /** By kind. */
  static List<LeftOut> of(Subject subject) {
    return subject.leftOut().entrySet().stream()
        .map(e -> new LeftOut(Kind.named(e.getKey()), e.getValue()))
        .sorted(Comparator.comparing(LeftOut::kind))
        .toList();
  }
}
