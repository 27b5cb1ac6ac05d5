package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.props.Form;
import fairedge.core.props.HarbourProps;
import fairedge.server.course.Role;
import fairedge.server.platform.Cleaning;
import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Exercises of one's own: written, made ready, set in a class, worked at. */
class ExerciseApiTest {
  private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

  private static Database database;
  private static Application app;
  private static Client runa;
  private static Client ada;
  private static String course;
  private static Breakwater quay;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    quay = new Breakwater(app, "");
    course = quay.course;
    runa = quay.runa;
    ada = quay.ada;
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  @Test
  void draft_isKept_andHoldsNowhere_beforeItIsReady() {
    String id = quay.begun();
    JsonNode empty = quay.editor(id);
    assertThat(empty.path("version").isNull()).isTrue();
    List<String> missing = new ArrayList<>();
    empty.path("missing").forEach(m -> missing.add(m.path("section").asString()));
    assertThat(missing).containsExactly("starter", "brief", "brief", "brief");
    assertThat(quay.makeReady(id).is(400).detail()).contains("A starter to cut is missing");
    runa.post(
            "/api/exercises/" + id + "/assignments",
            Map.of("course", course, "setting", Breakwater.setting(Map.of())))
        .is(404);

    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "cleat")).is(200);
    Map<String, Object> first = quay.written(id, Map.of("title", "A cleat of one's own"));
    long revision =
        runa.put("/api/exercises/" + id + "/draft", first).is(200).json().path("revision").asLong();
    assertThat(runa.put("/api/exercises/" + id + "/draft", first).is(409).detail())
        .contains("another window");
    assertThat(quay.editor(id).path("revision").asLong()).isEqualTo(revision);
    assertThat(quay.editor(id).path("draft").path("title").asString())
        .isEqualTo("A cleat of one's own");
    quay.keep(id, Map.of("summary", "Cut it", "brief", "Cut it.")).is(200);
    JsonNode ready = quay.makeReady(id).is(200).json();
    assertThat(ready.path("version").asInt()).isZero();
    assertThat(ready.path("missing")).isEmpty();
    assertThat(ready.path("isChanged").asBoolean()).isFalse();

    quay.set(id, Map.of());
    quay.keep(id, Map.of("title", "Another title")).is(200);
    assertThat(quay.editor(id).path("isChanged").asBoolean()).isTrue();
    assertThat(quay.titlesOfAda()).contains("A cleat of one's own").doesNotContain("Another title");
    JsonNode back =
        runa.post(
                "/api/exercises/" + id + "/draft/back",
                Map.of("revision", quay.editor(id).path("revision").asLong()))
            .is(200)
            .json();
    assertThat(back.path("draft").path("title").asString()).isEqualTo("A cleat of one's own");
    assertThat(back.path("isChanged").asBoolean()).isFalse();
    assertThat(quay.keep(id, Map.of("brief", "x".repeat(50_000))).is(400).detail())
        .contains("40,000 letters");
  }

  @Test
  void starter_comesFromAFile_fromOwnWork_fromAnother_andIsFixedOnceSomebodyBegan() {
    String id = quay.begun();
    byte[] file = Breakwater.obj(HarbourProps.hatchLid());
    JsonNode lid =
        runa.sendFile(
                "/api/exercises/" + id + "/starter/file", Map.of("unit", "cm"), "lid.obj", file)
            .is(200)
            .json()
            .path("starter");
    assertThat(lid.path("from").asString()).isEqualTo("lid.obj");
    assertThat(lid.path("unit").asString()).isEqualTo("cm");
    assertThat(lid.path("faces").asInt()).isEqualTo(HarbourProps.hatchLid().faceCount());
    assertThat(
            runa.sendFile(
                    "/api/exercises/" + id + "/starter/file",
                    Map.of("unit", "cm"),
                    "no.obj",
                    "v 0 0".getBytes(StandardCharsets.UTF_8))
                .is(422)
                .json()
                .path("line")
                .asInt())
        .isPositive();
    assertThat(quay.editor(id).path("starter").path("from").asString()).isEqualTo("lid.obj");
    JsonNode check = runa.get("/api/exercises/" + id + "/starter/check").is(200).json();
    assertThat(check.path("must").asInt()).isPositive();
    assertThat(runa.get("/api/exercises/" + id + "/starter/mesh").is(200).bytes()).isNotEmpty();

    String piece =
        runa.post(
                "/api/practice",
                Map.of("form", "cleat", "profile", "All quads", "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
    String workpiece =
        runa.put("/api/practice/" + piece + "/workpiece", Map.of())
            .is(200)
            .json()
            .path("id")
            .asString();
    Map<String, Object> split = Map.of("tool", "split", "edges", List.of(0), "t", 0.5);
    runa.post("/api/workpieces/" + workpiece + "/steps", Bollard.step(0, split)).is(200);
    JsonNode own =
        runa.put("/api/exercises/" + id + "/starter", Map.of("workpiece", workpiece))
            .is(200)
            .json()
            .path("starter");
    assertThat(own.path("from").asString()).startsWith("your own, cut from");
    ada.put("/api/exercises/" + id + "/starter", Map.of("workpiece", workpiece)).is(404);
    runa.put("/api/exercises/" + id + "/starter", Map.of("workpiece", UUID.randomUUID())).is(404);

    String other = quay.ready("The other");
    JsonNode from =
        runa.put("/api/exercises/" + id + "/starter", Map.of("exercise", other))
            .is(200)
            .json()
            .path("starter");
    assertThat(from.path("hash")).isEqualTo(quay.editor(other).path("starter").path("hash"));

    String assignment = quay.set(other, Map.of());
    assertThat(quay.editor(other).path("starter").path("isFixed").asBoolean()).isFalse();
    quay.opened(assignment);
    assertThat(quay.editor(other).path("starter").path("isFixed").asBoolean()).isTrue();
    assertThat(
            runa.put("/api/exercises/" + other + "/starter", Map.of("form", "cleat"))
                .is(400)
                .detail())
        .contains("copy the exercise");
    String copy =
        runa.post("/api/exercises/" + other + "/copies", Map.of())
            .is(201)
            .json()
            .path("id")
            .asString();
    assertThat(quay.editor(copy).path("draft").path("title").asString())
        .isEqualTo("Copy of The other");
    runa.put("/api/exercises/" + copy + "/starter", Map.of("form", "cleat")).is(200);
    assertThat(runa.delete("/api/assignments/" + assignment).is(400).detail())
        .contains("close it instead");
  }

  @Test
  void planned_isHidden_open_isWorkedAt_closed_isReadOnly() {
    String id = quay.ready("By the clock");
    String assignment =
        quay.set(
            id,
            Map.of(
                "opens",
                Breakwater.onTheWall(60),
                "due",
                Breakwater.onTheWall(120),
                "late",
                "refused"));
    assertThat(quay.titlesOfAda()).doesNotContain("By the clock");
    ada.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(404);
    ada.get("/api/assignments/" + assignment + "/picture").is(404);
    quay.sendFile(assignment).is(404);

    change(
        assignment,
        Map.of(
            "opens",
            Breakwater.onTheWall(-60),
            "due",
            Breakwater.onTheWall(60),
            "late",
            "refused"));
    assertThat(quay.titlesOfAda()).contains("By the clock");
    quay.handIn(assignment).is(201);

    change(
        assignment,
        Map.of(
            "opens",
            Breakwater.onTheWall(-60),
            "due",
            Breakwater.onTheWall(-1),
            "late",
            "refused"));
    assertThat(quay.handIn(assignment).is(400).detail()).contains("closed");
    assertThat(quay.sendFile(assignment).is(400).detail()).contains("closed");
    assertThat(quay.titlesOfAda()).contains("By the clock");
    change(assignment, Map.of("due", Breakwater.onTheWall(-1)));
    quay.handIn(assignment).is(201);
    change(assignment, Map.of("overruled", "closed"));
    assertThat(quay.handIn(assignment).is(400).detail()).contains("closed");
    change(assignment, Map.of("opens", Breakwater.onTheWall(60), "overruled", "open"));
    quay.handIn(assignment).is(201);
  }

  private static JsonNode change(String assignment, Map<String, Object> other) {
    return runa.put("/api/assignments/" + assignment, Breakwater.setting(other)).is(200).json();
  }

  @Test
  void attempts_ways_andWhatSomebodyHasBeyondThem() {
    String id = quay.ready("Counted");
    String assignment =
        quay.set(id, Map.of("attempts", 1, "handIn", "bench", "due", Breakwater.onTheWall(-5)));
    assertThat(quay.sendFile(assignment).is(400).detail()).contains("from the bench");
    quay.handIn(assignment).is(201);
    assertThat(quay.handIn(assignment).is(400).detail()).contains("handed in once");
    String adaId = database.value("select id from account where sign_in = 'ada'");
    Map<String, Object> more = new HashMap<>();
    more.put("student", adaId);
    more.put("attempts", 1);
    more.put("excused", false);
    JsonNode given =
        runa.put("/api/assignments/" + assignment + "/allowances", more).is(200).json();
    assertThat(given).hasSize(1);
    quay.handIn(assignment).is(201);
    assertThat(quay.handIn(assignment).is(400).detail()).contains("2 times");

    change(assignment, Map.of("late", "refused", "due", Breakwater.onTheWall(-5)));
    assertThat(quay.handIn(assignment).is(400).detail()).contains("closed");
    more.put("due", Breakwater.onTheWall(30));
    runa.put("/api/assignments/" + assignment + "/allowances", more).is(200);
    quay.handIn(assignment).is(201);
    change(assignment, Map.of("late", "refused", "due", Breakwater.onTheWall(60)));
    more.put("due", Breakwater.onTheWall(-30));
    runa.put("/api/assignments/" + assignment + "/allowances", more).is(200);
    // Nobody has less time than all others.
    quay.handIn(assignment).is(201);
    runa.put(
            "/api/assignments/" + assignment + "/allowances",
            Map.of("student", adaId, "excused", false))
        .is(200);
    assertThat(runa.get("/api/assignments/" + assignment + "/allowances").is(200).json()).isEmpty();
    runa.put(
            "/api/assignments/" + assignment + "/allowances",
            Map.of("student", UUID.randomUUID(), "excused", true))
        .is(404);
    runa.put("/api/assignments/" + assignment + "/allowances", Map.of("excused", true)).is(400);
  }

  @Test
  void acceptedWork_isOver_untilItIsOpenedAgain() {
    String assignment = quay.set(quay.ready("Accepted"), Map.of());
    String first = quay.handIn(assignment).is(201).json().path("id").asString();
    quay.answer(first, "accepted");
    assertThat(quay.handIn(assignment).is(400).detail()).contains("accepted");
    assertThat(quay.sendFile(assignment).is(400).detail()).contains("accepted");
    runa.put(
            "/api/assignments/" + assignment + "/allowances",
            Map.of(
                "student",
                database.value("select id from account where sign_in = 'ada'"),
                "attempts",
                1,
                "excused",
                false))
        .is(200);
    quay.handIn(assignment).is(201);
  }

  /** All that a student can ask of an exercise that tells little before the first answer. */
  @Test
  void whatTheCheckTells_isHeldWhateverAStudentAsks() {
    for (String tells : List.of("counts", "nothing")) {
      String id = quay.begun();
      runa.put("/api/exercises/" + id + "/starter", Map.of("form", "hatch-lid")).is(200);
      quay.keep(id, Map.of("title", "Told " + tells, "summary", "s", "brief", "b", "tells", tells))
          .is(200);
      quay.makeReady(id).is(200);
      String assignment = quay.set(id, Map.of());
      JsonNode open = quay.opened(assignment);
      String path = "/api/workpieces/" + open.path("id").asString();
      JsonNode check = open.path("check");
      assertThat(check.path("findings")).isEmpty();
      assertThat(check.path("figures").path("ngons").asInt()).isZero();
      assertThat(check.path("figures").path("faces").asInt()).isEqualTo(18);
      assertThat(check.path("must").asInt() > 0).isEqualTo(tells.equals("counts"));
      assertThat(check.path("byFamily").size() > 0).isEqualTo(tells.equals("counts"));

      Map<String, Object> trace = Bollard.trace(1, 11);
      JsonNode preview =
          ada.post(
                  path + "/previews",
                  Map.of("revision", 0, "change", trace, "view", Bollard.VIEW, "findings", true))
              .is(200)
              .json();
      assertThat(preview.path("sentence").asString()).contains("Splits");
      assertThat(preview.path("checked").asBoolean()).isFalse();
      assertThat(preview.path("wouldMake")).isEmpty();
      JsonNode made = ada.post(path + "/steps", Bollard.step(0, trace)).is(200).state();
      List<JsonNode> states = new ArrayList<>(List.of(made));
      states.add(ada.post(path + "/undo", Bollard.move(1)).is(200).state());
      states.add(ada.post(path + "/redo", Bollard.move(2)).is(200).state());
      states.add(ada.get(path).is(200).json());
      states.add(quay.opened(assignment));
      for (JsonNode state : states) {
        assertThat(state.toString()).doesNotContain("\"kind\":\"ngon\"", "16 sides", "ring-stop");
        assertThat(state.path("check").path("findings")).isEmpty();
      }
      assertThat(made.path("step").path("brought")).isEmpty();
      assertThat(made.path("step").path("did").asString()).isNotBlank();

      List<String> hidden =
          List.of(
              "/lenses/flow",
              "/lenses/poles",
              "/lenses/spacing",
              "/lenses/shape-change",
              "/along/3",
              "/bent?axis=x&degrees=20");
      for (String looked : hidden) {
        assertThat(ada.get(path + looked).status()).as(looked).isIn(400, 403);
      }
      ada.get(path + "/lenses/subdivided").is(200);
      ada.get(path + "/smooth").is(200);
      String submission = quay.handIn(assignment).is(201).json().path("id").asString();
      for (String looked : hidden) {
        assertThat(ada.get("/api/submissions/" + submission + looked).status())
            .as(looked)
            .isIn(400, 403);
      }
      ada.get("/api/submissions/" + submission + "/picture").is(404);
      ada.get("/api/submissions/" + submission + "/answer").is(404);
      ada.get("/api/submissions/" + submission + "/review").is(404);
      ada.get("/api/exercises/" + id).is(404);
      assertThat(ada.get("/api/my-work").is(200).text()).doesNotContain("ngon");
      assertThat(runa.get("/api/submissions/" + submission + "/review").is(200).text())
          .contains("ngon");

      Map<String, Object> answer =
          Map.of("revision", 0, "word", "Go on.", "verdict", "tryAgain", "notes", List.of());
      long revision =
          runa.put("/api/submissions/" + submission + "/draft", answer)
              .is(200)
              .json()
              .path("revision")
              .asLong();
      assertThat(quay.opened(assignment).path("check").path("findings"))
          .as("a draft tells nothing yet")
          .isEmpty();
      runa.post("/api/submissions/" + submission + "/return", Map.of("revision", revision)).is(200);
      assertThat(quay.opened(assignment).path("check").path("findings")).isNotEmpty();
      ada.get(path + "/lenses/flow").is(200);
      ada.get("/api/submissions/" + submission + "/lenses/flow").is(200);
    }
  }

  private static Map<String, Object> criterion(String name, Map<String, Object> more) {
    Map<String, Object> criterion = new HashMap<>();
    criterion.put("name", name);
    criterion.put("families", List.of());
    criterion.put("words", List.of());
    criterion.putAll(more);
    return criterion;
  }

  private static Map<String, Object> rule(double offMust) {
    return Map.of(
        "criteria",
        List.of(
            criterion(
                "Quads",
                Map.of(
                    "credits",
                    4,
                    "by",
                    "findings",
                    "offMust",
                    offMust,
                    "offShould",
                    0,
                    "families",
                    List.of("Sides"))),
            criterion(
                "Share",
                Map.of(
                    "credits",
                    9,
                    "by",
                    "measure",
                    "measure",
                    "quads",
                    "nothingAt",
                    0,
                    "fullAt",
                    100)),
            criterion(
                "Form",
                Map.of(
                    "credits",
                    3,
                    "by",
                    "eye",
                    "words",
                    List.of(
                        Map.of("word", "slack", "credits", 0),
                        Map.of("word", "crisp", "credits", 3))))),
        "step",
        0.5,
        "offADay",
        1,
        "counts",
        "best");
  }

  @Test
  void credits_goByTheRule_areTriedBefore_andStayAsTheyWentOut() {
    String id = quay.begun();
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "hatch-lid")).is(200);
    quay.keep(id, Map.of("title", "Credited", "summary", "s", "brief", "b", "rule", rule(1)))
        .is(200);
    quay.makeReady(id).is(200);
    String assignment = quay.set(id, Map.of("due", Breakwater.onTheWall(-90)));
    String submission = quay.handIn(assignment).is(201).json().path("id").asString();
    // Top and bottom of 16 sides must; 16 of 18 faces are quads; a day was begun since it was due.
    JsonNode proposed =
        runa.get("/api/submissions/" + submission + "/review").is(200).json().path("credits");
    assertThat(proposed.path("lines").path(0).path("gets").asDouble()).isEqualTo(2);
    assertThat(proposed.path("lines").path(0).path("why").asString()).isEqualTo("2 must, 0 should");
    assertThat(proposed.path("lines").path(1).path("gets").asDouble()).isBetween(7.99, 8.01);
    assertThat(proposed.path("lines").path(2).path("isOpen").asBoolean()).isTrue();
    assertThat(proposed.path("daysLate").asInt()).isEqualTo(1);
    assertThat(proposed.path("total").asDouble()).isEqualTo(9);
    assertThat(proposed.path("of").asDouble()).isEqualTo(16);

    JsonNode tried =
        runa.post("/api/exercises/" + id + "/credits", Map.of("rule", rule(3))).is(200).json();
    assertThat(tried).hasSize(2);
    assertThat(tried.path(0).path("name").asString()).isEqualTo("Starter");
    assertThat(tried.path(0).path("credits").path("total").asDouble()).isEqualTo(8);
    assertThat(tried.path(1).path("name").asString()).isEqualTo("Ada Lunde");
    assertThat(tried.path(1).path("credits").path("total").asDouble()).isEqualTo(7);
    assertThat(tried.path(1).path("soFar").asDouble()).isEqualTo(9);
    // Where n-gons no longer count, nothing is taken off for those that are known.
    ObjectNode lenient = quay.editor(id).at("/draft/profile").deepCopy().asObject();
    ObjectNode severities = lenient.get("severities").asObject();
    List.of("ngon", "ngon-flat").forEach(severities::remove);
    JsonNode changed = quay.keep(id, Map.of("profile", lenient)).is(200).json();
    assertThat(changed.path("countsOtherwise").asBoolean()).isTrue();
    JsonNode known =
        runa.post("/api/exercises/" + id + "/credits", Map.of("rule", rule(3))).is(200).json();
    assertThat(known.path(1).path("credits").path("total").asDouble())
        .isGreaterThan(tried.path(1).path("credits").path("total").asDouble());
    assertThat(known.path(1).path("soFar").asDouble()).isEqualTo(9);
    long changedAt = changed.path("revision").asLong();
    runa.post("/api/exercises/" + id + "/draft/back", Map.of("revision", changedAt)).is(200);
    assertThat(quay.editor(id).path("countsOtherwise").asBoolean()).isFalse();
    ada.post("/api/exercises/" + id + "/credits", Map.of("rule", rule(3))).is(404);

    quay.answer(submission, "tryAgain");
    quay.keep(id, Map.of("rule", rule(3))).is(200);
    JsonNode ready = quay.makeReady(id).is(200).json();
    assertThat(ready.path("version").asInt()).isEqualTo(1);
    assertThat(runa.get("/api/exercises/" + id + "/recheck").json().path("done").asInt())
        .as("another rule inspects nothing anew")
        .isEqualTo(1);
    assertThat(isNews(assignment)).isTrue();
    JsonNode out =
        ada.get("/api/submissions/" + submission + "/answer").is(200).json().path("credits");
    assertThat(isNews(assignment)).as("read, on whichever machine").isFalse();
    assertThat(out.path("total").asDouble()).isEqualTo(9);
    String next = quay.handIn(assignment).is(201).json().path("id").asString();
    assertThat(
            runa.get("/api/submissions/" + next + "/review")
                .json()
                .path("credits")
                .path("total")
                .asDouble())
        .isEqualTo(7);

    Map<String, Object> bad =
        Map.of(
            "criteria",
            List.of(criterion("None", Map.of("credits", 1, "by", "findings"))),
            "step",
            0.5,
            "offADay",
            0,
            "counts",
            "best");
    assertThat(quay.keep(id, Map.of("rule", bad)).is(400).detail()).contains("counts no kind");
    assertThat(runa.post("/api/exercises/" + id + "/credits", Map.of("rule", bad)).is(400).detail())
        .contains("counts no kind");
  }

  private static boolean isNews(String assignment) {
    for (JsonNode item : ada.get("/api/my-work").is(200).json().path("items")) {
      if (item.path("assignment").path("id").asString().equals(assignment)) {
        return item.path("answer").path("isNew").asBoolean();
      }
    }
    throw new AssertionError("it is not among the work");
  }

  private static byte[] zip(Map<String, byte[]> files) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
        zip.closeEntry();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return bytes.toByteArray();
  }

  private static Reply bring(byte[] zip) {
    return runa.sendFile("/api/exercises/imports", Map.of(), "exercise.zip", zip);
  }

  @Test
  void export_comesBackBitForBit_withNobodysName() throws IOException {
    for (Form form : Form.values()) {
      String id = quay.begun();
      String name = form.name().toLowerCase(Locale.ROOT).replace('_', '-');
      runa.put("/api/exercises/" + id + "/starter", Map.of("form", name)).is(200);
      quay.keep(
              id,
              Map.of(
                  "title",
                  "Exported",
                  "summary",
                  "s",
                  "brief",
                  "<script>alert(1)</script> **b**",
                  "rule",
                  rule(0.3),
                  "tells",
                  "counts",
                  "wanted",
                  Map.of("faces", 40, "parts", 1)))
          .is(200);
      byte[] first = runa.get("/api/exercises/" + id + "/export").is(200).bytes();
      assertThat(runa.get("/api/exercises/" + id + "/export").bytes()).isEqualTo(first);
      String again = bring(first).is(201).json().path("id").asString();
      assertThat(quay.editor(again).path("draft")).isEqualTo(quay.editor(id).path("draft"));
      assertThat(runa.get("/api/exercises/" + again + "/export").is(200).bytes())
          .as(form.title())
          .isEqualTo(first);
      String text = new String(first, StandardCharsets.ISO_8859_1);
      assertThat(text).doesNotContain("Delahaye", "runa");
    }
  }

  @Test
  void zipThatIsNoExercise_isToldWhy_andBeginsNothing() throws IOException {
    String id = quay.ready("To break");
    byte[] sound = runa.get("/api/exercises/" + id + "/export").is(200).bytes();
    int before = runa.get("/api/exercises").json().size();
    byte[] obj = Breakwater.obj(HarbourProps.cleat());
    byte[] huge = new byte[3_000_000];
    Arrays.fill(huge, (byte) ' ');
    Map<String, byte[]> many = new LinkedHashMap<>();
    for (int i = 0; i < 30; i++) {
      many.put("exercise.json" + i, new byte[1]);
    }
    for (byte[] bad :
        List.of(
            new byte[0],
            "no zip".getBytes(StandardCharsets.UTF_8),
            Arrays.copyOf(sound, sound.length / 2),
            zip(Map.of("starter.obj", obj)),
            zip(Map.of("../exercise.json", "{}".getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", "{".getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", "[]".getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", "{\"format\": 1}".getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", "{\"format\": 9}".getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", "[".repeat(100_000).getBytes(StandardCharsets.UTF_8))),
            zip(Map.of("exercise.json", huge)),
            zip(many))) {
      Reply told = bring(bad);
      assertThat(told.status()).as(told.text()).isIn(400, 422);
      assertThat(told.detail()).isNotBlank();
    }
    assertThat(runa.get("/api/exercises").json().size()).isEqualTo(before);
  }

  @Test
  void instructor_triesItAsAStudentWould_andLeavesNoTrace() {
    String id = quay.begun();
    assertThat(runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(400).detail())
        .contains("Choose a starter");
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "hatch-lid")).is(200);
    quay.keep(id, Map.of("title", "Tried", "brief", "b", "tells", "counts")).is(200);
    JsonNode tried = runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(200).json();
    assertThat(tried.path("task").path("title").asString()).isEqualTo("Tried");
    assertThat(tried.path("check").path("findings")).as("as a student would").isEmpty();
    assertThat(tried.path("check").path("must").asInt()).isEqualTo(2);
    String path = "/api/workpieces/" + tried.path("id").asString();
    runa.post(path + "/steps", Bollard.step(0, Bollard.trace(1, 11))).is(200);
    ada.get(path).is(404);
    ada.put("/api/exercises/" + id + "/workpiece", Map.of()).is(404);
    runa.post(path + "/submissions", Bollard.move(1)).is(400);
    assertThat(quay.editor(id).path("starter").path("isFixed").asBoolean()).isFalse();

    JsonNode on = runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(200).json();
    assertThat(on.path("steps")).as("a page that is loaded again goes on").hasSize(1);
    runa.delete("/api/exercises/" + id + "/workpiece").is(204);
    JsonNode again = runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(200).json();
    assertThat(again.path("steps")).isEmpty();
    runa.get(path).is(404);
    // Another starter: the next try begins with that.
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "cleat")).is(200);
    JsonNode other = runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(200).json();
    assertThat(other.path("check").path("figures").path("faces").asInt())
        .isEqualTo(HarbourProps.cleat().faceCount());
    Cleaning tries = app.bean("rehearsals", Cleaning.class);
    tries.clean(Instant.now());
    assertThat(rehearsals()).isEqualTo("1");
    tries.clean(Instant.now().plus(Duration.ofDays(2)));
    assertThat(rehearsals()).isEqualTo("0");
  }

  private static String rehearsals() {
    return database.value("select count(*) from workpiece where owner_type = 'rehearsal'");
  }

  @Test
  void timesOnTheWall_areInstantsByTheZone_alsoWhereClocksChange() {
    String assignment = quay.set(quay.ready("Clocks"), Map.of());
    // The night in which Oslo's clocks go forward, from 2 to 3; and back, from 3 to 2.
    JsonNode spring =
        change(assignment, Map.of("opens", "2031-03-30T02:30:00", "due", "2031-10-26T02:30:00"));
    assertThat(spring.path("opensAt").asString()).isEqualTo("2031-03-30T01:30:00Z");
    assertThat(spring.path("dueAt").asString())
        .as("twice there: the second")
        .isEqualTo("2031-10-26T01:30:00Z");
    JsonNode autumn =
        change(assignment, Map.of("opens", "2031-10-26T02:30:00", "due", "2031-12-01T18:00:00"));
    assertThat(autumn.path("opensAt").asString())
        .as("twice there: the first")
        .isEqualTo("2031-10-26T00:30:00Z");
    assertThat(autumn.path("stand").asString()).isEqualTo("planned");
    assertThat(autumn.path("zone").asString()).isEqualTo("Europe/Oslo");

    Map<String, Object> elsewhere = new HashMap<>();
    elsewhere.put("name", "Breakwater");
    elsewhere.put("zone", "Asia/Tokyo");
    elsewhere.put("unit", "mm");
    elsewhere.put("up", "Z");
    runa.put("/api/classes/" + course, elsewhere).is(204);
    assertThat(
            database.value(
                "select due_at at time zone 'UTC' from assignment where id = '%s'"
                    .formatted(assignment)))
        .isEqualTo("2031-12-01 09:00:00");
    elsewhere.put("zone", "Europe/Oslo");
    runa.put("/api/classes/" + course, elsewhere).is(204);
    assertThat(
            runa.put(
                    "/api/assignments/" + assignment,
                    Breakwater.setting(
                        Map.of("opens", "2031-12-02T00:00:00", "due", "2031-12-01T00:00:00")))
                .is(400)
                .detail())
        .contains("due before it opens");
    runa.put("/api/assignments/" + assignment, Breakwater.setting(Map.of("attempts", 0))).is(400);
    runa.put(
            "/api/assignments/" + assignment,
            Breakwater.setting(Map.of("due", "+99999-01-01T00:00:00")))
        .is(400);
  }

  @Test
  void whatIsSet_isOrdered_andTakenOutWhereNobodyBegan() {
    String first = quay.set(quay.ready("Order one"), Map.of("heading", "Week 40"));
    String second = quay.set(quay.ready("Order two"), Map.of());
    List<String> order = new ArrayList<>();
    runa.get("/api/assignments").json().forEach(a -> order.add(a.path("id").asString()));
    Collections.reverse(order);
    runa.put("/api/classes/" + course + "/order", Map.of("assignments", order)).is(204);
    List<String> now = new ArrayList<>();
    runa.get("/api/assignments").json().forEach(a -> now.add(a.path("id").asString()));
    assertThat(now).isEqualTo(order);
    runa.put("/api/classes/" + course + "/order", Map.of("assignments", List.of(first))).is(409);
    runa.delete("/api/assignments/" + second).is(204);
    ada.put("/api/assignments/" + second + "/workpiece", Map.of()).is(404);
    List<String> deeds = new ArrayList<>();
    runa.get("/api/classes/" + course + "/audit")
        .json()
        .forEach(l -> deeds.add(l.path("deed").asString()));
    assertThat(deeds).contains("set-exercise", "unset-exercise");
  }

  @Test
  void exercisesOfOthers_areReadAndCopied_andNotWrittenOrSet() {
    String id = quay.ready("Runa's own");
    quay.set(id, Map.of());
    SignedIn colleague = new School(app).person("dagny", "Dagny Prell");
    new School(app).classOf("Elsewhere", colleague);
    Client dagny = Client.signedIn(app, "dagny");
    dagny.get("/api/exercises/" + id).is(404);
    new School(app).enrol(UUID.fromString(course), colleague, Role.INSTRUCTOR);
    JsonNode read = dagny.get("/api/exercises/" + id).is(200).json();
    assertThat(read.path("isMine").asBoolean()).isFalse();
    assertThat(read.path("owner").asString()).isEqualTo("Runa Delahaye");
    quay.keep(id, Map.of("title", "Not for others yet")).is(200);
    assertThat(dagny.get("/api/exercises/" + id).json().path("draft").path("title").asString())
        .isEqualTo("Runa's own");
    dagny.put("/api/exercises/" + id + "/away", Map.of("away", true)).is(404);
    assertThat(
            dagny
                .post(
                    "/api/exercises/" + id + "/assignments",
                    Map.of("course", course, "setting", Breakwater.setting(Map.of())))
                .is(400)
                .detail())
        .contains("copy it");
    dagny.post("/api/exercises/" + id + "/copies", Map.of()).is(201);
    List<String> owners = new ArrayList<>();
    dagny.get("/api/exercises").is(200).json().forEach(r -> owners.add(r.path("owner").asString()));
    assertThat(owners).contains("Runa Delahaye");
    assertThat(
            runa.put("/api/exercises/" + id + "/away", Map.of("away", true))
                .json()
                .path("isPutAway")
                .asBoolean())
        .isTrue();
  }
}
