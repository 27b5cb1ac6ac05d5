package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What counts in an exercise, changed by its instructor. */
class TermsApiTest {
  private Database database;
  private Application app;
  private Client marit;
  private Client rune;
  private String exercise;
  private String workpiece;

  @BeforeEach
  void start() {
    database = new Database();
    app = Application.on(database);
    marit = Client.signedIn(app, "marit");
    rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Hatch lid");
    exercise = Bollard.exercise(rune, "Hatch lid");
    workpiece = open.path("id").asString();
  }

  @AfterEach
  void stop() {
    app.close();
    database.close();
  }

  private JsonNode terms() {
    return marit.get("/api/exercises/" + exercise).is(200).json();
  }

  /** Writes other terms into the draft, and makes it ready. */
  private Reply setTerms(Map<String, Object> asked) {
    Reply kept = marit.put("/api/exercises/" + exercise + "/draft", asked);
    if (kept.status() != 200) {
      return kept;
    }
    long revision = kept.json().path("revision").asLong();
    return marit.post("/api/exercises/" + exercise + "/ready", Map.of("revision", revision));
  }

  private static Map<String, Object> asked(
      JsonNode editor, Map<String, String> other, Map<String, Object> wanted) {
    Map<String, Object> severities = new HashMap<>();
    JsonNode terms = editor.path("draft");
    terms
        .path("profile")
        .path("severities")
        .properties()
        .forEach(e -> severities.put(e.getKey(), e.getValue().asString()));
    other.forEach((rule, severity) -> {
      if (severity.isEmpty()) {
        severities.remove(rule);
      } else {
        severities.put(rule, severity);
      }
    });
    return Map.of(
        "revision",
        editor.path("revision").asInt(),
        "title",
        terms.path("title").asString(),
        "summary",
        terms.path("summary").asString(),
        "brief",
        terms.path("brief").asString(),
        "tells",
        "all",
        "profile",
        Map.of("name", "Lid, mild", "severities", severities, "thresholds", Map.of("jump", 4)),
        "wanted",
        wanted);
  }

  @Test
  void exercisesOfAnInstructor_areListed() {
    assertThat(marit.get("/api/assignments").is(200).json().size()).isEqualTo(3);
    assertThat(rune.get("/api/assignments").is(200).json().size()).isZero();
  }

  @Test
  void changedTerms_recheckWhatWasHandedIn_andTheBench() throws InterruptedException {
    String submission = handIn();
    JsonNode before = marit.get("/api/submissions/" + submission + "/review").is(200).json();
    assertThat(kinds(before.path("check")))
        .contains("ngon", "ring-stop")
        .doesNotContain("too-many");
    JsonNode terms = terms();
    assertThat(terms.path("draft").path("profile").path("name").asString())
        .isEqualTo("All quads, any way");
    assertThat(terms.path("countable").path("rules").size()).isGreaterThan(50);

    Map<String, Object> mild =
        asked(
            terms,
            Map.of("ngon", "remark", "ngon-flat", "remark", "ring-stop", ""),
            Map.of("faces", 10, "parts", 2));
    JsonNode after = setTerms(mild).is(200).json();
    assertThat(after.path("version").asInt()).isEqualTo(1);
    assertThat(after.path("isChanged").asBoolean()).isFalse();
    assertThat(after.path("draft").path("profile").path("thresholds").path("jump").asDouble())
        .isEqualTo(4);
    assertThat(after.path("draft").path("wanted").path("faces").asInt()).isEqualTo(10);
    assertThat(setTerms(mild).is(409).detail()).contains("another window");

    awaitRecheck();
    JsonNode now = marit.get("/api/submissions/" + submission + "/review").is(200).json();
    assertThat(kinds(now.path("check")))
        .contains("ngon", "parts", "too-many")
        .doesNotContain("ring-stop");
    JsonNode bench = rune.get("/api/workpieces/" + workpiece).is(200).json();
    assertThat(kinds(bench.path("check"))).contains("too-many").doesNotContain("ring-stop");
    assertThat(bench.path("task").path("profile").asString()).isEqualTo("Lid, mild");
  }

