package fairedge.core.inspect.finding;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Looks at every element of one kind by itself: what it finds at one depends on what lies round it
 * alone, no farther than {@link Anew} reaches. Its findings name that element first. Cost: the
 * elements, on all processors; after a change those that are looked at anew, and the findings.
 */
public abstract class ElementFinder implements Finder {
  private static final Comparator<Finding> BY_ELEMENT =
      Comparator.comparingInt(ElementFinder::elementOf);

  private final Element.Kind kind;

  protected ElementFinder(Element.Kind kind) {
    this.kind = kind;
  }

  /**
   * @param id one that may not be in use
   */
  protected abstract void look(Subject subject, int id, Consumer<Finding> found);

  /** The only elements that need to be looked at; null where that is not known. */
  protected @Nullable BitSet candidates(Subject subject) {
    return null;
  }

  @Override
  public final List<Finding> find(Subject subject) {
    BitSet candidates = candidates(subject);
    return Blocks.search(
        endIn(subject.mesh()),
        (int from, int to, Consumer<Finding> found) -> {
          for (int id = next(candidates, from); id >= 0 && id < to; id = next(candidates, id + 1)) {
            look(subject, id, found);
          }
        });
  }

  private static int next(@Nullable BitSet candidates, int from) {
    return candidates == null ? from : candidates.nextSetBit(from);
  }

  private int endIn(Mesh mesh) {
    return switch (kind) {
      case VERTEX -> mesh.vertexEnd();
      case EDGE -> mesh.edgeEnd();
      case FACE -> mesh.faceEnd();
    };
  }

  @Override
  public final List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    List<Finding> found = new ArrayList<>();
    for (int id : anew.of(kind)) {
      look(subject, id, found::add);
    }
    List<Finding> kept = new ArrayList<>(before.size() + found.size());
    for (Finding finding : before) {
      if (!anew.has(kind, elementOf(finding))) {
        kept.add(stillThere(subject, finding));
      }
    }
    if (!found.isEmpty()) {
      kept.addAll(found);
      kept.sort(BY_ELEMENT);
    }
    return kept;
  }

  /** What is told now of an element that is not looked at anew. */
  protected Finding stillThere(Subject subject, Finding finding) {
    return finding;
  }

  private static int elementOf(Finding finding) {
    return finding.elements().getFirst().id();
  }
}
