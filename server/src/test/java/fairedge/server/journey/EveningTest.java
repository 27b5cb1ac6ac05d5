package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.account.Accounts;
import fairedge.server.course.Classes;
import fairedge.server.course.Role;
import fairedge.server.platform.SignedIn;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.PointerInput;
import tools.jackson.databind.JsonNode;

/** An instructor's evening: a queue of hand-ins answered, and what students read of it. */
class EveningTest {
  private static final Mesh LID = HarbourProps.hatchLid();
  private static final List<String> NAMES =
      List.of(
          "Alva Brekke",
          "Boris Haug",
          "Cato Lien",
          "Dagny Moe",
          "Eskil Ruud",
          "Frida Solberg",
          "Geir Tveit",
          "Hedda Vik",
          "Ivar Aasen",
          "Jorunn Berg",
          "Kaia Dahl",
          "Leif Eide");

  private Database database;
  private Application app;
  private Browser instructor;

  @BeforeEach
  void start() {
    database = new Database();
    app = Application.on(database);
    instructor = new Browser(app.address());
  }

  @AfterEach
  void stop() {
    instructor.close();
    app.close();
    database.close();
  }

  private UUID course() {
    return UUID.fromString(database.value("select id from course where name = 'Harbour Props'"));
  }

  /** Hands the lid in, with one line across. */
  private static String handIn(Client student) {
    JsonNode items = student.get("/api/my-work").is(200).json().path("items");
    for (JsonNode item : items) {
      JsonNode assignment = item.path("assignment");
      if (assignment.path("exercise").path("title").asString().equals("Hatch lid")) {
        String place = "/api/assignments/" + assignment.path("id").asString() + "/workpiece";
        JsonNode open = student.put(place, Map.of()).is(200).json();
        String path = "/api/workpieces/" + open.path("id").asString();
        student.post(path + "/steps", step()).is(200);
        return student
            .post(path + "/submissions", Map.of("revision", 1, "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
      }
    }
    throw new IllegalStateException("no lid is set");
  }

  private static Map<String, Object> step() {
    return step(16, 24);
  }

  /** A line from corner to corner of the lid's top. */
  private static Map<String, Object> step(int from, int to) {
    Map<String, Object> view =
        Map.of("kind", "perspective", "eye", Map.of("x", 900, "y", -1400, "z", 700));
    List<Map<String, Object>> points =
        List.of(from, to).stream()
            .map(v ->
                Map.<String, Object>of("anchor", Map.of("on", "vertex", "vertex", v), "view", view))
            .toList();
    return Map.of(
        "revision",
        0,
        "clientKey",
        UUID.randomUUID(),
        "change",
        Map.of("tool", "trace", "points", points),
        "view",
        view);
  }

  private Client student(String signIn, String name) {
    School school = new School(app);
    SignedIn student = school.person(signIn, name);
    school.enrol(course(), student, Role.STUDENT);
    return Client.signedIn(app, signIn);
  }

  /** Twelve hand-ins, from the desk to the last return, without a pointer. */
  @Test
  void twelveHandIns_areAnsweredFromTheKeyboardAlone() {
    for (int i = 0; i < NAMES.size(); i++) {
      handIn(student("student" + i, NAMES.get(i)));
    }
    instructor.open("/");
    instructor.tabTo("Sign in as Marit");
    instructor.type(Keys.ENTER);
    instructor.see(By.xpath("//h1[.='12 wait for review']"));
    assertThat(instructor.barriers()).isEmpty();
    instructor.type(Keys.ENTER);
    Set<String> opened = new HashSet<>();
    for (int i = 0; i < NAMES.size(); i++) {
      String name = NAMES.get(i);
      instructor.see(By.xpath("//header//*[.='" + name + "']"));
      instructor.see("chosen-place");
      opened.add(instructor.path().replaceAll("[?].*", ""));
      instructor.type("n");
      instructor.see(By.cssSelector("[aria-label='Text of note 1']:focus"));
      if (i == 0) {
        instructor.type("Two more lines across, and it is quads.");
        keepAsPhrase();
      } else {
        // The words of the first, which are offered under the note.
        instructor.see(By.cssSelector("[aria-label=Phrases] button"));
        instructor.type(Keys.ARROW_DOWN);
        instructor.see(By.cssSelector("[aria-label=Phrases] button:focus"));
        instructor.type(Keys.ENTER);
      }
      instructor.type(Keys.ESCAPE);
      instructor.type("k");
      instructor.see(By.cssSelector("[aria-label=Verdict] [aria-checked=true]"));
      instructor.chord(Keys.CONTROL, Keys.ENTER);
    }
    instructor.see(By.xpath("//h1[.='Nothing waits for review']"));
    assertThat(opened).hasSize(NAMES.size());
    assertThat(
            database.rows(
                "select distinct a.verdict, n.text, n.finding, n.phrase_id is not null or n.number"
                    + " = 1 from answer a join note n using (submission_id) where a.is_out"))
        .containsExactly(List.of("try-again", "Two more lines across, and it is quads.", "0", "t"));
    assertThat(database.value("select count(*) from saying")).isEqualTo("12");
    assertThat(database.value("select uses from phrase")).isEqualTo("11");
    assertThat(instructor.complaints()).isEmpty();
  }

  private void keepAsPhrase() {
    instructor.tabTo("Keep as a phrase");
    instructor.type(Keys.ENTER);
    instructor.see(By.xpath("//li[@data-note='1']//*[.='kept']"));
  }

  private static Vec3 onTop(double x, double y) {
    return new Vec3(x, y, LID.position(16).z());
  }

  /** Drawn on the surface, kept on it however the model turns, and seen so by the student. */
  @Test
  void stroke_staysOnTheSurface_inTheStudentsAnswerToo() {
    Client rune = Client.signedIn(app, "rune");
    String id = handIn(rune);
    instructor.open("/");
    instructor.press("Sign in as Marit");
    instructor.button("Review");
    instructor.open("/review/" + id + "?alone=yes");
    instructor.see("chosen-place");
    instructor.type("v");
    instructor.type("d");
    instructor.button("Drawing");
    instructor.draw(onTop(-80, -60), onTop(-20, -40), onTop(30, -70), onTop(90, -50));
    instructor.see(By.cssSelector("[aria-label='Text of note 1']:focus"));
    instructor.type("A line like this.");
    instructor.type(Keys.ESCAPE);
    instructor.type("d");
    JsonNode strokes = strokes(id);
    assertThat(strokes).hasSize(1);
    assertThat(strokes.path(0).size()).isGreaterThan(10);
    for (JsonNode place : strokes.path(0)) {
      assertThat(place.path("z").asDouble())
          .as("on the top of the lid")
          .isCloseTo(LID.position(16).z(), within(1e-3));
      assertThat(Math.abs(place.path("x").asDouble())).isLessThan(110);
    }
    String drawn = path(instructor);
    instructor.dragFrom(330, 170, PointerInput.MouseButton.LEFT, 160, 0);
    instructor.await(() -> !path(instructor).equals(drawn));
    assertThat(strokes(id)).as("the view turns, the line stays").isEqualTo(strokes);

    instructor.type("y");
    instructor.see(By.cssSelector("[aria-label=Verdict] [aria-checked=true]"));
    instructor.chord(Keys.CONTROL, Keys.ENTER);
    database.await("select count(*) from saying", "1");
    try (Browser student = new Browser(app.address())) {
      student.open("/");
      student.press("Sign in as Rune");
      student.button("Read the answer");
      student.open("/answer/" + id + "?note=1");
      student.see(By.cssSelector("[data-stroke='1']"));
      assertThat(path(student)).hasSizeGreaterThan(40);
      replyAndReadIt(student, id);
      amendAndReadIt(student, id);
      assertThat(student.barriers()).isEmpty();
      student.picture("answer");
      assertThat(student.complaints()).isEmpty();
    }
    assertThat(instructor.complaints()).isEmpty();
  }

  private static String path(Browser browser) {
    return String.valueOf(
        browser.script(
            "return document.querySelector('[data-stroke] path:last-child')?.getAttribute('d')"));
  }

  private JsonNode strokes(String id) {
    database.await("select count(*) from note where text like 'A line%'", "1");
    return Client.signedIn(app, "marit")
        .get("/api/submissions/" + id + "/review?ahead=true")
        .is(200)
        .json()
        .path("answer")
        .path("notes")
        .path(0)
        .path("strokes");
  }

  private void replyAndReadIt(Browser student, String id) {
    student.press("Reply");
    student.type("Should it run round the back too?");
    student.press("Send the reply");
    student.see(By.xpath("//*[contains(., 'your reply')]"));
    student.seeNone("button[name=Reply]");
    instructor.open("/desk");
    instructor.see(By.xpath("//*[.='Replied to an answer']"));
    instructor.open("/review/" + id);
    instructor.see(
        By.xpath("//*[@aria-label='Replies']//*[.='Should it run round the back too?']"));
    database.await("select count(*) from note_thread where read_at is not null", "1");
  }

  private void amendAndReadIt(Browser student, String id) {
    instructor.press("Amend this answer");
    instructor.button("Leave it as it was");
    instructor.see(By.cssSelector("label textarea:enabled"));
    instructor.write("A word to Rune", "Yes, right round.");
    instructor.see(By.xpath("//*[@role='status'][.='Kept']"));
    student.open("/answer/" + id);
    student.see(By.cssSelector("[data-note='1']"));
    assertThat(student.count("section[aria-label=Answer] p.whitespace-pre-wrap"))
        .as("what is written is not out")
        .isZero();
    instructor.press("Return");
    database.await("select count(*) from saying", "2");
    student.open("/answer/" + id + "?note=1");
    student.see(By.xpath("//*[.='Yes, right round.']"));
    student.see(By.xpath("//summary[contains(., 'Said before')]"));
  }

  /** A mend is looked at beside the hand-in, sent with a note, and tried by its student. */
  @Test
  void aMend_isSentWithANote_andTriedByItsStudent() {
    String id = handIn(Client.signedIn(app, "rune"));
    instructor.open("/");
    instructor.press("Sign in as Marit");
    instructor.button("Review");
    instructor.open("/review/" + id + "?alone=no");
    instructor.see("chosen-place");
    instructor.type("m");
    instructor.see(By.cssSelector("[data-testid=mend-form] [role=radio][aria-checked=true]"));
    instructor.see(By.xpath("//*[@data-testid='beside']//*[contains(., 'With the mend')]"));
    instructor.see(By.cssSelector("[data-testid=ghost] [data-advice]"));
    assertThat(instructor.barriers()).isEmpty();
    instructor.type(Keys.ENTER);
    instructor.see(By.cssSelector("[aria-label='Text of note 1']:focus"));
    instructor.type("So it is quads.");
    instructor.see("note-mend");
    instructor.type(Keys.ESCAPE);
    instructor.press("Show it");
    instructor.see(By.cssSelector("[data-testid=beside] [data-advice]"));
    instructor.picture("review-mend");
    instructor.type("k");
    instructor.see(By.cssSelector("[aria-label=Verdict] [aria-checked=true]"));
    instructor.chord(Keys.CONTROL, Keys.ENTER);
    database.await("select count(*) from saying", "1");
    try (Browser student = new Browser(app.address())) {
      student.open("/");
      student.press("Sign in as Rune");
      student.button("Read the answer");
      student.open("/answer/" + id + "?note=1");
      student.see(By.cssSelector("[data-testid=ghost] [data-advice]"));
      student.press("Try this mend");
      student.seeText("slip", "The mend of note 1");
      student.seeText("slip", "stand now go");
      student.type("u");
      student.see(By.cssSelector("[data-testid=ghost] [data-advice]"));
      student.type("u");
      student.type(Keys.ENTER);
      student.await(() -> student.see("last-step").getText().contains("2"));
      student.press("Undo");
      student.await(() -> student.see("last-step").getText().contains("Trace"));
      assertThat(student.complaints()).isEmpty();
    }
    assertThat(instructor.complaints()).isEmpty();
  }

  /** What an instructor cuts on a copy of the hand-in becomes the mend of the note. */
  @Test
  void aMendDrawnOnACopy_isGivenToTheNote() {
    String id = handIn(Client.signedIn(app, "rune"));
    instructor.open("/");
    instructor.press("Sign in as Marit");
    instructor.button("Review");
    instructor.open("/review/" + id + "?alone=yes");
    instructor.see("chosen-place");
    instructor.type("n");
    instructor.see(By.cssSelector("[aria-label='Text of note 1']:focus"));
    instructor.type("Watch this.");
    instructor.press("Draw its mend on a copy");
    instructor.await(() -> instructor.path().startsWith("/practice/"));
    instructor.leaveDialog("To the bench");
    assertThat(instructor.isEnabled("Give it to the note")).isFalse();
    String copy =
        database.value(
            "select id from workpiece where owner_type = 'practice' order by opened_at desc limit"
                + " 1");
    Client.signedIn(app, "marit").post("/api/workpieces/" + copy + "/steps", step(18, 22)).is(200);
    instructor.reload();
    instructor.press("Give it to the note");
    instructor.await(() -> instructor.path().startsWith("/review/" + id));
    instructor.see("note-mend");
    instructor.see(By.xpath("//*[@data-testid='note-mend'][contains(., 'Drawn by hand')]"));
    assertThat(instructor.complaints()).isEmpty();
  }

  /** Somebody else has it open: it can be read, and taken over with what is written. */
  @Test
  void heldAnswer_isReadOnly_untilItIsTakenOver() {
    app.bean(Classes.class)
        .enrol(
            course(),
            app.bean(Accounts.class).create("Ottoline Brandt", "ottoline", "harbour-props").id(),
            Role.ASSISTANT);
    String id = handIn(Client.signedIn(app, "rune"));
    Client ottoline = Client.signedIn(app, "ottoline");
    String lease = "/api/submissions/" + id + "/lease";
    ottoline.put(lease, Map.of("takeOver", false)).is(200);
    instructor.open("/");
    instructor.press("Sign in as Marit");
    instructor.see(By.xpath("//*[.='Ottoline Brandt has it open']"));
    instructor.open("/review/" + id);
    instructor.seeText("held", "Ottoline Brandt has this answer open");
    assertThat(instructor.isEnabled("Accepted")).isFalse();
    instructor.press("Take over");
    instructor.seeNo("held");
    instructor.press("Accepted");
    instructor.see(By.xpath("//*[@role='status'][.='Kept']"));
    assertThat(ottoline.put(lease, Map.of("takeOver", false)).json().path("holder").asString())
        .isEqualTo("Marit Tangen");
    assertThat(instructor.complaints()).isEmpty();
  }
}
