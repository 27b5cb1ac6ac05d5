package fairedge.core.step;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.PlaneFrame;
import fairedge.core.cut.Straight;
import fairedge.core.cut.TracePoint;
import fairedge.core.cut.TraceRun;
import fairedge.core.flow.Ring;
import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.MirrorPlane;
import fairedge.core.form.Support;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Move;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Scope;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * A change made with its image in a mirror, in one step. What names elements is made of them and
 * their images together; a cut is made, then its image; one that is its own image is made once.
 * Where the other half can't follow, all is refused with the place at which the form is uneven.
 * Cost: twice the change, and the faces near the images of what it names.
 */
final class Evenly {
  private final Site site;
  private final Mesh mesh;
  private final MirrorPlane plane;
  private final Images images;

  private Evenly(Site site, MirrorPlane plane) {
    this.site = site;
    this.mesh = site.mesh();
    this.plane = plane;
    this.images = new Images(site, plane);
  }

  /**
   * @throws Refusal.Raised as the change itself, and where the other half can't follow
   */
  static Done make(Site site, Change change, MirrorBy by) {
    if (!change.scope().equals(Scope.WHOLE)) {
      throw Refusal.because(
          "Kept even, a change works on the whole form: show all faces, and let go of the chosen.");
    }
    Evenly evenly = new Evenly(site, MirrorPlane.of(site, by));
    Done done = evenly.make(change);
    evenly.requireFollowed();
    return done;
  }

  /** What was made or moved has its image, whatever way that was done. */
  private void requireFollowed() {
    Images now = later();
    ElementSet touched = site.edit().journal().touched();
    for (int v = touched.vertices().nextSetBit(0);
        v >= 0;
        v = touched.vertices().nextSetBit(v + 1)) {
      boolean isAltered = v >= site.firstNewVertex() || site.edit().journal().hasMoved(v);
      if (isAltered && mesh.hasVertex(v) && mesh.facesAt(v).length > 0) {
        now.vertex(v);
      }
    }
    // Where a cut and its image cross, one may run on a line of the other and so leave an edge out.
    touched.edges().stream()
        .filter(e -> mesh.hasEdge(e) && mesh.uses(e) > 0)
        .forEach(now::requireEdge);
  }

  private Done make(Change change) {
    return switch (change) {
      case Tidying.DeleteChange c ->
          once(
              new Tidying.DeleteChange(
                  images.withFaces(c.faces()),
                  images.withEdges(c.edges()),
                  images.withVertices(c.vertices())));
      case Tidying.LiftChange c ->
          once(
              new Tidying.LiftChange(
                  images.withEdges(c.edges()),
                  images.withVertices(c.vertices()),
                  c.straightEnds()));
      case Tidying.CollapseChange c ->
          once(new Tidying.CollapseChange(images.withEdges(c.edges())));
      case Tidying.FlipChange c -> once(new Tidying.FlipChange(images.withFaces(c.faces())));
      case Tidying.RelaxChange c ->
          once(
              new Tidying.RelaxChange(
                  images.withVertices(c.vertices()), c.rounds(), c.strength(), c.way()));
      case Tidying.NameChange c -> once(c);
      case Tidying.MoveChange c when c.pull() != null ->
          throw Refusal.because(
              "What is about the chosen can't be pulled along with its image: choose all that"
                  + " moves.");
      case Forming.InsetChange c ->
          once(new Forming.InsetChange(images.withFaces(c.faces()), c.each(), c.margin()));
      case Forming.SupportChange c when c.holding().side() != Support.SupportSide.BOTH ->
          throw Refusal.because("Lines on one side only can't be made with their image.");
      case Forming.SupportChange c ->
          once(new Forming.SupportChange(images.withEdges(c.edges()), c.over(), c.holding()));
      case Forming.GrooveChange c ->
          once(new Forming.GrooveChange(images.withEdges(c.edges()), c.channel()));
      case Forming.PartChange c ->
          once(new Forming.PartChange(images.withFaces(c.faces()), images.withEdges(c.edges())));
      case Forming.RejoinChange c -> once(new Forming.RejoinChange(images.withEdges(c.edges())));
      case Forming.ThickenChange c ->
          once(new Forming.ThickenChange(images.withFaces(c.faces()), c.shell()));
      case Forming.ExtrudeChange c -> extrude(c);
      case Forming.ExtrudeEdgesChange c -> extrudeEdges(c);
      case Tidying.LoosePartsChange c -> once(c);
      case Tidying.WeldNearChange c -> once(c);
      case Tidying.UnifyChange c -> once(c);
      case Tidying.MoveChange c -> move(c);
      case Tidying.WeldChange c -> {
        List<Integer> image = vertices(c.vertices());
        requireOnPlane(c, image);
        yield withImage(c, c.vertices(), image, () -> new Tidying.WeldChange(image, c.at()));
      }
      case Tidying.ConnectChange c -> {
        List<Integer> image = vertices(c.vertices());
        yield withImage(
            c, c.vertices(), image, () -> new Tidying.ConnectChange(image, Scope.WHOLE));
      }
      case Tidying.FaceChange c -> {
        List<Integer> image = edges(c.edges());
        yield withImage(c, c.edges(), image, () -> new Tidying.FaceChange(image));
      }
      case Tidying.SlideChange c -> slide(c);
      case Tidying.SplitChange c -> split(c);
      case Change.TraceChange c -> trace(c);
      case Change.StraightChange c -> straight(c);
      case Change.OutlineChange c -> outline(c);
      case Change.LoopsChange c -> loops(c);
      default ->
          throw Refusal.because(
              "This can't be made with its image. Switch Keep even off for it, and mirror after"
                  + " it.");
    };
  }

