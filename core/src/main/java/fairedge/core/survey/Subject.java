package fairedge.core.survey;

import fairedge.core.flow.Borders;
import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Orientation;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Rings;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.Oddity;
import fairedge.core.near.VertexGrid;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ForkJoinTask;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A mesh and the facts about it: made once for each line of inspections, then kept up to date by
 * what changes touch. What only some ask for is made when it is first asked for; that is not to be
 * from within work that runs on several threads ({@link Blocks}).
 */
public final class Subject {
  /** Between inspections no mesh is held: it may be a copy of which nobody else knows. */
  private static final Mesh NO_MESH = new MeshBuilder().build();

  private Mesh mesh;
  private final Given given;
  private final List<Oddity> oddities;
  private Gathered gathered = new Gathered();
  private final Topology topology;
  private final Rings rings;
  private final EdgeLoops loops;
  private final FaceShapes shapes;
  private final HardEdges hardEdges;
  private final Strips strips;
  private final OtherThanQuads otherThanQuads;
  private boolean stripsAreMarked;
  private Parts parts;
  private final Map<String, String> leftOut = new ConcurrentSkipListMap<>();
  private Hubs hubs = new Hubs(this);
  private Lazy<VertexGrid> vertexGrid = lazyVertexGrid();
  private final Lazy<Novelty> novelty = new Lazy<>(() -> new Novelty(this));
  private final Lazy<Curvature> curvature = new Lazy<>(() -> new Curvature(mesh(), shapes()));
  private Lazy<Borders> borders = lazyBorders();
  private Lazy<Orientation> orientation = lazyOrientation();
  private Lazy<List<Parts.Part>> partList = lazyPartList();
  private Lazy<Volumes> volumes = lazyVolumes();
  private Lazy<Patches> patches = lazyPatches();
  private Lazy<Optional<Mesh>> reference = lazyReference();
  private Lazy<List<LineCover>> lineCovers = lazyLineCovers();
  private Lazy<Optional<Deviation.Both>> deviation = lazyDeviation();

  /**
   * @param starter what the work began from; null where nothing is known of it, and nothing is new
   * @param wanted what the exercise asks of the shape
   */
  public Subject(
      Mesh mesh,
      Tolerance tolerance,
      Thresholds thresholds,
      List<Oddity> oddities,
      @Nullable Starter starter,
      Asking wanted) {
    this.mesh = mesh;
    this.oddities = oddities;
    this.given = Given.of(mesh, tolerance, thresholds, starter, wanted);
    // In the pool of whoever asks, so that he says how many processors it may take.
    ForkJoinTask<Topology> hanging = ForkJoinTask.adapt(() -> new Topology(mesh)).fork();
    this.shapes = new FaceShapes(mesh, threshold(Threshold.SLIVER));
    this.topology = hanging.join();
    ForkJoinTask<EdgeLoops> along = ForkJoinTask.adapt(() -> new EdgeLoops(topology)).fork();
    ForkJoinTask<Rings> around = ForkJoinTask.adapt(() -> new Rings(topology)).fork();
    this.parts = new Parts(topology);
    this.rings = around.join();
    this.loops = along.join();
    this.otherThanQuads = new OtherThanQuads(mesh);
    this.hardEdges = new HardEdges(topology, shapes, thresholds, marked());
    this.strips = new Strips(this);
  }

  private Lazy<VertexGrid> lazyVertexGrid() {
    return new Lazy<>(() -> new VertexGrid(mesh(), 2 * weld()));
  }

  private Lazy<Borders> lazyBorders() {
    return new Lazy<>(() -> Borders.of(topology()));
  }

  private Lazy<Orientation> lazyOrientation() {
    return new Lazy<>(() -> Orientation.of(topology()));
  }

  private Lazy<List<Parts.Part>> lazyPartList() {
    return new Lazy<>(() -> parts().all(borders(), orientation()));
  }

  private Lazy<Volumes> lazyVolumes() {
    return new Lazy<>(() -> new Volumes(this));
  }

  private Lazy<Patches> lazyPatches() {
    return new Lazy<>(() -> Patches.of(this));
  }

  private Lazy<Optional<Mesh>> lazyReference() {
    return new Lazy<>(() -> Optional.ofNullable(BestMet.of(this, given.asking().references())));
  }

