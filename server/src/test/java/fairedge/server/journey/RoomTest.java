package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.props.Form;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.PointerInput;

/** The room in two browsers: an instructor looks on, a student cuts and asks; the server dies. */
class RoomTest {
  private static Database database;
  private static Application app;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static By tile(String text) {
    return By.xpath("//button[@data-tile][contains(., \"" + text + "\")]");
  }

  private static String assignment(String title) {
    return database.value(
        "select a.id from assignment a join exercise e on e.id = a.exercise_id where e.title = '"
            + title
            + "'");
  }

  /** Splits an edge of the lid's rim, at whichever revision it is. */
  private static void step(Client student, String workpiece) {
    long revision = student.get("/api/workpieces/" + workpiece).json().path("revision").asLong();
    int edge = Form.HATCH_LID.mesh().findEdge(16 + (int) revision, 17 + (int) revision);
    student
        .post(
            "/api/workpieces/" + workpiece + "/steps",
            Map.of(
                "revision",
                revision,
                "clientKey",
                UUID.randomUUID(),
                "view",
                Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1)),
                "change",
                Map.of("tool", "split", "edges", List.of(edge), "t", 0.5)))
        .is(200);
  }

  @Test
  void aStudentAsks_isSeen_isTold_andBothComeBackWhenTheServerDies() {
    Client cutting = Client.signedIn(app, "rune");
    String assignment = assignment("Hatch lid");
    try (Browser instructor = new Browser(app.address());
        Browser student = new Browser(app.address())) {
      instructor.open("/");
      instructor.press("Sign in as Marit");
      instructor.see(By.linkText("Room")).click();
      instructor.see(By.xpath("//*[.='Nobody is at the bench now.']"));
      assertThat(instructor.barriers()).isEmpty();

      student.open("/");
      student.press("Sign in as Rune");
      student.see(By.xpath("//h1[.='My work']"));
      student.open("/bench/" + assignment);
      student.leaveDialog("To the bench");
      student.seeText("company", "Marit Tangen has the room open");
      instructor.see(tile("Rune Osterholm"));
      student.press("Ask for help");
      instructor.see(tile("asks for help"));
      instructor.see(tile("Rune Osterholm")).click();
      instructor.see(By.xpath("//aside//*[contains(., 'asks for help, and sees')]"));
      student.seeText("company", "Marit Tangen looks on");

      String workpiece =
          database.value(
              "select w.id from workpiece w join account a on a.id = w.account_id where a.sign_in ="
                  + " 'rune'");
      step(cutting, workpiece);
      instructor.see(By.xpath("//aside//li[contains(., 'Split')]"));
      instructor.write("Text of the hint", "Begin at the rim.");
      assertThat(instructor.barriers()).isEmpty();
      instructor.picture("room");
      instructor.chord(Keys.CONTROL, Keys.ENTER);
      student.seeText("pinned-hint", "Begin at the rim.");
      student.picture("bench-hint");
      assertThat(student.barriers()).isEmpty();
      student.press("Understood");
      student.seeNo("pinned-hint");

      int port = app.port();
      app.close();
      app = Application.on(database, port);
      Client again = Client.signedIn(app, "rune");
      instructor.await(() -> instructor.count("[data-tile]") == 1);
      // Both lines come back by themselves; until then the step is kept, and told afterwards.
      student.await(() ->
          Integer.parseInt(
                  database.value(
                      "select count(*) from room_watch where until > now() and workpiece_id"
                          + " is not null"))
              > 0);
      step(again, workpiece);
      instructor.see(tile("step 2"));

      student.open("/my-work");
      student.see(By.xpath("//h2[.='Hints at the bench']"));
      student.see(By.xpath("//li[contains(., 'Begin at the rim.')]"));
      assertThat(student.complaints()).isEmpty();
    }
  }

  @Test
  void anInstructorsBench_isFollowedByAStudent_whoBranchesOff_andComesBack() {
    Client marit = Client.signedIn(app, "marit");
    String practice =
        marit
            .post(
                "/api/practice",
                Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
    try (Browser instructor = new Browser(app.address());
        Browser student = new Browser(app.address())) {
      instructor.open("/");
      instructor.press("Sign in as Marit");
      instructor.see(By.linkText("Room"));
      student.open("/");
      student.press("Sign in as Ines");
      student.see(By.xpath("//h1[.='My work']"));
      instructor.open("/practice/" + practice);
      instructor.leaveDialog("To the bench");
      instructor.press("Show live");
      instructor.see("showing");
      student.see(By.linkText("Follow it")).click();
      student.seeText("shown-step", "The starter");
      String before = student.projection();
      instructor.drag(PointerInput.MouseButton.LEFT, 160, 30);
      student.await(() -> !student.projection().equals(before));
      instructor.write("Caption for the class", "Look at the rim.");
      instructor.type(Keys.ENTER);
      student.seeText("shown-caption", "Look at the rim.");
      String workpiece = database.value("select workpiece_id from bench_show");
      step(marit, workpiece);
      student.seeText("shown-step", "Step 1: Split");
      assertThat(student.barriers()).isEmpty();
      assertThat(instructor.barriers()).isEmpty();
      student.picture("show");
      student.press("Turn freely");
      String free = student.projection();
      instructor.drag(PointerInput.MouseButton.LEFT, -90, 20);
      instructor.write("Caption for the class", "And now from here.");
      instructor.type(Keys.ENTER);
      student.seeText("shown-caption", "And now from here.");
      assertThat(student.projection()).as("the view is the student's own").isEqualTo(free);
      student.press("Try it yourself from here");
      student.await(() -> student.path().startsWith("/practice/"));
      student.leaveDialog("To the bench");
      student.see(By.partialLinkText("What is shown")).click();
      student.seeText("shown-step", "Step 1: Split");
      instructor.press("Stop showing");
      student.see(By.xpath("//*[.='Nothing is shown to the class now.']"));
      assertThat(student.complaints()).isEmpty();
      assertThat(instructor.complaints()).isEmpty();
    }
  }
}