  /** A review that was open while other terms came to hold. */
  @Test
  void draftOfAnOlderReport_keepsItsNotesAtTheirFindings() throws InterruptedException {
    String submission = handIn();
    String path = "/api/submissions/" + submission;
    JsonNode before = marit.get(path + "/review").is(200).json();
    List<Map<String, Object>> notes = new ArrayList<>();
    List<String> keys = new ArrayList<>();
    JsonNode findings = before.path("check").path("findings");
    for (int i = 0; i < findings.size(); i++) {
      String key = findings.get(i).path("key").asString();
      Map<String, Object> note = new HashMap<>();
      note.put("text", key);
      note.put("finding", i);
      note.put("key", key);
      note.put("element", Map.of("kind", "face", "id", 0));
      note.put("place", Map.of("x", 0, "y", 0, "z", 0));
      notes.add(note);
      keys.add(findings.get(i).path("kind").asString());
    }
    assertThat(keys).contains("ngon", "ring-stop");
    Map<String, Object> mild =
        asked(terms(), Map.of("ngon", "", "ngon-flat", ""), Map.of("faces", 10, "parts", 2));
    setTerms(mild).is(200);
    // More runs than one: each report is replaced once.
    askForMoreRuns();
    awaitRecheck();
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", 0);
    draft.put("clientKey", UUID.randomUUID());
    draft.put("report", before.path("report").asInt());
    draft.put("word", "");
    draft.put("verdict", null);
    draft.put("notes", notes);
    JsonNode kept = marit.put(path + "/draft", draft).is(200).json();
    assertThat(marit.put(path + "/draft", draft).is(200).json()).isEqualTo(kept);
    assertNotesAreAtTheirFindings(path, 1);

    // The other way round: the draft is there when the report changes, by several runs at once.
    Map<String, Object> strict = asked(terms(), Map.of("ngon", "must"), Map.of());
    setTerms(strict).is(200);
    askForMoreRuns();
    awaitRecheck();
    assertNotesAreAtTheirFindings(path, 2);
  }

  /** What is out stays as it was read, whatever counts later; lists tell of what counts now. */
  @Test
  void answerThatIsOut_keepsItsReport_andItsNotes() throws InterruptedException {
    String out = handIn();
    String path = "/api/submissions/" + out;
    JsonNode before = marit.get(path + "/review").is(200).json();
    int stop = kinds(before.path("check")).indexOf("ring-stop");
    Map<String, Object> note =
        Map.of(
            "text",
            "Here it stops.",
            "finding",
            stop,
            "element",
            Map.of("kind", "face", "id", 0),
            "place",
            Map.of("x", 0, "y", 0, "z", 0));
    Map<String, Object> draft =
        Map.of("revision", 0, "word", "Go on.", "verdict", "tryAgain", "notes", List.of(note));
    long revision = marit.put(path + "/draft", draft).is(200).json().path("revision").asLong();
    marit.post(path + "/return", Map.of("revision", revision)).is(200);
    byte[] picture = rune.get(path + "/picture").is(200).bytes();

    setTerms(asked(terms(), Map.of("ring-stop", ""), Map.of("parts", 2))).is(200);
    awaitRecheck();
    awaitNews();
    for (JsonNode seen :
        List.of(
            rune.get(path + "/answer").is(200).json(),
            marit.get(path + "/review").is(200).json())) {
      assertThat(seen.path("report").asInt()).isZero();
      assertThat(seen.path("check")).isEqualTo(before.path("check"));
      assertThat(seen.path("answer").path("notes").get(0).path("finding").asInt()).isEqualTo(stop);
    }
    assertThat(rune.get(path + "/picture").is(200).bytes()).isEqualTo(picture);
    assertThat(marit.get("/api/desk").is(200).json().path("trips").toString())
        .contains("parts")
        .doesNotContain("ring-stop");
    assertThat(
            database.rows(
                "select version from submission_report where submission_id = '%s' order by 1"
                    .formatted(out)))
        .containsExactly(List.of("0"), List.of("1"));

    // The next time the one between is read by nobody any more.
    setTerms(asked(terms(), Map.of(), Map.of())).is(200);
    awaitRecheck();
    awaitNews();
    assertThat(
            database.rows(
                "select version from submission_report where submission_id = '%s' order by 1"
                    .formatted(out)))
        .containsExactly(List.of("0"), List.of("2"));
  }

