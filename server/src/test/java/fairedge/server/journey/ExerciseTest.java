package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.running.Application;
import fairedge.server.running.Database;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** An exercise of one's own: from a mesh file to a hand-in with its credits. */
class ExerciseTest {
  @TempDir private Path folder;

  private Database database;
  private Application app;
  private Browser marit;
  private Browser rune;

  @BeforeEach
  void start() {
    database = new Database();
    app = Application.on(database);
    marit = new Browser(app.address());
    rune = new Browser(app.address());
  }

  @AfterEach
  void stop() {
    marit.close();
    rune.close();
    app.close();
    database.close();
  }

  private static void signIn(Browser browser, String name) {
    browser.open("/sign-in");
    browser.press("Sign in as " + name);
    browser.see(By.xpath("//nav[@aria-label='Places']"));
  }

  private void goTo(String section) {
    marit
        .see(
            By.xpath("//nav[@aria-label='Sections']//button[contains(., '%s')]".formatted(section)))
        .click();
  }

  @Test
  void exerciseIsMadeOfAFile_set_handedIn_andProposedItsCredits() throws IOException {
    signIn(marit, "Marit");
    marit.open("/exercises");
    marit.press("New exercise");
    marit.seeText("status", "no student sees it");
    assertThat(marit.isEnabled("Make it ready")).isFalse();
    StringBuilder lid = new StringBuilder();
    ObjWriter.write(HarbourProps.hatchLid(), lid);
    Path file = folder.resolve("locker-lid.obj");
    Files.writeString(file, lid);
    marit.choose(file);
    marit.seeText("starter-ledger", "must");
    marit.see(By.xpath("//b[.='locker-lid.obj']"));

    goTo("Brief");
    marit.write("Title", "Locker lid");
    marit.write("One line of what is asked", "Both sides into quads");
    marit.write("The brief", "Cut **both** sides.");
    marit.see(By.xpath("//*[@data-testid='brief-read']//strong[.='both']"));
    goTo("What counts");
    marit.press("counts only");
    goTo("Credits");
    marit.press("by what is found");
    marit.press("by eye");
    marit.see(By.xpath("//*[@data-testid='would-get']//td[starts-with(., 'Starter')]"));
    assertThat(marit.barriers()).isEmpty();
    marit.press("Try it as a student would");
    marit.leaveDialog("To the bench");
    marit.seeText("counts", "Where they are is told with the first answer");
    marit.press("The exercise");
    marit.await(() -> marit.isEnabled("Make it ready"));
    marit.press("Make it ready");
    marit.seeText("status", "this is what students see");
    goTo("Set it");
    marit.press("Set it, open at once");
    marit.seeText("stand", "students see it and hand in");
    assertThat(marit.barriers()).isEmpty();

    signIn(rune, "Rune");
    rune.open("/my-work");
    rune.see(By.xpath("//h2[.='Locker lid']"));
    String assignment =
        database.value(
            "select a.id from assignment a join exercise e on e.id = a.exercise_id where e.title ="
                + " 'Locker lid'");
    rune.open("/bench/" + assignment);
    rune.see(By.xpath("//strong[.='both']"));
    rune.leaveDialog("To the bench");
    rune.seeText("tally", "2 must");
    rune.seeText("counts", "Where they are is told with the first answer");
    assertThat(rune.marks()).isEmpty();
    assertThat(rune.count("button[aria-pressed][title^='Where other than four']")).isZero();
    assertThat(rune.barriers()).isEmpty();
    rune.press("Hand in");
    rune.press("Hand in the working copy");
    rune.leaveDialog("Good");

    String submission =
        database.value(
            "select id from submission where assignment_id = '%s'".formatted(assignment));
    marit.open("/review/" + submission);
    // Two sides of 16 must be mended, a credit each; the form is for the eye.
    marit.seeText("credits", "2 of 7");
    marit.seeText("credits", "2 must, 0 should");
    marit.seeText("credits", "by eye");
    // The digits choose among the words that were written; the total follows once it is kept.
    marit.type("2");
    marit.see(By.cssSelector("[data-testid=credits] [role=radio][aria-checked=true]"));
    marit.await(() -> !database.value(seen(submission)).equals("{}"));
    marit.seeText("credits", " of 7");
    assertThat(marit.barriers()).isEmpty();
    assertThat(marit.complaints()).isEmpty();
    assertThat(rune.complaints()).isEmpty();
  }

  private static String seen(String submission) {
    return "select coalesce((select seen::text from answer where submission_id = '%s'), '{}')"
        .formatted(submission);
  }

