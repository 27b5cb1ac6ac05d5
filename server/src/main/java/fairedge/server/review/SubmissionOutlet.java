package fairedge.server.review;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Recent;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import fairedge.server.submission.Submissions;
import java.util.HexFormat;
import java.util.UUID;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Handed-in meshes to be looked at, by the instructors of their class and by whoever handed them
 * in. In no transaction: while it computes it shall hold no connection. The meshes looked at last
 * are kept at hand: each movement of a pointer may ask.
 */
@Service
public class SubmissionOutlet {
  private static final long FACES_AT_HAND = 2_000_000;

  private final Submissions submissions;
  private final Inspections inspections;
  private final Turns turns;

  /** By their hash; nobody changes them. */
  private final Recent<String, Mesh> atHand =
      new Recent<>(FACES_AT_HAND, mesh -> 100 + mesh.faceCount());

  SubmissionOutlet(Submissions submissions, Inspections inspections, Turns turns) {
    this.turns = turns;
    this.submissions = submissions;
    this.inspections = inspections;
  }

  private record Seen(Mesh mesh, Terms terms) {}

  public byte[] mesh(UUID id, SignedIn account) {
    return looked(
        id, account, seen -> WireMessage.whole(seen.mesh(), seen.mesh().bounds().centre(), 0));
  }

  /** The smooth surface of which it is the cage. */
  public byte[] smooth(UUID id, SignedIn account, @Nullable Integer level) {
    return looked(
        id, account, seen -> inspections.smooth(seen.mesh(), seen.mesh().bounds().centre(), level));
  }

  /** How it fares when it is bent. */
  public Tried bend(UUID id, SignedIn account, BendAsked asked) {
    return looked(
        id, account, seen -> Tried.of(inspections.bend(seen.mesh(), seen.terms(), asked), 0));
  }

  /** What a lens shows of it. */
  public LensPicture look(UUID id, SignedIn account, Lens lens) {
    return looked(id, account, seen -> inspections.look(seen.mesh(), seen.terms(), lens));
  }

  /** The ring and the loop of an edge of it. */
  public Along along(UUID id, SignedIn account, int edge) {
    return looked(id, account, seen -> inspections.along(seen.mesh(), edge));
  }

  private <T> T looked(UUID id, SignedIn account, Function<Seen, T> look) {
    Submissions.Seen of = submissions.requireToSee(id, account);
    return turns.here(
        account.id(),
        () -> {
          Mesh mesh =
              atHand.get(
                  HexFormat.of().formatHex(of.submission().mesh()),
                  hash -> submissions.mesh(of.submission()));
          Seen seen = new Seen(mesh, of.assignment().exercise().terms());
          return turns.bySize(account.id(), mesh.faceCount(), () -> look.apply(seen));
        });
  }
}
