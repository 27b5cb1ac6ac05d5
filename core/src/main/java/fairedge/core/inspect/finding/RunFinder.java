package fairedge.core.inspect.finding;

import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/**
 * Looks at every element of one kind by itself, as {@link ElementFinder} does, and joins those that
 * are met to runs: one finding a run, which names all of it in order. Cost: the elements, on all
 * processors; after a change those that are looked at anew, and all that are met.
 */
public abstract class RunFinder implements Finder {
  private final Element.Kind kind;

  /**
   * @param kind edges or faces
   */
  protected RunFinder(Element.Kind kind) {
    this.kind = kind;
  }

  /**
   * @param id one that may not be in use
   */
  protected abstract boolean isMet(Subject subject, int id);

  /** Runs by their lowest element; in each the elements by id. */
  protected abstract List<int[]> joined(Subject subject, List<Integer> met);

  protected abstract Finding finding(Subject subject, int[] run);

  @Override
  public final List<Finding> find(Subject subject) {
    return told(
        subject,
        Blocks.search(
            endIn(subject.mesh()),
            (int from, int to, Consumer<Integer> found) -> {
              for (int id = from; id < to; id++) {
                if (isMet(subject, id)) {
                  found.accept(id);
                }
              }
            }));
  }

  private int endIn(Mesh mesh) {
    return kind == Element.Kind.EDGE ? mesh.edgeEnd() : mesh.faceEnd();
  }

  @Override
  public final List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    List<Integer> met = new ArrayList<>();
    for (int id : anew.of(kind)) {
      if (isMet(subject, id)) {
        met.add(id);
      }
    }
    before.stream()
        .flatMap(finding -> finding.elements().stream())
        .map(Element::id)
        .filter(id -> !anew.has(kind, id))
        .forEach(met::add);
    met.sort(null);
    return told(subject, met);
  }

  private List<Finding> told(Subject subject, List<Integer> met) {
    return met.isEmpty()
        ? List.of()
        : joined(subject, met).stream().map(run -> finding(subject, run)).toList();
  }
}
