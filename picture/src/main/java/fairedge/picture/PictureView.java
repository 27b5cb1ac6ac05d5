package fairedge.picture;

import fairedge.core.geometry.Vec3;

/** From where a model is drawn; z is up in the model. */
public sealed interface PictureView {
  /** The whole of it, as a mesh view shows it when it opens. */
  record Standard() implements PictureView {}

  /**
   * The whole of it from another side.
   *
   * @param azimuth from the front (-y) in degrees
   * @param elevation above the ground in degrees, between -90 and 90
   */
  record Sideways(double azimuth, double elevation) implements PictureView {}

  /** As somebody saw it in a mesh view. */
  record From(Vec3 eye, Vec3 target) implements PictureView {}
}
