package fairedge.core.mesh;

/** What corners may carry beside their vertex. */
public enum Attribute {
  /** Texture coordinates u, v and perhaps w; a missing one is NaN. */
  TEXTURE,
  /** A normal for shading, of any length. */
  NORMAL;

  static final int COUNT = values().length;
}
