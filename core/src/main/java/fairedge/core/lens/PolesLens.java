package fairedge.core.lens;

import fairedge.core.flow.Topology;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Say;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * {@link Lens#POLES}: every pole with its valence; whether it is new, lies on a hard edge, or in
 * the curviest tenth. One asks for attention where 6 or more edges meet, or where it is new, off
 * every hard edge. Cost: the vertices, and their curvature.
 */
final class PolesLens {
  private static final int MANY = 6;

  private PolesLens() {}

  static LensPicture of(Subject subject) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    List<Spot> spots = new ArrayList<>();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (topology.isPole(v) && mesh.hasPlace(v)) {
        spots.add(spot(subject, v));
      }
    }
    return new LensPicture(sentence(spots), List.of(), List.of(), List.copyOf(spots));
  }

  private static String sentence(List<Spot> spots) {
    if (spots.isEmpty()) {
      return "No poles: inside the surface four edges meet everywhere.";
    }
    String counts =
        spots.stream()
            .collect(Collectors.groupingBy(s -> Integer.valueOf(s.text()), Collectors.counting()))
            .entrySet()
            .stream()
            .sorted(Map.Entry.comparingByKey())
            .map(e -> e.getValue() + " of " + e.getKey() + " edges")
            .collect(Collectors.joining(", "));
    long strong = spots.stream().filter(Spot::isStrong).count();
    return Say.count(spots.size(), "pole", "poles")
        + ": "
        + counts
        + (strong == 0 ? "." : "; " + strong + " to look at.");
  }

  private static Spot spot(Subject subject, int v) {
    int valence = subject.topology().valence(v);
    Starter starter = subject.starter();
    boolean isNew = starter != null && !starter.hasPole(subject.mesh().position(v));
    boolean isHard = subject.hardEdges().meet(v);
    boolean isCurved = subject.curvature().isInCurviestTenth(v);
    String words =
        Say.count(valence, "edge meets", "edges meet")
            + " here"
            + (isNew ? ", new" : "")
            + (isHard ? ", on a hard edge" : "")
            + (isCurved ? ", where the form bends most" : "");
    return new Spot(
        v,
        subject.mesh().position(v),
        Integer.toString(valence),
        false,
        words,
        valence >= MANY || isNew && !isHard);
  }
}
