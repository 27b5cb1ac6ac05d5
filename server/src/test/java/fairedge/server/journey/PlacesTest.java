package fairedge.server.journey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.core.props.HarbourProps;
import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.io.IOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer.OrderAnnotation;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.PointerInput.MouseButton;

/** Every place with the work of the demonstration class in it: by day, by night, by keyboard. */
@TestMethodOrder(OrderAnnotation.class)
class PlacesTest {
  private static Database database;
  private static Application app;
  private Browser browser;

  @BeforeAll
  static void start() {
    database = Database.empty();
    app = Application.on(database, 0, "--fair-edge.demo-work=true", "--fair-edge.demo-term=false");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  @BeforeEach
  void openBrowser() {
    browser = new Browser(app.address());
  }

  @AfterEach
  void closeBrowser() {
    browser.close();
  }

  private void signIn(String name) {
    browser.open("/sign-in");
    browser.script("document.cookie = 'SESSION=; Max-Age=0; path=/'");
    browser.press("Sign in as " + name);
    browser.await(() -> !browser.path().contains("sign-in"));
    browser.see(By.cssSelector("h1, [data-testid=stage]"));
  }

  private String exercise(String title) {
    return database.value("select id from exercise where title = '" + title + "'");
  }

  private String assignment(String title) {
    return database.value(
        "select a.id from assignment a join exercise e on e.id = a.exercise_id where e.title = '"
            + title
            + "'");
  }

  /** The attempts at an exercise. */
  private static final String ATTEMPTS =
      " submission s join assignment g on g.id = s.assignment_id join exercise e on e.id ="
          + " g.exercise_id ";

  /** The submission of someone that waits, or the one that came back. */
  private String submission(String signIn, boolean returned) {
    return database.value(
        "select s.id from submission s join account a on a.id = s.student_id where a.sign_in = '"
            + signIn
            + "' and "
            + (returned ? "" : "not ")
            + "exists (select 1 from answer n where n.submission_id = s.id and n.returned_at is not"
            + " null)");
  }

  /** First, on the demonstration as it is: others change what counts in it. */
  @Test
  @Order(1)
  void everyPlace_isOpenToAll_byDayAndNight() {
    browser.open("/sign-in");
    browser.button("Sign in as Amara");
    expectOpen("sign-in");
    signIn("Rune");
    browser.button("Hand in a file");
    expectOpen("my-work");
    browser.press("Hand in a file");
    browser.see("drop");
    expectOpen("hand-in");
    browser.open("/practice");
    browser.button("Choose a file");
    expectOpen("practice");
    browser.open("/answer/" + submission("rune", true) + "?note=1");
    browser.see("verdict");
    browser.see("stage");
    expectOpen("answer");
    browser.open("/bench/" + assignment("Fairlead block"));
    browser.leaveDialog("To the bench");
    browser.seeText("tally", "must");
    expectOpen("bench");
    browser.type("?");
    browser.see(By.cssSelector("[role=dialog]"));
    expectOpen("keys");
    signIn("Marit");
    browser.button("Review");
    expectOpen("desk");
    browser.open("/exercises");
    browser.button("Mooring bollard");
    expectOpen("exercises");
    for (String section :
        List.of("starter", "brief", "counts", "references", "credits", "setting")) {
      browser.open("/exercises/" + exercise("Hatch lid") + "?section=" + section);
      browser.seeText("starter-ledger", "must");
      expectOpen("exercise-" + section);
    }
    browser.open("/outbox");
    browser.see(By.xpath("//h1[.='Outbox']"));
    expectOpen("outbox");
    browser.open("/assignments/" + assignment("Hatch lid") + "/bundle");
    browser.see("drop");
    expectOpen("bundle");
    browser.open("/handbook/ring-stop");
    browser.see("card");
    expectOpen("handbook");
    browser.open("/review/" + submission("tobias", false));
    browser.seeText("review-tally", "3 must");
    expectOpen("review");
    assertThat(browser.complaints()).isEmpty();
  }

  private void expectOpen(String place) {
    assertThat(browser.barriers()).as(place).isEmpty();
    assertThat(browser.barriersByNight()).as(place + ", by night").isEmpty();
    if (List.of("desk", "my-work", "practice", "exercise-credits", "handbook").contains(place)) {
      browser.picture(place);
    }
    if (place.equals("review")) {
      browser.script("document.documentElement.dataset.theme = 'night'");
      browser.picture("review-night");
      browser.script("document.documentElement.dataset.theme = 'light'");
    }
  }

  /** What counts is changed on the screen; what was handed in is inspected anew by it. */
  @Test
  void termsOfAnExercise_areChanged_andCountAtOnce() {
    signIn("Marit");
    browser.button("Review");
    browser.open("/exercises/" + exercise("Hatch lid") + "?section=counts");
    browser.see(By.xpath("//*[@aria-label='N-gons that are flat']//*[.='remark']")).click();
    browser.see(By.xpath("//*[@aria-label='Rings that stop']//*[.='off']")).click();
    browser.write("Neighbours whose widths differ by over", "5" + Keys.TAB);
    browser.write("Face budget", "10");
    browser.seeText("status", "students see what was ready before");
    browser.press("Let the changes hold");
    browser.seeText("status", "this is what students see");
    browser.await(() ->
        database
            .value(
                "select count(*) from"
                    + ATTEMPTS
                    + "where e.title = 'Hatch lid' and s.report_version <> 1")
            .equals("0"));
    browser.reload();
    assertThat(
            browser
                .see(By.cssSelector("[aria-label='Neighbours whose widths differ by over']"))
                .getDomProperty("value"))
        .isEqualTo("5");
    browser.open(
        "/review/"
            + database.value(
                "select s.id from"
                    + ATTEMPTS
                    + "where e.title = 'Hatch lid' and s.answered_at is null limit 1"));
    browser.see(By.cssSelector("[data-finding-row^='too-many']"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void lenses_sayOfTheHandedInMesh_howItFlows_andWhereItLies() {
    signIn("Marit");
    browser.open(
        "/review/"
            + database.value(
                "select s.id from"
                    + ATTEMPTS
                    + "join account a on a.id = s.student_id where a.sign_in = 'rune' and e.title ="
                    + " 'Hatch lid' order by s.handed_in_at desc limit 1"));
    browser.see("marks");
    browser.type("f");
    browser.seeText("lens-legend", "others stop at");
    Mesh lid = HarbourProps.hatchLid();
    // Of the bottom: from there the worst of it is seen.
    browser.pointAt(lid.position(4).towards(lid.position(5), 0.5));
    browser.seeText("along", "A loop of");
    browser.seeText("along", "It ends at a pole where 3 edges meet");
    browser.type("p");
    browser.seeText("lens-legend", "poles: ");
    browser.type("a");
    browser.seeText("lens-legend", "Evenly spaced");
    browser.type("h");
    browser.seeText("lens-legend", "The surface lies where the starter's lies.");
    assertThat(browser.path()).contains("/review/");
    // The letter of the lens that is on goes back to the one before.
    browser.type("h");
    browser.seeText("lens-legend", "Evenly spaced");
    browser.type("c");
    browser.seeNo("lens-legend");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void smoothSurface_isShownAtEveryLevel_andTheForm_isBentForALook() {
    signIn("Marit");
    browser.open(
        "/review/"
            + database.value(
                "select s.id from"
                    + ATTEMPTS
                    + "join account a on a.id = s.student_id where a.sign_in = 'rune' and e.title ="
                    + " 'Hatch lid' order by s.handed_in_at desc limit 1"));
    browser.see("marks");
    browser.type("u");
    browser.seeText("lens-legend", "How far the smooth surface ends from its cage");
    browser.press("4");
    browser.see(By.xpath("//*[@aria-label='Level']//button[.='4' and @aria-pressed='true']"));
    assertThat(browser.path()).contains("level=4");
    browser.picture("review-subdivided");
    browser.type("t");
    browser.seeText("lens-legend", "A striped room");
    browser.type("e");
    browser.seeText("lens-legend", "too few sections");
    browser.seeNo("marks");
    browser.picture("review-bend");
    browser.press("Twist");
    browser.see(By.xpath("//*[@role='slider']")).sendKeys(Keys.HOME);
    browser.seeText("lens-legend", "fold");
    assertThat(browser.path()).contains("bend=twist").contains("-360");
    browser.write("How much in \u00b0", "0");
    browser.type(Keys.ENTER);
    browser.seeText("lens-legend", "Nothing folds or gapes");
    browser.script("document.activeElement.blur()");
    // The letter goes back to the lens before.
    browser.type("e");
    browser.seeText("lens-legend", "A striped room");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void handInsOfAClass_areMatched_putRight_andHandedIn(@TempDir Path folder) throws IOException {
    List<Path> files = new ArrayList<>();
    for (String name : List.of("Solveig Aune", "bastian-bollard", "from somebody")) {
      Path file = folder.resolve(name + ".obj");
      try (Writer out = Files.newBufferedWriter(file)) {
        ObjWriter.write(HarbourProps.mooringBollard(), out);
      }
      files.add(file);
    }
    signIn("Marit");
    browser.open("/exercises");
    browser.press("Hand in for students");
    browser.see("drop");
    browser.open("/assignments/" + assignment("Mooring bollard") + "/bundle");
    browser.see("drop");
    browser.choose(files);
    browser.see("bundle");
    browser.seeText("bundle", "Its name names nobody in the class.");
    browser.see(By.xpath("//select[@aria-label='By whom from somebody.obj is']")).sendKeys("Amara");
    browser.press("Hand in 3 files");
    browser.see(By.xpath("(//*[@data-testid='bundle']//a[.='Handed in'])[3]"));
    // A reload shows the same.
    browser.reload();
    browser.see(By.xpath("(//*[@data-testid='bundle']//a[.='Handed in'])[3]"));
    browser.open("/desk");
    browser.see(By.xpath("//li[contains(.,'Amara') and contains(.,'Mooring bollard')]"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void fileOfAnotherSize_isAskedAbout_andHandedInAtTheSizeThatIsSaid() throws IOException {
    signIn("Ines");
    browser.pressIn("Hatch lid", "Hand in a file");
    browser.see("drop");
    StringBuilder obj = new StringBuilder();
    // In metres, with Y upwards.
    ObjWriter.write(
        HarbourProps.hatchLid().moved(p -> new Vec3(p.x(), p.z(), -p.y()).times(0.001)), obj);
    browser.dropFile("lid.obj", obj.toString());
    browser.see("meant");
    browser.press("cm");
    browser.press("m");
    String said = browser.see("size").getText();
    assertThat(said).endsWith(" mm");
    browser.press("Hand in at this size");
    browser.see(By.xpath("//*[@role='dialog'][contains(.,'Its lengths were taken as m')]"));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void findingsOnTheFarSide_areOneClickAway() {
    signIn("Marit");
    browser.open("/review/" + submission("tobias", false));
    browser.see("marks");
    browser.see("far-side");
    Set<String> before = browser.marks();
    browser.see("far-side").click();
    browser.await(() -> browser.marks().stream().anyMatch(mark -> !before.contains(mark)));
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void hundredsOfFindings_join_andAClickOnACrowdGoesNearer() {
    signIn("Amara");
    browser.pressIn("Fairlead block", "Hand in a file");
    browser.see("drop");
    StringBuilder sheet = new StringBuilder();
    int n = 30;
    for (int v = 0; v < (n + 1) * (n + 1); v++) {
      sheet.append("v %d %d 0\n".formatted(2 * (v % (n + 1)), 2 * (v / (n + 1))));
    }
    for (int f = 0; f < n * n; f++) {
      int v = f / n * (n + 1) + f % n + 1;
      sheet.append(
          "f %d %d %d\nf %d %d %d\n".formatted(v, v + 1, v + n + 2, v, v + n + 2, v + n + 1));
    }
    browser.dropFile("sheet.obj", sheet.toString());
    browser.see("meant");
    browser.press("Hand in at this size");
    browser.see(By.xpath("//*[@role='dialog'][contains(.,'is handed in')]"));
    signIn("Marit");
    browser.open(
        "/review/"
            + database.value(
                "select id from submission where file_name = 'sheet.obj' order by handed_in_at"
                    + " desc"));
    browser.see("marks");
    By crowds =
        By.xpath("//*[@data-testid='marks']//*[contains(text(),'findings: a click goes')]/..");
    browser.see(By.cssSelector("[data-testid=marks] [data-finding] text"));
    assertThat(browser.marks()).hasSizeBetween(1, 60);
    String from = browser.projection();
    String chosen = chosen();
    browser.clickOn(crowds);
    browser.await(() -> !browser.projection().equals(from));
    assertThat(browser.marks()).hasSizeBetween(1, 60);
    // It goes nearer and chooses nothing else.
    assertThat(chosen()).isEqualTo(chosen);
    assertThat(browser.complaints()).isEmpty();
  }

  private String chosen() {
    return browser.path().replaceAll(".*(finding=[^&]*).*", "$1");
  }

  @Test
  void aReview_isDoneByKeyboardAlone() {
    browser.open("/sign-in");
    browser.see(By.cssSelector("input"));
    browser.script("document.querySelector('input').focus()");
    browser.type("marit", Keys.TAB, "harbour-props", Keys.ENTER);
    browser.button("Review");
    String waiting = submission("rune", false);
    browser.type(Keys.ARROW_DOWN, Keys.ARROW_UP, Keys.ENTER);
    browser.seeText("review-tally", "1 must");
    assertThat(browser.path()).contains(waiting);
    browser.type(Keys.ARROW_DOWN);
    browser.see("chosen-place");
    browser.type("n");
    browser.type("This one goes with the vertex beside it.");
    browser.type(Keys.ESCAPE);
    browser.type("k");
    browser.see(By.xpath("//*[@role='status'][.='Kept']"));
    browser.chord(Keys.CONTROL, Keys.ENTER);
    browser.seeText("review-tally", "3 must");
    assertThat(
            database.rows(
                "select a.returned_at is not null, n.text from answer a join note n using"
                    + " (submission_id) where a.submission_id = '"
                    + waiting
                    + "'"))
        .containsExactly(List.of("t", "This one goes with the vertex beside it."));
  }

  @Test
  void addresses_bringTheSameViewBack() {
    signIn("Marit");
    browser.open("/review/" + submission("tobias", false));
    browser.seeText("review-tally", "3 must");
    browser.type(Keys.ARROW_DOWN);
    browser.see("chosen-place");
    browser.type("c");
    browser.drag(MouseButton.LEFT, 150, 40);
    browser.see(By.cssSelector("[data-projection]"));
    browser.await(() -> browser.path().contains("view="));
    Vec3 corner = HarbourProps.fairleadBlock().position(9);
    Browser.Pixel before = browser.find(corner);
    assertThat(browser.path()).contains("finding=", "lens=clay");
    browser.reload();
    browser.see("chosen-place");
    browser.await(() -> near(browser.find(corner), before));
    browser.open("/review/" + UUID.randomUUID());
    browser.see(By.xpath("//*[@role='alert'][contains(., 'no such submission')]"));
  }

  private static boolean near(Browser.Pixel a, Browser.Pixel b) {
    return Math.abs(a.x() - b.x()) <= 1 && Math.abs(a.y() - b.y()) <= 1;
  }

  @Test
  void twoWindows_stayInStep() {
    signIn("Ines");
    String bench = "/bench/" + assignment("Fairlead block");
    browser.open(bench);
    browser.leaveDialog("To the bench");
    browser.openWindow(bench);
    browser.leaveDialog("To the bench");
    Mesh block = HarbourProps.fairleadBlock();
    browser.type("v");
    browser.clickAt(block.position(4));
    browser.clickAt(block.position(5));
    browser.seeText("effect", "Splits 1 face");
    browser.press("Make the cut");
    browser.seeText("tally", "1 must");
    browser.goToWindow(0);
    browser.seeText("tally", "1 must");
    browser.chord(Keys.CONTROL, "z");
    browser.seeText("tally", "3 must");
    browser.goToWindow(1);
    browser.seeText("tally", "3 must");
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void aFile_isDropped_watched_andSaidToBeBad() throws IOException {
    signIn("Amara");
    browser.pressIn("Mooring bollard", "Hand in a file");
    browser.see("drop");
    browser.dropFile("notes.txt", "This is no mesh.\n");
    browser.see(By.xpath("//*[@role='alert'][contains(., 'Line 1')]"));
    StringBuilder bollard = new StringBuilder();
    ObjWriter.write(HarbourProps.mooringBollard(), bollard);
    browser.dropFile("bollard.obj", bollard.toString());
    browser.leaveDialog("Good");
    browser.see(By.xpath("//li[contains(., 'Mooring bollard')][contains(., 'waits for review')]"));
    assertThat(
            database.rows(
                "select stage, file_name from upload where file_name like '%bollard%' or file_name"
                    + " like 'notes%' order by received_at"))
        .containsExactly(List.of("failed", "notes.txt"), List.of("done", "bollard.obj"));
  }

  @Test
  void practice_isBegunWithAForm_orAFile_andPutAway() {
    signIn("Tobias");
    browser.open("/practice");
    browser.click("button:has(img[src*='fairlead-block'])");
    browser.leaveDialog("To the bench");
    Mesh block = HarbourProps.fairleadBlock();
    browser.clickAt(block.position(4));
    browser.clickAt(block.position(5));
    browser.seeText("effect", "Splits 1 face");
    browser.type(Keys.ENTER);
    browser.seeText("face-count", "of 17 faces");
    browser.open("/practice");
    browser.button("Carry on cutting");
    browser.dropFile("plank.obj", "v 0 0 0\nv 9 0 0\nv 9 4 0\nv 0 4 0\nf 1 2 3 4\n");
    browser.leaveDialog("To the bench");
    browser.seeText("face-count", "1 face, all quads");
    browser.open("/practice");
    browser.pressIn("plank", "Put away");
    browser.press("Bring it back");
    browser.pressIn("plank", "Put away");
    browser.button("Bring it back");
    browser.reload();
    browser.button("Carry on cutting");
    assertThat(browser.count("li img[src*='/picture']")).isEqualTo(1 + Form.values().length);
    assertThat(browser.complaints()).isEmpty();
  }

  @Test
  void emptyPlaces_andALostConnection_areSaid() {
    School school = new School(app);
    UUID course = school.classOf("Breakwater", school.person("olga", "New Here"));
    school.enrol(course, school.person("nils", "New Here"), Role.STUDENT);
    for (String name : List.of("olga", "nils")) {
      browser.open("/sign-in");
      browser.script("document.cookie = 'SESSION=; Max-Age=0; path=/'");
      browser.open("/sign-in");
      browser.see(By.cssSelector("input"));
      browser.script("document.querySelector('input').focus()");
      browser.type(name, Keys.TAB, "harbour-props", Keys.ENTER);
      browser.see(
          By.xpath(
              name.equals("olga")
                  ? "//*[contains(., 'The desk is clear.')]"
                  : "//*[contains(., 'No exercise')]"));
      assertThat(browser.barriers()).isEmpty();
    }
    signIn("Ines");
    browser.open("/bench/" + assignment("Hatch lid"));
    browser.leaveDialog("To the bench");
    browser.setOffline(true);
    browser.type("1");
    Mesh lid = HarbourProps.hatchLid();
    browser.clickAt(lid.position(18));
    browser.clickAt(lid.position(26));
    browser.button("Try now");
    assertThat(browser.barriers()).isEmpty();
    // It looks for the server by itself.
    browser.setOffline(false);
    browser.seeText("effect", "Splits 1 face");
  }
}
