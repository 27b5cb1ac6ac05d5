package fairedge.server.inspection;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Starter;
import fairedge.json.CheckView;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Recent;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.HexFormat;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Kept meshes to be looked at, by whoever may. In no transaction: while it computes it shall hold
 * no connection. The meshes looked at last are kept at hand: each movement of a pointer may ask.
 */
@Service
public class Gallery {
  private static final long FACES_AT_HAND = 2_000_000;

  private final MeshFiles meshes;
  private final Inspections inspections;
  private final Turns turns;

  /** By their hash; nobody changes them. */
  private final Recent<String, Mesh> atHand =
      new Recent<>(FACES_AT_HAND, mesh -> 100 + mesh.faceCount());

  Gallery(MeshFiles meshes, Inspections inspections, Turns turns) {
    this.meshes = meshes;
    this.inspections = inspections;
    this.turns = turns;
  }

  /**
   * A mesh on the wall.
   *
   * @param mesh its hash
   * @param terms by which it is looked at
   */
  public record Shown(byte[] mesh, Terms terms) {}

  /** One of those at hand, which nobody may change; read it in turns. */
  public Mesh atHand(byte[] mesh) {
    return atHand.get(HexFormat.of().formatHex(mesh), hash -> meshes.require(mesh));
  }

  /** A copy, the caller's to change. */
  public Mesh copy(byte[] mesh) {
    return meshes.require(mesh);
  }

  /** What terms begin from, to be asked where something lies. */
  public Starter starter(Terms terms) {
    return inspections.starter(terms);
  }

  public byte[] mesh(Shown shown, SignedIn account) {
    return looked(shown, account, mesh -> WireMessage.whole(mesh, mesh.bounds().centre(), 0));
  }

  /** What the check says of it. */
  public CheckView check(Shown shown, SignedIn account) {
    return looked(shown, account, mesh -> inspections.inspect(mesh, List.of(), shown.terms()));
  }

  /** The smooth surface of which it is the cage. */
  public byte[] smooth(Shown shown, SignedIn account, @Nullable Integer level) {
    return looked(shown, account, mesh -> inspections.smooth(mesh, mesh.bounds().centre(), level));
  }

  /** How it fares when it is bent. */
  public Tried bend(Shown shown, SignedIn account, BendAsked asked) {
    return looked(
        shown, account, mesh -> Tried.of(inspections.bend(mesh, shown.terms(), asked), 0));
  }

  /** What a lens shows of it. */
  public LensPicture look(Shown shown, SignedIn account, Lens lens) {
    return looked(shown, account, mesh -> inspections.look(mesh, shown.terms(), lens));
  }

  /** The ring and the loop of an edge of it. */
  public Along along(Shown shown, SignedIn account, int edge) {
    return looked(shown, account, mesh -> inspections.along(mesh, edge));
  }

  private <T> T looked(Shown shown, SignedIn account, Function<Mesh, T> look) {
    return turns.here(
        account.id(),
        () -> {
          Mesh mesh = atHand(shown.mesh());
          return turns.bySize(account.id(), mesh.faceCount(), () -> look.apply(mesh));
        });
  }
}
