package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;

/** Every request there is, by nobody, its student, another student, and other instructors. */
class AccessTest {
  private static final String STATE = "/api/demonstrations/{id}/states/{mesh}";

  private static final UUID HINT = UUID.randomUUID();

  private static Database database;
  private static Application app;
  private static Client nobody;
  private static Client rune;
  private static Client ines;
  private static Client stranger;
  private static Client marit;
  private static String workpiece;
  private static String assignment;
  private static String exercise;
  private static String submission;
  private static String upload;
  private static String bundle;
  private static String practice;
  private static String demonstration;
  private static String state;
  private static Client assistant;
  private static Client putAway;
  private static Client elsewhere;
  private static Client classless;
  private static String course;
  private static String person;

  /** Whose work it is. */
  private static String student;

  /** Who asks, in the order of the columns. */
  private static List<Client> askers() {
    return List.of(nobody, rune, ines, stranger, marit, assistant, putAway, elsewhere, classless);
  }

  /**
   * A request and the statuses that each gets: nobody, the student whose it is, another student of
   * the class, an instructor of another class, the instructor of the class; an assistant of the
   * class, a student of it who is put away, a student of another class, somebody of no class.
   */
  private record Line(String method, String path, Object body, List<Integer> statuses) {
    /** An assistant gets another one than the instructor. */
    Line assistant(int status) {
      List<Integer> all = new ArrayList<>(statuses);
      all.set(5, status);
      return new Line(method, path, body, all);
    }

    /** Those of no and of other classes get another one than an instructor there. */
    Line others(int status) {
      List<Integer> all = new ArrayList<>(statuses);
      for (int i = 6; i < all.size(); i++) {
        all.set(i, status);
      }
      return new Line(method, path, body, all);
    }

    /** A student who is put away gets another one than a stranger. */
    Line putAway(int status) {
      List<Integer> all = new ArrayList<>(statuses);
      all.set(6, status);
      return new Line(method, path, body, all);
    }
  }

  /** An assistant gets what the instructor gets, and all others what a stranger gets. */
  private static Line line(
      String method,
      String path,
      Object body,
      int nobody,
      int owner,
      int other,
      int stranger,
      int instructor) {
    return new Line(
        method,
        path,
        body,
        List.of(
            nobody, owner, other, stranger, instructor, instructor, stranger, stranger, stranger));
  }