  private Done once(Change change) {
    return change.applyTo(site);
  }

  /** The change, and what then is its image. */
  private Done both(Change change, Supplier<Change> image) {
    Done first = change.applyTo(site);
    Done second = image.get().applyTo(site.renewed());
    List<Remark> remarks = new ArrayList<>(first.remarks());
    remarks.addAll(second.remarks());
    var pieces = new ArrayList<>(first.pieces());
    pieces.addAll(second.pieces());
    return new Done(pieces, remarks, first.usedVertices() + second.usedVertices(), first.chosen());
  }

  private List<Integer> vertices(List<Integer> own) {
    return own.stream().map(images::vertex).toList();
  }

  private List<Integer> edges(List<Integer> own) {
    return own.stream().map(images::edge).toList();
  }

  /**
   * A change and that of the images of what it names; once where these are the same.
   *
   * @throws Refusal.Raised where a part of it is the image of another part
   */
  private Done withImage(
      Change change, List<Integer> own, List<Integer> image, Supplier<Change> other) {
    TreeSet<Integer> all = new TreeSet<>(own);
    if (all.equals(new TreeSet<>(image))) {
      return once(change);
    }
    if (image.stream().anyMatch(all::contains)) {
      throw Refusal.because(
          "Of what is chosen a part is the image of another: choose it on one side only.");
    }
    return both(change, other);
  }

  private Done slide(Tidying.SlideChange c) {
    List<Integer> image = vertices(c.vertices());
    int first = images.vertex(c.first());
    int towards = images.vertex(c.towards());
    return withImage(
        c,
        c.vertices(),
        image,
        () -> new Tidying.SlideChange(image, first, towards, c.amount(), c.measure()));
  }

  /** Shares are measured from the first ends of edges, which need not be each other's images. */
  private Done split(Tidying.SplitChange c) {
    TreeSet<Integer> alike = new TreeSet<>(c.edges());
    TreeSet<Integer> turned = new TreeSet<>();
    for (int e : c.edges()) {
      if (mesh.hasEdge(e)) {
        int image = images.edge(e);
        boolean isAlike = mesh.first(image) == images.vertex(mesh.first(e)) || c.t() == 0.5;
        (isAlike ? alike : turned).add(image);
      }
    }
    if (turned.stream().anyMatch(alike::contains)) {
      throw Refusal.because(
          "An edge that is its own image, or chosen with its image, is split in its middle only.");
    }
    Tidying.SplitChange first = new Tidying.SplitChange(List.copyOf(alike), c.t());
    return turned.isEmpty()
        ? once(first)
        : both(first, () -> new Tidying.SplitChange(List.copyOf(turned), 1 - c.t()));
  }

