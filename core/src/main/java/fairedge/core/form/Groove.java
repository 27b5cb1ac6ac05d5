package fairedge.core.form;

import fairedge.core.cut.RunOn;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Makes a channel of chosen edges, or a seam: two rims beside them, walls, and a floor that lies so
 * deep below the faces beside it (by even thickness). An edge gives two walls and a floor of one
 * quad or two; with two the vertices of the run sink and stay. Cost: the edges, the faces at their
 * ends and the rings that rims run on across.
 */
public final class Groove {
  private static final long MOST_QUADS = 2_000_000;

  /** How a channel ends inside the surface. */
  public enum GrooveEnd {
    /** It narrows into the last vertex. */
    NARROW,
    /** By a wall at the last vertex. */
    WALL
  }

  /**
   * How.
   *
   * @param width from rim to rim, measured in the faces; more than 0
   * @param floor how wide the floor is; more than 0, at most the width: then the walls are upright
   * @param depth below the faces beside it; negative raises a seam; not 0
   * @param across how many quads the floor has across: 1 or 2
   * @param runOn with a wall: the rims run on as loops; else the faces ahead gain corners
   * @param toEnds first on along the edges' loops, to where these end
   * @param roomy where the width does not fit, as far as there is room instead of not at all
   */
  public record Channel(
      double width,
      double floor,
      double depth,
      int across,
      GrooveEnd end,
      boolean runOn,
      boolean toEnds,
      boolean roomy) {
    public Channel {
      Objects.requireNonNull(end, "end");
    }

    /** What people leave out as what they mean most often. */
    public static Channel asked(
        double width,
        @Nullable Double floor,
        double depth,
        @Nullable Integer across,
        @Nullable GrooveEnd end,
        @Nullable Boolean runOn,
        @Nullable Boolean toEnds,
        @Nullable Boolean roomy) {
      return new Channel(
          width,
          floor == null ? width : floor,
          depth,
          across == null ? 1 : across,
          end == null ? GrooveEnd.NARROW : end,
          runOn != null && runOn,
          toEnds != null && toEnds,
          roomy != null && roomy);
    }
  }

  private Groove() {}

  /**
   * @throws Refusal.Raised where it can't be; with the element and the bound where it is too wide
   */
  public static Done cut(Site site, Collection<Integer> edges, Channel channel) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> asked = Asked.edges(site, edges);
    requireSound(channel);
    TreeSet<Integer> chosen = channel.toEnds() ? EdgeRuns.toEnds(mesh, asked) : asked;
    if (chosen.size() > MOST_QUADS) {
      throw Refusal.because("So many edges are too many at once.");
    }
    chosen.forEach(e -> EdgeRuns.requireSides(site, e, false));
    List<Remark> remarks = new ArrayList<>();
    EdgeJoints joints = joints(mesh, chosen, channel);
    Widths widths =
        new Room(mesh, joints.rounds(0.5), joints.spans(0.5 * channel.floor() / channel.width()))
            .fitting(channel.width(), channel.roomy(), "The channel", remarks);
    List<RunOn.Start> rims =
        channel.end() == GrooveEnd.WALL ? joints.starts(widths, 0.5) : List.of();
    if (!rims.isEmpty()) {
      RunOn.Ran ran = channel.runOn() ? RunOn.cut(site, rims, List.of()) : RunOn.mark(site, rims);
      remarks.addAll(ran.remarks());
      widths.follow(mesh, chosen, ran.parts());
      chosen = EdgeRuns.inParts(chosen, ran);
      joints = joints(mesh, chosen, channel);
    }
    StripLayer strips = new StripLayer(site);
    JointLayer layer = new JointLayer(site.edit(), strips, remarks);
    new GrooveBuilder(mesh, joints, channel, widths, layer).build(chosen);
    strips.lay(chosen);
    return new Done(List.of(), remarks, 0, Chosen.faces(strips.laid()));
  }

  private static EdgeJoints joints(Mesh mesh, TreeSet<Integer> chosen, Channel channel) {
    Region region = Region.along(mesh, chosen);
    EdgeJoints.AtEnds ends =
        channel.end() == GrooveEnd.WALL ? EdgeJoints.AtEnds.ON_EDGES : EdgeJoints.AtEnds.NARROW;
    EdgeJoints joints = new EdgeJoints(mesh, region, ends, region.ends());
    joints.requireWide();
    return joints;
  }

  private static void requireSound(Channel channel) {
    if (!(channel.width() > 0) || !Double.isFinite(channel.width())) {
      throw Refusal.because("The width is more than 0.");
    }
    if (!(channel.floor() > 0 && channel.floor() <= channel.width())) {
      throw Refusal.because("The floor is more than 0 wide, and at most as wide as the channel.");
    }
    if (channel.depth() == 0 || !Double.isFinite(channel.depth())) {
      throw Refusal.because("The depth is a number, and not 0.");
    }
    if (channel.across() != 1 && channel.across() != 2) {
      throw Refusal.because("The floor has one quad across, or two.");
    }
  }
}
