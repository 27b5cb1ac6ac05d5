package fairedge.core.mend;

import java.util.Map;

/**
 * What a mend costs.
 *
 * @param facesAdded ids made, and so for the others
 * @param poles inner vertices that come to be no fours, or other than fours than before, by valence
 * @param moved how far the surface moves at most, in the unit of the mesh; 0 where it does not
 * @param must findings that come with it, and so for the others
 */
public record Cost(
    int facesAdded,
    int facesTaken,
    int verticesAdded,
    int verticesTaken,
    int edgesAdded,
    int edgesTaken,
    Map<Integer, Integer> poles,
    double moved,
    int must,
    int should,
    int remark) {
  public Cost {
    poles = Map.copyOf(poles);
  }

  /** How many findings come with it. */
  public int found() {
    return must + should + remark;
  }
}