  private String handIn() {
    return rune.post("/api/workpieces/" + workpiece + "/submissions", Bollard.move(0))
        .is(201)
        .json()
        .path("id")
        .asString();
  }

  /** What a node was told, and died before it could take it up, another takes up. */
  @Test
  void newsThatWasLost_isSentAgain() throws InterruptedException {
    handIn();
    database.run(
        """
        insert into exercise_version
            (exercise_id, number, terms, brief, profile, own_profile, wanted, made_at)
          select exercise_id, 1, 1, brief, profile, own_profile, '{"parts": 2}', now()
          from exercise_version where exercise_id = '%1$s';
        update exercise set version = 1 where id = '%1$s';
        insert into event_publication (id, listener_id, event_type, serialized_event,
            publication_date, status, completion_attempts)
          values (gen_random_uuid(), '%2$s', 'fairedge.server.exercise.TermsChanged',
            '{"exercise": "%1$s", "version": 1}', now() - interval '1 hour', 'FAILED', 1);
        update scheduled_tasks set execution_time = now() where task_name = 'news';
        """
            .formatted(
                exercise,
                "fairedge.server.submission.RechecksAsked.onChanged("
                    + "fairedge.server.exercise.TermsChanged)"));
    awaitRecheck();
    awaitNews();
  }

  /** Until whoever is told of something has taken it up. */
  private void awaitNews() throws InterruptedException {
    for (int i = 0; i < 200; i++) {
      if (database.value("select count(*) from event_publication").equals("0")) {
        return;
      }
      Thread.sleep(50);
    }
    throw new AssertionError(database.rows("select * from event_publication").toString());
  }

  private void askForMoreRuns() {
    for (int i = 0; i < 4; i++) {
      database.run(
          "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version)"
              + " values ('recheck', '%s %s', now(), false, 1)"
                  .formatted(exercise, UUID.randomUUID()));
    }
  }

  private void assertNotesAreAtTheirFindings(String path, int report) {
    JsonNode review = marit.get(path + "/review").is(200).json();
    assertThat(review.path("report").asInt()).isEqualTo(report);
    JsonNode findings = review.path("check").path("findings");
    int pinned = 0;
    for (JsonNode note : review.path("answer").path("notes")) {
      String text = note.path("text").asString();
      if (!note.path("finding").isNull()) {
        assertThat(findings.get(note.path("finding").asInt()).path("key").asString())
            .isEqualTo(text);
        pinned++;
      } else {
        assertThat(text).startsWith("ngon");
      }
    }
    assertThat(pinned).isPositive();
  }

  @Test
  void whatCantBe_isRefused_andChangesNothing() {
    JsonNode terms = terms();
    Map<String, Object> unknown = asked(terms, Map.of("no-such", "must"), Map.of());
    assertThat(setTerms(unknown).is(400).detail()).contains("no-such");
    Map<String, Object> none = asked(terms, Map.of(), Map.of("parts", 0));
    setTerms(none).is(400);
    assertThat(terms().path("revision").asInt()).isZero();
    marit
        .put("/api/exercises/" + UUID.randomUUID() + "/draft", asked(terms, Map.of(), Map.of()))
        .is(404);
  }

  private void awaitRecheck() throws InterruptedException {
    for (int i = 0; i < 200; i++) {
      JsonNode progress = marit.get("/api/exercises/" + exercise + "/recheck").is(200).json();
      assertThat(progress.path("of").asInt()).isPositive();
      if (progress.path("done").asInt() == progress.path("of").asInt()) {
        return;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("not inspected anew after 20 s");
  }

  private static List<String> kinds(JsonNode check) {
    return check.path("findings").valueStream().map(f -> f.path("kind").asString()).toList();
  }
}