  private Lazy<List<LineCover>> lazyLineCovers() {
    return new Lazy<>(
        () -> wanted().lines().stream().map(line -> LineCover.of(this, line)).toList());
  }

  private Lazy<Optional<Deviation.Both>> lazyDeviation() {
    return new Lazy<>(() -> Deviation.Both.of(this));
  }

  /**
   * Brings all up to date after a change.
   *
   * @param now the mesh as it is: the same, or a copy of it
   * @param touched since all was up to date
   * @param known of places, from before what was touched
   * @param near the faces that lie near to what was touched since then
   * @param own touched since then; mostly the same
   */
  public Anew update(
      Mesh now, Moves.Touched touched, Gathered known, BitSet near, Moves.Touched own) {
    mesh = now;
    gathered = new Gathered();
    hubs = new Hubs(this);
    vertexGrid = lazyVertexGrid();
    Closure closure = Closure.of(mesh, touched);
    boolean borders = topology.update(mesh, closure.vertices(), closure.edges());
    double more = shapes.update(mesh, closure.faces());
    otherThanQuads.update(mesh, closure.faces());
    Rings.Met met = rings.update(mesh, closure.faces(), closure.edges());
    IdSet fresh = loops.update(mesh, closure.vertices(), closure.edges());
    hardEdges.mark(mesh, closure.edges(), markedBy());
    if (novelty.isMade()) {
      novelty.get().update(this, closure.edges());
    }
    Nearby nearby = Nearby.of(known, near, own == touched ? closure : Closure.of(mesh, own));
    Anew anew = new Anew(mesh, nearby, closure, met, fresh, borders);
    hardEdges.update(anew.nearEdges());
    addStrips(anew, met);
    anew.close();
    if (curvature.isMade()) {
      curvature.get().update(mesh, anew.bending());
    }
    renewParts(closure, more);
    if (borders) {
      this.borders = lazyBorders();
    }
    orientation = lazyOrientation();
    partList = lazyPartList();
    patches = lazyPatches();
    reference = lazyReference();
    lineCovers = lazyLineCovers();
    deviation = lazyDeviation();
    return anew;
  }

  /**
   * @param more three times what the change adds to the volume
   */
  private void renewParts(Closure closure, double more) {
    boolean isSame = parts.update(mesh, closure.faces(), facesAt(closure.vertices()));
    if (!isSame) {
      parts = new Parts(topology);
    }
    if (!volumes.isMade()) {
      return;
    }
    int part =
        Arrays.stream(closure.faces())
            .map(parts::partOf)
            .filter(p -> p != Mesh.NONE)
            .findFirst()
            .orElse(Mesh.NONE);
    if (isSame && part != Mesh.NONE && !volumes.get().isMixed() && !topology.hasInconsistent()) {
      volumes.get().add(part, more);
    } else if (!isSame || closure.faces().length > 0) {
      volumes = lazyVolumes();
    }
  }

  /** Quads of rings that go on in another way now, and that may be in a support strip therefore. */
  private void addStrips(Anew anew, Rings.Met met) {
    if (!stripsAreMarked) {
      rings.markStrips(IntStream.range(0, mesh.faceEnd()).toArray(), this::mayHoldStrip);
      stripsAreMarked = true;
    }
    rings.markStrips(anew.nearFaces(), this::mayHoldStrip);
    for (int ring : met.turned()) {
      for (int side : rings.mayBeStrip(ring) ? rings.sidesOf(ring) : new int[0]) {
        if (mayHoldStrip(mesh.edgeOf(mesh.next(side)))
            || mayHoldStrip(mesh.edgeOf(mesh.previous(side)))) {
          anew.add(mesh.faceOf(side));
        }
      }
    }
  }

  private boolean mayHoldStrip(int e) {
    return topology.uses(e) == 1 || hardEdges.isHard(e);
  }

  private int[] facesAt(int[] vertices) {
    IdSet faces = new IdSet();
    for (int v : vertices) {
      faces.addAll(mesh.hasVertex(v) ? mesh.facesAt(v) : new int[0]);
    }
    return faces.sorted();
  }

  /** Whether a mesh of later lies where the starter lies, as this one did. */
  public boolean liesAsBefore(Mesh later) {
    return given.liesAsBefore(later);
  }