  /** Vertices that are their own images become one on the plane, or the form would be uneven. */
  private static void requireOnPlane(Tidying.WeldChange c, List<Integer> image) {
    boolean isOwnImage = new TreeSet<>(c.vertices()).equals(new TreeSet<>(image));
    int kept = c.at() == Weld.At.LAST ? c.vertices().size() - 1 : 0;
    if (isOwnImage
        && c.at() != Weld.At.MIDDLE
        && !c.vertices().isEmpty()
        && !c.vertices().get(kept).equals(image.get(kept))) {
      throw Refusal.because(
          "These vertices are each other's images: weld them in their middle, on the plane.");
    }
  }

  private Images later() {
    return new Images(site.renewed(), plane);
  }

  private Done extrude(Forming.ExtrudeChange c) {
    List<Integer> all = images.withFaces(c.faces());
    Extrude.Extrusion by = c.by();
    boolean isTurned = by.turn() != 0;
    Vec3 direction = by.direction();
    boolean leads =
        by.heading() == Extrude.Heading.DIRECTION
            && direction != null
            && !images.areAlike(plane.turned(direction.unit()), direction.unit());
    if (isTurned || leads) {
      throw Refusal.because(
          "Turned, or in a direction that leads off the plane, it can't be made with its image.");
    }
    return once(new Forming.ExtrudeChange(all, c.each(), by));
  }

  private Done extrudeEdges(Forming.ExtrudeEdgesChange c) {
    Vec3 direction = c.by().direction();
    if (c.by().way() == ExtrudeEdges.BrimWay.DIRECTION
        && direction != null
        && !images.areAlike(plane.turned(direction.unit()), direction.unit())) {
      throw Refusal.because(
          "In a direction that leads off the plane it can't be made with its image.");
    }
    return once(new Forming.ExtrudeEdgesChange(images.withEdges(c.edges()), c.by()));
  }

  /** Vertices on the plane are moved by both, and stay on it. */
  private Done move(Tidying.MoveChange c) {
    TreeSet<Integer> own = new TreeSet<>(c.vertices());
    TreeSet<Integer> other = new TreeSet<>();
    TreeSet<Integer> onPlane = new TreeSet<>();
    for (int v : own) {
      if (mesh.hasVertex(v) && images.isOnPlane(mesh.position(v))) {
        onPlane.add(v);
      } else {
        other.add(images.vertex(v));
      }
    }
    Move.Motion motion = c.motion();
    Move.Motion image =
        new Move.Motion(
            plane.turned(motion.by()),
            motion.along(),
            plane.turned(motion.axis()),
            -motion.degrees(),
            motion.scale(),
            motion.pivot() == null ? null : plane.image(motion.pivot()));
    if (other.stream().anyMatch(own::contains)) {
      if (!image.by().equals(motion.by()) || motion.degrees() != 0) {
        throw Refusal.because(
            "Vertices of both sides are chosen: kept even, they move along the plane only.");
      }
      return once(c);
    }
    Done done = other.isEmpty() ? once(c) : both(c, () -> moved(other, motion, image, onPlane));
    for (int v : onPlane) {
      Vec3 on = plane.onto(mesh.position(v));
      if (!on.equals(mesh.position(v))) {
        site.edit().moveVertex(v, on);
      }
    }
    return done;
  }

  /** About a pivot that the change takes from its vertices the image needs that one's image. */
  private Change moved(
      TreeSet<Integer> other, Move.Motion motion, Move.Motion image, TreeSet<Integer> onPlane) {
    if (motion.pivot() == null && !onPlane.isEmpty() && motion.degrees() != 0) {
      throw Refusal.because("Say about which point they are turned: some lie on the plane.");
    }
    return new Tidying.MoveChange(List.copyOf(other), image);
  }

