package fairedge.server.review.store;

import fairedge.core.geometry.Vec3;
import fairedge.server.review.NoteView.CameraView;

/** A place as notes keep it: in a form of its own, whatever the API makes of it. */
record KeptPlace(double x, double y, double z) {
  static KeptPlace of(Vec3 v) {
    return new KeptPlace(v.x(), v.y(), v.z());
  }

  Vec3 told() {
    return new Vec3(x, y, z);
  }

  /** From where a note was seen. */
  record Camera(KeptPlace eye, KeptPlace target) {
    static Camera of(CameraView c) {
      return new Camera(KeptPlace.of(c.eye()), KeptPlace.of(c.target()));
    }

    CameraView told() {
      return new CameraView(eye.told(), target.told());
    }
  }
}