  /** Bodies that a stale or wrong request would carry: access is decided before they count. */
  private static List<Line> table() {
    Map<String, Object> change = Bollard.trace(16, 24);
    Map<String, Object> preview =
        Map.of("revision", 99, "change", change, "view", Bollard.VIEW, "findings", true);
    Map<String, Object> motions = Map.of("revision", 99, "change", change);
    Map<String, Object> mends = Map.of("revision", 99, "finding", "ngon face 0");
    Map<String, Object> all = Map.of("revision", 99, "kinds", List.of("ngon"));
    Map<String, Object> cured = Map.of("finding", "ngon face 9999");
    Map<String, Object> tried = Map.of("change", Map.of("tool", "route", "edges", List.of(99_999)));
    Map<String, Object> chosen =
        Map.of("faces", List.of(), "edges", List.of(), "vertices", List.of());
    Map<String, Object> choice = Map.of("revision", 99, "way", "grow", "from", chosen);
    Map<String, Object> step = Bollard.step(99, change);
    Map<String, Object> move = Bollard.move(99);
    Map<String, Object> bring =
        Map.of(
            "revision",
            99,
            "clientKey",
            UUID.randomUUID(),
            "view",
            Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1)),
            "form",
            "hatch-lid");
    Map<String, Object> draftOfExercise =
        Map.of(
            "revision",
            99,
            "title",
            "x",
            "summary",
            "",
            "brief",
            "",
            "tells",
            "all",
            "profile",
            Map.of("name", "x", "severities", Map.of(), "thresholds", Map.of()),
            "wanted",
            Map.of());
    Map<String, Object> setting = Map.of("late", "taken", "handIn", "both");
    Map<String, Object> room =
        Map.of("name", "Harbour Props", "zone", "Europe/Oslo", "unit", "mm", "up", "Z");
    Map<String, Object> roster = Map.of("file", "bmFtZQ==", "answers", Map.of());
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", 99);
    draft.put("word", "");
    draft.put("verdict", null);
    draft.put("notes", List.of());
    Map<String, Object> ready = Map.of("revision", 99, "ready", true);
    Map<String, Object> wave = Map.of("findings", List.of("x"), "reason", "meant so");
    Map<String, Object> some = Map.of("submissions", List.of(submission));
    Map<String, Object> accept = with(some, Map.of("word", "", "ready", false));
    Map<String, Object> say = with(some, Map.of("kind", "n-gon", "text", "Look here."));
    Map<String, Object> print = Map.of("sheet", "a4", "form", "pdf");
    Map<String, Object> phrase = Map.of("text", "Well.", "noteKind", "mend", "putAway", false);
    Map<String, Object> key = Map.of("clientKey", UUID.randomUUID());
    Map<String, Object> recording =
        with(key, Map.of("workpiece", UUID.randomUUID(), "whole", true, "title", ""));
    Map<String, Object> telling =
        Map.of("revision", 99, "title", "x", "about", "", "steps", List.of());
    Map<String, Object> shown = Map.of("workpiece", UUID.randomUUID());
    Map<String, Object> sightOf = Map.of("lens", "clay", "caption", "");
    Map<String, Object> hint = Map.of("id", HINT, "text", "Look here.", "revision", 0);
    Map<String, Object> sight = Map.of("inSight", true);
    return List.of(
        line("GET", "/api/session", null, 200, 200, 200, 200, 200),
        line("GET", "/api/demo", null, 200, 200, 200, 200, 200),
        line("GET", "/api/me", null, 401, 200, 200, 200, 200),
        line("GET", "/api/my-work", null, 401, 200, 200, 200, 200),
        line("GET", "/api/desk", null, 401, 200, 200, 200, 200),
        line("GET", "/api/assignments", null, 401, 200, 200, 200, 200),
        line("GET", "/api/assignments/{assignment}/picture", null, 401, 200, 200, 404, 200),
        line("GET", "/api/exercises", null, 401, 200, 200, 200, 200),
        line("GET", "/api/classes/{course}/room", null, 401, 404, 404, 404, 200),
        line("GET", "/api/classes/{course}/room/live", null, 401, 404, 404, 404, 200),
        line("GET", "/api/classes/{course}/show", null, 401, 404, 404, 404, 404),
        line("PUT", "/api/classes/{course}/show", shown, 401, 404, 404, 404, 404),
        line("PUT", "/api/classes/{course}/show/sight", sightOf, 401, 404, 404, 404, 409),
        line("GET", "/api/classes/{course}/show/mesh", null, 401, 404, 404, 404, 404),
        line("POST", "/api/classes/{course}/show/tries", key, 401, 404, 404, 404, 404),
        line("GET", "/api/classes/{course}/show/live", null, 401, 200, 200, 404, 200),
        line("DELETE", "/api/classes/{course}/show", null, 401, 404, 404, 404, 204),
        line("GET", "/api/room/{bench}", null, 401, 404, 404, 404, 200),
        line("GET", "/api/room/{bench}/mesh", null, 401, 404, 404, 404, 200),
        line("GET", "/api/room/{bench}/picture", null, 401, 404, 404, 404, 200),
        line("POST", "/api/room/{bench}/hints", hint, 401, 404, 404, 404, 201),
        line("DELETE", "/api/room/{bench}/help", null, 401, 404, 404, 404, 204),
        line("GET", "/api/workpieces/{id}/company", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/live", null, 401, 200, 404, 404, 404),
        line("PUT", "/api/workpieces/{id}/help", Map.of("asks", true), 401, 200, 404, 404, 404),
        line("GET", "/api/hints", null, 401, 200, 200, 200, 200),
        line("PUT", "/api/hints/{hint}/seen", null, 401, 204, 404, 404, 404),
        line("GET", "/api/demonstrations", null, 401, 200, 200, 200, 200),
        line("POST", "/api/demonstrations", recording, 401, 404, 404, 404, 404),
        line("GET", "/api/demonstrations/{id}", null, 401, 200, 200, 404, 200),
        line("PUT", "/api/demonstrations/{id}", telling, 401, 404, 404, 404, 409).assistant(404),
        line("PUT", "/api/demonstrations/{id}/kept", sight, 401, 404, 404, 404, 200).assistant(404),
        line("POST", "/api/demonstrations/{id}/copies", key, 401, 404, 404, 404, 201),
        line("PUT", "/api/demonstrations/{id}/classes/{course}", null, 401, 404, 404, 404, 200)
            .assistant(404),
        line("PUT", "/api/demonstrations/{id}/exercises/{exercise}", null, 401, 404, 404, 404, 200)
            .assistant(404),
        line(
                "DELETE",
                "/api/demonstrations/{id}/exercises/{exercise}",
                null,
                401,
                404,
                404,
                404,
                200)
            .assistant(404),
        line("GET", "/api/assignments/{assignment}/demonstrations", null, 401, 200, 200, 404, 200),
        line("POST", "/api/demonstrations/{id}/tries", key, 401, 201, 201, 404, 201),
        line("GET", "/api/demonstrations/{id}/steps/{step}/pending", null, 401, 404, 404, 404, 404),
        line("GET", "/api/demonstrations/{id}/paper", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/mesh", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/picture", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/check", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/smooth", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/bent", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/lenses/{lens}", null, 401, 200, 200, 404, 200),
        line("GET", STATE + "/along/{edge}", null, 401, 200, 200, 404, 200),
        line("DELETE", "/api/demonstrations/{id}/classes/{course}", null, 401, 404, 404, 404, 200)
            .assistant(404),
        line("POST", "/api/exercises", null, 401, 404, 404, 201, 201).assistant(404).others(404),
        line("PUT", "/api/exercises/{exercise}/workpiece", Map.of(), 401, 404, 404, 404, 200)
            .assistant(404),
        line("DELETE", "/api/exercises/{exercise}/workpiece", null, 401, 404, 404, 404, 204)
            .assistant(404),
        line("POST", "/api/exercises/imports", null, 401, 422, 422, 422, 422),
        line("GET", "/api/exercises/{exercise}/export", null, 401, 404, 404, 404, 200),
        line("GET", "/api/exercises/{exercise}", null, 401, 404, 404, 404, 200),
        line("PUT", "/api/exercises/{exercise}/draft", draftOfExercise, 401, 404, 404, 404, 409)
            .assistant(404),
        line(
                "POST",
                "/api/exercises/{exercise}/draft/back",
                Map.of("revision", 99),
                401,
                404,
                404,
                404,
                409)
            .assistant(404),
        line(
                "POST",
                "/api/exercises/{exercise}/ready",
                Map.of("revision", 99),
                401,
                404,
                404,
                404,
                409)
            .assistant(404),
        line("POST", "/api/exercises/{exercise}/copies", null, 401, 404, 404, 404, 201)
            .assistant(404),
        line(
                "PUT",
                "/api/exercises/{exercise}/away",
                Map.of("away", false),
                401,
                404,
                404,
                404,
                200)
            .assistant(404),
        line(
                "PUT",
                "/api/exercises/{exercise}/starter",
                Map.of("form", "cleat"),
                401,
                404,
                404,
                404,
                400)
            .assistant(404),
        line("POST", "/api/exercises/{exercise}/starter/file", null, 401, 404, 404, 404, 400)
            .assistant(404),
        line(
                "PUT",
                "/api/exercises/{exercise}/marks",
                Map.of("revision", 99, "sort", "held", "ids", List.of(0)),
                401,
                404,
                404,
                404,
                409)
            .assistant(404),
        line("POST", "/api/exercises/{exercise}/pictures", null, 401, 404, 404, 404, 422)
            .assistant(404),
        line("GET", "/api/exercises/{exercise}/pictures/{name}", null, 401, 404, 404, 404, 404),
        line("GET", "/api/assignments/{assignment}/pictures/{name}", null, 401, 404, 404, 404, 404),
        line("GET", "/api/exercises/{exercise}/marks", null, 401, 404, 404, 404, 200),
        line(
            "POST",
            "/api/exercises/{exercise}/references",
            Map.of("workpiece", UUID.randomUUID()),
            401,
            404,
            404,
            404,
            404),
        line("POST", "/api/exercises/{exercise}/references/file", null, 401, 404, 404, 404, 422)
            .assistant(404),
        line(
            "GET",
            "/api/exercises/{exercise}/references/{hash}/mesh",
            null,
            401,
            404,
            404,
            404,
            404),
        line(
            "GET",
            "/api/exercises/{exercise}/references/{hash}/check",
            null,
            401,
            404,
            404,
            404,
            404),
        line("GET", "/api/exercises/{exercise}/starter/mesh", null, 401, 404, 404, 404, 200),
        line("GET", "/api/exercises/{exercise}/starter/check", null, 401, 404, 404, 404, 200),
        line("GET", "/api/exercises/{exercise}/starter/smooth", null, 401, 404, 404, 404, 200),
        line("GET", "/api/exercises/{exercise}/starter/bent", null, 401, 404, 404, 404, 200),
        line(
            "GET",
            "/api/exercises/{exercise}/starter/lenses/{lens}",
            null,
            401,
            404,
            404,
            404,
            200),
        line(
            "GET", "/api/exercises/{exercise}/starter/along/{edge}", null, 401, 404, 404, 404, 200),
        line("GET", "/api/exercises/{exercise}/starter/picture", null, 401, 404, 404, 404, 200),
        line(
            "POST",
            "/api/exercises/{exercise}/assignments",
            Map.of("course", UUID.randomUUID(), "setting", setting),
            401,
            404,
            404,
            404,
            404),
        line("PUT", "/api/assignments/{assignment}", setting, 401, 404, 404, 404, 200)
            .assistant(404),
        line("DELETE", "/api/assignments/{assignment}", null, 401, 404, 404, 404, 400)
            .assistant(404),
        line(
                "PUT",
                "/api/classes/{course}/order",
                Map.of("assignments", List.of()),
                401,
                404,
                404,
                404,
                409)
            .assistant(404),
        line("GET", "/api/assignments/{assignment}/allowances", null, 401, 404, 404, 404, 200),
        line(
            "PUT",
            "/api/assignments/{assignment}/allowances",
            Map.of("excused", false),
            401,
            404,
            404,
            404,
            400),
        line(
            "POST",
            "/api/exercises/{exercise}/credits",
            Map.of(
                "rule", Map.of("criteria", List.of(), "step", 0.5, "offADay", 0, "counts", "best")),
            401,
            404,
            404,
            404,
            200),
        line("GET", "/api/exercises/{exercise}/recheck", null, 401, 404, 404, 404, 200),
        line("PUT", "/api/assignments/{assignment}/workpiece", Map.of(), 401, 200, 200, 404, 404),
        line("PUT", "/api/practice/{id}/workpiece", Map.of(), 401, 200, 404, 404, 404),
        line("GET", "/api/practice", null, 401, 200, 200, 200, 200),
        line("POST", "/api/practice", Map.of(), 401, 400, 400, 400, 400),
        line("POST", "/api/practice/files", null, 401, 422, 422, 422, 422),
        line("PUT", "/api/practice/{id}/kept", Map.of("inSight", true), 401, 200, 404, 404, 404),
        line("GET", "/api/practice/{id}", null, 401, 200, 404, 404, 404),
        line("GET", "/api/practice/{id}/picture", null, 401, 200, 404, 404, 404),
        line("GET", "/api/practice/forms/{form}/picture", null, 401, 200, 200, 200, 200),
        line("GET", "/api/workpieces/{id}", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/mesh", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/since/{revision}", null, 401, 200, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/previews", preview, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/choices", choice, 401, 409, 404, 404, 404),
        line(
            "POST",
            "/api/shapes",
            Map.of("svg", "<svg><rect width='1' height='1'/></svg>"),
            401,
            200,
            200,
            200,
            200),
        line("POST", "/api/workpieces/{id}/steps", step, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/undo", move, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/redo", move, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/head", move, 401, 409, 404, 404, 404),
        line(
            "PUT",
            "/api/workpieces/{id}/steps/{step}/name",
            Map.of("name", "x"),
            401,
            404,
            404,
            404,
            404),
        line("GET", "/api/workpieces/{id}/smooth", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/bent", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/lenses/{lens}", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/along/{edge}", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/marks", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/parts", null, 401, 200, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/hinges", null, 401, 200, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/parts", bring, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/parts/file", null, 401, 415, 415, 415, 415),
        line("POST", "/api/workpieces/{id}/motions", motions, 401, 400, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/previews/smooth", motions, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/mends", mends, 401, 409, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/mends/all", all, 401, 409, 404, 404, 404),
        line("DELETE", "/api/workpieces/{id}/mends/all", null, 401, 204, 404, 404, 404),
        line("GET", "/api/workpieces/{id}/file", null, 401, 200, 404, 404, 404),
        line("POST", "/api/workpieces/{id}/submissions", move, 401, 409, 404, 404, 404),
        line("POST", "/api/assignments/{assignment}/uploads", null, 401, 422, 422, 404, 404),
        line("GET", "/api/uploads/{id}", null, 401, 200, 404, 404, 404),
        line("GET", "/api/uploads/{id}/file", null, 401, 404, 404, 404, 404),
        line("DELETE", "/api/uploads/{id}", null, 401, 200, 404, 404, 404),
        line(
            "PUT",
            "/api/uploads/{id}/meant",
            Map.of("unit", "mm", "up", "z"),
            401,
            200,
            404,
            404,
            404),
        line("POST", "/api/assignments/{assignment}/bundles", null, 401, 404, 404, 404, 201),
        line("GET", "/api/bundles/{id}", null, 401, 404, 404, 404, 200).assistant(404),
        line(
                "POST",
                "/api/bundles/{id}/submissions",
                Map.of("students", Map.of()),
                401,
                404,
                404,
                404,
                202)
            .assistant(404),
        line("GET", "/api/submissions/{id}/picture", null, 401, 404, 404, 404, 200),
        line("GET", "/api/submissions/{id}/review", null, 401, 404, 404, 404, 200),
        line("GET", "/api/submissions/{id}/mesh", null, 401, 200, 404, 404, 200),
        line("GET", "/api/submissions/{id}/smooth", null, 401, 200, 404, 404, 200),
        line("GET", "/api/submissions/{id}/bent", null, 401, 200, 404, 404, 200),
        line("GET", "/api/submissions/{id}/lenses/{lens}", null, 401, 200, 404, 404, 200),
        line("GET", "/api/submissions/{id}/along/{edge}", null, 401, 200, 404, 404, 200),
        line("GET", "/api/submissions/{id}/answer", null, 401, 404, 404, 404, 404),
        line("PUT", "/api/submissions/{id}/draft", draft, 401, 404, 404, 404, 409),
        line(
            "POST", "/api/submissions/{id}/return", Map.of("revision", 9), 401, 404, 404, 404, 409),
        line(
            "POST",
            "/api/session",
            Map.of("signIn", "x", "password", "x"),
            403,
            403,
            403,
            403,
            403),
        line("POST", "/api/classes", room, 401, 404, 404, 201, 201).assistant(404).others(404),
        line("PUT", "/api/classes/{course}", room, 401, 404, 404, 404, 204).assistant(404),
        line("PUT", "/api/classes/{course}/away", Map.of("away", false), 401, 404, 404, 404, 204)
            .assistant(404),
        line("PUT", "/api/classes/{course}/join-code", Map.of(), 401, 404, 404, 404, 200)
            .assistant(404),
        line("DELETE", "/api/classes/{course}/join-code", null, 401, 404, 404, 404, 204)
            .assistant(404),
        line("GET", "/api/classes/{course}/audit", null, 401, 404, 404, 404, 200).assistant(404),
        line("GET", "/api/classes/{course}/people", null, 401, 404, 404, 404, 200),
        line("POST", "/api/classes/{course}/people/looked-at", Map.of(), 401, 404, 404, 404, 204)
            .assistant(404),
        line(
                "POST",
                "/api/classes/{course}/people",
                Map.of("name", "Juno Ashgrove", "role", "student"),
                401,
                404,
                404,
                404,
                201)
            .assistant(404),
        line("POST", "/api/classes/{course}/roster/preview", roster, 401, 404, 404, 404, 200)
            .assistant(404),
        line("POST", "/api/classes/{course}/roster", roster, 401, 404, 404, 404, 201)
            .assistant(404),
        line(
            "POST",
            "/api/classes/{course}/slips",
            Map.of("people", List.of(person)),
            401,
            404,
            404,
            404,
            200),
        line("GET", "/api/classes/{course}/mail", null, 401, 404, 404, 404, 200),
        line(
            "POST",
            "/api/classes/{course}/slips/mail",
            Map.of("people", List.of(UUID.randomUUID())),
            401,
            404,
            404,
            404,
            404),
        line("POST", "/api/classes/{course}/groups", Map.of("name", "Tue"), 401, 404, 404, 404, 201)
            .assistant(404),
        line(
            "PUT",
            "/api/classes/{course}/groups/{group}",
            Map.of("name", "Thu"),
            401,
            404,
            404,
            404,
            404),
        line("DELETE", "/api/classes/{course}/groups/{group}", null, 401, 404, 404, 404, 204)
            .assistant(404),
        line(
                "PUT",
                "/api/classes/{course}/people/{person}/group",
                Map.of(),
                401,
                404,
                404,
                404,
                204)
            .assistant(404),
        line(
                "PUT",
                "/api/classes/{course}/people/{person}/role",
                Map.of("role", "student"),
                401,
                404,
                404,
                404,
                204)
            .assistant(404),
        line(
                "PUT",
                "/api/classes/{course}/people/{person}/away",
                Map.of("away", false),
                401,
                404,
                404,
                404,
                204)
            .assistant(404),
        line(
                "GET",
                "/api/classes/{course}/people/{person}/everything",
                null,
                401,
                404,
                404,
                404,
                200)
            .assistant(404),
        line(
                "POST",
                "/api/classes/{course}/people/{person}/erase",
                Map.of("name", "Somebody Else"),
                401,
                404,
                404,
                404,
                400)
            .assistant(404),
        line("DELETE", "/api/classes/{course}/people/{person}", null, 401, 404, 404, 404, 204)
            .assistant(404),
        line("GET", "/api/classes/{course}/board", null, 401, 404, 404, 404, 200),
        line("GET", "/api/classes/{course}/insight", null, 401, 404, 404, 404, 200),
        line("GET", "/api/classes/{course}/tables/{table}", null, 401, 404, 404, 404, 200),
        line(
            "GET",
            "/api/classes/{course}/students/{student}/insight",
            null,
            401,
            200,
            404,
            404,
            200),
        line(
            "GET",
            "/api/classes/{course}/students/{student}/tables/{table}",
            null,
            401,
            200,
            404,
            404,
            200),
        // No answer is out: those who may are told so.
        line("POST", "/api/assignments/{assignment}/prints", print, 401, 404, 404, 404, 400),
        line(
            "POST",
            "/api/classes/{course}/students/{student}/prints",
            print,
            401,
            400,
            404,
            404,
            400),
        line("GET", "/api/submissions/{id}/paper", null, 401, 404, 404, 404, 404),
        line("GET", "/api/prints/{print}", null, 401, 404, 404, 404, 404),
        line("GET", "/api/prints/{print}/file", null, 401, 404, 404, 404, 404),
        line("DELETE", "/api/prints/{print}", null, 401, 404, 404, 404, 404),
        line("GET", "/api/submissions/{id}/credits", null, 401, 404, 404, 404, 200),
        line(
            "GET",
            "/api/submissions/{id}/beside/{sort}/{which}/mesh",
            null,
            401,
            200,
            404,
            404,
            200),
        line(
            "GET",
            "/api/submissions/{id}/beside/{sort}/{which}/edges",
            null,
            401,
            200,
            404,
            404,
            200),
        line("POST", "/api/submissions/{id}/mends", cured, 401, 404, 404, 404, 404),
        line("POST", "/api/submissions/{id}/tried/mesh", tried, 401, 422, 404, 404, 422),
        line("POST", "/api/submissions/{id}/tried/edges", tried, 401, 422, 404, 404, 422),
        line(
            "POST",
            "/api/submissions/{id}/copies",
            Map.of("clientKey", UUID.randomUUID()),
            401,
            404,
            404,
            404,
            201),
        line(
            "PUT",
            "/api/submissions/{id}/notes/{note}/mend",
            Map.of("workpiece", UUID.randomUUID(), "revision", 9),
            401,
            404,
            404,
            404,
            404),
        line("PUT", "/api/submissions/{id}/ready", ready, 401, 404, 404, 404, 409),
        line("POST", "/api/submissions/{id}/call-back", null, 401, 404, 404, 404, 200),
        line("POST", "/api/submissions/{id}/amendment", null, 401, 404, 404, 404, 409),
        line("DELETE", "/api/submissions/{id}/amendment", null, 401, 404, 404, 404, 409),
        line("POST", "/api/submissions/{id}/wavings", wave, 401, 404, 404, 404, 409),
        line("DELETE", "/api/submissions/{id}/wavings/{waving}", null, 401, 404, 404, 404, 204),
        line(
            "PUT",
            "/api/submissions/{id}/lease",
            Map.of("takeOver", false),
            401,
            404,
            404,
            404,
            200),
        line("DELETE", "/api/submissions/{id}/lease", null, 401, 404, 404, 404, 204),
        line(
            "PUT",
            "/api/submissions/{id}/notes/{note}/seen",
            Map.of("seen", true),
            401,
            404,
            404,
            404,
            404),
        line(
            "POST",
            "/api/submissions/{id}/notes/{note}/reply",
            Map.of("text", "Why?"),
            401,
            404,
            404,
            404,
            404),
        line("POST", "/api/desk/accept", accept, 401, 404, 404, 404, 200),
        line("POST", "/api/desk/say", say, 401, 404, 404, 404, 200),
        line("POST", "/api/desk/return", some, 401, 404, 404, 404, 200),
        line("POST", "/api/desk/call-back", some, 401, 404, 404, 404, 200),
        line("GET", "/api/phrases", null, 401, 200, 200, 200, 200),
        line("POST", "/api/phrases", phrase, 401, 404, 404, 201, 201).others(404),
        line("PUT", "/api/phrases/{id}", phrase, 401, 404, 404, 404, 404),
        line(
            "POST",
            "/api/phrases/{id}/merge",
            Map.of("into", UUID.randomUUID()),
            401,
            404,
            404,
            404,
            404),
        line("DELETE", "/api/phrases/{id}", null, 401, 404, 404, 404, 404),
        line("DELETE", "/api/submissions/{id}", null, 401, 409, 404, 404, 404),
        line("POST", "/api/setup", Map.of(), 400, 400, 400, 400, 400),
        line("POST", "/api/slip", Map.of(), 400, 400, 400, 400, 400),
        line("POST", "/api/slip/password", Map.of(), 400, 400, 400, 400, 400),
        line("POST", "/api/join", Map.of(), 400, 400, 400, 400, 400),
        line("POST", "/api/join/newcomer", Map.of(), 400, 400, 400, 400, 400),
        line("POST", "/api/join/me", Map.of(), 401, 400, 400, 400, 400),
        line("GET", "/api/account", null, 401, 200, 200, 200, 200),
        line("PUT", "/api/account", Map.of("name", ""), 401, 400, 400, 400, 400),
        line(
            "PUT",
            "/api/account/password",
            Map.of("old", "x", "password", "y"),
            401,
            400,
            400,
            400,
            400),
        line("GET", "/api/account/everything", null, 401, 200, 200, 200, 200),
        line("GET", "/api/account/mail", null, 401, 200, 200, 200, 200),
        line("PUT", "/api/account/mail", Map.of("about", List.of("due")), 401, 204, 204, 204, 204),
        line("GET", "/api/outbox", null, 401, 200, 200, 200, 200),
        line("DELETE", "/api/account/sessions", null, 401, 204, 204, 204, 204),
        line("DELETE", "/api/classes/{course}/me", null, 401, 400, 400, 404, 400)
            .assistant(204)
            .putAway(400),
        line("DELETE", "/api/session", null, 204, 204, 204, 204, 204));
  }

  private static Map<String, Object> with(Map<String, Object> some, Map<String, Object> more) {
    Map<String, Object> all = new HashMap<>(some);
    all.putAll(more);
    return all;
  }

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    School school = new School(app);
    UUID other = school.classOf("Breakwater", school.person("olga", "Olga Brandt"));
    school.enrol(other, school.person("nils", "Nils Ravn"), Role.STUDENT);
    school.person("wanda", "Wanda Kestrel");
    UUID props =
        UUID.fromString(database.value("select id from course where name = 'Harbour Props'"));
    school.enrol(props, school.person("ottoline", "Ottoline Brandt"), Role.ASSISTANT);
    school.enrol(props, school.person("hanno", "Hanno Wirtz"), Role.STUDENT);
    course = props.toString();
    person = database.value("select id from account where sign_in = 'tobias'");
    student = database.value("select id from account where sign_in = 'rune'");
    database.run(
        "update membership set put_away_at = now() from account a where a.id = account_id and"
            + " a.sign_in = 'hanno'");
    assistant = Client.signedIn(app, "ottoline");
    putAway = Client.signedIn(app, "hanno");
    elsewhere = Client.signedIn(app, "nils");
    classless = Client.signedIn(app, "wanda");
    nobody = new Client(app);
    rune = Client.signedIn(app, "rune");
    ines = Client.signedIn(app, "ines");
    stranger = Client.signedIn(app, "olga");
    marit = Client.signedIn(app, "marit");
    JsonNode open = Bollard.open(rune, "Hatch lid");
    workpiece = open.path("id").asString();
    assignment = open.path("task").path("owner").path("id").asString();
    exercise = Bollard.exercise(rune, "Hatch lid");
    submission =
        rune.post("/api/workpieces/" + workpiece + "/submissions", Bollard.move(0))
            .is(201)
            .json()
            .path("id")
            .asString();
    practice =
        rune.post(
                "/api/practice",
                Map.of("form", "cleat", "profile", "All quads", "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
    JsonNode shown = demonstration();
    demonstration = shown.path("id").asString();
    state = shown.path("frames").get(1).path("mesh").asString();
    upload =
        rune.handIn(
                assignment, "x.obj", "no mesh".getBytes(StandardCharsets.UTF_8), UUID.randomUUID())
            .path("id")
            .asString();
    bundle = bring(marit).is(201).json().path("id").asString();
  }

  /** One of the instructor's own, shown to the class. */
  private static JsonNode demonstration() {
    Map<String, Object> form =
        Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID());
    String piece = marit.post("/api/practice", form).is(201).json().path("id").asString();
    String cut =
        marit
            .put("/api/practice/" + piece + "/workpiece", Map.of())
            .is(200)
            .json()
            .path("id")
            .asString();
    marit.post("/api/workpieces/" + cut + "/steps", Bollard.step(0, Bollard.trace(16, 24))).is(200);
    Map<String, Object> asked =
        Map.of("workpiece", cut, "whole", true, "title", "Across", "clientKey", UUID.randomUUID());
    JsonNode made = marit.post("/api/demonstrations", asked).is(201).json();
    return marit
        .put("/api/demonstrations/" + made.path("id").asString() + "/classes/" + course, null)
        .is(200)
        .json();
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  @Test
  void everyRequest_isAnsweredToThoseWhoMayAsk() {
    for (Line line : table()) {
      for (int i = 0; i < askers().size(); i++) {
        Reply reply = ask(askers().get(i), line);
        assertThat(reply.status())
            .as("%s %s by asker %d: %s", line.method(), line.path(), i, text(reply))
            .isEqualTo(line.statuses().get(i));
        if (reply.status() >= 400) {
          assertThat(reply.type()).startsWith("application/problem+json");
          assertThat(text(reply)).doesNotContain("Osterholm", "fairedge.", "Exception");
        }
      }
    }
  }

  @Test
  void noWorkOfOthers_isInAnyonesHome() {
    assertThat(text(ines.get("/api/my-work"))).doesNotContain(submission);
    assertThat(text(stranger.get("/api/desk"))).doesNotContain(submission, "Osterholm", "Hatch");
    assertThat(text(rune.get("/api/desk"))).doesNotContain(submission);
    assertThat(text(marit.get("/api/desk"))).contains(submission);
  }

  @Test
  void table_hasEveryRequestOfTheApplication() {
    Set<String> asked = new TreeSet<>();
    for (Line line : table()) {
      asked.add(line.method() + " " + line.path());
    }
    Set<String> there = new TreeSet<>();
    app.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
        .getHandlerMethods()
        .forEach((info, method) -> {
          if (method.getBeanType().getName().startsWith("fairedge.")) {
            info.getMethodsCondition()
                .getMethods()
                .forEach(m -> info.getPatternValues().forEach(p -> there.add(m + " " + p)));
          }
        });
    there.removeIf(request -> !request.contains("/api/"));
    assertThat(asked).isEqualTo(there);
  }

  private static Reply ask(Client client, Line line) {
    if (line.path().equals("/api/exercises/imports")) {
      return client.sendFile(line.path(), Map.of(), "x.zip", new byte[] {1, 2, 3});
    }
    if (line.path().startsWith("/api/exercises/{exercise}/")
        && (line.path().endsWith("/file") || line.path().endsWith("/pictures"))
        && line.method().equals("POST")) {
      return client.sendFile(
          line.path().replace("{exercise}", exercise), Map.of("unit", "mm"), "x.obj", new byte[0]);
    }
    if (line.path().equals("/api/assignments/{assignment}/uploads")) {
      return client.upload(assignment, "x.obj", new byte[0], UUID.randomUUID());
    }
    if (line.path().equals("/api/assignments/{assignment}/bundles")) {
      return bring(client);
    }
    if (line.path().equals("/api/practice/files")) {
      Map<String, Object> fields =
          Map.of("unit", "mm", "profile", "All quads", "clientKey", UUID.randomUUID());
      return client.sendFile(line.path(), fields, "x.obj", new byte[0]);
    }
    if (line.path().equals("/api/session") && line.method().equals("POST")) {
      // Each another: wrong ones for one sign-in are slowed down.
      return client.post(line.path(), Map.of("signIn", UUID.randomUUID(), "password", "x"));
    }
    if (line.path().equals("/api/room/{bench}/hints")) {
      // One of them is known, the others are each their own.
      UUID id = client == marit ? HINT : UUID.randomUUID();
      return client.post(
          line.path().replace("{bench}", workpiece),
          Map.of("id", id, "text", "Look here.", "revision", 0));
    }
    Map<String, Object> ownKey = Map.of("clientKey", UUID.randomUUID());
    if (line.path().equals("/api/demonstrations/{id}/copies")) {
      return client.post("/api/demonstrations/" + demonstration + "/copies", ownKey);
    }
    if (line.path().equals("/api/demonstrations/{id}/tries")) {
      return client.post(
          "/api/demonstrations/" + demonstration + "/tries", with(ownKey, Map.of("frame", 0)));
    }
    String path =
        line.path()
            .replace("submissions/{id}", "submissions/" + submission)
            .replace("uploads/{id}", "uploads/" + upload)
            .replace("practice/{id}", "practice/" + practice)
            .replace("demonstrations/{id}", "demonstrations/" + demonstration)
            .replace("{mesh}", state)
            .replace("{bench}", workpiece)
            .replace("{hint}", HINT.toString())
            .replace("bundles/{id}", "bundles/" + bundle)
            .replace("{id}", workpiece)
            .replace("{form}", "pontoon")
            .replace("{exercise}", exercise)
            .replace("{course}", course)
            .replace("{person}", person)
            .replace("{student}", student)
            .replace("{print}", UUID.randomUUID().toString())
            .replace(
                "/students/" + student + "/tables/{table}",
                "/students/" + student + "/tables/credits")
            .replace("{table}", "board")
            .replace("{group}", UUID.randomUUID().toString())
            .replace("{assignment}", assignment)
            .replace("{lens}", "shape-change")
            .replace("{edge}", "7")
            .replace("{hash}", "00")
            .replace("{name}", "00")
            .replace("{revision}", "99")
            .replace("{sort}", "starter")
            .replace("{which}", "0")
            .replace("{note}", UUID.randomUUID().toString())
            .replace("{waving}", UUID.randomUUID().toString())
            .replace("{step}", "99");
    if (path.endsWith("/live")) {
      try (Client.Line open = client.line(path, null)) {
        return open.reply();
      }
    }
    return switch (line.method()) {
      case "POST" -> client.post(path, line.body());
      case "PUT" -> client.put(path, line.body());
      case "DELETE" -> client.delete(path);
      default -> client.get(path);
    };
  }

  private static Reply bring(Client client) {
    return client.sendFile(
        "/api/assignments/" + assignment + "/bundles",
        Map.of("clientKey", UUID.randomUUID()),
        "lid.obj",
        "no mesh".getBytes(StandardCharsets.UTF_8));
  }

  private static String text(Reply reply) {
    return new String(reply.bytes(), StandardCharsets.UTF_8);
  }
}
