package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.mesh.Mesh;
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

/**
 * Demonstrations in two browsers: made and told by an instructor, played and tried by a student.
 */
class DemonstrationTest {
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

  private static By step(String text) {
    return By.xpath("//li[@aria-current='step'][contains(., \"" + text + "\")]");
  }

  @Test
  void oneThatCameAlong_isShownToAClass_playedByAStudent_branchedOff_andComeBackTo() {
    try (Browser instructor = new Browser(app.address());
        Browser student = new Browser(app.address())) {
      instructor.open("/");
      instructor.press("Sign in as Marit");
      instructor.see(By.linkText("Demonstrations"));
      instructor.open("/demonstrations");
      instructor.see(By.partialLinkText("One triangle")).click();
      instructor.see("frame-line");
      instructor.press("Show it to");
      instructor.see(By.xpath("//label[contains(., 'Harbour Props')]/input")).click();
      instructor.see(By.cssSelector("[role=dialog] input:checked"));
      assertThat(instructor.barriers()).isEmpty();

      student.open("/");
      student.press("Sign in as Rune");
      student.see(By.linkText("Demonstrations")).click();
      student.see(By.partialLinkText("One triangle")).click();
      student.see(step("Starter"));
      assertThat(student.count("[aria-label=Steps] button")).as("nothing is told before").isZero();
      student.type(Keys.ARROW_RIGHT);
      student.see(step("Loops"));
      student.type(Keys.ARROW_RIGHT);
      student.see(step("Taken back"));
      student.type(Keys.ARROW_LEFT);
      student.see(step("right round the ring"));
      student.press("Play");
      student.see("question");
      student.seeText("where", "It waits");
      student.seeNo("answer");
      student.seeNo("cut-line");
      assertThat(student.barriers()).isEmpty();
      student.type(" ");
      student.seeText("answer", "no opposite side");
      student.see("cut-line");
      student.picture("demonstration");
      student.type(Keys.ARROW_RIGHT);
      student.see(step("Nineteen quads"));
      assertThat(student.script("return new URLSearchParams(location.search).get('lens')"))
          .as("the lens follows")
          .isEqualTo("flow");
      student.press("Turn freely");
      student.type(Keys.ARROW_RIGHT);
      student.see(step("before anything is built"));

      student.press("Try it yourself from here");
      student.await(() -> student.path().startsWith("/practice/"));
      student.leaveDialog("To the bench");
      student.see("stage");
      student.see(By.partialLinkText("Demonstration")).click();
      student.see(step("before anything is built"));
      student.see(By.xpath("//button[.='Go on with it']"));
      student.see(By.xpath("//*[@data-testid='frame-line'][contains(., 'your try, 0 steps')]"));
      assertThat(student.complaints()).isEmpty();
      assertThat(instructor.complaints()).isEmpty();
    }
  }

  /** Cut by the API, as what is cut is not what is asked here. */
  @Test
  void ownSteps_areKept_captioned_leftOut_andPlayed() {
    Client client = Client.signedIn(app, "marit");
    String practice = cutLid(client);
    try (Browser marit = new Browser(app.address())) {
      marit.open("/");
      marit.press("Sign in as Marit");
      marit.see(By.linkText("Practice"));
      marit.open("/practice/" + practice);
      marit.press("Show these steps");
      marit.write("Title", "Two lines across");
      marit.press("Keep and write captions");
      marit.see(By.xpath("//h1[.='Two lines across']"));
      assertThat(marit.isEnabled("Keep it")).isFalse();
      marit
          .see(By.xpath("(//label[contains(., 'Caption')]/textarea)[1]"))
          .sendKeys("From corner to corner.");
      marit.see(By.xpath("(//button[.='Take this view'])[1]")).click();
      marit.see(By.xpath("//button[.='View taken']"));
      marit.see(By.xpath("(//label[contains(., 'Left out')]/input)[1]")).click();
      marit.press("Keep it");
      marit.see(By.xpath("//*[@role='alert'][contains(., \"Step 2 can't be made\")]"));
      marit.see(By.xpath("(//label[contains(., 'Left out')]/input)[1]")).click();
      marit.see(By.xpath("(//label[contains(., 'Left out')]/input)[2]")).click();
      marit.chord(Keys.CONTROL, Keys.ENTER);
      marit.await(() -> !marit.isEnabled("Keep it"));
      assertThat(marit.barriers()).isEmpty();
      marit.picture("demonstration-told");
      marit.see(By.xpath("(//button[.='Back to playing'])[1]")).click();
      marit.type(Keys.HOME);
      marit.type(Keys.ARROW_RIGHT);
      marit.seeText("caption", "From corner to corner.");
      marit.seeText("where", "Step 1 of 1");
      assertThat(marit.complaints()).isEmpty();
    }
  }

  /** A line across a lid, and another that stands on it. */
  private static String cutLid(Client client) {
    Map<String, Object> form =
        Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID());
    String practice = client.post("/api/practice", form).is(201).json().path("id").asString();
    String workpiece =
        client
            .put("/api/practice/" + practice + "/workpiece", Map.of())
            .is(200)
            .json()
            .path("id")
            .asString();
    Map<String, Object> split =
        Map.of("tool", "split", "edges", List.of(lid().findEdge(16, 17)), "t", 0.5);
    step(client, workpiece, 0, split);
    Map<String, Object> across =
        Map.of(
            "tool", "connect", "vertices", List.of(32, 24), "scope", Map.of("hidden", List.of()));
    step(client, workpiece, 1, across);
    return practice;
  }

  private static Mesh lid() {
    return Form.HATCH_LID.mesh();
  }

  private static void step(Client client, String workpiece, long revision, Object change) {
    Map<String, Object> view =
        Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1));
    client
        .post(
            "/api/workpieces/" + workpiece + "/steps",
            Map.of(
                "revision",
                revision,
                "clientKey",
                UUID.randomUUID(),
                "view",
                view,
                "change",
                change))
        .is(200);
  }
}
