package fairedge.core.format;

/**
 * How large a mesh a reader takes in; a file over it is refused at the line where it passes it.
 *
 * @param vertices at most
 * @param faces at most, loose edges and faces left out counted too
 * @param corners at most, of all faces together
 */
public record Limits(int vertices, int faces, int corners) {
  /** What arrays can hold with room to spare. */
  public static final Limits NONE = new Limits(300_000_000, 300_000_000, 600_000_000);

  /** For meshes of up to so many faces, and what usually goes with them. */
  public static Limits ofFaces(int faces) {
    int most = Math.min(faces, 100_000_000);
    return new Limits(2 * most + 1000, most, 6 * most + 1000);
  }
}