  /** Lets go of the mesh until the next update. */
  public void rest() {
    mesh = NO_MESH;
    hubs = new Hubs(this);
    vertexGrid = lazyVertexGrid();
    deviation = lazyDeviation();
    int[] none = {};
    topology.update(mesh, none, none);
    shapes.update(mesh, none);
    rings.update(mesh, none, none);
    loops.update(mesh, none, none);
    hardEdges.mark(mesh, none, e -> false);
    parts.update(mesh, none, none);
    if (curvature.isMade()) {
      curvature.get().update(mesh, none);
    }
  }

  /** The edges that the exercise marked as hard. */
  private BitSet marked() {
    BitSet marked = new BitSet();
    if (!wanted().hardLines().isEmpty()) {
      IntStream.range(0, mesh.edgeEnd()).filter(markedBy()).forEach(marked::set);
    }
    return marked;
  }

  private IntPredicate markedBy() {
    return given.marked(mesh, topology);
  }

  public Mesh mesh() {
    return mesh;
  }

  public Tolerance tolerance() {
    return given.tolerance();
  }

  /** That of places which the exercise names: as large as the mesh has the form. */
  public Tolerance toleranceHere() {
    return given.here();
  }

  public double threshold(Threshold threshold) {
    return given.thresholds().of(threshold);
  }

  /** The distance at which vertices are doubles. */
  public double weld() {
    return given.thresholds().weld(given.tolerance());
  }

  public List<Oddity> oddities() {
    return oddities;
  }

  public @Nullable Starter starter() {
    return given.starter();
  }

  /** Whether an edge is the side of a face, and both its ends have places. */
  public boolean isPlacedSide(int e) {
    return Given.isPlacedSide(mesh, topology, e);
  }

  /**
   * Says whether something was not looked at, when all of it is looked for.
   *
   * @param what by its key
   * @param why as a sentence
   */
  public void leaveOut(String what, boolean isLeftOut, String why) {
    if (isLeftOut) {
      leftOut.put(what, why);
    } else {
      leftOut.remove(what);
    }
  }

  /** Why what was not looked at, by its key. */
  public Map<String, String> leftOut() {
    return Map.copyOf(leftOut);
  }

  /** What to keep for the next inspection. */
  public Gathered gathered() {
    return gathered;
  }

  /** What brings the mesh to where the starter lies; null where it lies there. */
  public @Nullable Placement placement() {
    return given.placement();
  }

  /** What the exercise asks of the shape. */
  public Wanted wanted() {
    return given.asking().wanted();
  }

  /** Of the solutions that the exercise knows of the one whose lines are met best. */
  public @Nullable Mesh reference() {
    return reference.get().orElse(null);
  }

  /** How much of each required line has edges along it. */
  public List<LineCover> lineCovers() {
    return lineCovers.get();
  }

  /** How far the surface lies from the starter; empty where the exercise does not ask. */
  public Optional<Deviation.Both> deviation() {
    return deviation.get();
  }

  /** How near to a line edges lie on it. */
  public double lineDistance() {
    return given.lineDistance();
  }

  public Topology topology() {
    return topology;
  }

  public Borders borders() {
    return borders.get();
  }

  public Orientation orientation() {
    return orientation.get();
  }

  public Parts parts() {
    return parts;
  }

  /** By their lowest face. */
  public List<Parts.Part> partList() {
    return partList.get();
  }

  public Volumes volumes() {
    return volumes.get();
  }

  public OtherThanQuads otherThanQuads() {
    return otherThanQuads;
  }

  public Rings rings() {
    return rings;
  }

  public EdgeLoops loops() {
    return loops;
  }

  public FaceShapes shapes() {
    return shapes;
  }

  public HardEdges hardEdges() {
    return hardEdges;
  }

  public Strips strips() {
    return strips;
  }

  public Hubs hubs() {
    return hubs;
  }

  /** Where all vertices are looked at. */
  public VertexGrid vertexGrid() {
    return vertexGrid.get();
  }

  /** Which edges the starter does not have. */
  public Novelty novelty() {
    return novelty.get();
  }

  public Curvature curvature() {
    return curvature.get();
  }

  public Patches patches() {
    return patches.get();
  }
}
