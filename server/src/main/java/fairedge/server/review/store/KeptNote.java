package fairedge.server.review.store;

import fairedge.core.geometry.Vec3;
import fairedge.core.step.Change;
import fairedge.json.FindingView.ElementView;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.NoteView.NoteMend;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A note of what was said, in a form of its own, whatever the API makes of it. */
record KeptNote(
    UUID id,
    String text,
    @Nullable Integer finding,
    String elementKind,
    int elementId,
    KeptPlace place,
    KeptPlace.@Nullable Camera camera,
    @Nullable String kind,
    @Nullable List<List<KeptPlace>> strokes,
    @Nullable UUID phrase,
    @Nullable KeptMend mend) {

  /** What would cure it, as steps keep their changes. */
  record KeptMend(String does, Change change) {
    static @Nullable KeptMend of(@Nullable NoteMend mend) {
      return mend == null ? null : new KeptMend(mend.does(), mend.change());
    }

    NoteMend told() {
      return new NoteMend(does, change);
    }
  }

  static KeptNote of(NoteView n) {
    return new KeptNote(
        n.id(),
        n.text(),
        n.finding(),
        n.element().kind().name(),
        n.element().id(),
        KeptPlace.of(n.place()),
        n.camera() == null ? null : KeptPlace.Camera.of(n.camera()),
        n.kind().name(),
        kept(n.strokes()),
        n.phrase(),
        KeptMend.of(n.mend()));
  }

  NoteView told() {
    return new NoteView(
        id,
        kind == null ? NoteKind.mend : NoteKind.valueOf(kind),
        text,
        finding,
        new ElementView(ElementView.Kind.valueOf(elementKind), elementId, null),
        place.told(),
        camera == null ? null : camera.told(),
        told(Objects.requireNonNullElse(strokes, List.of())),
        phrase,
        mend == null ? null : mend.told(),
        null);
  }

  static List<List<KeptPlace>> kept(List<List<Vec3>> strokes) {
    return strokes.stream().map(s -> s.stream().map(KeptPlace::of).toList()).toList();
  }

  static List<List<Vec3>> told(List<List<KeptPlace>> strokes) {
    return strokes.stream().map(s -> s.stream().map(KeptPlace::told).toList()).toList();
  }
}
