package fairedge.server.api;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.course.Role;
import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.School;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/**
 * A class of its own in a running application: its instructor, a student, and what they ask for.
 */
final class Breakwater {
  private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

  final Client runa;
  final Client ada;
  final String course;

  /**
   * @param sort of the sign-ins, since one application may have several such classes
   */
  Breakwater(Application app, String sort) {
    School school = new School(app);
    SignedIn instructor = school.person("runa" + sort, "Runa Delahaye");
    UUID breakwater = school.classOf("Breakwater", instructor);
    school.enrol(breakwater, school.person("ada" + sort, "Ada Lunde"), Role.STUDENT);
    course = breakwater.toString();
    runa = Client.signedIn(app, "runa" + sort);
    ada = Client.signedIn(app, "ada" + sort);
  }

  String begun() {
    return runa.post("/api/exercises", Map.of()).is(201).json().path("id").asString();
  }

  JsonNode editor(String id) {
    return runa.get("/api/exercises/" + id).is(200).json();
  }

  /** What is in the editor, with some of it written otherwise. */
  Map<String, Object> written(String id, Map<String, Object> other) {
    JsonNode now = editor(id);
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", now.path("revision").asLong());
    for (String field :
        List.of("title", "summary", "brief", "profile", "wanted", "tells", "rule")) {
      draft.put(field, now.path("draft").path(field));
    }
    draft.putAll(other);
    return draft;
  }

  Reply keep(String id, Map<String, Object> other) {
    return runa.put("/api/exercises/" + id + "/draft", written(id, other));
  }

  Reply makeReady(String id) {
    return runa.post(
        "/api/exercises/" + id + "/ready",
        Map.of("revision", editor(id).path("revision").asLong()));
  }

  /** A cleat to cut, ready to be set. */
  String ready(String title) {
    String id = begun();
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "cleat")).is(200);
    keep(id, Map.of("title", title, "summary", "Cut it", "brief", "Cut it **well**.")).is(200);
    makeReady(id).is(200);
    return id;
  }

  static Map<String, Object> setting(Map<String, Object> other) {
    Map<String, Object> setting = new HashMap<>(Map.of("late", "taken", "handIn", "both"));
    setting.putAll(other);
    return setting;
  }

  String set(String id, Map<String, Object> other) {
    return runa.post(
            "/api/exercises/" + id + "/assignments",
            Map.of("course", course, "setting", setting(other)))
        .is(201)
        .json()
        .path("id")
        .asString();
  }

  /** A time on the wall of the class. */
  static String onTheWall(long minutesFromNow) {
    return LocalDateTime.now(OSLO)
        .plusMinutes(minutesFromNow)
        .truncatedTo(ChronoUnit.SECONDS)
        .toString();
  }

  List<String> titlesOfAda() {
    List<String> titles = new ArrayList<>();
    ada.get("/api/my-work")
        .is(200)
        .json()
        .path("items")
        .forEach(i -> titles.add(i.path("assignment").path("exercise").path("title").asString()));
    return titles;
  }

  JsonNode opened(String assignment) {
    return ada.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(200).json();
  }

  Reply handIn(String assignment) {
    JsonNode open = opened(assignment);
    return ada.post(
        "/api/workpieces/" + open.path("id").asString() + "/submissions",
        Map.of("revision", open.path("revision").asLong(), "clientKey", UUID.randomUUID()));
  }

  /** Lets a hand-in be answered at once. */
  void answer(String submission, String verdict) {
    Map<String, Object> answer =
        Map.of("revision", 0, "word", "Look.", "verdict", verdict, "notes", List.of());
    long revision =
        runa.put("/api/submissions/" + submission + "/draft", answer)
            .is(200)
            .json()
            .path("revision")
            .asLong();
    runa.post("/api/submissions/" + submission + "/return", Map.of("revision", revision)).is(200);
  }

  static byte[] obj(Mesh mesh) {
    StringBuilder text = new StringBuilder();
    try {
      ObjWriter.write(mesh, text);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  Reply sendFile(String assignment) {
    byte[] file = obj(HarbourProps.cleat());
    return ada.sendFile(
        "/api/assignments/" + assignment + "/uploads",
        Map.of("clientKey", UUID.randomUUID().toString()),
        "cleat.obj",
        file);
  }
}
