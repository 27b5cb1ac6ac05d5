package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.nio.charset.StandardCharsets;
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

  /** Who asks, in the order of the columns. */
  private static List<Client> askers() {
    return List.of(nobody, rune, ines, stranger, marit);
  }

  /**
   * A request and the statuses that each gets: nobody, the student whose it is, another student of
   * the class, an instructor of another class, the instructor of the class.
   */
  private record Line(String method, String path, Object body, List<Integer> statuses) {}

  private static Line line(String method, String path, Object body, Integer... statuses) {
    return new Line(method, path, body, List.of(statuses));
  }

  /** Bodies that a stale or wrong request would carry: access is decided before they count. */
  private static List<Line> table() {
    Map<String, Object> change = Bollard.trace(16, 24);
    Map<String, Object> preview =
        Map.of("revision", 99, "change", change, "view", Bollard.VIEW, "findings", true);
    Map<String, Object> chosen =
        Map.of("faces", List.of(), "edges", List.of(), "vertices", List.of());
    Map<String, Object> choice = Map.of("revision", 99, "way", "grow", "from", chosen);
    Map<String, Object> step = Bollard.step(99, change);
    Map<String, Object> move = Bollard.move(99);
    Map<String, Object> terms =
        Map.of(
            "revision",
            99,
            "profile",
            Map.of("name", "x", "severities", Map.of(), "thresholds", Map.of()),
            "wanted",
            Map.of());
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", 99);
    draft.put("word", "");
    draft.put("verdict", null);
    draft.put("notes", List.of());
    return List.of(
        line("GET", "/api/session", null, 200, 200, 200, 200, 200),
        line("GET", "/api/demo", null, 200, 200, 200, 200, 200),
        line("GET", "/api/me", null, 401, 200, 200, 200, 200),
        line("GET", "/api/my-work", null, 401, 200, 200, 200, 200),
        line("GET", "/api/desk", null, 401, 200, 200, 200, 200),
        line("GET", "/api/assignments", null, 401, 200, 200, 200, 200),
        line("GET", "/api/assignments/{assignment}/picture", null, 401, 200, 200, 404, 200),
        line("GET", "/api/exercises/{exercise}/terms", null, 401, 404, 404, 404, 200),
        line("PUT", "/api/exercises/{exercise}/terms", terms, 401, 404, 404, 404, 409),
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
        line("GET", "/api/bundles/{id}", null, 401, 404, 404, 404, 200),
        line(
            "POST",
            "/api/bundles/{id}/submissions",
            Map.of("students", Map.of()),
            401,
            404,
            404,
            404,
            202),
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
        line("DELETE", "/api/session", null, 204, 204, 204, 204, 204));
  }

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    UUID other = app.bean(Courses.class).create("Breakwater");
    UUID account = app.bean(Accounts.class).create("olga", "Olga Brandt", "harbour-props");
    app.bean(Courses.class).join(other, account, Role.INSTRUCTOR);
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
    upload =
        rune.handIn(
                assignment, "x.obj", "no mesh".getBytes(StandardCharsets.UTF_8), UUID.randomUUID())
            .path("id")
            .asString();
    bundle = bring(marit).is(201).json().path("id").asString();
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
    String path =
        line.path()
            .replace("submissions/{id}", "submissions/" + submission)
            .replace("uploads/{id}", "uploads/" + upload)
            .replace("practice/{id}", "practice/" + practice)
            .replace("bundles/{id}", "bundles/" + bundle)
            .replace("{id}", workpiece)
            .replace("{form}", "pontoon")
            .replace("{exercise}", exercise)
            .replace("{assignment}", assignment)
            .replace("{lens}", "shape-change")
            .replace("{edge}", "7")
            .replace("{revision}", "99")
            .replace("{step}", "99");
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
