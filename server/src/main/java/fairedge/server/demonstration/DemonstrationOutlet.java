package fairedge.server.demonstration;

import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.core.step.Change;
import fairedge.core.work.View;
import fairedge.json.CheckView;
import fairedge.picture.MeshPicture;
import fairedge.server.bench.PreviewView;
import fairedge.server.bench.Trials;
import fairedge.server.demonstration.DemonstrationView.FrameKind;
import fairedge.server.demonstration.DemonstrationView.FrameView;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Gallery;
import fairedge.server.inspection.Gallery.Shown;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The states of demonstrations to be looked at: each by the hash of its mesh. */
@Service
public class DemonstrationOutlet {
  private static final MeshPicture.Size PICTURE = new MeshPicture.Size(140, 84, 2);

  private final Demonstrations demonstrations;
  private final Gallery gallery;
  private final Trials trials;
  private final Turns turns;

  DemonstrationOutlet(Demonstrations demonstrations, Gallery gallery, Trials trials, Turns turns) {
    this.demonstrations = demonstrations;
    this.gallery = gallery;
    this.trials = trials;
    this.turns = turns;
  }

  private Shown shown(UUID id, String mesh, SignedIn account) {
    Demonstration d = demonstrations.requireToSee(id, account);
    return Frames.of(d).stream()
        .filter(f -> f.mesh().equals(mesh))
        .findFirst()
        .map(f -> new Shown(HexFormat.of().parseHex(f.mesh()), d.terms()))
        .orElseThrow(() -> Problem.notFound("state"));
  }

  public byte[] mesh(UUID id, String mesh, SignedIn account) {
    return gallery.mesh(shown(id, mesh, account), account);
  }

  public CheckView check(UUID id, String mesh, SignedIn account) {
    return gallery.check(shown(id, mesh, account), account);
  }

  public byte[] smooth(UUID id, String mesh, @Nullable Integer level, SignedIn account) {
    return gallery.smooth(shown(id, mesh, account), account, level);
  }

  public LensPicture look(UUID id, String mesh, Lens lens, SignedIn account) {
    return gallery.look(shown(id, mesh, account), account, lens);
  }

  public Along along(UUID id, String mesh, int edge, SignedIn account) {
    return gallery.along(shown(id, mesh, account), account, edge);
  }

  public Tried bend(UUID id, String mesh, BendAsked asked, SignedIn account) {
    return gallery.bend(shown(id, mesh, account), account, asked);
  }

  /** A state as a PNG. */
  public byte[] picture(UUID id, String mesh, SignedIn account) {
    Shown shown = shown(id, mesh, account);
    return turns.here(
        account.id(), () -> MeshPicture.png(gallery.atHand(shown.mesh()), List.of(), PICTURE));
  }

  /** What a step that is asked about would do, to be drawn with the answer. */
  public PreviewView pending(UUID id, int step, SignedIn account) {
    Demonstration d = demonstrations.requireToSee(id, account);
    FrameView question =
        Frames.of(d).stream()
            .filter(f -> f.kind() == FrameKind.question && f.step() == step)
            .findFirst()
            .orElseThrow(() -> Problem.notFound("question"));
    KeptDeed asked = d.steps().steps().get(step - 1);
    Change change = asked.change();
    View view = asked.view();
    if (change == null || view == null) {
      throw Problem.notFound("question");
    }
    return turns.here(
        account.id(),
        () ->
            trials.on(
                gallery.copy(HexFormat.of().parseHex(question.mesh())),
                d.tolerance(),
                change,
                view));
  }
}
