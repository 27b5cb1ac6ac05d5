package fairedge.server.bench;

import fairedge.core.mend.Cost;
import fairedge.core.mend.Mend;
import fairedge.core.mend.Offer;
import fairedge.core.mend.Sweep;
import fairedge.core.step.Change;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What would mend a finding.
 *
 * @param revision the state that it was tried on
 * @param finding its key
 * @param mends the least first
 * @param reason why there is none; empty where there is one
 */
public record MendsView(long revision, String finding, List<MendView> mends, String reason) {
  static MendsView of(long revision, String finding, Offer offer) {
    return new MendsView(
        revision, finding, offer.mends().stream().map(MendView::of).toList(), offer.reason());
  }

  /**
   * One, as a change that can be made.
   *
   * @param does in a sentence
   * @param why it stands before the next; mostly empty
   * @param cures how many findings go
   */
  public record MendView(String does, String why, Change change, int cures, CostView cost) {
    static MendView of(Mend mend) {
      return new MendView(
          mend.does(), mend.why(), mend.change(), mend.cures().size(), CostView.of(mend.cost()));
    }
  }

  /**
   * What it costs.
   *
   * @param faces more, or less, than now; so for the others
   * @param poles that come to be, by valence
   * @param moved how far the surface moves, in the unit of the mesh
   * @param should findings that come, and so for remarks; never one as severe as what goes
   */
  public record CostView(
      int faces,
      int vertices,
      int edges,
      Map<Integer, Integer> poles,
      double moved,
      int should,
      int remarks) {
    static CostView of(Cost cost) {
      return new CostView(
          cost.facesAdded() - cost.facesTaken(),
          cost.verticesAdded() - cost.verticesTaken(),
          cost.edgesAdded() - cost.edgesTaken(),
          cost.poles(),
          cost.moved(),
          cost.should(),
          cost.remark());
    }
  }

  /**
   * Many findings mended in one step.
   *
   * @param isDone whether the rest is there; else it is under way, and to be asked for again
   * @param dealt how many were dealt with
   * @param of so many
   * @param change null where none could be
   * @param mended how many of them go
   * @param left how many of what was asked for stand then
   * @param routes what is to be known of the routes of odd faces; mostly empty
   */
  public record AllView(
      long revision,
      boolean isDone,
      int dealt,
      int of,
      @Nullable Change change,
      int mended,
      int left,
      String routes) {
    static AllView of(long revision, Sweep sweep) {
      int mended = sweep.mended().size();
      return new AllView(
          revision,
          true,
          mended + sweep.left().size(),
          mended + sweep.left().size(),
          sweep.changes().isEmpty() ? null : sweep.change(),
          mended,
          sweep.left().size(),
          sweep.routes());
    }

    static AllView underWay(long revision, int dealt, int of) {
      return new AllView(revision, false, dealt, of, null, 0, 0, "");
    }
  }
}
