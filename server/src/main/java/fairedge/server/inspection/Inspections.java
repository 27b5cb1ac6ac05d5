package fairedge.server.inspection;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Held;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Recall;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Since;
import fairedge.core.lens.Along;
import fairedge.core.lens.Bent;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.lens.Looks;
import fairedge.core.mend.State;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.json.CheckView;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Recent;
import java.util.HexFormat;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Runs the core's inspector on a mesh by a profile; knows no workpiece and no submission. Whoever
 * asks sees to it that it is his turn ({@link fairedge.server.platform.Turns}).
 */
@Service
public class Inspections {
  /** So many faces of starters are kept at hand, and so many that inspectors hold. */
  private static final long FACES_AT_HAND = 2_000_000;

  /** So many findings of a kind are listed: nobody reads more, and pages and tables hold them. */
  public static final int LISTED = 10_000;

  private final MeshFiles meshes;

  private final Recent<Began, Starter> starters =
      new Recent<>(FACES_AT_HAND, starter -> 100 + starter.faceCount());

  /** Those that know references or pardons: what they know of them is found once. */
  private final Recent<By, Knowing> inspectors =
      new Recent<>(FACES_AT_HAND, knowing -> 100 + knowing.faces());

  Inspections(MeshFiles meshes) {
    this.meshes = meshes;
  }

  /** A starter by its hash, and what counts as near on it. */
  private record Began(String hash, double near) {}

  /** By what an inspector goes. */
  private record By(
      Profile profile,
      Wanted wanted,
      Tolerance tolerance,
      String starter,
      List<String> references) {
    static By of(Terms terms) {
      return new By(
          terms.profile(),
          terms.wanted(),
          terms.tolerance(),
          HexFormat.of().formatHex(terms.starter()),
          Terms.namesOf(terms.references()));
    }
  }

  /**
   * An inspector at hand.
   *
   * @param faces of the meshes that it holds: its starter's and its references'
   */
  private record Knowing(Inspector inspector, long faces) {}

  /** A check, and what makes the next one of the same mesh cheaper. */
  public record Checked(CheckView check, Recall recall) {}

  /**
   * @param oddities what was odd about the mesh's file
   */
  public CheckView inspect(Mesh mesh, List<Oddity> oddities, Terms terms) {
    Report report = inspector(terms).inspect(mesh, oddities);
    return CheckView.of(report, mesh, LISTED);
  }

  /**
   * What is kept of a mesh that is handed in.
   *
   * @param held null where that is not known
   */
  public record Examined(CheckView check, @Nullable Held held) {}

  /** The same for once and for all, with what is told beside it. */
  public Examined examine(Mesh mesh, List<Oddity> oddities, Terms terms) {
    Inspector.Examined examined = inspector(terms).examine(mesh, oddities);
    return new Examined(CheckView.of(examined.report(), mesh, LISTED), examined.held());
  }

  /**
   * The same after steps on the bench.
   *
   * @param since what is known from before; null where nothing is
   */
  public Checked inspect(Mesh mesh, Terms terms, @Nullable Since since) {
    Inspector.Inspected inspected = inspector(terms).inspect(mesh, List.of(), since);
    return new Checked(CheckView.of(inspected.report(), mesh, LISTED), inspected.recall());
  }

  /** What a lens shows of a mesh. */
  public LensPicture look(Mesh mesh, Terms terms, Lens lens) {
    return looks(terms).look(mesh, lens);
  }

  /** How a mesh fares when it is bent. */
  public Bent bend(Mesh mesh, Terms terms, BendAsked asked) {
    try {
      return looks(terms).bend(mesh, asked.trial(mesh.bounds()));
    } catch (IllegalArgumentException e) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "This bend can't be: " + e.getMessage() + ".");
    }
  }

  /**
   * The smooth surface of which a mesh is the cage, as a surface message.
   *
   * @param level of subdivision; null for as many as are quick to draw
   */
  public byte[] smooth(Mesh mesh, Vec3 origin, @Nullable Integer level) {
    return Smooth.message(mesh, origin, level);
  }

  /** The ring and the loop of an edge, and how they end. */
  public Along along(Mesh mesh, int edge) {
    if (!mesh.hasEdge(edge)) {
      throw Problem.notFound("edge");
    }
    return Looks.along(mesh, edge);
  }

  /**
   * A workpiece as it stands, for what would mend it.
   *
   * @param recall of the last check
   * @param touched since that
   */
  public State state(Workpiece workpiece, Terms terms, Recall recall, ElementSet touched) {
    return State.of(inspector(terms), workpiece, recall, touched);
  }

  /** The same of a workpiece of which nothing is known yet. */
  public State state(Workpiece workpiece, Terms terms) {
    return State.of(inspector(terms), workpiece);
  }

  /** How near to what was touched faces count as near. */
  public double room(Terms terms) {
    return new Inspector(terms.profile(), terms.tolerance()).room();
  }

  /** Whether a check after a step costs what the step touched. */
  public boolean followsSteps(Terms terms) {
    return inspector(terms).followsSteps();
  }

  private Inspector inspector(Terms terms) {
    return terms.references().isEmpty() && terms.wanted().pardons().isEmpty()
        ? made(terms).inspector()
        : inspectors.get(By.of(terms), by -> made(terms)).inspector();
  }

  private Knowing made(Terms terms) {
    Starter starter = starter(terms);
    List<Mesh> references = terms.references().stream().map(meshes::require).toList();
    Inspector inspector =
        new Inspector(terms.profile(), terms.tolerance(), starter)
            .asking(terms.wanted(), references);
    long faces = references.stream().mapToLong(Mesh::faceCount).sum();
    return new Knowing(inspector, starter.mesh().faceCount() + faces);
  }

  private Looks looks(Terms terms) {
    return new Looks(
        terms.profile().thresholds(), terms.tolerance(), starter(terms), terms.wanted());
  }

  /** What a mesh began from, to be asked where something lies. */
  public Starter starter(Terms terms) {
    byte[] starter = terms.starter();
    Began began = new Began(HexFormat.of().formatHex(starter), terms.tolerance().flat());
    return starters.get(began, b -> new Starter(meshes.require(starter), b.near()));
  }
}
