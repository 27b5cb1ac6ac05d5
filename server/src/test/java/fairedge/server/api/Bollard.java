package fairedge.server.api;

import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.running.Client;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** What tests ask of the bollard's and the lid's working copies. */
final class Bollard {
  static final Map<String, Object> VIEW =
      Map.of("kind", "perspective", "eye", Map.of("x", 900, "y", -1400, "z", 700));

  private Bollard() {}

  /** The id under which an exercise is set in the demo class. */
  static String assignment(Client student, String title) {
    return set(student, title).path("id").asString();
  }

  /** The id of the exercise itself. */
  static String exercise(Client student, String title) {
    return set(student, title).path("exercise").path("id").asString();
  }

  /** The class in which an exercise is set. */
  static String course(Client student, String title) {
    return set(student, title).path("course").asString();
  }

  private static JsonNode set(Client student, String title) {
    for (JsonNode item : student.get("/api/my-work").is(200).json().path("items")) {
      JsonNode assignment = item.path("assignment");
      if (assignment.path("exercise").path("title").asString().equals(title)) {
        return assignment;
      }
    }
    throw new IllegalArgumentException(title);
  }

  static JsonNode open(Client student, String title) {
    return student
        .put("/api/assignments/" + assignment(student, title) + "/workpiece", Map.of())
        .is(200)
        .json();
  }

  /** The loop at mid-height of the waist. */
  static Map<String, Object> waistLoop(double fraction) {
    Mesh bollard = HarbourProps.mooringBollard();
    return Map.of("tool", "loops", "edge", bollard.findEdge(36, 48), "fraction", fraction);
  }

  /** A trace from vertex to vertex, seen from the front. */
  static Map<String, Object> trace(int from, int to) {
    return Map.of(
        "tool",
        "trace",
        "points",
        List.of(
            Map.of("anchor", Map.of("on", "vertex", "vertex", from), "view", VIEW),
            Map.of("anchor", Map.of("on", "vertex", "vertex", to), "view", VIEW)));
  }

  static Map<String, Object> step(long revision, Map<String, Object> change) {
    return Map.of(
        "revision", revision, "clientKey", UUID.randomUUID(), "change", change, "view", VIEW);
  }

  static Map<String, Object> move(long revision) {
    return Map.of("revision", revision, "clientKey", UUID.randomUUID());
  }
}