  private Vec3 place(Anchor anchor) {
    return switch (anchor) {
      case Anchor.OnVertex a -> there(mesh.hasVertex(a.vertex()), () -> mesh.position(a.vertex()));
      case Anchor.OnEdge a -> there(mesh.hasEdge(a.edge()), () -> mesh.along(a.edge(), a.t()));
      case Anchor.InFace a -> a.at();
      case Anchor.OffModel a -> a.at();
    };
  }

  private static Vec3 there(boolean isThere, Supplier<Vec3> place) {
    if (!isThere) {
      throw Refusal.because("A point lies on something that is not there any more.");
    }
    return place.get();
  }

  /** A point of a trace with where its image lies. */
  private record Imaged(TracePoint point, Vec3 at, boolean isOff) {}

  private Done trace(Change.TraceChange c) {
    List<List<Imaged>> runs = new ArrayList<>();
    for (TraceRun run : c.runs()) {
      List<Imaged> points = new ArrayList<>();
      for (TracePoint p : run.points()) {
        boolean isOff = p.anchor() instanceof Anchor.OffModel;
        points.add(new Imaged(p, plane.image(place(p.anchor())), isOff));
      }
      runs.add(points);
    }
    if (isOwnImage(runs)) {
      return once(c);
    }
    return both(
        c,
        () -> {
          Images now = later();
          List<TraceRun> image = new ArrayList<>();
          for (int i = 0; i < runs.size(); i++) {
            List<TracePoint> points =
                runs.get(i).stream()
                    .map(p ->
                        new TracePoint(
                            p.isOff() ? new Anchor.OffModel(p.at()) : now.anchorAt(p.at()),
                            images.view(p.point().view())))
                    .toList();
            image.add(new TraceRun(points, c.runs().get(i).thin()));
          }
          return new Change.TraceChange(image, c.reach(), Scope.WHOLE);
        });
  }

  /** Whether each run goes over the places of its image, forwards or back. */
  private boolean isOwnImage(List<List<Imaged>> runs) {
    return runs.stream()
        .allMatch(run -> isAlike(run, i -> i) || isAlike(run, i -> run.size() - 1 - i));
  }

  private boolean isAlike(List<Imaged> run, Function<Integer, Integer> other) {
    for (int i = 0; i < run.size(); i++) {
      Vec3 at = place(run.get(other.apply(i)).point().anchor());
      if (!images.areAlike(run.get(i).at(), at)) {
        return false;
      }
    }
    return true;
  }

  private Done straight(Change.StraightChange c) {
    PlaneFrame frame = Straight.frame(mesh, c.cut());
    Vec3 normal = plane.turned(frame.normal());
    Vec3 origin = plane.image(frame.origin());
    boolean isSame = Math.abs(Math.abs(normal.dot(frame.normal())) - 1) <= 1e-12;
    double apart = Math.abs(origin.minus(frame.origin()).dot(frame.normal()));
    boolean isOwn =
        isSame
            && images.areAlike(frame.normal().times(apart), Vec3.ZERO)
            && (c.count() == 1 || normal.dot(frame.normal()) > 0);
    if (isOwn) {
      return once(c);
    }
    if (c.between() || c.after() != Straight.After.JOINED) {
      throw Refusal.because(
          "Between two points, or with its sides parted, it can't be made with its image.");
    }
    double size = site.tolerance().scale();
    Vec3 one = origin.plus(plane.turned(frame.depth()).times(size));
    Vec3 two = origin.plus(plane.turned(frame.along()).times(size));
    boolean turns = one.minus(origin).cross(two.minus(origin)).dot(normal) < 0;
    List<Anchor> three =
        List.of(
            new Anchor.OffModel(origin),
            new Anchor.OffModel(turns ? two : one),
            new Anchor.OffModel(turns ? one : two));
    var eye = c.plane() instanceof PlaneBy.Drawn drawn ? drawn.view() : c.eye();
    return both(
        c,
        () ->
            new Change.StraightChange(
                new PlaneBy.Through(three),
                0,
                0,
                // The mean of three places lies off the first of them.
                origin.minus(origin.plus(one).plus(two).times(1.0 / 3)).dot(normal),
                c.count(),
                c.spacing(),
                c.reach(),
                false,
                eye == null ? null : images.view(eye),
                c.after(),
                c.ends(),
                Scope.WHOLE));
  }