  /**
   * Marks are set by clicks on the stage, a reference is cut, and students can't get round them.
   */
  @Test
  void starterIsMarked_solvedOnTheBench_andStudentsAreHeldToIt() {
    Mesh bollard = HarbourProps.mooringBollard();
    signIn(marit, "Marit");
    marit.open("/exercises");
    marit.press("New exercise");
    marit.seeText("status", "no student sees it");
    marit.see(By.xpath("//main//button[contains(., 'Mooring bollard')]")).click();
    marit.seeText("starter-ledger", "Clean");
    marit.press("faces to cut");
    // Two quads of the waist that face the viewer, and no more.
    Vec3 waist = middleOf(bollard, 44);
    marit.clickAt(waist);
    marit.see(By.xpath("//button[.='1 face may be cut']"));
    marit.clickAt(middleOf(bollard, 45));
    marit.see(By.xpath("//button[.='2 faces may be cut']"));
    marit.press("held still");
    marit.clickAt(bollard.position(45));
    marit.see(By.xpath("//button[.='1 held still']"));
    marit.press("Done");
    marit.picture("exercise-starter");

    goTo("Reference and lines");
    marit.press("draw a line");
    marit.clickAt(waist.towards(bollard.position(44), 0.4));
    marit.clickAt(waist);
    marit.press("Keep the line");
    marit.see(By.xpath("//button[.='1 line required']"));
    marit.press("Take it off");
    marit.see(By.xpath("//button[.='required edges']"));
    marit.press("Make one on the bench");
    marit.leaveDialog("To the bench");
    marit.clickAt(bollard.position(44));
    marit.clickAt(bollard.position(57));
    marit.seeText("effect", "Splits 1 quad");
    marit.press("Make the cut");
    marit.seeText("last-step", "Trace");
    marit.press("Keep it as a reference");
    marit.seeText("reference", "made on the bench");
    assertThat(marit.barriers()).isEmpty();
    goTo("Brief");
    marit.write("Title", "Guarded bollard");
    marit.write("One line of what is asked", "One quad in two");
    marit.write("The brief", "Cut one quad of the waist from corner to corner.");
    marit.await(() -> marit.isEnabled("Make it ready"));
    marit.press("Make it ready");
    goTo("Set it");
    marit.press("Set it, open at once");
    marit.seeText("stand", "students see it and hand in");

    signIn(rune, "Rune");
    rune.open(
        "/bench/"
            + database.value(
                "select a.id from assignment a join exercise e on e.id = a.exercise_id where"
                    + " e.title = 'Guarded bollard'"));
    rune.leaveDialog("To the bench");
    rune.see("exercise-marks");
    rune.seeText("marks-key", "Shaded faces are locked");
    rune.type("3");
    rune.clickAt(bollard.position(44).towards(bollard.position(56), 0.5));
    rune.seeText("slip", "locks");
    assertThat(rune.isEnabled("Make the cut")).isFalse();
    rune.press("Drop it");
    rune.type("1");
    rune.clickAt(bollard.position(44));
    rune.clickAt(bollard.position(57));
    rune.press("Make the cut");
    rune.seeText("last-step", "Trace");
    assertThat(rune.barriers()).isEmpty();
    assertThat(marit.complaints()).isEmpty();
  }

  /** Of the quad of the waist right of a column. */
  private static Vec3 middleOf(Mesh mesh, int column) {
    return mesh.position(column).towards(mesh.position(column + 13), 0.5);
  }

  /** The same editor by keys alone: what is missing leads to where it is written. */
  @Test
  void exerciseIsWritten_byKeysAlone() {
    signIn(marit, "Marit");
    marit.open("/exercises");
    marit.button("New exercise");
    marit.tabTo("New exercise");
    marit.type(Keys.ENTER);
    marit.seeText("status", "no student sees it");
    marit.tabTo("Capstan");
    marit.type(Keys.ENTER);
    marit.seeText("starter-ledger", "1 must");
    marit.tabTo("pardoned");
    marit.type(Keys.ENTER);
    marit.seeText("starter-ledger", "1 pardoned");
    marit.tabTo("A title");
    marit.type(Keys.ENTER);
    marit.see(By.xpath("//span[.='Title']"));
    for (String text : new String[] {"Capstan head", "A round head into quads", "Cut it."}) {
      tabToAnEmptyField();
      marit.type(text);
    }
    marit.await(() -> marit.isEnabled("Make it ready"));
    marit.tabTo("Make it ready");
    marit.type(Keys.ENTER);
    marit.seeText("status", "this is what students see");
    marit.tabTo("6");
    marit.type(Keys.ENTER);
    marit.button("Set it, open at once");
    marit.tabTo("Set it, open at once");
    marit.type(Keys.ENTER);
    marit.seeText("stand", "open");
    assertThat(marit.complaints()).isEmpty();
  }

  private void tabToAnEmptyField() {
    for (int i = 0; i < 80; i++) {
      marit.type(Keys.TAB);
      boolean isThere =
          Boolean.TRUE.equals(
              marit.script(
                  "const f = document.activeElement; return f.matches('main input, main textarea')"
                      + " && f.value === ''"));
      if (isThere) {
        return;
      }
    }
    throw new AssertionError("no field to write in");
  }
}
