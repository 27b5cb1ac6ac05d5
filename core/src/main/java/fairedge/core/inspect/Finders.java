package fairedge.core.inspect;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.inspect.flow.AskewFinder;
import fairedge.core.inspect.flow.JumpFinder;
import fairedge.core.inspect.flow.LoopEndFinder;
import fairedge.core.inspect.flow.PoleFinder;
import fairedge.core.inspect.flow.RingStopFinder;
import fairedge.core.inspect.flow.SpiralFinder;
import fairedge.core.inspect.flow.StretchedFinder;
import fairedge.core.inspect.shape.LopsidedFinder;
import fairedge.core.inspect.shape.MovedFinder;
import fairedge.core.inspect.shape.OffLineFinder;
import fairedge.core.inspect.shape.OneSidedFinder;
import fairedge.core.inspect.shape.PlacedFinder;
import fairedge.core.inspect.shape.TooManyFinder;
import fairedge.core.inspect.sides.FlatCornerFinder;
import fairedge.core.inspect.sides.NgonFinder;
import fairedge.core.inspect.sides.TriangleFinder;
import fairedge.core.inspect.support.NoCollarFinder;
import fairedge.core.inspect.support.PinchFinder;
import fairedge.core.inspect.support.SoftEdgeFinder;
import fairedge.core.inspect.support.TightFinder;
import fairedge.core.inspect.surface.BorderFinder;
import fairedge.core.inspect.surface.BowTieFinder;
import fairedge.core.inspect.surface.ConcaveFinder;
import fairedge.core.inspect.surface.CrossingFinder;
import fairedge.core.inspect.surface.CrowdedEdgeFinder;
import fairedge.core.inspect.surface.FlippedFinder;
import fairedge.core.inspect.surface.FoldedFinder;
import fairedge.core.inspect.surface.InnerFaceFinder;
import fairedge.core.inspect.surface.InsideOutFinder;
import fairedge.core.inspect.surface.NoAreaFinder;
import fairedge.core.inspect.surface.NoPlaceFinder;
import fairedge.core.inspect.surface.PartsFinder;
import fairedge.core.inspect.surface.ReadingFinder;
import fairedge.core.inspect.surface.SliverFinder;
import fairedge.core.inspect.surface.TwinFaceFinder;
import fairedge.core.inspect.surface.WarpedFinder;
import fairedge.core.inspect.vertices.BentVertexFinder;
import fairedge.core.inspect.vertices.DoubleFinder;
import fairedge.core.inspect.vertices.IdleLoopFinder;
import fairedge.core.inspect.vertices.IdleVertexFinder;
import fairedge.core.inspect.vertices.LooseEdgeFinder;
import fairedge.core.inspect.vertices.LooseVertexFinder;
import fairedge.core.inspect.vertices.SeamFinder;
import fairedge.core.inspect.vertices.ShortEdgeFinder;
import fairedge.core.inspect.vertices.SlitFinder;
import fairedge.core.inspect.vertices.TouchingFinder;
import java.util.List;

/** Who finds what. */
final class Finders {
  private static final List<Share> ALL =
      List.of(
          share(new NgonFinder(), Rule.NGON, Rule.NGON_FLAT),
          share(new TriangleFinder(), Rule.TRIANGLE, Rule.TRIANGLE_FAN, Rule.ALL_TRIANGLES),
          share(new FlatCornerFinder(), Rule.FLAT_CORNER),
          share(new IdleVertexFinder(), Rule.IDLE_VERTEX),
          share(new BentVertexFinder(), Rule.BENT_VERTEX),
          share(new DoubleFinder(), Rule.DOUBLE),
          share(new SeamFinder(), Rule.SEAM),
          share(new TouchingFinder(), Rule.TOUCHING),
          share(new ShortEdgeFinder(), Rule.SHORT_EDGE, Rule.SHORT_EDGE_BESIDE),
          share(new SlitFinder(), Rule.SLIT),
          share(new LooseVertexFinder(), Rule.LOOSE_VERTEX),
          share(new LooseEdgeFinder(), Rule.LOOSE_EDGE),
          share(new IdleLoopFinder(), Rule.IDLE_LOOP),
          share(new BorderFinder(), Rule.BORDER),
          share(new CrowdedEdgeFinder(), Rule.CROWDED_EDGE),
          share(new BowTieFinder(), Rule.BOW_TIE),
          share(new FlippedFinder(), Rule.FLIPPED),
          share(new InsideOutFinder(), Rule.INSIDE_OUT),
          share(new ReadingFinder(), Rule.REPEATED_CORNER, Rule.UNREADABLE_FACE),
          share(new NoPlaceFinder(), Rule.NO_PLACE),
          share(new TwinFaceFinder(), Rule.TWIN_FACE),
          share(new InnerFaceFinder(), Rule.INNER_FACE),
          share(new NoAreaFinder(), Rule.NO_AREA),
          share(new SliverFinder(), Rule.SLIVER),
          share(new ConcaveFinder(), Rule.CONCAVE),
          share(new WarpedFinder(), Rule.WARPED),
          share(new FoldedFinder(), Rule.FOLDED),
          share(new CrossingFinder(), Rule.CROSSING),
          share(new RingStopFinder(), Rule.RING_STOP),
          share(new PoleFinder(), Rule.POLE_MANY, Rule.POLE_NEW),
          share(new LoopEndFinder(), Rule.LOOP_END, Rule.DEAD_END),
          share(new SpiralFinder(), Rule.SPIRAL),
          share(new JumpFinder(), Rule.JUMP),
          share(new StretchedFinder(), Rule.STRETCHED),
          share(new AskewFinder(), Rule.ASKEW),
          share(new SoftEdgeFinder(), Rule.SOFT_EDGE),
          share(new PinchFinder(), Rule.PINCH),
          share(new TightFinder(), Rule.TIGHT),
          share(new NoCollarFinder(), Rule.NO_COLLAR),
          share(new PartsFinder(), Rule.PARTS),
          share(new PlacedFinder(), Rule.PLACED),
          share(new MovedFinder(), Rule.MOVED),
          share(new OneSidedFinder(), Rule.ONE_SIDED),
          share(new OffLineFinder(), Rule.OFF_LINE),
          share(new TooManyFinder(), Rule.TOO_MANY),
          share(new LopsidedFinder(), Rule.LOPSIDED));

  /** What a finder looks for: it is not asked where the profile has all of it off. */
  record Share(Finder finder, List<Rule> rules) {}

  private static Share share(Finder finder, Rule... rules) {
    return new Share(finder, List.of(rules));
  }

  private Finders() {}

  /** Those that find something that counts by a profile. */
  static List<Share> of(Profile profile) {
    return ALL.stream()
        .filter(
            share -> share.rules.stream().anyMatch(rule -> profile.severityOf(rule).isPresent()))
        .toList();
  }
}
