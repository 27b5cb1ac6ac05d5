package fairedge.core.inspect.flow;

import fairedge.core.flow.Topology;
import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Curvature;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.BitSet;
import java.util.function.Consumer;

/**
 * {@code pole}: an inner vertex
 *
 * <ol>
 *   <li>of valence 6 or more; or
 *   <li>of valence 3 or 5, where the starter has no pole within 1e-4 S (without a starter nothing
 *       is new), and no hard edge meets it; worse in the curviest tenth ({@link Curvature}), which
 *       its words say.
 * </ol>
 *
 * Those of valence 1 and 2 are told under Vertices. Cost: the vertices; with a new pole the
 * curvature of all.
 */
public final class PoleFinder extends ElementFinder {
  private static final int MANY = 6;

  public PoleFinder() {
    super(Element.Kind.VERTEX);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    BitSet poles = subject.topology().poles();
    if (poles.stream().anyMatch(v -> isNewOnSmoothGround(subject, v) && !isMany(subject, v))) {
      // Here and not by one of the threads that look at them, all of which would wait for it.
      subject.curvature();
    }
    return poles;
  }

  @Override
  protected void look(Subject subject, int v, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    if (!topology.isPole(v) || topology.valence(v) < 3) {
      return;
    }
    boolean many = isMany(subject, v);
    if (many || isNewOnSmoothGround(subject, v)) {
      boolean fresh = isFresh(subject, v);
      boolean curved = isCurved(subject, v, many, fresh);
      found.accept(
          new FlowFinding.Pole(Where.atVertex(mesh, v), topology.valence(v), fresh, curved));
    }
  }

  private static boolean isMany(Subject subject, int v) {
    return subject.topology().valence(v) >= MANY;
  }

  private static boolean isFresh(Subject subject, int v) {
    Starter starter = subject.starter();
    Mesh mesh = subject.mesh();
    return starter != null && mesh.hasPlace(v) && !starter.hasPole(mesh.position(v));
  }

  private static boolean isNewOnSmoothGround(Subject subject, int v) {
    return subject.topology().valence(v) > 2 && isFresh(subject, v) && !subject.hardEdges().meet(v);
  }

  private static boolean isCurved(Subject subject, int v, boolean many, boolean fresh) {
    return fresh && !many && subject.curvature().isInCurviestTenth(v);
  }

  /** Which tenth bends most may be another, though nothing lies near to this one that changed. */
  @Override
  protected Finding stillThere(Subject subject, Finding finding) {
    FlowFinding.Pole pole = (FlowFinding.Pole) finding;
    int v = pole.elements().getFirst().id();
    boolean curved = isCurved(subject, v, pole.valence() >= MANY, pole.fresh());
    return curved == pole.curved()
        ? pole
        : new FlowFinding.Pole(pole.where(), pole.valence(), pole.fresh(), curved);
  }
}
