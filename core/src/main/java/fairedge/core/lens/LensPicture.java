package fairedge.core.lens;

import fairedge.core.geometry.Vec3;
import java.util.List;

/**
 * What a lens shows of a mesh: washes over faces, strokes over edges, letters at places; and what
 * each of them means.
 *
 * @param sentence what is to be seen, with its numbers
 * @param faces washes, each over other faces; from the mildest on
 * @param edges strokes, each over other edges; from the mildest on
 * @param spots places with something to say
 */
public record LensPicture(String sentence, List<Tone> faces, List<Tone> edges, List<Spot> spots) {

  /**
   * Elements that are shown alike.
   *
   * @param name stable, for whoever chooses how it looks
   * @param words for the legend
   * @param isLength whether the words end in a length, to be followed by the exercise's unit
   * @param ids of the faces or edges, ascending
   */
  public record Tone(String name, String words, boolean isLength, int[] ids) {}

  /**
   * A vertex or a place on a face with a short text.
   *
   * @param vertex {@link fairedge.core.mesh.Mesh#NONE} where it is none
   * @param text one number
   * @param isLength whether that is a length, to be followed by the exercise's unit
   * @param words what it means
   * @param isStrong whether it asks for attention
   */
  public record Spot(
      int vertex, Vec3 place, String text, boolean isLength, String words, boolean isStrong) {}
}
