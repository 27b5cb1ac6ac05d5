package fairedge.server.submission;

import fairedge.core.format.LengthUnit;
import fairedge.core.format.Meant;
import fairedge.core.format.Meant.Up;
import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Bounds;
import fairedge.core.mesh.Mesh;
import fairedge.server.submission.UploadView.MeantAs;
import fairedge.server.submission.UploadView.Question;
import java.util.List;
import java.util.stream.Stream;

/**
 * How large a file is beside the starter of its exercise.
 *
 * @param unit the exercise's
 */
record Sized(Bounds file, Bounds starter, LengthUnit unit) {
  private Meant asItIs() {
    return new Meant(unit, Up.Z);
  }

  /** Then there is nothing to ask. */
  boolean isAsTheStarter() {
    return asItIs().fits(file, starter, unit);
  }

  Meant guess() {
    return isAsTheStarter() ? asItIs() : Meant.guess(file, starter, unit);
  }

  Question question() {
    List<Meant> all = Meant.all();
    List<MeantAs> choices =
        all.stream().map(m -> new MeantAs(m.unit().sign(), m.up(), m.size(file, unit))).toList();
    return new Question(unit.sign(), asItIs().size(starter, unit), all.indexOf(guess()), choices);
  }

  /** What was read, in the exercise's unit with Z upwards; says so where that is not as it was. */
  ReadResult as(Meant meant, ReadResult read) {
    if (meant.equals(asItIs())) {
      return read;
    }
    Mesh mesh = meant.mesh(read.mesh(), unit);
    String remark =
        "Its lengths were taken as "
            + meant.unit().sign()
            + ", and its "
            + meant.up()
            + " axis as pointing upwards.";
    return new ReadResult(
        mesh, read.oddities(), Stream.concat(Stream.of(remark), read.remarks().stream()).toList());
  }
}
