package fairedge.core.cut;

import fairedge.core.geometry.Vec3;
import fairedge.core.near.RayCast;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import org.jspecify.annotations.Nullable;

/** Lines of sight from a view to the model. */
final class Eyesight {
  /** So much nearer than a place, in parts of the way, what lies there doesn't hide it. */
  private static final double SAME_PLACE = 1e-6;

  private Eyesight() {}

  /** Whether no shown face lies between the eye and a place on the model. */
  static boolean sees(View view, Vec3 place, RayCast rays, Site site) {
    return switch (view) {
      case View.Perspective p ->
          rays.first(p.eye(), place.minus(p.eye()), 0, 1 - SAME_PLACE, site::shows) == null;
      case View.Parallel p -> {
        Vec3 back = p.direction().unit().times(-site.tolerance().scale());
        yield rays.first(place, back, SAME_PLACE, 1e3, site::shows) == null;
      }
    };
  }

  /** What the sight-line through a place meets first; null where it passes the model by. */
  static RayCast.@Nullable Hit first(View view, Vec3 place, RayCast rays, Site site) {
    return switch (view) {
      case View.Perspective p -> rays.first(p.eye(), place.minus(p.eye()), 0, 1e9, site::shows);
      case View.Parallel p -> {
        Vec3 along = p.direction().unit().times(site.tolerance().scale());
        yield rays.first(place, along, -1e3, 1e3, site::shows);
      }
    };
  }
}
