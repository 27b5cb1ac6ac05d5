package fairedge.server.demonstration;

import fairedge.core.demonstration.Deed;
import fairedge.core.demonstration.Replay;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Effect;
import fairedge.core.work.View;
import fairedge.json.CheckView;
import fairedge.server.bench.After;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.demonstration.KeptSteps.Played;
import fairedge.server.inspection.Inspections;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.review.NoteView.CameraView;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Makes the steps of a demonstration and keeps every state, so that playing it makes none again.
 */
@Component
class Rehearsal {
  /** All its states together have no more faces: they are kept, and each is inspected. */
  private static final long MOST_FACES = 4_000_000;

  private final MeshFiles meshes;
  private final Inspections inspections;

  Rehearsal(MeshFiles meshes, Inspections inspections) {
    this.meshes = meshes;
    this.inspections = inspections;
  }

  /**
   * With what comes of each step that is not left out.
   *
   * @throws Problem where one can't be made after those before it; nothing is kept of it then but
   *     meshes that nobody names
   */
  KeptSteps played(Demonstration d) {
    List<KeptDeed> kept = d.steps().steps();
    List<Integer> shown = new ArrayList<>();
    for (int i = 0; i < kept.size(); i++) {
      if (!kept.get(i).leftOut()) {
        shown.add(i);
      }
    }
    List<KeptDeed> done = new ArrayList<>(kept.stream().map(step -> step.with(null)).toList());
    Mesh mesh = meshes.require(d.starter());
    Watched watched = new Watched(d, done, shown, inspections.inspect(mesh, List.of(), d.terms()));
    List<Deed> deeds = shown.stream().map(i -> kept.get(i).deed()).toList();
    try {
      Replay.play(mesh, d.tolerance(), deeds, watched);
    } catch (Replay.Broken broken) {
      int step = shown.get(broken.deed()) + 1;
      throw Problem.of(
          Problem.Kind.REFUSED,
          "Step %d can't be made after those before it: %s".formatted(step, broken.getMessage())
              + " Leave it out too, or take in what it stands on.",
          Map.of("step", step));
    }
    return new KeptSteps(done);
  }

  /** Keeps what is seen of the states. */
  private final class Watched implements Replay.Watch {
    private final Demonstration demonstration;
    private final List<KeptDeed> done;
    private final List<Integer> shown;
    private CheckView before;
    private long faces;

    Watched(Demonstration d, List<KeptDeed> done, List<Integer> shown, CheckView before) {
      this.demonstration = d;
      this.done = done;
      this.shown = shown;
      this.before = before;
    }

    @Override
    public void see(int deed, Mesh mesh, @Nullable Effect effect) {
      faces += mesh.faceCount();
      if (faces > MOST_FACES) {
        throw Problem.of(
            Problem.Kind.TOO_DEAR,
            "These are too many steps for a mesh of %,d faces: leave some out, or show it on a"
                    .formatted(mesh.faceCount())
                + " smaller form.");
      }
      KeptDeed step = done.get(shown.get(deed));
      CheckView now = inspections.inspect(mesh, List.of(), demonstration.terms());
      After after = after(step, effect, now);
      String hash = HexFormat.of().formatHex(meshes.keep(mesh));
      done.set(
          shown.get(deed),
          step.with(
              new Played(
                  hash,
                  after.tool(),
                  after.did(),
                  after.brief(),
                  after.brought(),
                  after.mended(),
                  after.must(),
                  seen(step.view(), mesh))));
      before = now;
    }

    private After after(KeptDeed step, @Nullable Effect effect, CheckView now) {
      return effect == null
          ? After.takenBack(before, now)
          : After.of(change(step), effect, before, now);
    }
  }

  /** By the tool's name. */
  static String title(KeptDeed step) {
    return step.change() == null ? "Taken back" : ChangeKind.of(step.change()).title();
  }

  private static Change change(KeptDeed step) {
    return Objects.requireNonNull(step.change(), "a change that was made");
  }

  /** A camera that stands where the eye was, and looks at the middle. */
  private static @Nullable CameraView seen(@Nullable View view, Mesh mesh) {
    Vec3 middle = mesh.bounds().centre();
    return switch (view) {
      case null -> null;
      case View.Perspective p -> new CameraView(p.eye(), middle);
      case View.Parallel p -> {
        double far = 2 * mesh.bounds().diagonal();
        yield new CameraView(middle.minus(p.direction().unit().times(far)), middle);
      }
    };
  }
}