  private Done outline(Change.OutlineChange c) {
    Outline.Placement p = c.placement();
    Outline.Placement image =
        new Outline.Placement(
            plane.image(p.centre()),
            plane.turned(p.right()),
            plane.turned(p.up()),
            images.view(p.view()));
    Change.OutlineChange other = new Change.OutlineChange(c.shape(), image, c.reach(), Scope.WHOLE);
    return isOwnImage(c.shape(), p, image) ? once(c) : both(c, () -> other);
  }

  /** Whether the points of a shape lie where those of its image do, one for one. */
  private boolean isOwnImage(
      OutlineShape shape, Outline.Placement placement, Outline.Placement image) {
    if (shape.pointCount() > OutlineShape.MOST_POINTS
        || !images.areAlike(placement.centre(), image.centre())
        || !images.view(placement.view()).equals(placement.view())) {
      return false;
    }
    List<Vec3> own = places(shape, placement);
    List<Vec3> other = places(shape, image);
    return own.stream().allMatch(p -> other.stream().anyMatch(q -> images.areAlike(p, q)));
  }

  private static List<Vec3> places(OutlineShape shape, Outline.Placement at) {
    return shape.paths().stream()
        .flatMap(path -> path.points().stream())
        .map(p -> at.centre().plus(at.right().times(p.x())).plus(at.up().times(p.y())))
        .toList();
  }

  private Done loops(Change.LoopsChange c) {
    if (!mesh.hasEdge(c.edge())) {
      return once(c);
    }
    int first = images.vertex(mesh.first(c.edge()));
    int e = images.edge(c.edge());
    Ring ring = Ring.through(mesh, c.edge()).orElse(null);
    int at = ring == null ? -1 : ring.edges().indexOf(e);
    if (ring == null || at < 0) {
      return both(c, () -> with(c, e, mesh.first(e) == first ? c.places() : turned(c.places())));
    }
    if (ring.firsts().get(at) == first) {
      return once(c);
    }
    return acrossThePlane(c);
  }

  /** The edges of the ring cross the plane: loops lie on both sides of it on each. */
  private Done acrossThePlane(Change.LoopsChange c) {
    double length = mesh.length(c.edge());
    TreeSet<Double> shares = new TreeSet<>();
    for (double share : c.places().on(length, length)) {
      shares.add(share);
      if (Math.abs(2 * share - 1) > 1e-9) {
        shares.add(1 - share);
      }
    }
    LoopPlaces all = new LoopPlaces.At(List.copyOf(shares), LoopPlaces.Measure.FRACTION);
    return once(with(c, c.edge(), all));
  }

  private static Change with(Change.LoopsChange c, int edge, LoopPlaces places) {
    return new Change.LoopsChange(edge, places, c.shape(), c.runOn(), Scope.WHOLE);
  }

  /** The same places told from the other end. */
  private static LoopPlaces turned(LoopPlaces places) {
    return switch (places) {
      case LoopPlaces.At a when a.by() == LoopPlaces.Measure.FRACTION ->
          new LoopPlaces.At(a.fractions().stream().map(f -> 1 - f).toList(), a.by());
      case LoopPlaces.Even e when e.by() == LoopPlaces.Measure.FRACTION ->
          new LoopPlaces.Even(e.count(), e.spread(), -e.shift(), e.by());
      case LoopPlaces.FromSide f -> new LoopPlaces.FromSide(f.distance(), !f.second());
      case LoopPlaces.Pair p -> p;
      default ->
          throw Refusal.because("By length from the first side it can't be made with its image.");
    };
  }
}
