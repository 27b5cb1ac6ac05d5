package fairedge.server.api;

import static fairedge.server.api.Bollard.step;
import static fairedge.server.api.Bollard.trace;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.course.Role;
import fairedge.server.platform.Round;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Answers: written by one at a time, given back, called back, amended, talked about. */
class AnswersApiTest {
  private static final String LID = "Hatch lid";
  private static final String BOLLARD = "Mooring bollard";
  private static final String BLOCK = "Fairlead block";

  private static Database database;

  /** Answers go out only when a test says so. */
  private static Application app;

  private static Client marit;
  private static Client assistant;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database, 0, "--fair-edge.call-back=1h");
    School school = new School(app);
    UUID props =
        UUID.fromString(database.value("select id from course where name = 'Harbour Props'"));
    school.enrol(props, school.person("ottoline", "Ottoline Brandt"), Role.ASSISTANT);
    marit = Client.signedIn(app, "marit");
    assistant = Client.signedIn(app, "ottoline");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  /** A hand-in of somebody who has not handed this in yet; a lid has one line across. */
  private static String handIn(Client student, String title) {
    JsonNode open = Bollard.open(student, title);
    String path = "/api/workpieces/" + open.path("id").asString();
    long revision = open.path("revision").asLong();
    if (title.equals(LID) && revision == 0) {
      student.post(path + "/steps", step(0, trace(16, 24))).is(200);
      revision = 1;
    }
    return student
        .post(path + "/submissions", Bollard.move(revision))
        .is(201)
        .json()
        .path("id")
        .asString();
  }

  private static String at(String id, String what) {
    return "/api/submissions/" + id + "/" + what;
  }

  private static JsonNode review(String id) {
    return marit.get(at(id, "review?ahead=true")).is(200).json();
  }

  private static Map<String, Object> note(UUID id, String kind, String text) {
    Map<String, Object> note = new HashMap<>();
    note.put("id", id);
    note.put("kind", kind);
    note.put("text", text);
    note.put("element", Map.of("kind", "face", "id", 16));
    note.put("place", Map.of("x", 10, "y", 20, "z", 80));
    return note;
  }

  private static Map<String, Object> draft(long revision, String verdict, List<Object> notes) {
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", revision);
    draft.put("word", "A good first line.");
    draft.put("verdict", verdict);
    draft.put("notes", notes);
    return draft;
  }

  private static long keep(String id, String verdict, List<Object> notes) {
    long revision = review(id).path("answer").path("revision").asLong();
    return marit
        .put(at(id, "draft"), draft(revision, verdict, notes))
        .is(200)
        .json()
        .path("revision")
        .asLong();
  }

  /** Gives it back, and lets its time come. */
  private static void send(String id, String verdict, List<Object> notes) {
    long revision = keep(id, verdict, notes);
    marit.post(at(id, "return"), Map.of("revision", revision)).is(200);
    letTimeCome(id);
  }

  private static void letTimeCome(String id) {
    String where = " where submission_id = '%s'".formatted(id);
    database.run("update answer set returned_at = now()" + where);
    app.bean("outgoing", Round.class).go();
    database.await("select is_out from answer" + where, "t");
  }

  @Test
  void answer_isOutAtItsTime_andCanBeCalledBackUntilThen() {
    Client rune = Client.signedIn(app, "rune");
    String id = handIn(rune, LID);
    long revision = keep(id, "tryAgain", List.of(note(UUID.randomUUID(), "mend", "Two more.")));
    JsonNode going = marit.post(at(id, "return"), Map.of("revision", revision)).is(200).json();
    assertThat(going.path("state").asString()).isEqualTo("going");
    assertThat(rows("rows")).as("it waits no more").doesNotContain(id);
    assertThat(rows("going")).contains(id);
    rune.get(at(id, "answer")).is(404);
    rune.get(at(id, "picture")).is(404);
    assertThat(rune.get("/api/my-work").json().toString()).doesNotContain("Two more");
    assertThat(marit.put(at(id, "draft"), draft(revision + 1, null, List.of())).is(409).detail())
        .contains("on its way");

    marit.post(at(id, "call-back"), null).is(200);
    assertThat(rows("rows")).contains(id);
    rune.get(at(id, "answer")).is(404);
    long again = review(id).path("answer").path("revision").asLong();
    marit.post(at(id, "return"), Map.of("revision", again)).is(200);
    letTimeCome(id);
    JsonNode answer = rune.get(at(id, "answer")).is(200).json().path("answer");
    assertThat(answer.path("notes").path(0).path("text").asString()).isEqualTo("Two more.");
    assertThat(answer.path("state").asString()).isEqualTo("out");
    assertThat(marit.post(at(id, "call-back"), null).is(409).detail()).contains("amend");
    // Whoever is to know is told.
    database.await("select count(*) from event_publication", "0");
  }

  private static List<String> rows(String list) {
    List<String> ids = new ArrayList<>();
    marit
        .get("/api/desk")
        .is(200)
        .json()
        .path(list)
        .forEach(row -> ids.add(row.path("id").asString()));
    return ids;
  }

  @Test
  void answer_goesOutAtTheTimeThatIsNamed_orWithOthers() {
    Client ines = Client.signedIn(app, "ines");
    String id = handIn(ines, LID);
    long revision = keep(id, null, List.of());
    assertThat(
            marit
                .put(at(id, "ready"), Map.of("revision", revision, "ready", true))
                .is(400)
                .detail())
        .contains("verdict");
    revision = keep(id, "tryAgain", List.of());
    JsonNode ready =
        marit.put(at(id, "ready"), Map.of("revision", revision, "ready", true)).is(200).json();
    assertThat(ready.path("state").asString()).isEqualTo("ready");
    Instant morning = Instant.parse("2190-01-01T07:00:00Z");
    Map<String, Object> all = Map.of("submissions", List.of(id), "at", morning);
    JsonNode came = marit.post("/api/desk/return", all).is(200).json();
    assertThat(came.path("done").path(0).asString()).isEqualTo(id);
    assertThat(database.value(answer("extract(year from returned_at)", id))).isEqualTo("2190");
    marit.post("/api/desk/call-back", Map.of("submissions", List.of(id))).is(200);
    assertThat(database.value(answer("returned_at", id))).isNull();
    assertThat(
            marit
                .post(at(id, "return"), Map.of("revision", 9, "at", "+999999999-01-01T00:00:00Z"))
                .status())
        .isBetween(400, 409);
  }

  private static String answer(String column, String id) {
    return "select %s from answer where submission_id = '%s'".formatted(column, id);
  }

  @Test
  void amendedAnswer_holdsOnceItIsOut_andWhatWasSaidStaysReadable() {
    Client tobias = Client.signedIn(app, "tobias");
    String id = handIn(tobias, LID);
    UUID note = UUID.randomUUID();
    send(id, "tryAgain", List.of(note(note, "mend", "Once more.")));
    tobias.post(at(id, "notes/" + note + "/reply"), Map.of("text", "Which edge?")).is(204);
    marit.post(at(id, "amendment"), null).is(200);
    marit.post(at(id, "amendment"), null).is(409);
    long begun = keep(id, "accepted", List.of(note(note, "praise", "It is well.")));
    Map<String, Object> credited =
        draft(begun, "accepted", List.of(note(note, "praise", "It is well.")));
    credited.put("byHand", Map.of("Quads everywhere", Map.of("credits", 4, "reason", "fair")));
    marit.put(at(id, "draft"), credited).is(200);
    JsonNode seen = tobias.get(at(id, "answer")).is(200).json();
    assertThat(seen.path("answer").path("notes").path(0).path("text").asString())
        .as("what is written is nobody's but the instructor's")
        .isEqualTo("Once more.");
    assertThat(seen.toString()).doesNotContain("It is well");

    marit.delete(at(id, "amendment")).is(200);
    assertThat(tobias.get("/api/my-work").json().toString())
        .as("what was read is no news because somebody thought of amending it")
        .doesNotContain("\"isNew\":true");
    assertThat(review(id).path("answer").path("notes").path(0).path("text").asString())
        .isEqualTo("Once more.");
    assertThat(review(id).path("answer").path("byHand"))
        .as("what was written since is let go of, credits too")
        .isEmpty();
    marit.post(at(id, "amendment"), null).is(200);
    send(id, "accepted", List.of(note(note, "praise", "It is well.")));
    JsonNode after = tobias.get(at(id, "answer")).is(200).json();
    assertThat(after.path("answer").path("notes").path(0).path("text").asString())
        .isEqualTo("It is well.");
    assertThat(after.path("answer").path("notes").path(0).path("thread").path("reply").asString())
        .as("the thread stays with its note")
        .isEqualTo("Which edge?");
    for (JsonNode told : List.of(after, review(id))) {
      assertThat(told.path("sayings")).hasSize(1);
      assertThat(told.path("sayings").path(0).path("verdict").asString()).isEqualTo("tryAgain");
      assertThat(told.path("sayings").path(0).path("notes").path(0).asString())
          .isEqualTo("Once more.");
    }
    assertThat(database.value("select is_accepted from submission where id = '%s'".formatted(id)))
        .isEqualTo("t");
    assertThat(audit("Tobias Achterberg")).containsSubsequence("amended", "asked-again");
  }

  @Test
  void reply_isOne_andIsOnTheDesk_untilItIsRead() {
    Client solveig = Client.signedIn(app, "solveig");
    String first = handIn(solveig, LID);
    UUID note = UUID.randomUUID();
    solveig.put(at(first, "notes/" + note + "/seen"), Map.of("seen", true)).is(404);
    send(first, "tryAgain", List.of(note(note, "ask", "Why this diagonal?")));
    solveig.put(at(first, "notes/" + note + "/seen"), Map.of("seen", true)).is(204);
    solveig.post(at(first, "notes/" + note + "/reply"), Map.of("text", " ")).is(400);
    solveig.post(at(first, "notes/" + note + "/reply"), Map.of("text", "To hold it.")).is(204);
    assertThat(
            solveig
                .post(at(first, "notes/" + note + "/reply"), Map.of("text", "And more."))
                .is(409)
                .detail())
        .contains("one reply");
    solveig.post(at(first, "notes/" + UUID.randomUUID() + "/reply"), Map.of("text", "x")).is(404);
    Client.signedIn(app, "rune")
        .post(at(first, "notes/" + note + "/reply"), Map.of("text", "x"))
        .is(404);
    assertThat(rows("replies")).contains(first);
    String second = handIn(solveig, LID);
    JsonNode replies = review(second).path("replies");
    assertThat(replies.path(0).path("reply").asString()).isEqualTo("To hold it.");
    assertThat(replies.path(0).path("about").asString()).isEqualTo("Why this diagonal?");
    assertThat(replies.path(0).path("attempt").asInt()).isEqualTo(1);
    marit.put(at(second, "lease"), Map.of("takeOver", false)).is(200);
    assertThat(rows("replies")).as("it was read with the next attempt").doesNotContain(first);
    database.run(
        "update note_thread set read_at = null where submission_id = '%s'".formatted(first));
    marit.put(at(second, "lease"), Map.of("takeOver", false)).is(200);
    assertThat(rows("replies"))
        .as("what came since is not read because the lease is renewed")
        .contains(first);
    marit.delete(at(second, "lease")).is(204);
  }

  @Test
  void draft_isWrittenByOneAtATime_whoCanBeTakenOver() {
    Client bastian = Client.signedIn(app, "bastian");
    String id = handIn(bastian, LID);
    JsonNode mine = marit.put(at(id, "lease"), Map.of("takeOver", false)).is(200).json();
    assertThat(mine.path("mine").asBoolean()).isTrue();
    JsonNode held = assistant.put(at(id, "lease"), Map.of("takeOver", false)).is(200).json();
    assertThat(held.path("mine").asBoolean()).isFalse();
    assertThat(held.path("holder").asString()).isEqualTo("Marit Tangen");
    Reply refused = assistant.put(at(id, "draft"), draft(0, null, List.of())).is(409);
    assertThat(refused.json().path("holder").asString()).isEqualTo("Marit Tangen");
    assertThat(assistant.get("/api/desk").json().path("rows").toString())
        .contains("\"holder\":\"Marit Tangen\"");
    keep(id, null, List.of(note(UUID.randomUUID(), "mend", "Mine.")));

    JsonNode taken = assistant.put(at(id, "lease"), Map.of("takeOver", true)).is(200).json();
    assertThat(taken.path("mine").asBoolean()).isTrue();
    Reply late = marit.put(at(id, "draft"), draft(1, null, List.of())).is(409);
    assertThat(late.json().path("holder").asString()).isEqualTo("Ottoline Brandt");
    assertThat(late.detail()).contains("waits on this machine");
    JsonNode theirs = assistant.get(at(id, "review")).is(200).json();
    assertThat(theirs.path("answer").path("writtenBy").asString())
        .as("its author is named")
        .isEqualTo("Marit Tangen");
    assertThat(theirs.path("answer").path("notes")).hasSize(1);
    marit.post(at(id, "return"), Map.of("revision", 1)).is(409);

    // Whoever dies with it is out of the way in a minute.
    database.run("update review_lease set until = now() where submission_id = '%s'".formatted(id));
    marit.put(at(id, "draft"), draft(1, null, List.of())).is(200);
    marit.delete(at(id, "lease")).is(204);
  }

  /** A lost reply: the same request again is the same answer, whoever holds it by then. */
  @Test
  void draftThatIsSentAgain_getsTheFirstReply() {
    String id = handIn(Client.signedIn(app, "amara"), LID);
    Map<String, Object> draft = draft(0, null, List.of());
    draft.put("clientKey", UUID.randomUUID());
    JsonNode first = marit.put(at(id, "draft"), draft).is(200).json();
    assistant.put(at(id, "lease"), Map.of("takeOver", true)).is(200);
    assertThat(marit.put(at(id, "draft"), draft).is(200).json()).isEqualTo(first);
    assistant.delete(at(id, "lease")).is(204);
  }

  @Test
  void wavedThrough_isOutOfCountsAndCredits_inTheNextAttemptToo() {
    Client tobias = Client.signedIn(app, "tobias");
    String first = handIn(tobias, BLOCK);
    JsonNode before = review(first);
    JsonNode finding = before.path("check").path("findings").path(0);
    String key = finding.path("key").asString();
    int all = before.path("check").path("findings").size();
    int counted = desk(first).path("findings").asInt();
    Map<String, Object> wave = Map.of("findings", List.of(key), "reason", "The rope covers it.");
    marit.post(at(first, "wavings"), Map.of("findings", List.of(key), "reason", " ")).is(400);
    marit.post(at(first, "wavings"), wave).is(204);
    marit.post(at(first, "wavings"), wave).is(204);
    JsonNode after = review(first);
    assertThat(after.path("check").path("findings")).as("it stays listed").hasSize(all);
    assertThat(after.path("waved")).hasSize(1);
    assertThat(after.path("waved").path(0).path("reason").asString())
        .isEqualTo("The rope covers it.");
    assertThat(total(after)).isEqualTo(total(before) - 1);
    assertThat(desk(first).path("findings").asInt()).isEqualTo(counted - 1);

    send(first, "tryAgain", List.of());
    JsonNode told = tobias.get(at(first, "answer")).is(200).json();
    assertThat(told.path("waved").path(0).path("reason").asString())
        .isEqualTo("The rope covers it.");
    assertThat(told.path("waved").path(0).path("id").isNull()).isTrue();
    String second = handIn(tobias, BLOCK);
    JsonNode next = review(second);
    assertThat(next.path("waved")).as("at that place in the next attempt").hasSize(1);
    assertThat(next.path("waved").path(0).path("fromAttempt").asInt()).isEqualTo(1);
    assertThat(desk(second).path("findings").asInt()).isEqualTo(counted - 1);
    marit.delete(at(second, "wavings/" + next.path("waved").path(0).path("id").asString())).is(204);
    assertThat(desk(second).path("findings").asInt()).isEqualTo(counted);
    assertThat(tobias.get(at(first, "answer")).json().path("waved"))
        .as("what was said stays as it was said")
        .hasSize(1);
    marit.post(at(first, "wavings"), wave).is(409);
    assertThat(audit("Tobias Achterberg")).contains("waved-through", "counted-again");
  }

  private static int total(JsonNode review) {
    JsonNode check = review.path("check");
    return check.path("must").asInt()
        + check.path("should").asInt()
        + check.path("remarks").asInt();
  }

  private static JsonNode desk(String id) {
    for (JsonNode row : marit.get("/api/desk").is(200).json().path("rows")) {
      if (row.path("id").asString().equals(id)) {
        return row;
      }
    }
    throw new AssertionError("not on the desk: " + id);
  }

  @Test
  void creditsByHand_andByEye_standInTheDraft_andInTheAnswer() {
    Client ines = Client.signedIn(app, "ines");
    String id = handIn(ines, BOLLARD);
    JsonNode proposed = review(id).path("credits");
    String name = proposed.path("lines").path(0).path("name").asString();
    Map<String, Object> draft = draft(0, "accepted", List.of());
    draft.put("byHand", Map.of(name, Map.of("credits", 0.5, "reason", "")));
    marit.put(at(id, "draft"), draft).is(400);
    draft.put("byHand", Map.of(name, Map.of("credits", -1, "reason", "why")));
    marit.put(at(id, "draft"), draft).is(400);
    draft.put("byHand", Map.of(name, Map.of("credits", 0.5, "reason", "The top is won.")));
    draft.put("seen", Map.of("A criterion that is no more", "crisp"));
    long revision = marit.put(at(id, "draft"), draft).is(200).json().path("revision").asLong();
    JsonNode line = marit.get(at(id, "credits")).json().path("credits").path("lines").path(0);
    assertThat(line.path("gets").asDouble()).isEqualTo(0.5);
    assertThat(line.path("byHand").path("proposed").asDouble())
        .isEqualTo(proposed.path("lines").path(0).path("gets").asDouble());
    marit.post(at(id, "return"), Map.of("revision", revision)).is(200);
    letTimeCome(id);
    JsonNode told = ines.get(at(id, "answer")).json().path("credits").path("lines").path(0);
    assertThat(told.path("gets").asDouble()).isEqualTo(0.5);
    assertThat(told.path("byHand").path("reason").asString()).isEqualTo("The top is won.");
    assertThat(audit("Ines Varga-Lund")).contains("gave-by-hand", "accepted");
  }

  /** What was done to somebody, the newest first. */
  private static List<String> audit(String whom) {
    String course = database.value("select id from course where name = 'Harbour Props'");
    List<String> deeds = new ArrayList<>();
    for (JsonNode line : marit.get("/api/classes/" + course + "/audit").is(200).json()) {
      if (line.path("whom").asString("").equals(whom)) {
        deeds.add(line.path("deed").asString());
      }
    }
    return deeds;
  }

  @Test
  void notes_haveKindsAndLines_andSillyOnesAreRefused() {
    String id = handIn(Client.signedIn(app, "tobias"), BOLLARD);
    Map<String, Object> note = note(UUID.randomUUID(), "praise", "This loop holds.");
    Map<String, Object> here = Map.of("x", 0, "y", 0, "z", 10);
    note.put("strokes", List.of(List.of(here)));
    marit.put(at(id, "draft"), draft(0, null, List.of(note))).is(400);
    note.put("strokes", List.of(List.of(here, Map.of("x", 5, "y", 0, "z", 10))));
    marit.put(at(id, "draft"), draft(0, null, List.of(note, note))).is(400);
    marit.put(at(id, "draft"), draft(0, null, List.of(note))).is(200);
    JsonNode kept = review(id).path("answer").path("notes").path(0);
    assertThat(kept.path("kind").asString()).isEqualTo("praise");
    assertThat(kept.path("strokes").path(0).path(1).path("x").asDouble()).isEqualTo(5);
    note.put("kind", "scold");
    marit.put(at(id, "draft"), draft(1, null, List.of(note))).is(400);
  }

  @Test
  void sameFault_isSaidInAllDraftsAtOnce_butThoseThatSomebodyHasOpen() {
    String rune = handIn(Client.signedIn(app, "rune"), BLOCK);
    String ines = handIn(Client.signedIn(app, "ines"), BLOCK);
    assistant.put(at(ines, "lease"), Map.of("takeOver", false)).is(200);
    JsonNode finding = review(rune).path("check").path("findings").path(0);
    Map<String, Object> asked =
        Map.of(
            "submissions", List.of(rune, ines),
            "kind", finding.path("kind").asString(),
            "text", "The same everywhere.");
    JsonNode came = marit.post("/api/desk/say", asked).is(200).json();
    assertThat(came.path("done")).hasSize(1);
    assertThat(came.path("left").path(0).path("student").asString()).isEqualTo("Ines Varga-Lund");
    assertThat(came.path("left").path(0).path("why").asString()).contains("Ottoline Brandt");
    JsonNode note = review(rune).path("answer").path("notes").path(0);
    assertThat(note.path("text").asString()).isEqualTo("The same everywhere.");
    assertThat(note.path("place")).isEqualTo(finding.path("place"));
    assertThat(review(ines).path("answer").path("notes")).isEmpty();
    assistant.delete(at(ines, "lease")).is(204);
  }

  @Test
  void onlyWhatIsClean_isAcceptedTogether() {
    String faulty = handIn(Client.signedIn(app, "bastian"), BLOCK);
    Map<String, Object> asked =
        Map.of("submissions", List.of(faulty), "word", "Clean.", "ready", false);
    JsonNode came = marit.post("/api/desk/accept", asked).is(200).json();
    assertThat(came.path("done")).isEmpty();
    assertThat(came.path("left").path(0).path("why").asString()).contains("not clean");
    assertThat(review(faulty).path("answer").path("verdict").isNull()).isTrue();
  }

  @Test
  void phrases_areKept_shared_merged_andCountedWhenTheyGoOut() {
    String course = database.value("select id from course where name = 'Harbour Props'");
    Map<String, Object> asked = new HashMap<>();
    asked.put("text", "Put {sides} sides back to 4.");
    asked.put("noteKind", "mend");
    asked.put("kind", "ngon");
    asked.put("putAway", false);
    String own = phrase(asked);
    asked.put("text", "One edge too many.");
    String other = phrase(asked);
    assertThat(assistant.get("/api/phrases").json().toString()).doesNotContain("too many");
    asked.put("course", course);
    marit.put("/api/phrases/" + other, asked).is(200);
    assertThat(assistant.get("/api/phrases").json().toString()).contains("too many");
    assistant.put("/api/phrases/" + other, asked).is(404);
    asked.put("kind", "fog");
    marit.put("/api/phrases/" + other, asked).is(400);

    String id = handIn(Client.signedIn(app, "amara"), BOLLARD);
    Map<String, Object> note = note(UUID.randomUUID(), "mend", "Put 6 sides back to 4.");
    note.put("phrase", own);
    send(id, "tryAgain", List.of(note));
    assertThat(uses(own)).isEqualTo(1);
    marit.post(at(id, "amendment"), null).is(200);
    send(id, "tryAgain", List.of(note));
    assertThat(uses(own)).as("the same note said again is no other use").isEqualTo(1);
    marit.post("/api/phrases/" + own + "/merge", Map.of("into", own)).is(400);
    marit.post("/api/phrases/" + own + "/merge", Map.of("into", other)).is(200);
    assertThat(uses(other)).isEqualTo(1);
    assertThat(uses(own)).isEqualTo(-1);
    asked.put("kind", null);
    asked.put("putAway", true);
    marit.put("/api/phrases/" + other, asked).is(200);
    assertThat(assistant.get("/api/phrases").json().toString()).doesNotContain("too many");
    marit.delete("/api/phrases/" + other).is(204);
  }

  private static String phrase(Map<String, Object> asked) {
    return marit.post("/api/phrases", asked).is(201).json().path("id").asString();
  }

  private static int uses(String id) {
    for (JsonNode phrase : marit.get("/api/phrases").is(200).json()) {
      if (phrase.path("id").asString().equals(id)) {
        return phrase.path("uses").asInt();
      }
    }
    return -1;
  }

  @Test
  void whatIsLaidBeside_isAnAttempt_theStarter_orAStep() {
    Client solveig = Client.signedIn(app, "solveig");
    String id = handIn(solveig, BOLLARD);
    String lid = handIn(Client.signedIn(app, "rune"), LID);
    JsonNode edges = marit.get(at(lid, "beside/starter/0/edges")).is(200).json();
    assertThat(edges.path("fresh")).as("the line across").hasSize(1);
    assertThat(edges.path("gone")).isEmpty();
    String step = review(lid).path("steps").path(0).path("id").asString();
    assertThat(review(lid).path("steps").path(0).path("depth").asInt()).isEqualTo(3);
    byte[] after = marit.get(at(lid, "beside/step/" + step + "/mesh")).is(200).bytes();
    assertThat(after).isEqualTo(marit.get(at(lid, "mesh")).is(200).bytes());
    marit.get(at(lid, "beside/attempt/1/mesh")).is(200);
    marit.get(at(lid, "beside/attempt/99/mesh")).is(404);
    marit.get(at(lid, "beside/attempt/-1/mesh")).is(404);
    marit.get(at(lid, "beside/reference/00/mesh")).is(404);
    marit.get(at(id, "beside/step/" + step + "/mesh")).is(404);
    marit.get(at(lid, "beside/fog/1/mesh")).is(400);
  }

  @Test
  void desk_isFiltered_andTellsWhatItCanBeFilteredBy() {
    String id = handIn(Client.signedIn(app, "amara"), BLOCK);
    JsonNode desk = marit.get("/api/desk").is(200).json();
    assertThat(desk.path("choices").path("kinds")).isNotEmpty();
    String assignment = desk(id).path("assignment").asString();
    for (JsonNode row : marit.get("/api/desk?assignment=" + assignment).json().path("rows")) {
      assertThat(row.path("assignment").asString()).isEqualTo(assignment);
    }
    assertThat(marit.get("/api/desk?group=" + UUID.randomUUID()).json().path("rows")).isEmpty();
    assertThat(marit.get("/api/desk?kind=fog").json().path("rows")).isEmpty();
    marit.get("/api/desk?group=fog").is(400);
    assistant.put(at(id, "lease"), Map.of("takeOver", false)).is(200);
    assertThat(marit.get("/api/desk?mine=true").json().path("rows").toString()).doesNotContain(id);
    assistant.delete(at(id, "lease")).is(204);
    assertThat(marit.get("/api/desk?mine=true").json().path("rows").toString()).contains(id);
  }
}
