package fairedge.core.survey;

import fairedge.core.flow.Parts;
import java.util.List;

/**
 * The volume of each closed part, added up face by face about one place; where faces are wound
 * against each other, so that the place makes a difference, about the middle of the part's box.
 * What rounding may make of it is small against the size of the form, not against a part that
 * encloses next to nothing. Cost to make: the faces.
 */
public final class Volumes {
  /** Of the cube of S. */
  private static final double CERTAIN = 1e-9;

  /** Three times over. */
  private final double[] ofPart;

  private final boolean isMixed;
  private final double certain;

  Volumes(Subject subject) {
    Parts parts = subject.parts();
    ofPart = new double[parts.count()];
    isMixed = subject.topology().hasInconsistent();
    double size = subject.tolerance().scale();
    certain = CERTAIN * size * size * size;
    if (isMixed) {
      List<Parts.Part> closed = subject.partList().stream().filter(Parts.Part::closed).toList();
      List<int[]> faces = parts.facesOf(closed);
      for (int i = 0; i < faces.size(); i++) {
        ofPart[closed.get(i).number()] = 3 * Volume.of(subject.mesh(), faces.get(i)).cubed();
      }
      return;
    }
    for (int f = 0; f < subject.mesh().faceEnd(); f++) {
      if (subject.mesh().hasFace(f)) {
        ofPart[parts.partOf(f)] += subject.shapes().thriceVolume(f);
      }
    }
  }

  /** Whether some faces are wound against others; then it can't be brought up to date. */
  boolean isMixed() {
    return isMixed;
  }

  /** Where faces of one part alone were changed. */
  void add(int part, double thrice) {
    ofPart[part] += thrice;
  }

  public double of(int part) {
    return ofPart[part] / 3;
  }

  public boolean isSurelyPositive(int part) {
    return of(part) > certain;
  }
}
