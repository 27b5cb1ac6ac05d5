package fairedge.server.bench;

import fairedge.core.mesh.Mesh;
import fairedge.core.step.Guard;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import org.springframework.stereotype.Component;

/** Lets no change of a workpiece alter what its exercise locks or holds. */
@Component
class Guards {
  private final Inspections inspections;

  Guards(Inspections inspections) {
    this.inspections = inspections;
  }

  /** By what an exercise marks now. */
  void keep(Held held, Terms terms) {
    Wanted wanted = terms.wanted();
    if (!held.isGuardedBy(wanted)) {
      held.guard(wanted, of(held.workpiece.mesh(), terms));
    }
  }

  /** A workpiece of a mesh for itself, guarded by what an exercise marks. */
  Workpiece on(Mesh mesh, Terms terms) {
    Workpiece workpiece = new Workpiece(mesh, terms.tolerance());
    workpiece.guard(of(mesh, terms));
    return workpiece;
  }

  private Guard of(Mesh mesh, Terms terms) {
    Wanted wanted = terms.wanted();
    if (wanted.cuttable().isEmpty() && wanted.held().isEmpty()) {
      return Guard.NONE;
    }
    Starter starter = inspections.starter(terms);
    return Guard.of(
        mesh,
        starter.mesh(),
        starter.lockedBut(wanted.cuttable()),
        starter.verticesAt(wanted.held()),
        terms.tolerance());
  }
}
